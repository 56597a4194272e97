import { given } from '../../base/index.js';
import { judgeTap } from '../../rules/details.js';
import type { Feeders } from '../graph/feeders-from-grid.js';
import { limitAhead } from '../graph/limit-ahead.js';
import type { WiringPart } from '../graph/wiring-graph.js';
import type { SizedCable } from './size-cable.js';

/** A tap against what is ahead of it and what it ends in; null where it is none, or one of these is not known. */
function judgedTap(
  { part, cable, judged, need }: SizedCable,
  parts: readonly WiringPart[],
  fedBy: Feeders,
): ReturnType<typeof judgeTap> | null {
  const aheadA = limitAhead(fedBy, part.from)?.device?.ratingA?.value;
  if (!part.isTap || !judged || aheadA === undefined) return null;
  const endsIn = parts.filter(({ from }) => from === part.to);
  // Sources on the same feeder add to what is ahead of the tap.
  const sources = parts.filter(
    (one) => one.from === part.from && one.id !== part.id && one.cable?.use === 'source',
  );
  return judgeTap({
    carriesA: judged.carriesA,
    lengthM: cable.lengthM.value,
    aheadA,
    endsInA: Math.max(
      need.continuousA + need.otherA,
      ...endsIn.map(({ device }) => device?.ratingA?.value ?? 0),
    ),
    sourcesA: sources.reduce((sum, { protectedByA }) => sum + (protectedByA ?? 0), 0),
  });
}

/** What rules of taps ask of a cable. */
export function tapFacts(sized: SizedCable, parts: readonly WiringPart[], fedBy: Feeders) {
  const { part, judged } = sized;
  const tap = judgedTap(sized, parts, fedBy);
  const clause = tap?.clause ?? '240.21(B)';
  return {
    isTap: part.isTap,
    tapCarriesA: given({
      key: `${part.id}.tap`,
      label: `What the tap ${part.name} carries`,
      value: judged?.carriesA ?? Number.NaN,
      unit: 'A',
      source: { kind: 'published', reference: 'tables of conductors (recalled)' },
      assumptions: tap ? [tap.working] : [],
    }),
    tapLeastA: given({
      key: `${part.id}.tap-least`,
      label: 'What a tap of its length must carry',
      value: tap?.leastA ?? Number.NaN,
      unit: 'A',
      source: { kind: 'published', reference: clause },
    }),
    tapClause: clause,
  };
}

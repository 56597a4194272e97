import { quantityText } from '../../base/index.js';
import { margin, type Margin, type MarginKey } from '../margins/margin.js';
import type { SeasonOutlook } from './outlook-of.js';

/** At most so many of the required outages may be cut short by overload. */
export const allowedOverloadShare = 1 / 20;

const kinds = [
  { key: 'continuous', of: 'whole', words: 'an overload of the whole' },
  { key: 'legs', of: 'leg', words: 'an overload of a leg' },
  { key: 'starting', of: 'start', words: 'a start' },
] as const satisfies readonly { key: MarginKey; of: keyof SeasonOutlook['cutShort']; words: string }[];

/**
 * Margins of power with the risk that matters: how many simulated outages an overload ends before the required hours, with the
 * household as stated, on the whole and on every leg, starts and restarts included. More than 1 in 20, and the margin of what
 * ends most of them fails, however much of the time the demand stays below the limit.
 */
export function withOverloadRisk(margins: readonly Margin[], { cutShort }: SeasonOutlook): Margin[] {
  const hasLegs = margins.some(({ key }) => key === 'legs');
  // A supply of one leg: its overload is that of the whole.
  const shares = hasLegs ? cutShort : { ...cutShort, whole: cutShort.whole + cutShort.leg, leg: 0 };
  const sum = shares.whole + shares.leg + shares.start;
  const most = kinds.reduce((a, b) => (shares[b.of] > shares[a.of] ? b : a));
  return margins.map((plain) => {
    const kind = kinds.find(({ key }) => key === plain.key);
    if (!kind || plain.verdict === 'unknown') return plain;
    const decides = sum > allowedOverloadShare && kind === most;
    return margin(
      {
        ...plain,
        ratio: decides ? Math.max(plain.ratio, sum / allowedOverloadShare) : plain.ratio,
        cutShortShare: shares[kind.of],
      },
      () => ({
        demand: plain.demand,
        limit: plain.limit,
        culprit: decides
          ? `${quantityText(sum, 'share')} of the required outages are cut short by overload, most by ${kind.words}; at most ${quantityText(allowedOverloadShare, 'share')} may be`
          : plain.culprit,
        cure: plain.cure,
      }),
    );
  });
}

import { nameList } from '../../base/index.js';
import type { Plan } from '../../design/index.js';
import { codeValues } from '../../rules/index.js';
import { iecSigns, necSigns, type SignPlace, type SignSize, signSize } from '../../rules/details.js';
import type { SizedWiring } from '../size-wiring.js';

/** A sign that must hang somewhere. */
export interface WiringSign {
  readonly id: string;
  readonly where: string;
  readonly text: string;
  /** Height of its letters, mm. */
  readonly letterMm: number;
  readonly size: SignSize;
  /** Colours, where they are laid down; '' = free. */
  readonly look: string;
  /** Clause and edition, recalled. */
  readonly rule: string;
}

/** The signs that the wiring asks for, each at its place, with the names of the house put in. */
export function signsOf(plan: Plan, { graph, busbars }: SizedWiring): WiringSign[] {
  const { signs } = codeValues(plan);
  const pack = signs === 'nec' ? necSigns : iecSigns;
  const american = signs === 'nec';
  const sources = graph.sources.filter(({ kind }) => kind !== 'grid');
  const names = nameList(
    sources.map(({ name }) => name),
    6,
  );
  const mains = graph.parts.flatMap(({ device }) => (device?.kind === 'main' ? [device.name] : []));
  const disconnects = graph.parts.flatMap(({ device }) =>
    device?.kind === 'disconnect' || device?.kind === 'main' ? [device.name] : [],
  );
  const at: Readonly<Record<SignPlace, readonly string[]>> = {
    service: sources.length > 0 ? plan.survey.services.map(({ name }) => `Service equipment of ${name}`) : [],
    'emergency-disconnect': plan.survey.panels.flatMap(({ name, between }) =>
      between.some(({ kind }) => kind === 'emergency-disconnect') ? [`Emergency disconnect of ${name}`] : [],
    ),
    'far-end-breaker': busbars.flatMap(({ place, ways }) =>
      ways.find(({ holds }) => holds)?.id === 'far-end' ? [`Source breaker in ${place.name}`] : [],
    ),
    'sum-of-breakers': busbars.flatMap(({ place, ways }) =>
      ways.find(({ holds }) => holds)?.id === 'all-breakers' ? [place.name] : [],
    ),
    'several-sources': american
      ? busbars.map(({ place }) => place.name)
      : graph.places.flatMap(({ kind, name }) => (kind === 'bus' && sources.length > 0 ? [name] : [])),
    'array-disconnect': graph.parts.flatMap(({ id, device }) =>
      id.startsWith('array-switch:') && device ? [device.name] : [],
    ),
    'storage-disconnect': graph.parts.flatMap(({ id, device }) =>
      (id.startsWith('output:') || id.startsWith('combined:')) && device ? [device.name] : [],
    ),
    'standby-source': sources.some(({ kind }) => kind === 'inverter' || kind === 'generator')
      ? plan.survey.services.map(({ name }) => `Service equipment of ${name}`)
      : [],
    'inlet-bonded': inletsOf(plan, 'switched'),
    'inlet-floating': inletsOf(plan, 'solid'),
  };
  return pack.signs.flatMap(({ at: place, clause, text, look = '', letterMm = pack.letterMm }) => {
    const words = text
      .replace('[sources]', names)
      .replace('[places]', nameList(place === 'service' ? disconnects : mains, 6));
    return at[place].map((where, index) => ({
      id: `${place}-${clause}-${index}`,
      where,
      text: words,
      letterMm,
      size: signSize(words, letterMm, pack.stepMm),
      look,
      rule: `${clause}, ${pack.edition} (recalled)`,
    }));
  });
}

/** Inlets and transfer switches of a generator whose neutral is switched or left solid; not looked at counts for solid. */
function inletsOf({ survey, wiring }: Plan, neutral: 'switched' | 'solid'): string[] {
  if ((wiring.transferNeutral ?? 'solid') !== neutral) return [];
  return survey.panels.flatMap(({ name, between }) =>
    between.some(({ kind }) => kind === 'generator-inlet' || kind === 'transfer-switch')
      ? [`Generator inlet of ${name}`]
      : [],
  );
}

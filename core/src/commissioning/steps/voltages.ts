import { given } from '../../base/index.js';
import { isAmerican, type Leg, type SupplySystem, systemFacts } from '../../electric/index.js';
import type { LikelyCause, Measure } from './step.js';

/** How far a voltage may be off, share: ANSI C84.1 range A; IEC 60038. Recalled. */
const allowed = {
  american: { share: 0.05, source: 'ANSI C84.1, range A, service voltage: ± 5 %; recalled' },
  other: { share: 0.1, source: 'IEC 60038: ± 10 %; recalled' },
} as const;

/** Two conductors between which a voltage is measured. */
export interface Pair {
  readonly name: string;
  readonly nominalV: number;
}

/** Every pair of conductors of a supply, legs against neutral first. */
export function pairsOf(system: SupplySystem): Pair[] {
  const { legs, legVoltageV, lineVoltageV } = systemFacts[system];
  const between: Pair[] = legs.flatMap((one: Leg, index) =>
    legs.slice(index + 1).map((other) => ({ name: `${one}-${other}`, nominalV: lineVoltageV })),
  );
  return [...legs.map((leg) => ({ name: `${leg}-N`, nominalV: legVoltageV })), ...between];
}

/** A voltage between two conductors, and what is likely where it is off. */
export function voltage(
  key: string,
  { name, nominalV }: Pair,
  system: SupplySystem,
  onIsland: boolean,
): Measure {
  const { share, source } = isAmerican(system) ? allowed.american : allowed.other;
  const [least, most] = [nominalV * (1 - share), nominalV * (1 + share)];
  const neutral = onIsland
    ? 'The neutral of the island is not formed: the legs drift apart'
    : 'A loose neutral: one leg is low, another is high';
  const causes: LikelyCause[] = [
    {
      from: 0,
      to: 0.1 * nominalV,
      text: onIsland
        ? 'A leg of the inverter is missing, or its breaker is open; where another leg is high, the neutral of the island is not formed'
        : 'A leg is lost, or something before it is open',
    },
    {
      from: 0.1 * nominalV,
      to: 0.45 * nominalV,
      text: 'A conductor floats: what is measured comes through something that is switched on',
    },
    {
      from: 0.45 * nominalV,
      to: 0.65 * nominalV,
      text: 'One conductor is another than the one named: two are exchanged',
    },
    {
      from: 0.65 * nominalV,
      to: least,
      text: name.endsWith('-N') ? neutral : 'A weak connection, or a supply that sags',
    },
    {
      from: most,
      to: 1.6 * nominalV,
      text: name.endsWith('-N') ? neutral : 'A tap or a setting for another voltage',
    },
    {
      from: 1.6 * nominalV,
      to: Infinity,
      text: onIsland
        ? 'The neutral of the island is not formed, or a leg stands where it should'
        : 'A leg stands where the neutral should',
    },
  ];
  return {
    kind: 'measure',
    unit: 'V',
    predicted: given({
      key,
      label: `Nominal voltage ${name}`,
      value: nominalV,
      unit: 'V',
      source: { kind: 'published', reference: source },
    }),
    least,
    most,
    bounds: source,
    causes,
  };
}

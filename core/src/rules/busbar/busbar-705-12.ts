import { ampsText } from '../amps-text.js';
import { continuousFactor } from '../conductors/size-conductor.js';

/** A busbar that sources feed. */
export interface FedBusbar {
  readonly busA: number;
  /** The breaker that protects it from the supply, ahead of its lugs where it has none of its own. */
  readonly mainA: number;
  /** Output of each source that is connected to it, A. */
  readonly sourcesA: readonly number[];
  /** Breakers of these sources, A. */
  readonly sourceBreakersA: readonly number[];
  /** All other breakers in it, A: loads and feeders. */
  readonly loadBreakersA: readonly number[];
  /** Are the sources at the far end from the main? null = nobody has said. */
  readonly atFarEnd: boolean | null;
  /** Fed in the middle, in a dwelling. */
  readonly centreFed: boolean;
  /** A power control system holds the sum of sources and supply to so many amperes, 705.13; null = there is none. */
  readonly heldToA: number | null;
}

/** The ways to connect sources to a busbar. */
export type BusbarWayId = 'sum' | 'far-end' | 'all-breakers' | 'middle' | 'controlled';
export type BusbarClauses = Readonly<Record<BusbarWayId, string>>;

/** Where each way stands in the edition of 2023 (recalled). */
export const clauses2023: BusbarClauses = {
  sum: '705.12(B)(1)',
  'far-end': '705.12(B)(2)',
  'all-breakers': '705.12(B)(3)',
  middle: '705.12(B)(4)',
  controlled: '705.13',
};

export interface BusbarWay {
  readonly id: BusbarWayId;
  readonly clause: string;
  readonly what: string;
  readonly holds: boolean;
  /** What it counts, and what that may come to, A. */
  readonly demandA: number;
  readonly limitA: number;
  /** The sum with its numbers. */
  readonly working: string;
  /** What must be done with it. */
  readonly asks: string;
  /** Source output it leaves room for beside what is there, A; null where the way does not say. */
  readonly roomA: number | null;
}

const sum = (values: readonly number[]): number => values.reduce((all, value) => all + value, 0);
/** How much of the bus rating sources at the far end and the main may come to. */
const farEndShare = 1.2;

/**
 * The ways of NEC 2023, 705.12(B) and 705.13 to connect sources to a busbar, and which of them hold (recalled). One that holds is enough.
 * Feed-through lugs, (B)(5), and engineering supervision, (B)(6), are not judged here.
 *
 * @param clauses where each way stands in the edition that holds
 */
export function busbarWays(of: FedBusbar, clauses: BusbarClauses = clauses2023): readonly BusbarWay[] {
  const { busA, mainA, heldToA } = of;
  const countedA = continuousFactor * sum(of.sourcesA);
  const roomFor = (limitA: number): number => Math.max(0, (limitA - mainA) / continuousFactor);
  const demandA = countedA + mainA;
  const counted = `${continuousFactor} × ${ampsText(sum(of.sourcesA))} + ${ampsText(mainA)} = ${ampsText(demandA)}`;
  const against = (limitA: number): string => `${counted}, against ${ampsText(limitA)}`;
  const breakersA = sum(of.loadBreakersA) + sum(of.sourceBreakersA);
  const farEndA = farEndShare * busA;
  const one: BusbarWay = {
    id: 'sum',
    clause: clauses.sum,
    what: 'sources and main within the bus rating, anywhere on it',
    holds: demandA <= busA + 1e-9,
    demandA,
    limitA: busA,
    working: against(busA),
    asks: '',
    roomA: roomFor(busA),
  };
  const two: BusbarWay = {
    id: 'far-end',
    clause: clauses['far-end'],
    what: 'sources at the opposite end from the main, within 120 % of the bus rating',
    holds: of.atFarEnd !== false && !of.centreFed && demandA <= farEndA + 1e-9,
    demandA,
    limitA: farEndA,
    working: `${against(farEndA)}${of.atFarEnd === false ? '; the sources are not at the far end' : ''}${of.centreFed ? '; the panel is fed in the middle' : ''}`,
    asks: 'Source breakers at the far end, marked not to be moved.',
    roomA: roomFor(farEndA),
  };
  const three: BusbarWay = {
    id: 'all-breakers',
    clause: clauses['all-breakers'],
    what: 'all breakers but the main together within the bus rating, and the main too',
    holds: breakersA <= busA + 1e-9 && mainA <= busA,
    demandA: Math.max(breakersA, mainA),
    limitA: busA,
    working: `breakers ${ampsText(breakersA)} and main ${ampsText(mainA)}, each against ${ampsText(busA)}`,
    asks: 'A label that the sum of all breakers must not grow beyond the bus rating.',
    roomA: null,
  };
  const four: BusbarWay = {
    id: 'middle',
    clause: clauses.middle,
    what: 'fed in the middle of a dwelling’s panel, sources at one end, within 120 %',
    holds: of.centreFed && of.sourcesA.length <= 1 && demandA <= farEndA + 1e-9,
    demandA,
    limitA: farEndA,
    working: `${against(farEndA)}${of.centreFed ? '' : '; the panel is not fed in the middle'}${of.sourcesA.length > 1 ? '; sources at one end only' : ''}`,
    asks: 'Sources at one end only.',
    roomA: of.centreFed ? roomFor(farEndA) : null,
  };
  const controlled: BusbarWay = {
    id: 'controlled',
    clause: clauses.controlled,
    what: 'a power control system holds the sum to the bus rating',
    holds: heldToA !== null && heldToA <= busA + 1e-9,
    demandA: heldToA ?? Number.NaN,
    limitA: busA,
    working:
      heldToA === null
        ? 'nobody has said that there is one'
        : `held to ${ampsText(heldToA)}, bus ${ampsText(busA)}`,
    asks: 'Its setting entered and sealed; a label with it.',
    roomA: null,
  };
  return [one, two, three, four, controlled];
}

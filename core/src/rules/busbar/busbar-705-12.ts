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
  /** Lugs at its end feed conductors on: with a breaker where these begin, or without; null = it has none. */
  readonly feedThrough: 'breaker' | 'open' | null;
  /** Who designed the connection under engineering supervision; '' = nobody. */
  readonly engineer: string;
  /** A power control system holds the sum of sources and supply to so many amperes, 705.13; null = there is none. */
  readonly heldToA: number | null;
}

/** The ways to connect sources to a busbar. */
export type BusbarWayId =
  'sum' | 'far-end' | 'all-breakers' | 'middle' | 'feed-through' | 'supervised' | 'controlled';
export type BusbarClauses = Readonly<Record<BusbarWayId, string>>;

/** Where each way stands in the edition of 2023 (recalled). */
export const clauses2023: BusbarClauses = {
  sum: '705.12(B)(1)',
  'far-end': '705.12(B)(2)',
  'all-breakers': '705.12(B)(3)',
  middle: '705.12(B)(4)',
  'feed-through': '705.12(B)(5)',
  supervised: '705.12(B)(6)',
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
 *
 * Where lugs at the end of the bus feed conductors on, (B)(1) to (3) hold only if a device protects these where they begin; without one, (B)(5) asks that
 * bus and conductors carry the sum of main and 125 % of the sources.
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
  // Whatever hangs on the far end of the bus draws from there, too: its ways are for a bus that ends.
  const goesOn = of.feedThrough === 'open';
  const andGoesOn = goesOn ? '; lugs feed conductors on without a device' : '';
  const breakersA = sum(of.loadBreakersA) + sum(of.sourceBreakersA);
  const farEndA = farEndShare * busA;
  const one: BusbarWay = {
    id: 'sum',
    clause: clauses.sum,
    what: 'sources and main within the bus rating, anywhere on it',
    holds: !goesOn && demandA <= busA + 1e-9,
    demandA,
    limitA: busA,
    working: `${against(busA)}${andGoesOn}`,
    asks: '',
    roomA: roomFor(busA),
  };
  const two: BusbarWay = {
    id: 'far-end',
    clause: clauses['far-end'],
    what: 'sources at the opposite end from the main, within 120 % of the bus rating',
    holds: !goesOn && of.atFarEnd !== false && !of.centreFed && demandA <= farEndA + 1e-9,
    demandA,
    limitA: farEndA,
    working: `${against(farEndA)}${of.atFarEnd === false ? '; the sources are not at the far end' : ''}${of.centreFed ? '; the panel is fed in the middle' : ''}${andGoesOn}`,
    asks: 'Source breakers at the far end, marked not to be moved.',
    roomA: roomFor(farEndA),
  };
  const three: BusbarWay = {
    id: 'all-breakers',
    clause: clauses['all-breakers'],
    what: 'all breakers but the main together within the bus rating, and the main too',
    holds: !goesOn && breakersA <= busA + 1e-9 && mainA <= busA,
    demandA: Math.max(breakersA, mainA),
    limitA: busA,
    working: `breakers ${ampsText(breakersA)} and main ${ampsText(mainA)}, each against ${ampsText(busA)}${andGoesOn}`,
    asks: 'A label that the sum of all breakers must not grow beyond the bus rating.',
    roomA: null,
  };
  const four: BusbarWay = {
    id: 'middle',
    clause: clauses.middle,
    what: 'fed in the middle of a dwelling’s panel, sources at one end, within 120 %',
    holds: !goesOn && of.centreFed && of.sourcesA.length <= 1 && demandA <= farEndA + 1e-9,
    demandA,
    limitA: farEndA,
    working: `${against(farEndA)}${of.centreFed ? '' : '; the panel is not fed in the middle'}${of.sourcesA.length > 1 ? '; sources at one end only' : ''}`,
    asks: 'Sources at one end only.',
    roomA: of.centreFed ? roomFor(farEndA) : null,
  };
  const five: BusbarWay = {
    id: 'feed-through',
    clause: clauses['feed-through'],
    what: 'lugs feed conductors on: bus and conductors carry main and sources together',
    holds: goesOn && demandA <= busA + 1e-9,
    demandA,
    limitA: busA,
    working: `${against(busA)}${goesOn ? '' : '; no lugs feed conductors on without a device'}`,
    asks: `Conductors on the feed-through lugs for ${ampsText(demandA)} at least, or a device where they begin.`,
    roomA: goesOn ? roomFor(busA) : null,
  };
  const supervised: BusbarWay = {
    id: 'supervised',
    clause: clauses.supervised,
    what: 'designed under engineering supervision',
    holds: of.engineer !== '',
    demandA: of.engineer === '' ? Number.NaN : demandA,
    limitA: busA,
    working: of.engineer === '' ? 'nobody stands for it' : `${of.engineer} stands for it; ${against(busA)}`,
    asks: 'Calculations of available fault current and of the load of the busbar, with the papers.',
    roomA: null,
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
  return [one, two, three, four, five, controlled, supervised];
}

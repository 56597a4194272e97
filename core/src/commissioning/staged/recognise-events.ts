import type { OutageSample } from './outage-sample.js';
import { noVoltageV, type Supply, supplyOf } from './supply-of.js';
import { silenceS } from './usual-step.js';

export const recordedEvents = {
  'grid-away': 'The grid is gone',
  island: 'The house is fed from the island',
  dark: 'The house is dark',
  'solar-back': 'Solar feeds the island',
  'solar-away': 'Solar feeds no more',
  'backs-off': 'Frequency is raised: solar backs off',
  'takes-all': 'Frequency is as it was: solar gives what it has',
  full: 'The battery is full',
  generator: 'Another source feeds and charges: the generator',
  'generator-away': 'That source is gone',
  shed: 'Much was switched off at once',
  'grid-back': 'The grid is back, and is watched',
  'on-grid': 'The house is on the grid',
  silent: 'The devices did not answer',
} as const;
export type RecordedEventKind = keyof typeof recordedEvents;

/** Something that happened in a recording, and when. */
export interface RecordedEvent {
  readonly second: number;
  readonly kind: RecordedEventKind;
  /** W that a source feeds, or that were switched off; s of silence; null = nothing to say. */
  readonly amount: number | null;
}

/** From this on solar feeds, W. */
const solarFeedsW = 60;
/** The frequency is raised by so much at least (common practice, no source), Hz. */
const raisedHz = 0.25;
/** Charge that is called full, share. */
export const fullShare = 0.985;
/** What feeds the battery beside the sun is a source of its own from this on, W. */
export const otherSourceW = 300;
/** A drop by this share of what was on, and this much at least, is somebody, or something, that switched off. */
const shedShare = 0.35;
const shedLeastW = 400;
/** A state that lasts shorter is flicker, s. */
const steadyS = 5;
/** Longer without an answer is told, s. */
const silentS = 15;

/** What the house takes, W; null = not known. */
export const houseW = ({ batteryW, solarW, gridW }: OutageSample): number | null =>
  batteryW === null || solarW === null ? null : batteryW + solarW + (gridW ?? 0);

/** A state that is believed when it has lasted. */
class Steady {
  private since = 0;
  private candidate: boolean | null = null;
  constructor(private state: boolean) {}
  /** Is it a change that is believed now? Then since when. */
  see(is: boolean, second: number): { readonly is: boolean; readonly since: number } | null {
    if (is === this.state) {
      this.candidate = null;
      return null;
    }
    if (this.candidate !== is) {
      this.candidate = is;
      this.since = second;
    }
    if (second - this.since < steadyS) return null;
    this.state = is;
    this.candidate = null;
    return { is, since: this.since };
  }
}

/**
 * What happened in a recorded outage, in the order of time: recognised from what devices show second by second, with nobody telling.
 *
 * @param nominalHz of the supply
 */
export function recogniseEvents(samples: readonly OutageSample[], nominalHz: number): RecordedEvent[] {
  const events: RecordedEvent[] = [];
  const tell = (second: number, kind: RecordedEventKind, amount: number | null = null): void => {
    events.push({ second, kind, amount });
  };
  const toldS = silenceS(samples, silentS);
  let supply: Supply | null = null;
  let gridThere: boolean | null = null;
  let isFull = false;
  let solar = new Steady(false);
  let raised = new Steady(false);
  let other = new Steady(false);
  const recent: { second: number; watts: number }[] = [];
  let last: OutageSample | null = null;
  for (const sample of samples) {
    const { second } = sample;
    if (last && second - last.second > toldS) tell(last.second, 'silent', second - last.second);
    last = sample;
    const isThere: boolean | null = sample.gridV === null ? gridThere : sample.gridV > noVoltageV;
    if (isThere !== null && gridThere !== null && isThere !== gridThere)
      tell(second, isThere ? 'grid-back' : 'grid-away');
    gridThere = isThere;
    const now = supplyOf(sample);
    if (now !== null && now !== supply) {
      if (supply !== null) tell(second, now === 'grid' ? 'on-grid' : now);
      supply = now;
      // Each island begins without sun and generator.
      [solar, raised, other] = [new Steady(false), new Steady(false), new Steady(false)];
      recent.length = 0;
    }
    if (supply !== 'island') continue;
    const { solarW, batteryW, frequencyHz, charge } = sample;
    if (solarW !== null) {
      const change = solar.see(solarW > solarFeedsW, second);
      if (change) tell(change.since, change.is ? 'solar-back' : 'solar-away', change.is ? solarW : null);
    }
    if (frequencyHz !== null) {
      const change = raised.see(frequencyHz > nominalHz + raisedHz, second);
      if (change) tell(change.since, change.is ? 'backs-off' : 'takes-all');
    }
    if (charge !== null && charge >= fullShare && !isFull) tell(second, 'full');
    if (charge !== null) isFull = charge >= fullShare || (isFull && charge > fullShare - 0.02);
    if (solarW !== null && batteryW !== null) {
      // The battery takes more than the sun gives: from somewhere else.
      const beside = -batteryW - solarW;
      const change = other.see(beside > otherSourceW, second);
      if (change) tell(change.since, change.is ? 'generator' : 'generator-away', change.is ? beside : null);
      const watts = batteryW + solarW;
      while (recent.length > 0 && second - recent[0]!.second > steadyS) recent.shift();
      const before = recent[0];
      // A house gives nothing: something else feeds it, and what it takes is not known.
      if (watts < 0) recent.length = 0;
      else if (before && before.watts - watts > Math.max(shedLeastW, shedShare * before.watts)) {
        tell(second, 'shed', before.watts - watts);
        recent.length = 0;
      }
      if (watts >= 0) recent.push({ second, watts });
    }
  }
  return events.toSorted((a, b) => a.second - b.second);
}

import { quantityText } from '../../base/index.js';
import type { OutageAspect } from '../steps/step.js';
import type { OutageExpectation } from './expectation.js';
import { type Found, foundReading, foundSo } from './found.js';
import type { OutageSample } from './outage-sample.js';
import { sunBeforeW } from './sun-before.js';
import { supplyOf } from './supply-of.js';
import { silenceS, usualStepS } from './usual-step.js';
import { fullShare, houseW, type RecordedEvent, type RecordedEventKind } from './recognise-events.js';

/** Dark for longer than this after the grid went, and it is no transfer, s. */
const mostGapS = 60;
/** What must come is waited for so much longer before it is missed, s. */
const patienceS = 300;
/** What carries this share of what it may, carries (common practice, no source). */
const carriesShare = 0.55;
/** Charge below which a dark house is empty, not tripped, share. */
const emptyShare = 0.05;
/** A full battery that takes more than this share of its energy still is being overcharged. */
const overfullShare = 0.03;
/** What flowed through a longer silence is not known, s. */
const mostSilentS = 30;
/** Something is seen when it lasts this long, s. */
const lastsS = 60;

const watts = (w: number): string => quantityText(w, 'W');

interface Recorded {
  readonly samples: readonly OutageSample[];
  readonly events: readonly RecordedEvent[];
  readonly expects: OutageExpectation;
  /** Second at which the grid went. */
  readonly awayAt: number;
  readonly endsAt: number;
}

const firstAfter = ({ events }: Recorded, kind: RecordedEventKind, second: number): RecordedEvent | null =>
  events.find((one) => one.kind === kind && one.second >= second) ?? null;

/** When the house was fed after the grid went; null = it stayed dark. */
function fedAt(recorded: Recorded): number | null {
  const { samples, awayAt } = recorded;
  return samples.find((one) => one.second >= awayAt && supplyOf(one) === 'island')?.second ?? null;
}

function goesOn(recorded: Recorded): Found | null {
  const fed = fedAt(recorded);
  if (fed !== null && fed - recorded.awayAt <= mostGapS)
    return foundSo(true, 'The house was fed by the island');
  return recorded.endsAt - recorded.awayAt < mostGapS ? null : foundSo(false, 'The house stayed dark');
}

/** From the system itself, else from seconds without voltage; under a second an instrument is needed. */
function gap(recorded: Recorded): Found | null {
  const fed = fedAt(recorded);
  if (fed === null || fed - recorded.awayAt > mostGapS) return null;
  const said = recorded.samples.find(({ second }) => second >= fed)?.gapMs ?? null;
  const darkS = recorded.samples.filter(
    (one) => one.second >= recorded.awayAt && one.second < fed && supplyOf(one) === 'dark',
  ).length;
  if (said !== null) return foundReading(said, 'As the system says');
  return darkS === 0 ? null : foundReading(darkS * 1000, `No voltage in ${darkS} readings a second apart`);
}

function solarBack(recorded: Recorded): Found | null {
  const { samples, events, expects, awayAt, endsAt } = recorded;
  if (expects.solarWaitsS === null) return null;
  const sunW = sunBeforeW(samples, awayAt);
  if (sunW === null) return null;
  const fed = fedAt(recorded);
  if (fed === null) return null;
  const back = firstAfter(recorded, 'solar-back', fed);
  // It waits anew each time the house was dark.
  const fedAgain = events.findLast(
    ({ kind, second }) => kind === 'island' && second <= (back?.second ?? Infinity),
  );
  const from = Math.max(fed, fedAgain?.second ?? fed);
  const gone = firstAfter(recorded, 'on-grid', fed)?.second ?? endsAt;
  if (back && back.second < gone)
    return foundReading(back.second - from, `${watts(sunW)} before the grid went`);
  return gone - from < expects.solarWaitsS + patienceS
    ? null
    : foundReading(gone - from, `It did not come back at all; ${watts(sunW)} before the grid went`);
}

/** By its frequency; else by a full battery that goes on taking what it cannot hold. */
function backsOff(recorded: Recorded): Found | null {
  const { samples, events, expects, awayAt } = recorded;
  const raised = events.find(({ kind, second }) => kind === 'backs-off' && second >= awayAt);
  if (raised) return foundSo(true, 'The frequency rose, and solar fell');
  const mostS = silenceS(samples, mostSilentS);
  let overWh = 0;
  let last = awayAt;
  for (const { second, isOnGrid, charge, batteryW } of samples) {
    const passedS = Math.min(mostS, Math.max(0, second - last));
    last = second;
    if (second < awayAt || isOnGrid !== false || charge === null || batteryW === null) continue;
    if (charge < fullShare) overWh = 0;
    else overWh += (Math.max(0, -batteryW) * passedS) / 3600;
    if (overWh > overfullShare * expects.usableWh)
      return foundSo(
        false,
        `Full, it took ${quantityText(overWh, 'Wh')} more, and the frequency stayed at ${expects.nominalHz} Hz`,
      );
  }
  return null;
}

function generator(recorded: Recorded): Found | null {
  const { samples, expects, awayAt } = recorded;
  const seen = firstAfter(recorded, 'generator', awayAt);
  if (seen) return foundSo(true, `It charges with ${watts(seen.amount ?? 0)} beside what the house takes`);
  if (!expects.generator) return null;
  const { startBelow, comesWithinS } = expects.generator;
  // A percent below: the charge is shown in steps.
  const low = samples.find(
    ({ second, isOnGrid, charge }) =>
      second >= awayAt && isOnGrid === false && charge !== null && charge < startBelow - 0.01,
  );
  const until = low && (samples.findLast(({ isOnGrid }) => isOnGrid === false)?.second ?? low.second);
  return low && until !== undefined && until - low.second > comesWithinS
    ? foundSo(false, `The charge fell below ${quantityText(startBelow, 'share')}, and nothing came`)
    : null;
}

function carries(recorded: Recorded): Found | null {
  const { samples, events, expects, awayAt } = recorded;
  const fed = fedAt(recorded);
  if (fed === null) return null;
  const trip = events.find(({ kind, second }) => {
    const before = samples.findLast((one) => one.second < second && one.charge !== null);
    return kind === 'dark' && second > fed && (before?.charge ?? 1) > emptyShare;
  });
  if (trip) {
    const before = samples.filter(({ second }) => second < trip.second && second >= trip.second - 30);
    const most = Math.max(0, ...before.map((one) => houseW(one) ?? 0));
    return foundSo(
      false,
      `It went dark with charge left; before that ${watts(most)} of ${watts(expects.carriesW)} were seen`,
    );
  }
  const heavy = samples.filter(
    (one) =>
      one.second >= awayAt && one.isOnGrid === false && (houseW(one) ?? 0) >= carriesShare * expects.carriesW,
  );
  return heavy.length * usualStepS(samples) >= lastsS
    ? foundSo(true, `It carried ${watts(Math.max(...heavy.map((one) => houseW(one)!)))}`)
    : null;
}

function gridReturn(recorded: Recorded): Found | null {
  const { expects, awayAt, endsAt } = recorded;
  const back = firstAfter(recorded, 'grid-back', awayAt);
  if (!back) return null;
  const on = firstAfter(recorded, 'on-grid', back.second);
  if (on) return foundReading(on.second - back.second, 'From when the grid was back');
  return endsAt - back.second > expects.watchesS + patienceS
    ? foundReading(endsAt - back.second, 'It did not return at all')
    : null;
}

function smooth(recorded: Recorded): Found | null {
  const back = firstAfter(recorded, 'grid-back', recorded.awayAt);
  const on = back && firstAfter(recorded, 'on-grid', back.second);
  if (!on) return null;
  const isDark = recorded.events.some(
    ({ kind, second }) => kind === 'dark' && Math.abs(second - on.second) <= 10,
  );
  return foundSo(!isDark, isDark ? 'No voltage as it went over' : 'Voltage in every reading as it went over');
}

const ways: Readonly<Record<OutageAspect, (recorded: Recorded) => Found | null>> = {
  'goes-on': goesOn,
  gap,
  'solar-back': solarBack,
  'backs-off': backsOff,
  generator,
  carries,
  return: gridReturn,
  smooth,
};

/** What a recorded outage says of the steps it can answer; what it does not tell is not in it. */
export function outageFindings(
  samples: readonly OutageSample[],
  events: readonly RecordedEvent[],
  expects: OutageExpectation,
): ReadonlyMap<OutageAspect, Found> {
  const away = events.find(({ kind }) => kind === 'grid-away');
  const last = samples.at(-1);
  if (!away || !last) return new Map();
  const recorded: Recorded = { samples, events, expects, awayAt: away.second, endsAt: last.second };
  return new Map(
    (Object.keys(ways) as OutageAspect[]).flatMap((aspect) => {
      const found = ways[aspect](recorded);
      return found ? [[aspect, found] as const] : [];
    }),
  );
}

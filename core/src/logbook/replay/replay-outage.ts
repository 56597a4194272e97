import { type Catalogue, type MeasuredStack, withMeasured } from '../../equipment/index.js';
import {
  hardwareOf,
  type OutageHardware,
  outagePlan,
  type OutagePlan,
  type OutageStudy,
  type OutageYear,
  studyYear,
} from '../../study/details.js';
import type { KnownOutage } from '../outages/known-outage.js';
import { knownDemand, type KnownDemand } from './known-demand.js';
import { knownSun, type KnownSun } from './known-sun.js';
import { playedEnergy, type PlayedEnergy } from './played-energy.js';
import { type ReckonedYear, reckonedYears } from './reckoned-years.js';
import { shapley } from './shapley.js';
import { meanOutdoorC } from './shifted-weather.js';

/** Why an outage may go otherwise than predicted, as far as it can be known. */
export type Reason = 'charge' | 'temperature' | 'loads' | 'sun' | 'generator' | 'battery';

/** One reason, and what it made of the outage. */
export interface RankedReason {
  readonly reason: Reason;
  /** In the unit of the outcome: less = it made it worse. */
  readonly effect: number;
  /** What was reckoned with, and what it was: share, °C, W, Wh. */
  readonly reckoned: number;
  readonly was: number;
}

export interface Spread {
  readonly mean: number;
  /** Over the years of weather and switching. */
  readonly least: number;
  readonly most: number;
}

/** An outage that happened, as it was predicted, as what is known of it explains it, and as it was. */
export interface OutageReplay {
  /** What is compared: hours until the battery was empty, or the charge that was left. */
  readonly outcome: 'hours' | 'charge';
  readonly predicted: Spread;
  readonly known: Spread;
  /** null = nobody knows. */
  readonly was: number | null;
  /** The largest first. */
  readonly reasons: readonly RankedReason[];
  /** What no reason explains; null = nobody knows how it was. */
  readonly rest: number | null;
  /** The rest is within what can be known. */
  readonly isExplained: boolean;
  /** Runs are followed so far, h. */
  readonly followedH: number;
  readonly usableWh: number;
  /** By minute: shares of the usable energy. */
  readonly predictedCharge: Float32Array;
  readonly knownCharge: Float32Array;
}

export interface ReplayQuestion {
  /** Its plan is as old as its battery was then. */
  readonly study: OutageStudy;
  readonly known: KnownOutage;
  /** What the battery was measured to be about then, over its data sheets; null = nobody measured it. */
  readonly measured: MeasuredStack | null;
}

/** An outage in which the battery was emptied is followed so many times as long, and this long at least, h. */
const followed = { times: 4, leastH: 72, mostH: 14 * 24 };
/** Charge is shown in whole percents, and is not better known than two of them (common practice, no source). */
const chargeError = 0.02;
/** Charge at which a replay is as good as empty, share. */
const nearlyEmpty = 0.05;
/** Hours are not better known than this share of them. */
const hoursError = 0.05;

/** Everything known of an outage in one year of weather and switching. */
interface World {
  readonly year: OutageYear;
  readonly plan: OutagePlan;
  readonly warmW: readonly Float64Array[] | null;
  readonly demand: KnownDemand | null;
  readonly sun: KnownSun | null;
  readonly reckonedC: number;
  readonly metC: number;
}

/**
 * Replays an outage that happened: as it was predicted, then with everything that is known of it; what each thing known made of the
 * difference is its mean effect over all orders in which they may be taken in ({@link shapley}), so that the effects add up.
 *
 * @param years it is held against, where somebody has reckoned them already
 * @returns null where nothing is backed up, or the units do not go together
 */
export function replayOutage(
  question: ReplayQuestion,
  catalogue: Catalogue,
  years: readonly ReckonedYear[] = reckonedYears(question.study, question.known, catalogue),
): OutageReplay | null {
  const { known, measured } = question;
  const { minutes: lasted, emptyMin } = known;
  const outcome = emptyMin === null ? 'charge' : 'hours';
  const followedH =
    emptyMin === null
      ? lasted / 60
      : Math.min(followed.mostH, Math.max(followed.leastH, (followed.times * emptyMin) / 60, lasted / 60));
  const minutes = Math.ceil(followedH * 60);
  const worlds = years.map((year) => worldOf(question, catalogue, year, minutes));
  const [first] = worlds;
  if (!first) return null;

  const { hardware } = first.year;
  const found = measured && measuredHardware(first.year, measured);
  const startCharge = hardware.startWh / hardware.usableWh;
  const reasons: Reason[] = [
    ...(known.startCharge === null ? [] : ['charge' as const]),
    ...(first.warmW ? ['temperature' as const] : []),
    ...(first.demand ? ['loads' as const] : []),
    ...(first.sun ? ['sun' as const] : []),
    ...(known.generatorWh === 0 && hardware.generator !== null ? ['generator' as const] : []),
    ...(found ? ['battery' as const] : []),
  ];
  const play = (world: World, taken: ReadonlySet<Reason>): PlayedEnergy => {
    const { plan } = world;
    const demandW = demandOf(world, taken);
    const own = {
      ...plan,
      trace: { ...plan.trace, demandW },
      // What a household switches off beside a generator is in what it was seen to take.
      besideW: demandW === plan.trace.demandW ? plan.besideW : demandW,
      sun: taken.has('sun') ? world.sun!.sun : plan.sun,
      ...(found && taken.has('battery')
        ? {
            hardware: found,
            thresholdsWh: plan.thresholdsWh.map((wh) => (wh * found.usableWh) / hardware.usableWh),
          }
        : {}),
    };
    return playedEnergy(
      taken.has('generator') ? { ...own, hardware: { ...own.hardware, generator: null } } : own,
      taken.has('charge') ? known.startCharge! : startCharge,
      minutes,
    );
  };
  const outcomeOf = ({ emptyMin: empty, charge }: PlayedEnergy): number =>
    outcome === 'hours' ? (empty ?? minutes) / 60 : charge[Math.min(lasted, minutes) - 1]!;

  const all = new Set(reasons);
  const played = worlds.map((world) => ({ before: play(world, new Set()), after: play(world, all) }));
  const predicted = spreadOf(played.map(({ before }) => outcomeOf(before)));
  const explained = spreadOf(played.map(({ after }) => outcomeOf(after)));
  const effects = shapley(reasons, (taken) => meanOf(worlds.map((world) => outcomeOf(play(world, taken)))));
  const was = outcome === 'hours' ? emptyMin! / 60 : known.endCharge;
  const rest = was === null ? null : was - explained.mean;
  const doubt = Math.max(
    outcome === 'hours' ? hoursError * (was ?? 0) : chargeError,
    (explained.most - explained.least) / 2,
  );
  const middle = middleOf(played.map(({ before }) => outcomeOf(before)));
  // A battery that nearly was empty the night before: hours are far apart, its charge is not.
  const endsAlike =
    emptyMin !== null &&
    played[middle]!.after.charge[Math.min(minutes, Math.ceil(emptyMin)) - 1]! <= nearlyEmpty;
  const figures: Readonly<Record<Reason, readonly [reckoned: number, was: number]>> = {
    charge: [startCharge, known.startCharge ?? startCharge],
    temperature: [meanOf(worlds.map(({ reckonedC }) => reckonedC)), meanOf(worlds.map(({ metC }) => metC))],
    loads: [
      meanOf(worlds.map(({ demand }) => demand?.reckonedW ?? 0)),
      meanOf(worlds.map(({ demand }) => demand?.meanW ?? 0)),
    ],
    sun: [
      meanOf(worlds.map(({ sun }) => sun?.reckonedWh ?? 0)),
      meanOf(worlds.map(({ sun }) => sun?.wh ?? 0)),
    ],
    generator: [hardware.generator?.powerW ?? 0, 0],
    battery: [hardware.usableWh, found?.usableWh ?? hardware.usableWh],
  };
  return {
    outcome,
    predicted,
    known: explained,
    was,
    reasons: reasons
      .map((reason, place) => ({
        reason,
        effect: effects[place]!,
        reckoned: figures[reason][0],
        was: figures[reason][1],
      }))
      .toSorted((a, b) => Math.abs(b.effect) - Math.abs(a.effect)),
    rest,
    isExplained: rest !== null && (Math.abs(rest) <= doubt || endsAlike),
    followedH,
    usableWh: hardware.usableWh,
    predictedCharge: played[middle]!.before.charge,
    knownCharge: played[middle]!.after.charge,
  };
}

/** The battery of a year as it was measured. */
const measuredHardware = ({ context, stack }: OutageYear, measured: MeasuredStack): OutageHardware =>
  hardwareOf(context, withMeasured(stack.measured?.bySheets ?? stack, measured));

function worldOf(
  { study, known }: ReplayQuestion,
  catalogue: Catalogue,
  { seed, year, met, fromMinute }: ReckonedYear,
  minutes: number,
): World {
  const plan = outagePlan(year, fromMinute, minutes);
  const warmest = met ?? year;
  const { weather } = warmest;
  const warmW = met && outagePlan(met, fromMinute, minutes).trace.demandW;
  const { outage: scenario } = study.plan;
  const { household } = known.outage;
  const livedIn = (lived: typeof scenario.household): readonly Float64Array[] => {
    const asLived = { ...study.plan, outage: { ...scenario, household: lived } };
    const other = studyYear({ ...study, plan: asLived, weather }, catalogue, seed)!;
    return outagePlan(other, fromMinute, minutes).trace.demandW;
  };
  const livedW = household !== null && household !== scenario.household ? livedIn(household) : null;
  return {
    year,
    plan,
    warmW,
    demand: knownDemand(known, warmW ?? plan.trace.demandW, livedW),
    sun: knownSun(year, known, fromMinute, minutes, sunIn(study, known, catalogue, seed, met)),
    reckonedC: meanOutdoorC(year.weather, fromMinute, known.minutes),
    metC: meanOutdoorC(weather, fromMinute, known.minutes),
  };
}

/** The sun of the year it really was; null = nobody has that. */
function sunIn(
  study: OutageStudy,
  { weather }: KnownOutage,
  catalogue: Catalogue,
  seed: number,
  met: OutageYear | null,
): OutageYear['sun'] | null {
  if (!weather) return null;
  const year = met?.weather === weather ? met : studyYear({ ...study, weather }, catalogue, seed)!;
  return year.sun;
}

/** Demand with some of what is known taken in: as warm as it was, and with what the house took beside that. */
function demandOf({ plan, warmW, demand }: World, taken: ReadonlySet<Reason>): readonly Float64Array[] {
  const reckoned = plan.trace.demandW;
  const warm = warmW ?? reckoned;
  const isWarm = taken.has('temperature');
  if (!taken.has('loads') || !demand) return isWarm ? warm : reckoned;
  if (isWarm || !warmW) return demand.demandW;
  return demand.demandW.map((stage, place) =>
    stage.map((watts, minute) => Math.max(0, watts - warm[place]![minute]! + reckoned[place]![minute]!)),
  );
}

const meanOf = (values: readonly number[]): number =>
  values.reduce((sum, value) => sum + value, 0) / Math.max(1, values.length);
const spreadOf = (values: readonly number[]): Spread => ({
  mean: meanOf(values),
  least: Math.min(...values),
  most: Math.max(...values),
});
/** Place of the value in the middle. */
function middleOf(values: readonly number[]): number {
  const sorted = values.toSorted((a, b) => a - b);
  return values.indexOf(sorted[Math.floor((sorted.length - 1) / 2)]!);
}

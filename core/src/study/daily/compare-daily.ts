import { type Plan, type SolarArray, strategies, type Strategy } from '../../design/index.js';
import type { MeasuredYear } from '../../house/details.js';
import { isSouthern } from '../../house/index.js';
import type { WeatherYear } from '../../nature/index.js';
import type { KeptYear } from '../outage/kept-year.js';
import { type DailyHouse, dailyHouse } from './daily-house.js';
import { dailyCase, type DailyQuestion, type DailySums } from './daily-result.js';
import { type BilledAmount, totalOfCase } from './total-of-case.js';
import type { IntervalMin } from './year-grid.js';

/** A design as it would go otherwise. */
export interface DailyVariant {
  readonly sums: DailySums;
  readonly billed: BilledAmount | null;
  /** Hours of the year in which the sun alone covers the house. */
  readonly coveredH: number;
}

/** What the design comes to in one year, of all its meters. */
export function variantOf(house: DailyHouse, question: DailyQuestion): DailyVariant {
  const design = dailyCase(house, question, 'design');
  return { sums: design.sums, billed: totalOfCase(design), coveredH: coveredHours(house) };
}

/** Hours in which the arrays give at least what is taken. */
function coveredHours({ meters, intervalMin }: DailyHouse): number {
  const count = meters[0]!.loadWh.length;
  let covered = 0;
  for (let i = 0; i < count; i += 1) {
    let [load, sun] = [0, 0];
    for (const { loadWh, arrays } of meters) {
      load += loadWh[i]!;
      for (const { energyWh } of arrays) sun += energyWh[i]!;
    }
    if (sun > 0 && sun >= load) covered += 1;
  }
  return (covered * intervalMin) / 60;
}

/** The same design with each strategy in turn. */
export const byStrategy = (
  house: DailyHouse,
  question: DailyQuestion,
): { readonly strategy: Strategy; readonly variant: DailyVariant }[] =>
  strategies.map((strategy) => {
    const { plan } = question;
    const tried = { ...plan, dailyUse: { ...plan.dailyUse, strategy } };
    return { strategy, variant: variantOf(house, { ...question, plan: tried }) };
  });

export const facings = ['as it is', 'to the equator', 'half east, half west'] as const;
export type Facing = (typeof facings)[number];

/** The new arrays of a plan turned; those that are there already stay. */
export function facedPlan(plan: Plan, facing: Facing): Plan {
  const equator = isSouthern(plan.site) ? 0 : 180;
  const turnedTo = (array: SolarArray, facingDeg: number, share = 1, more = ''): SolarArray => ({
    ...array,
    id: `${array.id}${more}`.slice(0, 40),
    facingDeg,
    ratedW: array.ratedW * share,
    inverterW: array.inverterW === null ? null : array.inverterW * share,
    modules: null,
    horizon: [],
    shadeByHour: null,
  });
  const arrays = plan.sources.arrays.flatMap((array) => {
    if (array.existing || facing === 'as it is') return [array];
    if (facing === 'to the equator') return [turnedTo(array, equator)];
    return [turnedTo(array, 90, 0.5), turnedTo(array, 270, 0.5, '-w')];
  });
  return { ...plan, sources: { ...plan.sources, arrays } };
}

/** The same modules facing otherwise: what they give in a year, and the hours they cover. */
export const byFacing = (
  question: DailyQuestion,
  weather: WeatherYear | null,
  intervalMin: IntervalMin,
  kept: KeptYear,
  measured: MeasuredYear | null = null,
): { readonly facing: Facing; readonly variant: DailyVariant }[] =>
  question.plan.sources.arrays.every(({ existing }) => existing)
    ? []
    : facings.map((facing) => {
        const plan = facedPlan(question.plan, facing);
        const house = dailyHouse(plan, weather, intervalMin, kept, measured);
        return { facing, variant: variantOf(house, { ...question, plan }) };
      });

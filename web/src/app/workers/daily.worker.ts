import {
  byFacing,
  byStrategy,
  dailyCase,
  type DailyHouse,
  dailyHouse,
  dailyResult,
  KeptYear,
} from '@levamen/core/study/details';
import { expose } from 'comlink';
import type { DailyApi, DailyAsked } from './daily-api';

/** What was worked out for a year of weather and switching. */
let kept: KeptYear | null = null;
const keptOf = ({ plan }: DailyAsked): KeptYear =>
  kept?.seed === plan.outage.seed ? kept : (kept = new KeptYear(plan.outage.seed));

/** The house that was asked about last: designs over it share it where their arrays are the same. */
let known: { readonly text: string; readonly house: DailyHouse } | null = null;
function houseOf(asked: DailyAsked): DailyHouse {
  const { plan, weather, intervalMin, measured } = asked;
  const { loads, survey, usage, tariffs, site, sources, outage, backup } = plan;
  const text = JSON.stringify([
    loads,
    survey,
    usage.bills,
    tariffs,
    site,
    sources.arrays,
    outage,
    backup.services,
    weather?.name ?? null,
    intervalMin,
    usage.measurement?.setId ?? null,
    measured?.covered ?? null,
  ]);
  if (known?.text !== text)
    known = { text, house: dailyHouse(plan, weather, intervalMin, keptOf(asked), measured) };
  return known.house;
}

const api: DailyApi = {
  year: (asked, catalogue, agedYears) => {
    const house = houseOf(asked);
    const question = { ...asked, catalogue };
    return {
      fresh: dailyResult(house, { ...question, ageYears: 0 }),
      agedDesign: dailyCase(house, { ...question, ageYears: agedYears }, 'design'),
      agedYears,
    };
  },
  beside: (asked, catalogue) => {
    const question = { ...asked, catalogue, ageYears: 0 };
    return {
      strategies: byStrategy(houseOf(asked), question),
      facings: byFacing(question, asked.weather, asked.intervalMin, keptOf(asked), asked.measured),
    };
  },
};
expose(api);

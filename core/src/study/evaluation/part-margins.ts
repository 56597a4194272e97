import { powerDemand } from '../demand/power-demand.js';
import type { Season } from '../../nature/index.js';
import type { Stack } from '../../equipment/index.js';
import { type DayPart, dayPartFacts, dayParts, type HoursOfUse, type Load } from '../../house/index.js';
import type { DemandContext } from '../margins/demand-context.js';
import type { Margin } from '../margins/margin.js';
import { continuousMargin } from '../margins/continuous-margin.js';
import { legsMargin } from '../margins/legs-margin.js';
import { startingMargin } from '../margins/starting-margin.js';

const never: HoursOfUse = { nightH: 0, morningH: 0, dayH: 0, eveningH: 0 };

/** The load as if it ran in one part of the day of one season only. */
const onlyIn = (load: Load, season: Season, part: DayPart): Load => {
  const { field } = dayPartFacts[part];
  const use = { winter: never, shoulder: never, summer: never };
  return { ...load, use: { ...use, [season]: { ...never, [field]: load.use[season][field] } } };
};

/** Power, starting and legs of a stack in one part of the day of a season; the margins of the strip are the worst of these. */
export function partMargins(
  context: DemandContext,
  stack: Stack,
  season: Season,
): Readonly<Record<DayPart, readonly Margin[]>> {
  const { system } = context.plan.supply;
  const share = context.settings.coincidence.value;
  const of = (part: DayPart): Margin[] => {
    const powerSet = context.powerSet.map((load) => onlyIn(load, season, part));
    const there = { ...context, powerSet, power: powerDemand(system, powerSet, share) };
    return [continuousMargin(there, stack), startingMargin(there, stack), legsMargin(there, stack)].filter(
      (margin) => margin !== null,
    );
  };
  return Object.fromEntries(dayParts.map((part) => [part, of(part)])) as Record<DayPart, Margin[]>;
}

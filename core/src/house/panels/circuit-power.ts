import type { SurveyedHouse } from './surveyed-house.js';
import { dayParts, type DayPart, type Load } from '../loads/load.schema.js';
import type { Season } from '../../nature/index.js';
import { type Leg, legShare, systemFacts } from '../../electric/index.js';
import { onShare } from '../loads/on-share.js';
import { runningPowerVA } from '../loads/running-power.js';
import type { Panel } from './panel.schema.js';

/** Loads on a circuit, those behind a sub-panel it feeds included. */
export function loadsBehind(house: SurveyedHouse, circuitId: string): Load[] {
  const direct = house.loads.filter((load) => load.circuitId === circuitId);
  const below = house.survey.panels.filter(
    ({ fedFrom }) => fedFrom.kind === 'circuit' && fedFrom.circuitId === circuitId,
  );
  return [...direct, ...below.flatMap((panel) => loadsBelow(house, panel))];
}

/** Loads on a panel and everything it feeds. */
export function loadsBelow(house: SurveyedHouse, panel: Panel): Load[] {
  const through = house.survey.panels.filter(
    ({ fedFrom }) => fedFrom.kind === 'lugs' && fedFrom.panelId === panel.id,
  );
  return [
    ...panel.circuits.flatMap(({ id }) => loadsBehind(house, id)),
    ...through.flatMap((next) => loadsBelow(house, next)),
  ];
}

/** Power of some loads when all of them run, VA. */
export const connectedVA = (loads: readonly Load[]): number =>
  loads.reduce((sum, load) => sum + load.quantity * runningPowerVA(load), 0);

/** Mean power of some loads over a part of the day, VA. */
export const meanVA = (loads: readonly Load[], season: Season, part: DayPart): number =>
  loads.reduce((sum, load) => sum + load.quantity * runningPowerVA(load) * onShare(load, season, part), 0);

/** Mean power of some loads on one leg over a part of the day, VA. */
export function meanOnLegVA(
  house: SurveyedHouse,
  loads: readonly Load[],
  leg: Leg,
  season: Season,
  part: DayPart,
): number {
  return loads.reduce(
    (sum, load) =>
      sum +
      load.quantity *
        runningPowerVA(load) *
        onShare(load, season, part) *
        legShare(house.supply.system, load.legs, leg),
    0,
  );
}

/** The part of the day in which some loads take most in a season. */
export function busiestPart(loads: readonly Load[], season: Season): DayPart {
  return dayParts.reduce((best, part) =>
    meanVA(loads, season, part) > meanVA(loads, season, best) ? part : best,
  );
}

/** Mean power on each leg of a panel in its busiest part of the day, VA. */
export function legMeansVA(
  house: SurveyedHouse,
  panel: Panel,
  season: Season,
): { readonly part: DayPart; readonly byLeg: number[] } {
  const loads = loadsBelow(house, panel);
  const part = busiestPart(loads, season);
  return {
    part,
    byLeg: systemFacts[house.supply.system].legs.map((leg) => meanOnLegVA(house, loads, leg, season, part)),
  };
}

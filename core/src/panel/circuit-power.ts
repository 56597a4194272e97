import type { Job } from '../job/job.schema.js';
import { dayParts, type DayPart, type Load } from '../load/load.schema.js';
import type { Season } from '../weather/season.js';
import { onShare } from '../load/on-share.js';
import { runningPowerVA } from '../load/running-power.js';
import { legShare } from '../supply/leg-share.js';
import { systemFacts, type Leg } from '../supply/legs.js';
import type { Panel } from './panel.schema.js';

/** Loads on a circuit, those behind a sub-panel it feeds included. */
export function loadsBehind(job: Job, circuitId: string): Load[] {
  const direct = job.loads.filter((load) => load.circuitId === circuitId);
  const below = job.survey.panels.filter(
    ({ fedFrom }) => fedFrom.kind === 'circuit' && fedFrom.circuitId === circuitId,
  );
  return [...direct, ...below.flatMap((panel) => loadsBelow(job, panel))];
}

/** Loads on a panel and everything it feeds. */
export function loadsBelow(job: Job, panel: Panel): Load[] {
  const through = job.survey.panels.filter(
    ({ fedFrom }) => fedFrom.kind === 'lugs' && fedFrom.panelId === panel.id,
  );
  return [
    ...panel.circuits.flatMap(({ id }) => loadsBehind(job, id)),
    ...through.flatMap((next) => loadsBelow(job, next)),
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
  job: Job,
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
        legShare(job.supply.system, load.legs, leg),
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
  job: Job,
  panel: Panel,
  season: Season,
): { readonly part: DayPart; readonly byLeg: number[] } {
  const loads = loadsBelow(job, panel);
  const part = busiestPart(loads, season);
  return {
    part,
    byLeg: systemFacts[job.supply.system].legs.map((leg) => meanOnLegVA(job, loads, leg, season, part)),
  };
}

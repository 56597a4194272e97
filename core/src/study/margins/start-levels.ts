import type { StartCase } from '../demand/power-demand.js';
import { startShape } from '../../electric/index.js';

/** Demand of the whole and of the highest leg while a load starts, as functions of the time since the start. */
export function startLevels(start: StartCase): {
  readonly wholeVA: (timeS: number) => number;
  readonly legVA: (timeS: number) => number;
} {
  const level =
    (besideVA: number, runsVA: number, surgeVA: number) =>
    (timeS: number): number =>
      besideVA + runsVA + (surgeVA - runsVA) * startShape(timeS, start.durationS);
  return {
    wholeVA: level(start.besideVA, start.runsVA, start.startVA),
    legVA: level(start.besideLegVA, start.runsLegVA, start.legVA - start.besideLegVA),
  };
}

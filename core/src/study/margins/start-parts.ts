import { startShape } from '../../electric/index.js';
import type { StartCase } from '../demand/power-demand.js';
import type { PowerPart } from '../output/power-part.js';

/** A start as one part of the output sees it: VA, of the battery W. */
export interface StartPart {
  readonly part: PowerPart;
  /** What runs beside it. */
  readonly beside: number;
  /** What the piece that starts draws once it runs, and at most while it starts. */
  readonly runs: number;
  readonly surge: number;
}

/** A start on the whole, on its highest leg, and for the battery. */
export const startParts = (start: StartCase): StartPart[] => [
  { part: 'whole', beside: start.besideVA, runs: start.runsVA, surge: start.startVA },
  {
    part: start.leg,
    beside: start.besideLegVA,
    runs: start.runsLegVA,
    surge: start.legVA - start.besideLegVA,
  },
  { part: 'battery', beside: start.besideW, runs: start.runsW, surge: start.startVA },
];

/** What is asked of a part, at a time since the start. */
export const startLevel =
  ({ beside, runs, surge }: StartPart, durationS: number) =>
  (timeS: number): number =>
    beside + runs + (surge - runs) * startShape(timeS, durationS);

import { startShape, type SupplySystem } from '../../electric/index.js';
import { type DecisiveMoment, type PowerCurve, type Stack, startRatio } from '../../equipment/index.js';
import type { StartCase } from '../demand/power-demand.js';
import { powerCurves } from '../output/overload-axes.js';
import type { PowerPart } from '../output/power-part.js';

/** A start as one part of the output sees it: VA, of the battery W. */
interface StartPart {
  readonly part: PowerPart;
  /** What runs beside it. */
  readonly beside: number;
  /** What the piece that starts draws once it runs, and at most while it starts. */
  readonly runs: number;
  readonly surge: number;
}

/** A start on the whole, on its highest leg, and for the battery. */
const startParts = (start: StartCase): StartPart[] => [
  { part: 'whole', beside: start.besideVA, runs: start.runsVA, surge: start.startVA },
  {
    part: start.leg,
    beside: start.besideLegVA,
    runs: start.runsLegVA,
    surge: start.legVA - start.besideLegVA,
  },
  { part: 'battery', beside: start.besideW, runs: start.runsW, surge: start.startVA },
];

/** A start held against the curve of a part. */
export interface HeldStart extends StartPart {
  readonly curve: PowerCurve;
  /** What is asked at a time since the start. */
  readonly level: (timeS: number) => number;
  /** When the part comes nearest to its limit. */
  readonly moment: DecisiveMoment;
}

/** A start against every curve that a stack has. */
export function heldStarts(start: StartCase, stack: Stack, system: SupplySystem): HeldStart[] {
  const { durationS } = start;
  const curves = powerCurves(stack, system);
  return startParts(start).flatMap((of): HeldStart[] => {
    const curve = curves.find(({ part }) => part === of.part)?.curve;
    if (!curve) return [];
    const { beside, runs, surge } = of;
    const level = (timeS: number): number => beside + runs + (surge - runs) * startShape(timeS, durationS);
    return [{ ...of, curve, level, moment: startRatio(level, durationS, curve.ratedVA, curve.overload) }];
  });
}

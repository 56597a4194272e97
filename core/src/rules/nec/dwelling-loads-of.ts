import { type CodeClass, kindFacts, type Load, runningPowerVA } from '../../house/index.js';
import type { DwellingLoads } from './dwelling-loads.js';

const ft2PerM2 = 10.7639104;

/**
 * The inputs of a dwelling calculation, read off the list of loads.
 *
 * Two small-appliance circuits and one laundry circuit are taken as present, as the article requires.
 */
export function dwellingLoadsOf(loads: readonly Load[], floorAreaM2: number): DwellingLoads {
  const of = (wanted: CodeClass): number[] =>
    loads
      .filter((load) => kindFacts[load.kind].codeClass === wanted)
      .flatMap((load) => new Array<number>(load.quantity).fill(runningPowerVA(load)));
  const total = (wanted: CodeClass): number => of(wanted).reduce((sum, va) => sum + va, 0);
  return {
    floorAreaFt2: floorAreaM2 * ft2PerM2,
    smallApplianceCircuits: 2,
    laundryCircuits: 1,
    fastenedVA: of('fastened'),
    rangeVA: of('range'),
    dryerVA: of('dryer'),
    coolingVA: total('cooling'),
    heatPumpVA: total('heat-pump'),
    backupHeatVA: total('backup-heat'),
    spaceHeatingVA: total('space-heating'),
    spaceHeatingUnits: of('space-heating').length,
  };
}

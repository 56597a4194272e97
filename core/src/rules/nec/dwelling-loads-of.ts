import { type CodeClass, kindFacts, type Load, runningPowerVA } from '../../house/index.js';
import type { DwellingLoads, DwellingMotor } from './dwelling-loads.js';

const ft2PerM2 = 10.7639104;
/** Cooking appliances up to this rating are not those of 220.55. */
const cookingFromVA = 1750;
/** What starts with less than this multiple of its running current is no motor. */
const motorMultiple = 2;

const classOf = ({ kind }: Load): CodeClass => kindFacts[kind].codeClass;
const isMotor = ({ start }: Load): boolean =>
  start.how !== 'none' && (start.how !== 'multiple' || start.multiple >= motorMultiple);
const motorOf = (load: Load): DwellingMotor | null => {
  const of = classOf(load);
  return isMotor(load) && (of === 'fastened' || of === 'cooling' || of === 'heat-pump')
    ? { powerVA: runningPowerVA(load), of }
    : null;
};

/**
 * The inputs of a dwelling calculation, read off the list of loads.
 *
 * Two small-appliance circuits and one laundry circuit are taken as present, as the article requires.
 */
export function dwellingLoadsOf(loads: readonly Load[], floorAreaM2: number): DwellingLoads {
  const of = (wanted: CodeClass): number[] =>
    loads
      .filter((load) => classOf(load) === wanted)
      .flatMap((load) => new Array<number>(load.quantity).fill(runningPowerVA(load)));
  const total = (wanted: CodeClass): number => of(wanted).reduce((sum, va) => sum + va, 0);
  const cooking = of('range');
  return {
    floorAreaFt2: floorAreaM2 * ft2PerM2,
    smallApplianceCircuits: 2,
    laundryCircuits: 1,
    fastenedVA: [...of('fastened'), ...cooking.filter((va) => va <= cookingFromVA)],
    rangeVA: cooking.filter((va) => va > cookingFromVA),
    dryerVA: of('dryer'),
    vehicleVA: of('vehicle'),
    coolingVA: total('cooling'),
    heatPumpVA: total('heat-pump'),
    backupHeatVA: total('backup-heat'),
    spaceHeatingVA: total('space-heating'),
    spaceHeatingUnits: of('space-heating').length,
    motors: loads.flatMap((load) => motorOf(load) ?? []),
  };
}

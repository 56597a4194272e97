import { type CodeClass, kindFacts, type Load, runningPowerVA } from '../../../house/index.js';
import { type DwellingLoads } from '../../../rules/index.js';
import { vaText, type WorksheetLine } from './worksheet.js';

const named = (loads: readonly Load[], of: CodeClass) =>
  loads
    .filter(({ kind }) => kindFacts[kind].codeClass === of)
    .map((load) => ({ load, eachVA: runningPowerVA(load) }));

const pieces = (quantity: number, eachVA: number): string =>
  quantity === 1 ? vaText(eachVA) : `${quantity} × ${vaText(eachVA)}`;

/**
 * The general loads of a dwelling, a line each, as the optional calculations count them: lighting by area, small-appliance and laundry circuits, and every
 * appliance at its nameplate. They add up to the general load.
 */
export function generalLines(loads: readonly Load[], dwelling: DwellingLoads, area: string): WorksheetLine[] {
  const { floorAreaFt2, smallApplianceCircuits, laundryCircuits } = dwelling;
  const appliances = (of: CodeClass, clause: string, leastVA = 0): WorksheetLine[] =>
    named(loads, of).map(({ load, eachVA }) => ({
      what: load.name,
      working:
        eachVA < leastVA
          ? `${pieces(load.quantity, leastVA)}, at least ${vaText(leastVA)} each`
          : pieces(load.quantity, eachVA),
      clause,
      va: load.quantity * Math.max(eachVA, leastVA),
    }));
  return [
    {
      what: 'General lighting and receptacles',
      working: `3 VA/ft² × ${vaText(floorAreaFt2)} ft² (${area})`,
      clause: '220.41',
      va: 3 * floorAreaFt2,
    },
    {
      what: 'Small-appliance circuits',
      working: `${smallApplianceCircuits} × 1,500`,
      clause: '220.52(A)',
      va: smallApplianceCircuits * 1500,
    },
    {
      what: 'Laundry circuit',
      working: `${laundryCircuits} × 1,500`,
      clause: '220.52(B)',
      va: laundryCircuits * 1500,
    },
    ...appliances('fastened', 'nameplate'),
    ...appliances('range', 'nameplate'),
    ...appliances('dryer', 'nameplate'),
    ...appliances('vehicle', '220.57', 7200),
  ];
}

/** Heating and cooling, a line each at nameplate. */
export const climateLines = (loads: readonly Load[], clause: string): WorksheetLine[] =>
  (['cooling', 'heat-pump', 'backup-heat', 'space-heating'] as const).flatMap((of) =>
    named(loads, of).map(({ load, eachVA }) => ({
      what: load.name,
      working: pieces(load.quantity, eachVA),
      clause,
      va: load.quantity * eachVA,
    })),
  );

import { derived, type Figure, given, settingSource } from '../../base/index.js';
import { isAmerican } from '../../electric/index.js';
import type { Plan, Settings } from '../../design/index.js';
import {
  type DwellingLoads,
  dwellingLoadsOf,
  existingDwelling,
  heatingVA,
  optionalDwelling,
  standardDwelling,
} from '../../rules/index.js';
import type { DemandView } from './demand-view.js';

const houseCode =
  'It sizes the service, and a source that carries the whole house under automatic transfer (702.4).';
const existingCode = 'It shows whether the service of an existing house takes what is added (220.83(A)).';
const noCode = 'NEC Article 220 applies to 120 V services; use the rules of the place.';

const part = (key: string, label: string, value: number): Figure =>
  given({ key: `code.${key}`, label, value, unit: 'VA', source: { kind: 'derived' } });

/** Heating and cooling never run together: says which of them counts (220.60) where the house has both. */
const climateText = (loads: DwellingLoads, counts: 'heating' | 'cooling'): string[] => {
  if (loads.coolingVA === 0 || heatingVA(loads) === 0) return [];
  const other = counts === 'heating' ? 'cooling' : 'heating';
  return [`${counts} counts, ${other} is left out: they never run together (220.60)`];
};

/** The calculations of NEC Article 220 for the whole house. */
export function codeDemands(plan: Plan, settings: Settings): DemandView[] {
  const isNec = isAmerican(plan.supply.system);
  const inputs = dwellingLoadsOf(plan.loads, settings.floorAreaM2.value);
  const area = given({
    key: 'site.floorArea',
    label: 'Floor area',
    value: settings.floorAreaM2.value,
    unit: 'm²',
    source: settingSource(settings.floorAreaM2),
  });
  const assumptions = [
    'two small-appliance circuits and one laundry circuit',
    'nameplates as entered in the list of loads',
  ];
  const view = (key: DemandView['key'], label: string, sizes: string, figure: () => Figure): DemandView => ({
    key,
    label,
    figure: isNec ? figure() : null,
    upTo: null,
    sizes: isNec ? sizes : noCode,
  });

  return [
    view('standard', 'NEC 220 Part III, whole house', houseCode, () => {
      const standard = standardDwelling(inputs);
      return derived({
        key: 'power.nec.standard',
        label: 'Standard calculation, whole house',
        value: standard.totalVA,
        unit: 'VA',
        formula: '{general} + {fastened} + {range} + {dryer} + {vehicle} + {climate} + {motor}',
        inputs: {
          general: derived({
            key: 'code.lighting',
            label: 'Lighting and outlets after Table 220.45',
            value: standard.generalDemandVA,
            unit: 'VA',
            formula: '3 VA/ft² on {area} and three circuits of 1,500 VA, with demand factors',
            inputs: { area },
            source: { kind: 'published', reference: 'NEC 2023, 220.41, 220.45, 220.52' },
          }),
          fastened: part('fastened', 'Fastened appliances (220.53)', standard.fastenedDemandVA),
          range: part('range', 'Cooking (Table 220.55)', standard.rangeDemandVA),
          dryer: part('dryer', 'Dryers (220.54)', standard.dryerDemandVA),
          vehicle: part('vehicle', 'Car charging (220.57)', standard.vehicleVA),
          climate: part('climate', 'Larger of heating and cooling (220.60)', standard.heatingCoolingVA),
          motor: part('motor', '25 % of the largest motor (430.24)', standard.largestMotorVA),
        },
        source: { kind: 'published', reference: 'NEC 2023, Article 220 Part III' },
        assumptions: [...assumptions, ...climateText(inputs, standard.counts)],
      });
    }),
    view('optional', 'NEC 220.82, whole house', houseCode, () => {
      const optional = optionalDwelling(inputs);
      return derived({
        key: 'power.nec.optional',
        label: 'Optional calculation, whole house',
        value: optional.totalVA,
        unit: 'VA',
        formula: '{general} + {climate}',
        inputs: {
          general: derived({
            key: 'code.general',
            label: 'General loads, first 10 kVA in full, the rest at 40 %',
            value: optional.generalDemandVA,
            unit: 'VA',
            formula: '10 kVA + 40 % of the rest of {all}',
            inputs: { all: part('all', 'General loads', optional.generalVA), area },
          }),
          climate: part('climate', 'Largest of heating and cooling', optional.heatingCoolingVA),
        },
        source: { kind: 'published', reference: 'NEC 2023, 220.82' },
        assumptions: [...assumptions, ...climateText(inputs, optional.counts)],
      });
    }),
    view('existing', 'NEC 220.83, existing house', existingCode, () => {
      const existing = existingDwelling(inputs, { addsHeatingOrCooling: false });
      return derived({
        key: 'power.nec.existing',
        label: 'Existing dwelling, no heating or cooling added',
        value: existing.totalVA,
        unit: 'VA',
        formula: '8 kVA + 40 % of the rest of {all}',
        inputs: {
          all: part('existing', 'All loads, heating and cooling among them', existing.generalVA),
          area,
        },
        source: { kind: 'published', reference: 'NEC 2023, 220.83(A)' },
        assumptions: [
          ...assumptions,
          `where heating or cooling is added, (B) asks for ${Math.round(
            existingDwelling(inputs, { addsHeatingOrCooling: true }).totalVA,
          )} VA`,
        ],
      });
    }),
  ];
}

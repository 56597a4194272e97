import type * as z from 'zod';
import { fieldFacts, shownFieldText } from '../../base/index.js';
import type { Unit } from '../catalogue/unit.schema.js';
import { itemKinds } from './item-kinds.js';

/** A warranty that is not known is said by what is usually left after so long. */
const usualYears = 10;

/** What stands in for a rating that the data sheet does not give, by its field. */
const standsIn: Readonly<Record<string, (unit: Unit) => unknown>> = {
  perLegVA: ({ inverter }) => inverter?.perLegVA,
  dischargeEfficiency: ({ inverter }) => inverter?.dischargeEfficiency,
  chargeW: ({ inverter }) => inverter?.charge.powerW,
  chargeEfficiency: ({ inverter }) => inverter?.charge.efficiency,
  standbyW: ({ inverter }) => inverter?.standbyW,
  gridReturnS: ({ inverter }) => inverter?.gridReturnS,
  retryAfterS: ({ inverter }) => inverter?.retry.afterS,
  retryTries: ({ inverter }) => inverter?.retry.tries,
  usableWh: ({ battery }) => battery && battery.nameplateWh * battery.usableShare,
  retentionShare: ({ battery }) => battery && 1 - usualYears * battery.fadePerYear,
  peukertExponent: ({ battery }) => battery?.peukert?.exponent,
};

interface AssumedRating {
  /** As the form calls it. */
  readonly label: string;
  /** What stands in, with its unit. */
  readonly text: string;
}

/** The ratings of a unit that its data sheet does not give and every study needs, with what stands in for them. */
export function assumedRatings(unit: Unit): AssumedRating[] {
  const fields: Readonly<Record<string, z.ZodType>> = itemKinds[unit.role].fields;
  return unit.assumed.map((key) => {
    const text = shownFieldText(fields[key]!, standsIn[key]!(unit));
    return {
      label: fieldFacts.get(fields[key]!)!.label,
      text: key === 'retentionShare' ? `${text} after ${usualYears} yr` : text,
    };
  });
}

import { parseQuantity, quantityText, type UnitFactors } from '../../base/index.js';
import { apparentPowerVA, type LegSet, legsOf, type SupplySystem } from '../../electric/index.js';
import { loadVoltageV } from './load-voltage.js';
import type { Load } from './load.schema.js';

export type ReadPower =
  /** `how` says what was assumed of the load; '' where the watts themselves were typed. */
  | { readonly ok: true; readonly powerW: number; readonly how: string }
  | { readonly ok: false; readonly message: string };

/** Mechanical power of a horsepower, W; what a small motor makes of its electrical input (common practice, no source). */
const wattsPerHp = 746;
const motorEfficiency = 0.75;
/** Cooling in BTU an hour for a watt of electrical input (common practice, no source). */
const coolingPerW = 10;
const btuPerTon = 12_000;

const units: UnitFactors = {
  w: 1,
  kw: 1000,
  va: 1,
  kva: 1000,
  a: 1,
  amp: 1,
  amps: 1,
  hp: 1,
  btu: 1,
  'btu/h': 1,
  btuh: 1,
  ton: btuPerTon,
  tons: btuPerTon,
};

/**
 * The running power of a load as somebody reads it off a nameplate: "800", "1.2 kW", "36 A", "1½ hp", "12,000 BTU", "3 ton".
 *
 * - amperes: voltage of its legs × current × its power factor (√3 on three phases)
 * - volt-amperes: times its power factor
 * - horsepower of a motor: 746 W ÷ 75 % of electrical input (common practice)
 * - cooling: a tenth of the BTU an hour in watts (common practice)
 *
 * @param plainUnit of a number without one
 */
export function readPower(
  text: string,
  load: Pick<Load, 'legs' | 'voltageV' | 'powerFactor'>,
  system: SupplySystem,
  plainUnit = 'W',
): ReadPower {
  const plain = parseQuantity(text, units);
  const parsed = plain.ok && plain.unit === '' ? parseQuantity(`${text} ${plainUnit}`, units) : plain;
  if (!parsed.ok) return parsed;
  const { value, unit } = parsed;
  switch (unit) {
    case 'a':
    case 'amp':
    case 'amps': {
      const voltageV = loadVoltageV(system, load);
      return {
        ok: true,
        powerW: apparentPowerVA(voltageV, value, load.legs) * load.powerFactor,
        how: `${quantityText(value, 'A')} at ${quantityText(voltageV, 'V')}${phasesText(load.legs)}, power factor ${load.powerFactor}`,
      };
    }
    case 'va':
    case 'kva':
      return {
        ok: true,
        powerW: value * load.powerFactor,
        how: `${quantityText(value, 'VA')}, power factor ${load.powerFactor}`,
      };
    case 'hp':
      return {
        ok: true,
        powerW: (value * wattsPerHp) / motorEfficiency,
        how: `${value} hp of a motor, as electrical input at an efficiency of 75 %`,
      };
    case 'btu':
    case 'btu/h':
    case 'btuh':
    case 'ton':
    case 'tons':
      return {
        ok: true,
        powerW: value / coolingPerW,
        how: `${value.toLocaleString('en-US')} BTU an hour of cooling, as electrical input at ${coolingPerW} BTU an hour for a watt`,
      };
    default:
      return { ok: true, powerW: value, how: '' };
  }
}

const phasesText = (legs: LegSet): string => (legsOf(legs).length === 3 ? ' on three phases' : '');

/** What is noted of a load whose power was read like that. */
export const powerNote = (how: string): string => (how === '' ? '' : `Watts from ${how}`);

import { systemFacts } from '../../electric/index.js';
import type { Battery, Inverter, Unit } from '../catalogue/unit.schema.js';
import { bodyOf } from './body-of.js';
import type { BatteryRatings } from './battery-ratings.js';
import type { InverterRatings } from './inverter-ratings.js';
import type { Item } from './item.schema.js';

/** What stands in where a data sheet is silent: on the safe side of what is usual (common practice, no source). */
const usual = {
  efficiency: 0.92,
  /** Share of the rating an inverter draws by itself. */
  standbyShare: 0.012,
  /** Watched before the house returns, s (IEEE 1547, recalled). */
  gridReturnS: 300,
  retryAfterS: 10,
  /** It locks out at the first overload. */
  retryTries: 0,
  usableShare: { lithium: 0.88, 'lead-acid': 0.5 },
  fadePerYear: { lithium: 0.03, 'lead-acid': 0.05 },
  peukertExponent: 1.25,
  ratedHours: 20,
} as const;

/** A breaker beside an inverter carries its current for hours: a quarter more is kept free (NEC 690.9, recalled). */
const continuousFactor = 1.25;
const legsOfOutput = { one: 1, two: 2, three: 3 } as const;

/** Only digits beyond any data sheet are dropped. */
const clean = (value: number): number => Math.round(value * 1e9) / 1e9;

/** Power of solar inverters behind a breaker, W: over both legs of a split phase, over one phase elsewhere. */
function behindBreakerW({ solarAcBreakerA, systems, output }: InverterRatings): number | null {
  if (solarAcBreakerA === null) return null;
  const { legVoltageV, lineVoltageV } = systemFacts[systems[0]!];
  const across = output === 'two' ? lineVoltageV : output === 'three' ? 3 * legVoltageV : legVoltageV;
  return Math.floor((solarAcBreakerA * across) / continuousFactor);
}

function inverterOf(ratings: InverterRatings, { goesWith }: Item, assumed: string[]): Inverter {
  const orUsual = <T>(field: keyof InverterRatings & string, value: T | null, instead: T): T => {
    if (value !== null) return value;
    assumed.push(field);
    return instead;
  };
  const { continuousVA } = ratings;
  return {
    systems: ratings.systems,
    output: ratings.output,
    continuousVA,
    continuousW: ratings.continuousW,
    perLegVA: orUsual('perLegVA', ratings.perLegVA, clean(continuousVA / legsOfOutput[ratings.output])),
    overload: ratings.overload,
    lockedRotorA: ratings.lockedRotorA,
    neutralA: ratings.neutralA,
    dischargeEfficiency: orUsual(
      'dischargeEfficiency',
      ratings.dischargeEfficiency ?? ratings.efficiencyAt?.at(-1)?.efficiency ?? null,
      usual.efficiency,
    ),
    efficiencyAt: ratings.efficiencyAt,
    charge: {
      powerW: orUsual('chargeW', ratings.chargeW, continuousVA),
      efficiency: orUsual('chargeEfficiency', ratings.chargeEfficiency, usual.efficiency),
    },
    solar: { dcW: ratings.solarDcW, acW: ratings.solarAcW ?? behindBreakerW(ratings) },
    standbyW: orUsual('standbyW', ratings.standbyW, clean(continuousVA * usual.standbyShare)),
    transferGapMs: ratings.transferGapMs,
    gridReturnS: orUsual('gridReturnS', ratings.gridReturnS, usual.gridReturnS),
    voltageDroop: ratings.voltageDroop,
    retry: {
      afterS: orUsual('retryAfterS', ratings.retryAfterS, usual.retryAfterS),
      tries: orUsual('retryTries', ratings.retryTries, usual.retryTries),
    },
    maxParallel: ratings.maxParallel,
    accepts: goesWith.map(({ itemId, least, most, step, per }) => ({
      unitId: itemId,
      least,
      most,
      step,
      per,
    })),
  };
}

function batteryOf(ratings: BatteryRatings, assumed: string[]): Battery | null {
  const { chemistry, nominalVoltageV } = ratings;
  const nameplateWh =
    ratings.nameplateWh ?? (ratings.ratedAh === null ? null : clean(ratings.ratedAh * nominalVoltageV));
  if (nameplateWh === null) return null;
  const retained = ratings.retentionShare !== null && ratings.retentionYears !== null;
  if (!retained) assumed.push('retentionShare');
  if (ratings.usableWh === null) assumed.push('usableWh');
  if (chemistry === 'lead-acid' && ratings.peukertExponent === null) assumed.push('peukertExponent');
  return {
    chemistry,
    nominalVoltageV,
    nameplateWh,
    usableShare:
      ratings.usableWh === null ? usual.usableShare[chemistry] : clean(ratings.usableWh / nameplateWh),
    dischargePowerW: ratings.dischargePowerW,
    peakPowerW: ratings.peakPowerW,
    chargePowerW: ratings.batteryChargeW,
    fadePerYear: retained
      ? clean((1 - ratings.retentionShare!) / ratings.retentionYears!)
      : usual.fadePerYear[chemistry],
    peukert:
      chemistry === 'lead-acid'
        ? {
            exponent: ratings.peukertExponent ?? usual.peukertExponent,
            ratedHours: ratings.ratedHours ?? usual.ratedHours,
          }
        : null,
  };
}

/**
 * An item as a unit of stacks: what it does in an outage. Ratings the data sheet does not give and every study needs stand in by
 * what is usual, and are named; those that single margins need stay unknown.
 *
 * @returns null where the item is no part of a stack, or a battery without energy
 */
export function unitOf(item: Item): Unit | null {
  const assumed: string[] = [];
  const head = {
    id: item.id,
    name: item.name,
    summary: item.summary,
    massKg: item.massKg,
    body: bodyOf(item),
    assumed,
    controllerW: null,
    retired: item.retired,
  };
  switch (item.kind) {
    case 'battery-inverter': {
      const battery = batteryOf(item.ratings, assumed);
      return (
        battery && { ...head, role: item.kind, inverter: inverterOf(item.ratings, item, assumed), battery }
      );
    }
    case 'hybrid-inverter':
    case 'inverter-charger':
      return { ...head, role: item.kind, inverter: inverterOf(item.ratings, item, assumed), battery: null };
    case 'expansion-pack':
    case 'battery-module':
    case 'lead-acid-battery': {
      const battery = batteryOf(item.ratings, assumed);
      return battery && { ...head, role: item.kind, inverter: null, battery };
    }
    case 'charge-controller':
      return { ...head, role: item.kind, inverter: null, battery: null, controllerW: item.ratings.arrayW };
    default:
      return null;
  }
}

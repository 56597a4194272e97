import type { Season } from '../../nature/index.js';
import { systemFacts, type SupplySystem } from '../../electric/index.js';
import { type Load, tiers, type TypicalLoad } from '../../house/index.js';
import { loadFromLibrary } from '../../house/details.js';
import { addLoads, emptyPlan, keepLoads, type Plan, usualArray } from '../../design/index.js';
import { powerDemand, type StartCase } from '../demand/power-demand.js';
import { demandContextOf } from '../margins/demand-context-of.js';
import { requiredNameplateFigure } from '../margins/requirement.js';

/** What is asked on the telephone. */
export interface QuickQuestion {
  readonly system: SupplySystem;
  readonly loads: readonly TypicalLoad[];
  readonly requiredRuntimeH: number;
  readonly season: Season;
  /** Power of solar modules there are or will be, W; 0 = none. */
  readonly solarW: number;
}

export interface QuickRange {
  readonly from: number;
  readonly to: number;
  /** Why the two ends differ, in words. */
  readonly fromBecause: string;
  readonly toBecause: string;
}

export interface QuickAnswer {
  /** The house of the answer; a job can begin with it. */
  readonly plan: Plan;
  /** Nameplate of a lithium battery, Wh. */
  readonly energyWh: QuickRange;
  /** Nameplate of a lead-acid battery for the same at its upper end, Wh. */
  readonly leadAcidWh: number;
  /** Running power, VA. */
  readonly powerVA: QuickRange;
  /** The worst start, on top of what runs beside it; null where nothing starts hard. */
  readonly worstStart: StartCase | null;
  /** How long the upper size lasts at a constant power, h. */
  readonly bands: readonly { readonly powerW: number; readonly hours: number }[];
  readonly small: SmallInverter;
}

/** What an inverter of the usual smallest size carries of the loads, and what gives way. */
export interface SmallInverter {
  readonly powerVA: number;
  readonly carries: readonly Load[];
  readonly givesWay: readonly { readonly load: Load; readonly because: string }[];
}

/** The usual smallest inverter of a house: so much continuously and for a start; its legs share alike (common practice, no source). */
const small = { powerVA: 5000, startVA: 9000 } as const;

/** Energy of a day of each season for a watt of modules that face the sun, Wh (common practice, no source). */
const sunWhPerW: Readonly<Record<Season, number>> = { winter: 1.5, shoulder: 3.5, summer: 5 };
/** Of the sun of a usual day so much finds a use or room in the battery. */
const sunUsed = 0.85;
/** Hours of evening and night, for which sun never helps. */
const darkH = 14;

const bandsW = [500, 1000, 1500, 2000, 3000, 5000] as const;
/** A new lithium unit, and what its inverter draws itself (common practice, no source). */
const typicalUnit = { window: 0.93, dischargeEfficiency: 0.945, standbyW: 55 } as const;

/** How long a lithium battery lasts at a constant power, h. */
export const hoursAt = (nameplateWh: number, powerW: number): number =>
  (nameplateWh * typicalUnit.window) / (powerW / typicalUnit.dischargeEfficiency + typicalUnit.standbyW);

function planFor({ system, loads, requiredRuntimeH, season, solarW }: QuickQuestion): Plan {
  const blank = emptyPlan(system);
  const asked: Plan = {
    ...blank,
    brief: { ...blank.brief, requiredRuntimeH, designSeason: season },
    sources: {
      ...blank.sources,
      arrays: solarW > 0 ? [{ ...usualArray(blank, 'array', 'Solar'), ratedW: solarW }] : [],
    },
  };
  const listed = loads.reduce<Load[]>(
    (added, entry, index) => [...added, loadFromLibrary(entry, `load-${index + 1}`, system, added)],
    [],
  );
  const ids = listed.map(({ id }) => id);
  return keepLoads(addLoads(asked, listed), ids, true);
}

const nameplateWh = (plan: Plan, changes: Partial<Plan['brief']>): number =>
  requiredNameplateFigure(demandContextOf({ ...plan, brief: { ...plan.brief, ...changes } }), 'lithium')
    .value;

function energyRange({ season, solarW, requiredRuntimeH }: QuickQuestion, plan: Plan): QuickRange {
  const fresh = { sizeForYear: 0, batteryTemperatureC: 20 };
  const whole = nameplateWh(plan, fresh);
  const sunWh = solarW * sunWhPerW[season] * sunUsed * (requiredRuntimeH / 24);
  const night = nameplateWh(plan, { ...fresh, requiredRuntimeH: Math.min(requiredRuntimeH, darkH) });
  return {
    from: solarW > 0 ? Math.max(night, whole - sunWh) : whole,
    to: nameplateWh(plan, {}),
    fromBecause:
      solarW > 0
        ? 'a new battery in a warm place, and the sun of usual days; at least one evening and night'
        : 'a new battery in a warm place',
    toBecause: 'after ten years in an unheated garage, without any sun',
  };
}

/** What a small inverter carries: loads in the order of their tier, the lesser first, each taken while all of them still hold. */
export function smallInverter(system: SupplySystem, loads: readonly Load[]): SmallInverter {
  const rank = ({ tier }: Load): number => tiers.indexOf(tier);
  const legVA = small.powerVA / systemFacts[system].legs.length;
  const broken = (set: readonly Load[]): string => {
    const { coincident, byLeg, starts } = powerDemand(system, set, 0.999);
    if (coincident.powerVA > small.powerVA) return 'runs above its power';
    if (byLeg.some(({ powerVA }) => powerVA > legVA)) return 'runs above what one leg gives';
    return starts.some(({ totalVA }) => totalVA > small.startVA) ? 'starts too hard' : '';
  };
  const carries: Load[] = [];
  const givesWay: { load: Load; because: string }[] = [];
  const order = loads.toSorted((a, b) => rank(a) - rank(b) || a.runningPowerW - b.runningPowerW);
  for (const load of order) {
    const because = broken([...carries, load]);
    if (because === '') carries.push(load);
    else givesWay.push({ load, because });
  }
  return { powerVA: small.powerVA, carries, givesWay };
}

/**
 * A first answer for a handful of typical loads: energy and power as ranges, hours by load, what a small inverter carries. It is an
 * estimate, by the closed formula and without simulation: it decides nothing, and the job that begins with it is worked out anew.
 *
 * @returns null where no load is ticked
 */
export function quickAnswer(question: QuickQuestion): QuickAnswer | null {
  if (question.loads.length === 0) return null;
  const plan = planFor(question);
  const { power } = demandContextOf(plan);
  const energyWh = energyRange(question, plan);
  return {
    plan,
    energyWh,
    leadAcidWh: requiredNameplateFigure(demandContextOf(plan), 'lead-acid').value,
    powerVA: {
      from: power.coincident.powerVA,
      to: power.allAtOnce.powerVA,
      fromBecause: 'as loads cycle, nobody watching',
      toBecause: 'everything at once',
    },
    worstStart: power.starts.reduce<StartCase | null>(
      (worst, one) => (worst === null || one.totalVA > worst.totalVA ? one : worst),
      null,
    ),
    bands: bandsW.map((powerW) => ({ powerW, hours: hoursAt(energyWh.to, powerW) })),
    small: smallInverter(question.system, plan.loads),
  };
}

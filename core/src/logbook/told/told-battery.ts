import { designedBattery, type DesignedBattery } from '../../commissioning/details.js';
import { islandOf } from '../../design/index.js';
import { assembleStack, type Catalogue, type StackPart } from '../../equipment/index.js';
import type { Logbook } from '../../house/index.js';
import { batteryEvidence, type BatteryEvidence } from '../ageing/battery-evidence.js';
import { capacityForecast, type CapacityForecast, type WarrantedCurve } from '../ageing/capacity-forecast.js';
import { inServiceSince, yearsBetween } from '../ageing/age-at.js';
import type { LogbookQuestion } from './logbook-question.js';

/** What all recorded outages tell of the battery of an island. */
export interface ToldBattery {
  /** As data sheets say it is, new. */
  readonly designed: DesignedBattery;
  /** The day it was put into service; null = nobody said: it counts as new. */
  readonly since: string | null;
  readonly evidence: readonly BatteryEvidence[];
  readonly forecast: CapacityForecast;
  readonly warranted: WarrantedCurve;
  /** By its data sheet it loses so much a year, share. */
  readonly sheetFadePerYear: number;
}

/** Warranties usually end after so many years with so much of the capacity (common practice, no source). */
const usual = { years: 10, share: 0.7 };
const untilYears = 15;

/**
 * What recorded outages, staged ones and those that happened, tell of the battery of an island over the years.
 *
 * @returns null where there is no such island, or its units do not go together
 */
export function toldBattery(question: LogbookQuestion, catalogue: Catalogue): ToldBattery | null {
  const { plan, islandId, parts, recordings } = question;
  const island = islandOf(plan, islandId);
  const assembled = assembleStack(parts, catalogue, plan.supply.system);
  if (!island || !assembled.ok) return null;
  const designed = designedBattery(plan, island, assembled.stack);
  const since = inServiceSince(plan);
  const ageAt = (moment: string): number => (since === null ? 0 : yearsBetween(since, moment));
  const ids = new Set([
    ...plan.logbook.outages.flatMap((one) => (one.islandId === islandId ? [one.recordingId] : [])),
    ...plan.commissioning.outages.flatMap((one) => (one.islandId === islandId ? [one.id] : [])),
  ]);
  const evidence = recordings.flatMap(({ id, beganAt, samples }) =>
    ids.has(id) ? (batteryEvidence(id, samples, designed, ageAt(beganAt)) ?? []) : [],
  );
  const warranted = warrantedOf(plan.logbook, parts);
  const points = evidence.map(({ point }) => point);
  return {
    designed,
    since,
    evidence,
    warranted,
    sheetFadePerYear: assembled.stack.batteries[0]!.unit.battery!.fadePerYear,
    forecast: capacityForecast(points, designed.usableWh, warranted, untilYears),
  };
}

/** What is warranted of these units, by the strictest of them; as is usual where nothing is said. */
function warrantedOf({ units }: Logbook, parts: readonly StackPart[]): WarrantedCurve {
  const ids = new Set(parts.map(({ unitId }) => unitId));
  const said = units.filter(({ itemId, warrantedShare }) => ids.has(itemId) && warrantedShare !== null);
  const curves = said.map(({ warrantedShare, warrantyYears }) => ({
    share: warrantedShare!,
    years: warrantyYears ?? usual.years,
  }));
  const [strictest = usual] = curves.toSorted((a, b) => b.share - a.share);
  return { ...strictest, isSaid: curves.length > 0 };
}

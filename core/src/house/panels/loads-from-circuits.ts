import { apparentPowerVA, type LegSet, type SupplySystem, supplyVoltageV } from '../../electric/index.js';
import { legsOnCircuit } from './settle-legs.js';
import type { SurveyedHouse } from './surveyed-house.js';
import type { Load } from '../loads/load.schema.js';
import { entryByName } from '../loads/library/entry-by-name.js';
import { loadFromLibrary } from '../loads/library/load-from-library.js';

/** What a legend tells of the loads. */
export interface LoadsOfLegend {
  readonly loads: readonly Load[];
  /** Names of circuits of which nothing typical is known. */
  readonly unknown: readonly string[];
}

/** Share of its rating that a car charger draws: a load that runs for hours is wired for 125 % (NEC 625.41, recalled). */
const chargerShare = 0.8;

const chargerPowerW = (ratingA: number, legs: LegSet, system: SupplySystem): number =>
  apparentPowerVA(supplyVoltageV(system, legs), chargerShare * ratingA, legs);

/**
 * Typical loads for the circuits on which none hangs yet, by the names on the legend, each on its circuit and called by its name. A
 * car charger draws what its breaker is for. Feeders, spares and circuits without a name have none.
 */
export function loadsFromCircuits(house: SurveyedHouse, newId: () => string): LoadsOfLegend {
  const { system } = house.supply;
  const taken = new Set([
    ...house.loads.map(({ circuitId }) => circuitId),
    ...house.survey.panels.map(({ fedFrom }) => (fedFrom.kind === 'circuit' ? fedFrom.circuitId : null)),
  ]);
  const loads: Load[] = [];
  const unknown: string[] = [];
  for (const panel of house.survey.panels) {
    for (const circuit of panel.circuits) {
      const { id, name, use, spaces, ratingA, backFeeds } = circuit;
      const hasNone = use === 'circuit' && name !== '' && !backFeeds && !taken.has(id);
      if (!hasNone) continue;
      const entry = entryByName(name, spaces.length, system);
      if (!entry) {
        unknown.push(name);
        continue;
      }
      // Its legs are those of the circuit, whatever else there is.
      const typical = loadFromLibrary(entry, newId(), system, []);
      const on = legsOnCircuit(typical, { panel, circuit }, system);
      const isCharger = typical.kind === 'vehicle' && ratingA !== null;
      loads.push({
        ...typical,
        ...on,
        name: name.slice(0, 80),
        circuitId: id,
        runningPowerW: isCharger ? chargerPowerW(ratingA, on.legs, system) : typical.runningPowerW,
      });
    }
  }
  return { loads, unknown };
}

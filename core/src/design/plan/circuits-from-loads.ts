import { isAmerican, legsOf, type SupplySystem } from '../../electric/index.js';
import { type Circuit, type Load, type Panel, spacesFrom, type SurveyedHouse } from '../../house/index.js';
import { drawnA, fitsInto, newCircuit, newPanel, newService } from '../../house/details.js';
import { continuousFactor, standardDeviceA } from '../../rules/index.js';

/** Breakers below these are not used for circuits of a house: American (NEC 210.3, recalled), and elsewhere (common practice), A. */
const leastA = { american: 15, elsewhere: 16 } as const;

/** Breaker a load would get: one that runs for hours is wired for a quarter more (NEC 210.19; common practice elsewhere, no source). */
function ratingFor(load: Load, system: SupplySystem): number {
  const american = isAmerican(system);
  const ratingA = standardDeviceA(continuousFactor * drawnA(system, load), american);
  return Math.max(american ? leastA.american : leastA.elsewhere, ratingA);
}

/** The panel with a breaker in the first free place; it grows where there is none. */
function withBreaker(panel: Panel, poles: number, make: (spaces: number[]) => Circuit): Panel {
  for (let space = 1; space <= panel.spaces; space += 1) {
    const spaces = spacesFrom(panel, space, poles);
    if (!spaces) continue;
    const next = { ...panel, circuits: [...panel.circuits, make(spaces)] };
    if (fitsInto(next, next.circuits.at(-1)!)) return next;
  }
  return withBreaker({ ...panel, spaces: panel.spaces + 2 * poles }, poles, make);
}

/** A panel holds no more spaces than this. */
const mostSpaces = 84;

/**
 * The house with a circuit for every load that hangs on none, so that circuits can be shed and laid out before anybody has opened a
 * panel. They go into the first panel; where there is none, into a new one that is not surveyed. Loads that
 * would need a panel of more than 84 spaces stay as they are.
 */
export function circuitsFromLoads<H extends SurveyedHouse>(house: H, newId: () => string): H {
  const { system } = house.supply;
  const unplaced = house.loads.filter(({ circuitId }) => circuitId === null);
  if (unplaced.length === 0) return house;
  const service = house.survey.services[0] ?? newService(newId(), 'Service 1');
  const first = house.survey.panels[0] ?? {
    ...newPanel(newId(), 'Main panel', system, { kind: 'service', serviceId: service.id }),
    surveyed: false,
  };
  let panel = first;
  const circuitOf = new Map<string, string>();
  for (const load of unplaced) {
    const id = newId();
    const next = withBreaker(panel, legsOf(load.legs).length, (spaces) => ({
      ...newCircuit(id, spaces, load.name),
      ratingA: ratingFor(load, system),
    }));
    if (next.spaces > mostSpaces) continue;
    panel = next;
    circuitOf.set(load.id, id);
  }
  const { services, panels } = house.survey;
  return {
    ...house,
    survey: {
      ...house.survey,
      services: services.length > 0 ? services : [service],
      panels: panels.length > 0 ? panels.map((one) => (one === first ? panel : one)) : [panel],
    },
    loads: house.loads.map((load) => ({ ...load, circuitId: circuitOf.get(load.id) ?? load.circuitId })),
  };
}

import { isAmerican, systemFacts } from '../../electric/index.js';
import type { IslandPlaces } from './add-island.js';
import type { Feeds } from './add-services.js';
import type { GraphBuilder } from './graph-builder.js';

/** Electrodes hang on what joins neutral and earth at the service, or on the relay of an island where the supplier's bond is not the house's. */
function addElectrodes({ plan, accessories, bonds }: GraphBuilder): void {
  const name = isAmerican(plan.supply.system) ? 'Grounding electrodes' : 'Earth electrode';
  const atService = bonds.some(({ group }) => group === 'service');
  for (const { id, at, group, when } of bonds) {
    const isRelay = when.kind === 'island' && !atService;
    if (group === 'service' || isRelay)
      accessories.push({ id: `electrode:${id}`, kind: 'electrode', name, at, isNew: isRelay, poles: 0 });
  }
}

function addSurge({ plan, accessories }: GraphBuilder, feeds: Feeds): void {
  if (plan.wiring.surge !== true) return;
  for (const { id, name } of plan.survey.services)
    accessories.push({
      id: `surge:${id}`,
      kind: 'surge',
      name: `Surge protection of ${name}`,
      at: feeds.serviceHead(id),
      isNew: false,
      poles: systemFacts[plan.supply.system].legs.length,
    });
}

/** What the system knows the grid by where no device of its own stands at the service, and the cables its parts speak through (common practice, no source). */
function addSensorsAndLinks(builder: GraphBuilder, feeds: Feeds, placed: readonly IslandPlaces[]): void {
  const { accessories, links, parts, plan } = builder;
  const poles = systemFacts[plan.supply.system].legs.length;
  for (const { island, points, inverterIds, inline } of placed) {
    const [first] = inverterIds;
    if (first === undefined) continue;
    const link = (from: string, to: string): void => {
      links.push({ id: `link:${from}:${to}`, name: 'Communication cable', from, to });
    };
    for (const { id, name } of island.services) {
      if (parts.get(`iso:${id}`)?.from === feeds.serviceHead(id)) continue;
      const sensors = `sensors:${id}`;
      accessories.push({
        id: sensors,
        kind: 'sensors',
        name: `Current sensors at ${name}`,
        at: feeds.serviceHead(id),
        isNew: true,
        poles,
      });
      link(sensors, first);
    }
    // One tells the next: the devices at the grid, then the inverters.
    const chain = [...(inline ? [] : points.map(({ device }) => device)), ...inverterIds];
    for (const [index, to] of chain.slice(1).entries()) link(chain[index]!, to);
  }
}

/** Adds what belongs to the wiring and carries none of its power: electrodes, surge protection, sensors, communication. */
export function addAccessories(builder: GraphBuilder, feeds: Feeds, placed: readonly IslandPlaces[]): void {
  addElectrodes(builder);
  addSurge(builder, feeds);
  addSensorsAndLinks(builder, feeds, placed);
}

import { panelUpstream } from '../../house/index.js';
import { serviceBackup } from '../../design/index.js';
import { earthingOf } from './earthing.js';
import type { GraphBuilder } from './graph-builder.js';
import type { IslandPlaces } from './add-island.js';

/** Mark of the bonds of service enclosures: beside each other they are one. */
const service = 'service';

/** Adds what joins neutral and earth: at the services, in panels, by the supplier, and in relays of the islands. */
export function addBonds(builder: GraphBuilder, placed: readonly IslandPlaces[]): void {
  const { plan } = builder;
  const { survey } = plan;
  const earthing = earthingOf(plan);
  const always = { kind: 'always' } as const;
  if (earthing.value !== 'house')
    for (const { id, name } of survey.services)
      builder.bonds.push({
        id: `bond:grid:${id}`,
        name: `Bond of the supplier, ${name}`,
        at: `grid:${id}`,
        group: 'supplier',
        when: always,
      });
  for (const panel of survey.panels) {
    if (panel.bonded !== true) continue;
    const { service: above, panels } = panelUpstream(survey, panel);
    // A panel behind a service disconnect of its own is a sub-panel.
    const isService = panels.length === 0 && (above?.mainBreakerA ?? null) === null;
    builder.bonds.push({
      id: `bond:${panel.id}`,
      name: `Bond in ${panel.name}`,
      at: `bus:${panel.id}`,
      group: isService && earthing.value === 'house' ? service : panel.id,
      when: always,
    });
  }
  if (earthing.value === 'house')
    for (const { id, name, mainBreakerA } of survey.services) {
      const mine = survey.panels.filter((panel) => panelUpstream(survey, panel).service?.id === id);
      const bonded = mine.some((panel) => panel.bonded === true);
      const looked =
        mine.length > 0 && mine.every((panel) => panel.bonded === false) && mainBreakerA === null;
      if (bonded || looked) continue;
      builder.assumptions.add(`${name} is bonded at its disconnect: nobody has looked.`);
      builder.bonds.push({
        id: `bond:main:${id}`,
        name: `Bond at the disconnect of ${name}`,
        at: mainBreakerA === null ? `meter:${id}` : `main:${id}`,
        group: service,
        when: always,
      });
    }
  for (const { island, points, joins, inverterIds } of placed) {
    const [point] = points;
    const [first] = island.services;
    if (!point || !first || joins === null) continue;
    const said = serviceBackup(plan, first.id).bondWhileIslanded;
    const place = said ?? (earthing.value === 'house' ? 'service' : 'isolating-device');
    if (place === 'service') continue;
    if (said === null) builder.assumptions.add(`A relay bonds the neutral while ${island.name} is islanded.`);
    builder.bonds.push({
      id: `bond:island:${island.id}`,
      name: place === 'inverter' ? 'Bond relay in the inverter' : 'Bond relay in the isolating device',
      at: place === 'inverter' ? joins : point.behind,
      group: `island:${island.id}`,
      when: { kind: 'island', device: point.device, inverter: inverterIds[0]! },
    });
  }
}

// The wiring of a large house, for docs/performance.md; alone: node scripts/bench-wiring.mjs, after `npx tsc -b core`.
import { pathToFileURL } from 'node:url';
import Layout from 'elkjs/lib/elk.bundled.js';
import {
  assembleStack,
  builtInCatalogue,
  dangerousStandings,
  demoPlans,
  fromElk,
  networkOf,
  oneLineDrawing,
  oneLinePlan,
  safetyOf,
  toElk,
  usualGenerator,
  wireDesign,
  wiringFindings,
} from './core.mjs';

const ms = (value) => `${value.toFixed(0)} ms`;
const median = (values) => values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)];

/** The farmhouse twice behind two meters, each with a whole service backed up; a generator, and an emergency disconnect at each. */
function largeHouse() {
  const { plan } = demoPlans[0];
  const [service] = plan.survey.services;
  const [backup] = plan.backup.services;
  const twin = (value) => JSON.parse(JSON.stringify(value));
  const renamed = (id) => `${id}-2`;
  const second = twin(plan.survey.panels).map((panel) => ({
    ...panel,
    id: renamed(panel.id),
    name: `${panel.name}, second`,
    circuits: panel.circuits.map((circuit) => ({ ...circuit, id: renamed(circuit.id) })),
    fedFrom:
      panel.fedFrom.kind === 'service'
        ? { kind: 'service', serviceId: renamed(service.id) }
        : panel.fedFrom.kind === 'circuit'
          ? { kind: 'circuit', circuitId: renamed(panel.fedFrom.circuitId) }
          : { kind: 'lugs', panelId: renamed(panel.fedFrom.panelId) },
  }));
  const disconnect = (panel, index) => ({
    ...panel,
    between: [
      ...panel.between,
      {
        id: `emergency-${index}`,
        kind: 'emergency-disconnect',
        ratingA: 200,
        ownMeter: false,
        place: '',
        note: '',
      },
    ],
  });
  const whole = {
    ...backup,
    school: 'service',
    isolation: { at: 'service' },
    isolatingDevice: 'contactor',
    isolatingRatingA: 200,
  };
  return {
    ...plan,
    survey: {
      ...plan.survey,
      services: [service, { ...service, id: renamed(service.id), name: `${service.name}, second` }].map(
        (one) => ({ ...one, mainBreakerA: 200 }),
      ),
      panels: [...plan.survey.panels, ...second].map((panel, index) =>
        panel.fedFrom.kind === 'service' ? disconnect(panel, index) : panel,
      ),
    },
    backup: {
      ...plan.backup,
      services: [whole, { ...whole, serviceId: renamed(service.id), islandId: null }],
    },
    sources: { ...plan.sources, generator: { ...usualGenerator('auto'), connection: 'through' } },
  };
}

const stackOf = (plan) => {
  const { stack } = assembleStack(
    [
      { unitId: 'madder-47', quantity: 2 },
      { unitId: 'madder-pack', quantity: 2 },
    ],
    builtInCatalogue,
    plan.supply.system,
  );
  return () => stack;
};

/** A network of a house with so many handles more, each a way of its own between two busbars, so that each can matter. */
function withMore(network, count) {
  const [from, to] = network.nodes.filter(({ needsNeutral }) => needsNeutral).map(({ id }) => id);
  const more = { ...network, links: [...network.links], handles: [...network.handles] };
  for (let n = 0; n < count; n += 1) {
    const handle = `more:${n}`;
    more.handles.push({ id: handle, name: handle, positions: ['open', 'closed'] });
    for (const layer of ['line', 'neutral'])
      more.links.push({
        id: `${handle}.${layer}`,
        from,
        to,
        layer,
        closedBy: [{ kind: 'handle', handle, positions: ['closed'] }],
      });
  }
  return more;
}

const timed = async (times, run) => {
  const took = [];
  let last;
  for (let n = 0; n < times; n += 1) {
    const begin = performance.now();
    last = await run();
    took.push(performance.now() - begin);
  }
  return [median(took), last];
};

/** Rows of a table: what, how long. */
export async function benchWiring() {
  const rows = [];
  for (const [name, plan] of [
    ['the farmhouse', demoPlans[0].plan],
    ['two services, a generator', largeHouse()],
  ]) {
    const units = stackOf(plan);
    const circuits = plan.survey.panels.reduce((sum, panel) => sum + panel.circuits.length, 0);
    const [wireMs, wired] = await timed(5, () => wireDesign(plan, units));
    const { handles, tried, standings } = wired.states;
    rows.push(
      `| derived, sized, judged: ${name}, ${circuits} circuits, ${handles} handles (${tried} matter, ${standings} standings), ${wiringFindings(wired).length} findings | ${ms(wireMs)} |`,
    );
    const [safeMs, safe] = await timed(3, () => safetyOf(plan, wired));
    rows.push(
      `| what makes its ${safe.isolation.length} busbars and sources dead, orders of switching, signs, material | ${ms(safeMs)} |`,
    );
    const [layMs, drawing] = await timed(5, async () => {
      const sheet = oneLinePlan(wired);
      return oneLineDrawing(sheet, fromElk(sheet, await new Layout().layout(toElk(sheet))));
    });
    rows.push(`| its drawing laid out, ${drawing.items.length} lines and texts | ${ms(layMs)} |`);
  }
  const network = networkOf(wireDesign(demoPlans[0].plan, stackOf(demoPlans[0].plan)).graph);
  const large = withMore(network, 20 - network.handles.length);
  const [allMs, all] = await timed(3, () => dangerousStandings(large));
  rows.push(`| 20 handles, ${all.tried} of which can matter: ${all.standings} standings | ${ms(allMs)} |`);
  return rows;
}

if (import.meta.url === pathToFileURL(process.argv[1]).href)
  for (const row of await benchWiring()) console.log(row);

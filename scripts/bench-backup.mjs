// Moving circuits and searching the best set, for docs/performance.md.
import {
  benchItems,
  builtInCatalogue,
  emptyPlan,
  evaluatePlan,
  itemEffects,
  keepOnly,
  loadFromLibrary,
  loadLibrary,
  moveToLane,
  newCircuit,
  newPanel,
  newService,
  settlePlan,
  suggestBackup,
} from './core.mjs';

const ms = (value) => `${value.toFixed(0)} ms`;
const percentile = (values, share) =>
  values.toSorted((a, b) => a - b)[Math.min(values.length - 1, Math.floor(share * values.length))];

/** Sixty circuits, one load on each, from the library over and over; `random` gives their tiers and powers. */
export function sixtyCircuits(seed) {
  let state = seed;
  const random = () => {
    state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0;
    return state / 2 ** 32;
  };
  const blank = emptyPlan();
  const { system } = blank.supply;
  const circuits = Array.from({ length: 60 }, (_, i) => newCircuit(`c${i}`, [i + 1], `Circuit ${i + 1}`));
  const loads = [];
  for (let i = 0; i < 60; i += 1) {
    const typical = loadLibrary[(i * 7 + seed) % loadLibrary.length];
    const load = loadFromLibrary(typical, `load-${i}`, system, loads);
    const tier = random() < 0.12 ? 'must' : random() < 0.5 ? 'should' : 'may';
    const small = load.runningPowerW > 3500 ? 0.4 : 0.6 + 0.8 * random();
    loads.push({ ...load, circuitId: `c${i}`, tier, runningPowerW: load.runningPowerW * small });
  }
  const panel = newPanel('panel', 'Panel', system, { kind: 'service', serviceId: 'service' });
  const survey = {
    ...blank.survey,
    services: [newService('service', 'Service')],
    panels: [{ ...panel, spaces: 84, circuits }],
  };
  const plan = { ...blank, survey, loads };
  return settlePlan(
    keepOnly(
      plan,
      loads.map(({ id }) => id),
    ),
  );
}

const stacks = [
  [
    '3 × Woad 93 + 18 × Woad module',
    [
      ['woad-93', 3],
      ['woad-module', 18],
    ],
  ],
  [
    '4 × Yarrow 79 + 4 × Yarrow pack',
    [
      ['yarrow-79', 4],
      ['yarrow-pack', 4],
    ],
  ],
  [
    '2 × Teasel 56 + 6 × Teasel bank',
    [
      ['teasel-56', 2],
      ['teasel-bank', 6],
    ],
  ],
];

/** Rows of the table of moves in the core: margins, and what stands beside each circuit. */
export function benchMoves() {
  const plan = sixtyCircuits(1);
  const margins = [];
  const beside = [];
  for (let i = 0; i < 60; i += 1) {
    const moved = moveToLane(plan, { circuitIds: [`c${i}`], loadIds: [] }, 'dark');
    const begin = performance.now();
    const { margins: list, context, selected, island } = evaluatePlan(moved, builtInCatalogue);
    for (const { demand, limit } of list) void (demand.value + limit.value);
    margins.push(performance.now() - begin);
    const again = performance.now();
    itemEffects(context, selected, benchItems(moved, island));
    beside.push(performance.now() - again);
  }
  return [
    ['core alone, one of 60 circuits moved: every margin', margins],
    ['core alone, the same: what stands beside each circuit', beside],
  ].map(
    ([label, times]) =>
      `| ${label} | ${ms(percentile(times.slice(5), 0.5))} | ${ms(percentile(times.slice(5), 0.95))} |`,
  );
}

/** Rows of the table of suggestions: ten random houses on each stack, 24 h. */
export function benchSuggestions() {
  return stacks.map(([label, parts]) => {
    const times = [];
    let proven = 0;
    for (let seed = 1; seed <= 10; seed += 1) {
      const plan = sixtyCircuits(seed);
      const until = performance.now() + 2500;
      const begin = performance.now();
      const found = suggestBackup(
        plan,
        builtInCatalogue,
        '',
        parts.map(([unitId, quantity]) => ({ unitId, quantity })),
        () => performance.now() > until,
      );
      times.push(performance.now() - begin);
      if (found.proven) proven += 1;
    }
    return `| ${label} | ${ms(percentile(times, 0.5))} | ${ms(Math.max(...times))} | ${proven} of 10 |`;
  });
}

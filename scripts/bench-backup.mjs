// Moving circuits and searching the best set, for docs/performance.md.
import {
  blankLoad,
  builtInCatalogue,
  evaluateJob,
  itemEffects,
  benchItems,
  loadLibrary,
  loadFromLibrary,
  moveToLane,
  newCircuit,
  newJob,
  newPanel,
  newService,
  suggestBackup,
} from '../core/dist/index.js';

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
  const job = newJob(`Benchmark, 60 circuits, ${seed}`);
  const circuits = Array.from({ length: 60 }, (_, i) => newCircuit(`c${i}`, [i + 1], `Circuit ${i + 1}`));
  for (let i = 0; i < 60; i += 1) {
    const typical = loadLibrary[(i * 7 + seed) % loadLibrary.length];
    const load = loadFromLibrary(typical, `load-${i}`, job.supply.system, job.loads);
    const tier = random() < 0.12 ? 'must' : random() < 0.5 ? 'should' : 'may';
    const small = load.runningPowerW > 3500 ? 0.4 : 0.6 + 0.8 * random();
    job.loads.push({
      ...blankLoad(`load-${i}`, '', job.supply.system, []),
      ...load,
      id: `load-${i}`,
      circuitId: `c${i}`,
      tier,
      inBackupSet: true,
      runningPowerW: load.runningPowerW * small,
    });
  }
  const panel = newPanel('panel', 'Panel', job.supply.system, { kind: 'service', serviceId: 'service' });
  job.survey = {
    services: [newService('service', 'Service')],
    panels: [{ ...panel, spaces: 84, circuits: circuits.map((circuit) => ({ ...circuit, lane: 'on' })) }],
    monitorCircuitId: null,
  };
  return job;
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
  const job = sixtyCircuits(1);
  const margins = [];
  const beside = [];
  for (let i = 0; i < 60; i += 1) {
    const moved = moveToLane(job, { circuitIds: [`c${i}`], loadIds: [] }, 'dark');
    const begin = performance.now();
    const { margins: list, context, selected, island } = evaluateJob(moved, builtInCatalogue);
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
      const job = sixtyCircuits(seed);
      const until = performance.now() + 2500;
      const begin = performance.now();
      const found = suggestBackup(
        job,
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

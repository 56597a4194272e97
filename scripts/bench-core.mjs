// Times of core alone, of one build of it: node scripts/bench-core.mjs FOLDER_OF_CORE. Prints them as JSON; what a build does not have is left out.
import { pathToFileURL } from 'node:url';
import { resolve } from 'node:path';

const folder = pathToFileURL(`${resolve(process.argv[2])}/`);
const floor = (name) => import(new URL(`dist/${name}.js`, folder)).catch(() => ({}));
const core = Object.assign(
  {},
  ...(await Promise.all(
    ['equipment/index', 'house/index', 'design/index', 'study/index', 'study/details', 'job/index'].map(
      floor,
    ),
  )),
);
const { builtInCatalogue, demoJobs, evaluatePlan, planOf } = core;

/** The shortest of some runs: what disturbs a run only makes it longer. */
function least(runs, run) {
  let shortest = Infinity;
  for (let i = 0; i < runs; i += 1) {
    const begin = performance.now();
    run(i);
    shortest = Math.min(shortest, performance.now() - begin);
  }
  return shortest;
}

const plan = planOf(demoJobs[0].job);
const { parts } = evaluatePlan(plan, builtInCatalogue).selected.stack;
const study = (of) => ({ plan: of, islandId: '', parts, weather: null });
/** The same house with one load changed a little. */
const edited = (i) => ({
  ...plan,
  loads: plan.loads.with(3, { ...plan.loads[3], runningPowerW: 100 + i }),
});

const cases = {
  'an edit: every stack against every limit': () =>
    least(40, (i) => evaluatePlan(edited(i), builtInCatalogue)),
  'the outages of the brief in one year, after an edit of a load': () => {
    const kept = new core.KeptYear(plan.outage.seed);
    return least(25, (i) => core.playedOfBrief(study(edited(i)), builtInCatalogue, kept));
  },
  'the same for the first time': () =>
    least(5, () => core.playedOfBrief(study(plan), builtInCatalogue, new core.KeptYear(plan.outage.seed))),
  'an outage of a week, written down': () => {
    const year = core.studyYear(study(plan), builtInCatalogue);
    return least(20, (i) => core.playOutage(year, i * 14_400, core.horizonMin));
  },
  'the map of a year': () => {
    const year = core.studyYear(study(plan), builtInCatalogue);
    const whole = core.outagePlan(year, 0, core.windowFor(8760, core.horizonMin));
    return least(4, () => core.outageFates(whole, { hours: 8760, horizonMin: core.horizonMin }));
  },
};

const times = {};
for (const [name, measure] of Object.entries(cases)) {
  try {
    times[name] = measure();
  } catch {
    // This build has not got what is measured.
  }
}
console.log(JSON.stringify(times));

// Times of core alone, of one build of it: node scripts/bench-core.mjs FOLDER_OF_CORE. Prints them as JSON; what a build does not have is left out.
import { pathToFileURL } from 'node:url';
import { resolve } from 'node:path';

const folder = pathToFileURL(`${resolve(process.argv[2])}/`);
const floor = (name) => import(new URL(`dist/${name}.js`, folder)).catch(() => ({}));
const core = Object.assign(
  {},
  ...(await Promise.all(
    [
      'equipment/index',
      'equipment/details',
      'tariff/details',
      'house/index',
      'house/details',
      'design/index',
      'study/index',
      'study/details',
      'wiring/index',
      'placement/index',
      'placement/details',
      'commissioning/index',
      'logbook/details',
      'job/index',
    ].map(floor),
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
const text = JSON.stringify(demoJobs[0].job);
const study = (of) => ({ plan: of, islandId: '', parts, weather: null });
const stackOf = ({ supply }) => core.assembleStack(parts, builtInCatalogue, supply.system).stack;
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
  'a job read and checked': () => least(20, () => core.readJob(JSON.parse(text))),
  'the best set of circuits': () =>
    least(5, () => core.suggestBackup(plan, builtInCatalogue, '', parts, () => false)),
  'the best swaps of the first panel': () =>
    least(10, () => core.panelBalance(plan, plan.survey.panels[0], 'winter')),
  'a year of hours with the grid, following prices': () => {
    const house = core.dailyHouse(plan, null, 60);
    const [meter] = house.meters;
    const battery = core.dailyBattery(stackOf(plan), core.settingsOf(plan), 0.3);
    const behind = { battery, solarDcW: stackOf(plan).solarDcW, hasArray: () => true };
    return least(15, () => core.dailyYear(meter, house, behind, { ...plan.dailyUse, strategy: 'prices' }));
  },
  'wiring derived, sized, judged': () =>
    least(40, () => core.wiringFindings(core.wireDesign(plan, () => stackOf(plan)))),
  'what makes each busbar dead, orders of switching, signs': () => {
    const wired = core.wireDesign(plan, () => stackOf(plan));
    return least(40, () => core.safetyOf(plan, wired));
  },
  'places of all units judged': () => {
    const things = core.thingsOf(plan, () => stackOf(plan));
    return least(200, () => core.checkPlacement(plan, things, []));
  },
  'every step of commissioning with what it should read': () => {
    const wired = core.wireDesign(plan, () => stackOf(plan));
    const islands = core.islandsOf(plan).map((island) => ({ island, stack: stackOf(plan) }));
    return least(40, () => core.stepsOf({ plan, wired, islands }, demoJobs[0].job.commissioning));
  },
  'an outage that happened, replayed': () => {
    const outage = core.newLoggedOutage({
      id: 'outage',
      name: 'Outage',
      islandId: '',
      from: '2026-01-15T18:00:00Z',
      source: 'typed',
      lastedH: 48,
      startCharge: 0.7,
    });
    const question = { study: study(plan), known: core.knownOutage(outage, []), measured: null };
    return least(3, () => core.replayOutage(question, builtInCatalogue));
  },
};

const times = {};
for (const [name, measure] of Object.entries(cases)) {
  try {
    times[name] = measure();
  } catch (error) {
    // A build of another time may not have what is measured.
    console.error(`${name}: ${error.message}`);
  }
}
console.log(JSON.stringify(times));

// Jobs of version 5 made from a seed: several islands, generator, vehicle, lead-acid, three phases, shedding. They vary two golden
// jobs in every way that a figure may depend on. Frozen with version 5, so that every later program reads the same 200 jobs.
import { readFileSync } from 'node:fs';

const golden = (name) =>
  JSON.parse(
    readFileSync(new URL(`../../core/src/job/testing/golden/${name}.json`, import.meta.url), 'utf8'),
  );

/** mulberry32 */
function randomFrom(seed) {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 15), state | 1);
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61);
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4294967296;
  };
}

const stacks = {
  'split-120-240': [
    ['madder-47:2', 'madder-pack:2'],
    ['woad-93:1', 'woad-module:3'],
    ['teasel-56:1', 'teasel-bank:1'],
    ['yarrow-79:1'],
  ],
  'two-legs-120-208': [
    ['madder-47:1', 'madder-pack:1'],
    ['teasel-56:2', 'teasel-bank:2'],
  ],
  'single-230': [['sorrel-34:2', 'sorrel-pack:1'], ['weld-57:1', 'weld-module:2']],
  'three-230-400': [['bracken-96:1', 'bracken-module:3'], ['sorrel-34:3']],
}; // prettier-ignore

const partsOf = (texts) =>
  texts.map((text) => {
    const [unitId, quantity] = text.split(':');
    return { unitId, quantity: Number(quantity) };
  });

/** One job. The same for the same number. */
export function madeJob(number) {
  const random = randomFrom(number * 7919 + 1);
  const chance = (share) => random() < share;
  const between = (low, high) => Math.round((low + random() * (high - low)) * 100) / 100;
  const one = (list) => list[Math.floor(random() * list.length)];
  const american = chance(0.6);
  const job = golden(american ? 'job-v5' : 'job-v5-three-phase');
  const system = american
    ? one(['split-120-240', 'split-120-240', 'two-legs-120-208'])
    : one(['three-230-400', 'three-230-400', 'single-230']);
  job.name = `Made ${number}`;
  job.supply.system = system;
  // A single phase has one leg only.
  const legs = (set) => (system === 'single-230' ? 'L1' : set);

  Object.assign(job.brief, {
    goals: {
      outage: one(['decides', 'decides', 'counts']),
      ownSolar: one(['none', 'counts', 'decides']),
      peakPrice: one(['none', 'counts']),
    },
    requiredRuntimeH: one([null, 6, 12, 30, 72]),
    designSeason: one([null, 'winter', 'shoulder', 'summer']),
    sizeForYear: one([null, 0, 5, 15]),
    outageDepth: one([null, null, 0.8]),
    batteryTemperatureC: one([null, -5, 3, 20, 38]),
    transferGapToleranceMs: one([null, 10, 20_000]),
    handsOn: one([null, true, false]),
    powerBasis: one([null, 'coincident', 'all-at-once']),
    outageWeather: one([null, 'no-sun', 'hard', 'usual']),
    surplusSolarWhPerDay: one([null, 0, 9000]),
  });

  job.loads = job.loads.filter(() => chance(0.85));
  for (const load of job.loads) {
    load.legs = legs(load.legs);
    load.runningPowerW = Math.min(40_000, Math.round(load.runningPowerW * between(0.3, 2.2)));
    load.tier = one(['must', 'should', 'may', 'never', load.tier]);
    load.inBackupSet = chance(0.6);
    load.powerFactor = between(0.6, 1);
    if (chance(0.2)) load.quantity = 1 + Math.floor(random() * 3);
    if (chance(0.15)) load.circuitId = null;
  }

  const circuits = job.survey.panels.flatMap((panel) => panel.circuits);
  const feeders = new Set(
    job.survey.panels.flatMap(({ fedFrom }) => (fedFrom.kind === 'circuit' ? [fedFrom.circuitId] : [])),
  );
  for (const circuit of circuits) {
    if (feeders.has(circuit.id)) continue;
    circuit.lane = one(['on', 'on', 'auto', 'hand', 'dark']);
    circuit.shed =
      circuit.lane === 'auto' && chance(0.8)
        ? {
            device: one(['relay', 'smart-breaker', 'control-input']),
            when: one(['outage', 'charge', 'power']),
            belowCharge: between(0.1, 0.9),
            order: 1 + Math.floor(random() * 5),
            responseS: between(0.05, 5),
          }
        : null;
  }

  // Half the breakers of the first panel move to a second service.
  const [first] = job.survey.panels;
  if (chance(0.5)) {
    const moved = first.circuits.filter(({ id }) => !feeders.has(id) && chance(0.5));
    first.circuits = first.circuits.filter((circuit) => !moved.includes(circuit));
    job.survey.services.push({ ...job.survey.services[0], id: 'second', name: 'Second service' });
    job.survey.panels.push({
      ...structuredClone(first),
      id: 'second-panel',
      name: 'Second panel',
      fedFrom: { kind: 'service', serviceId: 'second' },
      between: [],
      circuits: moved,
    });
    job.backup.services.push({
      ...job.backup.services[0],
      serviceId: 'second',
      school: one(['service', 'loads-panel', 'split', 'controlled', 'none', null]),
      joinedTo: chance(0.4) ? job.survey.services[0].id : null,
      isolatingDevice: one([null, 'contactor', 'transfer-switch', 'at-meter']),
      feederPanelId: null,
    });
  }
  Object.assign(job.backup.services[0], {
    school: one(['service', 'loads-panel', 'split', 'controlled', 'none', null]),
    isolatingRatingA: one([null, 60, 100, 200]),
    newPanelSpaces: one([null, 8, 24]),
    controlledCircuits: one([null, 4, 12]),
    automaticTransfer: chance(0.7),
  });
  if (chance(0.1)) job.backup.services[0].feederPanelId = first.id;

  const stack = () => (chance(0.6) ? partsOf(one(stacks[system])) : null);
  job.design.chosen = stack();
  if (job.survey.services.length > 1) {
    const other = stack();
    if (other) job.design.others = [{ serviceId: 'second', chosen: other }];
  }

  const [array] = job.outage.arrays;
  job.outage.arrays = Array.from({ length: Math.floor(random() * 4) }, (_, index) => ({
    ...array,
    id: `array-${index}`,
    name: `Array ${index}`,
    ratedW: Math.round(between(500, 9000)),
    tiltDeg: between(0, 60),
    facingDeg: between(90, 270),
    coupling: one(['ac', 'dc']),
    inverterW: one([null, 3000]),
    legs: legs(array.legs),
  }));
  job.outage.generator = chance(0.35)
    ? {
        powerW: Math.round(between(2000, 9000)),
        start: one(['auto', 'hand']),
        comesAfterMin: Math.round(between(0, 400)),
        startBelow: between(0.1, 0.4),
        stopAbove: between(0.6, 1),
        warmUpMin: 2,
        chargerW: Math.round(between(1000, 5000)),
        fuelL: one([null, 40, 200]),
        idleLPerH: 0.8,
        fullLPerH: 3.1,
        quiet: one([null, { fromH: 22, toH: 7 }]),
        locksSolarOut: chance(0.5),
      }
    : null;
  job.outage.vehicle = chance(0.3)
    ? {
        role: one(['sink', 'source']),
        powerW: 7000,
        energyWh: 60_000,
        startCharge: between(0.3, 0.9),
        keeps: between(0.1, 0.3),
        feedsBelow: between(0.2, 0.6),
      }
    : null;
  Object.assign(job.outage, {
    seed: 1 + Math.floor(random() * 900),
    household: one(['usual', 'saving']),
    startCharge: one([null, 0.5]),
    keptForRestart: one([null, 0.1]),
    batteryPlace: one([null, 'unheated', 'outdoors']),
    costs: chance(0.2) ? [{ change: 'battery', cost: 4200 }] : [],
  });
  return job;
}

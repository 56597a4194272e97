import { fromFeet as feet } from '../../base/index.js';
import { undecidedBackup } from '../backup/backup.schema.js';
import type { Load } from '../../house/index.js';
import {
  type DemoSurvey,
  harbourLot,
  harbourSurvey,
  harbourUsage,
  loadFromLibrary,
  loadLibrary,
  vineyardLot,
  vineyardSurvey,
} from '../../house/details.js';
import { harbourTariff, vineyardTariff } from './demo-tariffs.js';
import { keepOnly, keptAtFirst } from '../backup/kept-loads.js';
import type { Lane } from '../backup/lane.schema.js';
import { changeShed, moveToLane } from '../backup/move-to-lane.js';
import { emptyPlan } from '../plan/empty-plan.js';
import type { Placed, Placement } from '../placement/placement.schema.js';
import type { Plan } from '../plan/plan.js';
import { usualArray } from '../sources/usual-sources.js';
import { settlePlan } from '../plan/settle-plan.js';

type Entry = readonly [libraryId: string, changes?: Partial<Load> & { readonly kept?: boolean }];

/** A demo plan with loads by library id, and what is different about them. */
const withLoads = (plan: Plan, entries: readonly Entry[]): Plan => {
  const loads: Load[] = [];
  const kept: string[] = [];
  for (const [libraryId, { kept: said, ...changes } = {}] of entries) {
    const typical = loadLibrary.find(({ id }) => id === libraryId);
    if (!typical) throw new Error(`The load library has no "${libraryId}"`);
    loads.push({ ...loadFromLibrary(typical, libraryId, plan.supply.system, loads), ...changes });
    if (said ?? keptAtFirst(typical)) kept.push(loads.at(-1)!.id);
  }
  return keepOnly({ ...plan, loads }, kept);
};

/** A plan with its loads on the circuits of a survey. */
const surveyed = (plan: Plan, { survey, circuitOf }: DemoSurvey): Plan =>
  settlePlan({
    ...plan,
    survey,
    loads: plan.loads.map((load) => ({ ...load, circuitId: circuitOf.get(load.id) ?? null })),
  });

const placed = { legsAssumed: false } as const;

const pumping = { nightH: 0.1, morningH: 0.3, dayH: 0.3, eveningH: 0.4 };

const harbourLoads: readonly Entry[] = [
  [
    'fridge',
    {
      ...placed,
      legs: 'L1',
      basis: 'measured',
      runningPowerW: 131,
      note: 'Clamp meter, kitchen circuit',
    },
  ],
  ['freezer-chest', { ...placed, legs: 'L2', name: 'Chest freezer in the barn' }],
  ['boiler-oil', { ...placed, legs: 'L1', basis: 'nameplate' }],
  ['circulator', { ...placed, legs: 'L1', quantity: 3, name: 'Heating circulators, three zones' }],
  [
    'well-pump-large',
    {
      ...placed,
      name: 'Well pump, 1½ hp',
      basis: 'nameplate',
      start: { how: 'lockedRotor', lockedRotorA: 61, durationS: 0.6 },
      // Hens and a garden drink along.
      use: { winter: pumping, shoulder: pumping, summer: pumping },
    },
  ],
  ['sump-pump', { ...placed, legs: 'L2' }],
  ['lights-living', { legs: 'L1' }],
  ['lights-kitchen', { legs: 'L2' }],
  ['lights-bed', { legs: 'L2' }],
  ['router', { ...placed, legs: 'L1' }],
  ['phones'],
  ['laptop', { quantity: 2, name: 'Laptops' }],
  ['tv'],
  ['microwave', { ...placed, legs: 'L1' }],
  ['coffee', { ...placed, legs: 'L1', kept: true }],
  ['outlets', { quantity: 3, name: 'Other outlets, three rooms' }],
  ['garage-door', { ...placed, legs: 'L2' }],
  ['septic-aerator', { ...placed, legs: 'L2', tier: 'should', kept: true }],
  ['washer-cold', { legs: 'L2' }],
  ['range-electric', { ...placed, name: 'Electric range, 11 kW' }],
  ['dishwasher', { legs: 'L2' }],
  ['dryer-electric', { ...placed }],
  ['water-heater-tank', { ...placed }],
  ['heat-tape', { ...placed, legs: 'L1', name: 'Heat tape on the porch roof', runningPowerW: 420 }],
  ['car-plug', { legs: 'L2' }],
];

const onGarage = (thingId: string, leftM: number, bottomM: number): Placed => ({
  thingId,
  wallId: 'garage',
  leftM,
  bottomM,
});

/** In the garage, in a row; the last pack comes too near the workbench, and one covers the receptacle. */
const harbourPlacement: Placement = {
  absorptance: null,
  placed: [
    onGarage('unit:farm:madder-47:1', feet(2, 2), feet(2)),
    onGarage('unit:farm:madder-47:2', feet(4, 9), feet(2)),
    onGarage('unit:farm:madder-pack:1', feet(7, 4), feet(2)),
    onGarage('unit:farm:madder-pack:2', feet(10, 4), feet(2)),
    onGarage('panel:farm', feet(0, 4), feet(3, 6)),
  ],
  works: [
    {
      wallId: 'garage',
      detection: true,
      board: null,
      impact: 'bollards',
      plywood: true,
      plinth: null,
      shade: null,
      ventilated: null,
    },
  ],
};

const harbour = (): Plan => {
  const system = 'split-120-240';
  const blank = emptyPlan(system);
  const plan: Plan = {
    ...blank,
    site: {
      place: 'Gullrock Harbour (invented), north-east coast',
      latitudeDeg: 45.1,
      longitudeDeg: -64.6,
      timeZone: 'America/Halifax',
      units: 'imperial',
      floorAreaM2: 196,
    },
    supply: { system, frequencyHz: 60, serviceRatingA: null },
    lot: harbourLot(),
    placement: harbourPlacement,
    brief: {
      ...blank.brief,
      goals: { outage: 'decides', ownSolar: 'counts', peakPrice: 'none' },
      requiredRuntimeH: 28,
      designSeason: 'winter',
      batteryTemperatureC: 7,
      transferGapToleranceMs: 1000,
      handsOn: false,
      surplusSolarWhPerDay: 6500,
      plannedAdditions: [
        {
          id: 'barn',
          name: 'Barn lights and water heater for hens',
          kind: 'load',
          runningPowerW: 400,
          energyWhPerDay: 1900,
          countIn: false,
        },
        {
          id: 'barn-south',
          name: 'Solar on the south slope of the barn',
          kind: 'array',
          runningPowerW: 4200,
          energyWhPerDay: 0,
          countIn: false,
        },
      ],
      notes:
        'Winter storms take the line down two or three times a year, once for four days. The well is 62 m deep. The household wants water, heat and cold food; nobody is home on weekdays.',
    },
    equipment: {
      stacks: [
        {
          islandId: 'farm',
          parts: [
            { unitId: 'madder-47', quantity: 2 },
            { unitId: 'madder-pack', quantity: 2 },
          ],
          measured: null,
        },
      ],
    },
    backup: {
      ...blank.backup,
      services: [
        {
          ...undecidedBackup('farm'),
          school: 'loads-panel',
          isolatingDevice: 'pass-through',
          isolatingRatingA: 60,
          newPanelSpaces: 24,
          newPanelDistanceM: 1.5,
        },
      ],
    },
    usage: harbourUsage(blank.usage, 'America/Halifax'),
    tariffs: [harbourTariff],
    dailyUse: { ...blank.dailyUse, strategy: 'prices', fullBeforeStorms: true },
    outage: { ...blank.outage, climateId: 'cold-coast' },
    sources: {
      ...blank.sources,
      arrays: [
        {
          ...usualArray({ site: blank.site, supply: blank.supply }, 'barn-roof', 'Barn roof'),
          existing: true,
          ratedW: 5300,
          tiltDeg: 38,
          facingDeg: 158,
          legs: 'L1-L2',
          horizon: [
            { azimuthDeg: 80, elevationDeg: 4 },
            { azimuthDeg: 130, elevationDeg: 9 },
            { azimuthDeg: 175, elevationDeg: 3 },
            { azimuthDeg: 280, elevationDeg: 6 },
          ],
        },
        {
          ...usualArray({ site: blank.site, supply: blank.supply }, 'porch-roof', 'Porch roof'),
          ratedW: 2600,
          tiltDeg: 22,
          facingDeg: 248,
          legs: 'L1-L2',
        },
      ],
      costs: [
        { id: 'pack', change: 'unit.madder-pack', cost: { amount: '5200', currency: 'CAD' } },
        { id: 'portable', change: 'generator.hand', cost: { amount: '1900', currency: 'CAD' } },
        { id: 'automatic', change: 'generator.auto', cost: { amount: '11400', currency: 'CAD' } },
      ],
    },
  };
  return surveyed(withLoads(plan, harbourLoads), harbourSurvey(system));
};

const vineyardLoads: readonly Entry[] = [
  ['fridge', { ...placed, legs: 'L1' }],
  ['freezer-upright', { ...placed, legs: 'L2' }],
  ['lights-living', { ...placed, legs: 'L1' }],
  ['lights-kitchen', { ...placed, legs: 'L2' }],
  ['lights-bed', { ...placed, legs: 'L3' }],
  ['router', { ...placed, legs: 'L3' }],
  [
    'desktop',
    {
      ...placed,
      legs: 'L3',
      name: 'Recording computers',
      quantity: 2,
      tier: 'must',
      kept: true,
      basis: 'measured',
    },
  ],
  ['phones', { legs: 'L2' }],
  ['tv', { legs: 'L1' }],
  ['kettle', { ...placed, legs: 'L2', runningPowerW: 2200, kept: true }],
  ['coffee', { ...placed, legs: 'L2', runningPowerW: 1350, kept: true }],
  ['ventilation', { ...placed, legs: 'L3' }],
  ['circulator', { ...placed, legs: 'L3', quantity: 2, name: 'Heating circulators' }],
  ['heat-pump-hydronic', { ...placed, dutyCycle: 0.42 }],
  ['booster-pump', { ...placed, legs: 'L1', name: 'Cistern pump' }],
  ['washer-heats', { ...placed, legs: 'L2' }],
  ['dishwasher', { ...placed, legs: 'L1', runningPowerW: 2000, dutyCycle: 0.35 }],
  ['cooktop-induction', { ...placed }],
  ['oven', { ...placed, legs: 'L1', runningPowerW: 3400 }],
  ['dryer-heat-pump', { ...placed, legs: 'L2' }],
  ['car-three', { ...placed }],
  ['sauna', { ...placed }],
];

const vineyard = (): Plan => {
  const system = 'three-230-400';
  const blank = emptyPlan(system);
  const plan: Plan = {
    ...blank,
    site: {
      place: 'Rebenau (invented), hill country',
      latitudeDeg: 47.4,
      longitudeDeg: 15.9,
      timeZone: 'Europe/Vienna',
      units: 'metric',
      floorAreaM2: 148,
    },
    supply: { system, frequencyHz: 50, serviceRatingA: null },
    lot: vineyardLot(),
    brief: {
      ...blank.brief,
      goals: { outage: 'decides', ownSolar: 'decides', peakPrice: 'none' },
      requiredRuntimeH: 15,
      designSeason: 'winter',
      sizeForYear: 8,
      batteryTemperatureC: 14,
      transferGapToleranceMs: 20,
      handsOn: true,
      surplusSolarWhPerDay: 11_500,
      notes:
        'A studio with recording computers: the gap must not be noticed. Summer thunderstorms, short outages, one long one after heavy snow.',
    },
    backup: {
      ...blank.backup,
      services: [
        {
          ...undecidedBackup('street'),
          school: 'controlled',
          isolatingDevice: 'contactor',
          isolatingRatingA: 40,
          bondWhileIslanded: 'isolating-device',
          controlledCircuits: 6,
        },
      ],
    },
    tariffs: [vineyardTariff],
    finance: { ...blank.finance, exchangeRate: 1.47 },
    sources: {
      ...blank.sources,
      arrays: [
        {
          ...usualArray({ site: blank.site, supply: blank.supply }, 'street-roof', 'Street roof'),
          ratedW: 7200,
          tiltDeg: 41,
          facingDeg: 205,
          coupling: 'dc',
          legs: 'L1-L2-L3',
        },
      ],
    },
  };
  const lanes = (now: Plan, lane: Lane, spaces: readonly number[]): Plan =>
    moveToLane(now, { circuitIds: spaces.map((space) => `hall-${space}`), loadIds: [] }, lane);
  const shed = lanes(
    surveyed(withLoads(plan, vineyardLoads), vineyardSurvey(system)),
    'auto',
    [10, 13, 16, 17, 19, 22],
  );
  const byCharge = changeShed(shed, ['hall-13'], { when: 'charge', belowCharge: 0.7, order: 2 });
  return lanes(changeShed(byCharge, ['hall-10'], { when: 'power', order: 3 }), 'hand', [14]);
};

/** Two invented houses with a design over each, and fixed identifiers, so that loading them twice changes nothing. */
export const demoPlans: readonly { readonly id: string; readonly name: string; readonly plan: Plan }[] = [
  { id: '6f1d5c1e-58a4-4c1b-9d0a-0d5c7f3a1e01', name: 'Farmhouse above the harbour', plan: harbour() },
  { id: '6f1d5c1e-58a4-4c1b-9d0a-0d5c7f3a1e02', name: 'Row house by the vineyard', plan: vineyard() },
];

import { expect, it } from 'vitest';
import { builtInCatalogue } from '../../equipment/index.js';
import { demoPlans, keepLoads, type Plan, settlePlan } from '../../design/index.js';
import { KeptYear } from './kept-year.js';
import { playedOfBrief } from './played-of-brief.js';
import { shiftsOfBrief } from './shifts-of-brief.js';

/** The farmhouse with every load on no circuit, so that each can be left off by itself. */
const farm = demoPlans[0]!.plan;
const plan: Plan = settlePlan({
  ...farm,
  survey: { ...farm.survey, panels: [], monitorCircuitId: null },
  loads: farm.loads.map((load) => ({ ...load, circuitId: null })),
  backup: { ...farm.backup, services: [], lanes: [] },
});
const parts = [
  { unitId: 'madder-47', quantity: 2 },
  { unitId: 'madder-pack', quantity: 2 },
];
const studyOf = (of: Plan) => ({ plan: of, islandId: '', parts, weather: null });
const fresh = (of: Plan) => playedOfBrief(studyOf(of), builtInCatalogue, new KeptYear(1))!;

it('what loads cost is the difference of the same outages with and without them, whatever was asked in between', () => {
  const kept = new KeptYear(1);
  const played = playedOfBrief(studyOf(plan), builtInCatalogue, kept)!;
  const shiftsOf = shiftsOfBrief(studyOf(plan), builtInCatalogue, kept, played);
  const elsewhere = { ...plan, outage: { ...plan.outage, climateId: 'desert' } };
  const count = played.survivedMin.length;
  const near = [...played.survivedMin.keys()]
    .toSorted((a, b) => played.survivedMin[a]! - played.survivedMin[b]!)
    .slice(Math.floor(count * 0.02), Math.ceil(count * 0.08))
    .toSorted((a, b) => a - b);
  const pump = plan.loads.find(({ name }) => name.startsWith('Well pump'))!;
  const range = plan.loads.find(({ name }) => name.startsWith('Electric range'))!;
  for (const [load, keptOn] of [
    [pump, false],
    [range, true],
  ] as const) {
    const other = fresh(keepLoads(plan, [load.id], keptOn));
    playedOfBrief(studyOf(elsewhere), builtInCatalogue, kept);
    const [shift] = shiftsOf([{ id: load.id, loadIds: [load.id] }]);
    expect([...shift!.longerMin]).toEqual(
      near.map((place) => Math.fround(other.survivedMin[place]! - played.survivedMin[place]!)),
    );
  }
}, 60_000);

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

it('what was played once is known again, and every other question is answered as by a fresh start', () => {
  const kept = new KeptYear(1);
  const ask = (of: Plan) => playedOfBrief(studyOf(of), builtInCatalogue, kept)!;
  const asking = (requiredRuntimeH: number): Plan => ({
    ...plan,
    brief: { ...plan.brief, requiredRuntimeH },
  });
  const first = ask(asking(28));
  // Followed for three days in either case.
  expect(ask(asking(30))).toBe(first);
  for (const other of [
    asking(60),
    keepLoads(plan, [plan.loads[0]!.id], false),
    { ...plan, brief: { ...plan.brief, designSeason: 'summer' as const } },
    { ...plan, outage: { ...plan.outage, startCharge: 0.5 } },
    { ...plan, sources: { ...plan.sources, arrays: [] } },
    { ...plan, site: { ...plan.site, latitudeDeg: 30 } },
  ]) {
    const played = ask(other);
    expect(played).not.toBe(first);
    expect(played).toEqual(fresh(other));
  }
  expect(ask(asking(28))).toBe(first);
}, 60_000);

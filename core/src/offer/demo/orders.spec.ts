import { describe, expect, it } from 'vitest';
import { builtInCatalogue, sampleLine } from '../../equipment/index.js';
import {
  changeServiceBackup,
  demoPlans,
  islandOf,
  keepOnly,
  type Plan,
  settlePlan,
} from '../../design/index.js';
import { evaluatePlan } from '../../study/index.js';
import { KeptYear, yearObjectives } from '../../study/details.js';
import { designVariants } from '../front/design-variants.js';
import { frontByBounds } from '../front/front-by-bounds.js';
import { stackCandidates } from '../front/stack-candidates.js';
import { pricer } from '../total/pricer.js';
import { demoBook, demoItems } from './demo-book.js';

const requiredH = 24;
const priceOf = pricer([...sampleLine, ...demoItems], demoBook);
const kept = new KeptYear(1);
const { plan: farm } = demoPlans[0]!;
/** The farmhouse on batteries alone: no sun, no generator, a day. */
const alone: Plan = {
  ...farm,
  sources: { ...farm.sources, arrays: [] },
  brief: { ...farm.brief, requiredRuntimeH: requiredH, outageWeather: 'no-sun', plannedAdditions: [] },
  equipment: { stacks: [] },
};
const basic = keepOnly(
  alone,
  alone.loads
    .filter(({ name, kind }) => kind === 'lighting' || /fridge|refrigerator|well pump/i.test(name))
    .map(({ id }) => id),
);
const whole = keepOnly(
  settlePlan(
    changeServiceBackup({ ...alone, backup: { ...alone.backup, lanes: [] } }, 'farm', {
      school: 'service',
      isolatingDevice: 'contactor',
      isolatingRatingA: 190,
    }),
  ),
  alone.loads.map(({ id }) => id),
);

/** The lowest price of what lasts long enough, before incentives. */
async function cheapest(plan: Plan, key = ''): Promise<number> {
  const island = islandOf(plan, 'farm')!;
  const variant = designVariants(plan, island).find((one) => one.key === key)!;
  const { candidates } = stackCandidates(
    variant.plan,
    evaluatePlan(variant.plan, builtInCatalogue, 'farm'),
    priceOf,
  );
  const { fronts } = await frontByBounds(candidates, {
    best: [requiredH, 1],
    play: ({ stack: { parts } }) =>
      Promise.resolve(
        yearObjectives(
          { plan: variant.plan, islandId: 'farm', parts, weather: null },
          builtInCatalogue,
          kept,
        ),
      ),
  });
  const enough = fronts[0]!.find(({ value }) => value[0]! >= requiredH);
  return Number(enough!.candidate.price!.gross);
}

// Orders of size that the trade names for such houses, in US dollars: 20 to 25 thousand, and 100 to 150 (common practice, no source).
describe('what systems cost, with the prices of the demo in Canadian dollars', () => {
  it('is some five times as much for a whole house as for refrigerator, well pump and lights; load control buys more than batteries', async () => {
    const small = await cheapest(basic);
    const large = await cheapest(whole);
    expect(small).toBeGreaterThan(25_000);
    expect(small).toBeLessThan(38_000);
    expect(large / small).toBeGreaterThan(3);
    expect(large / small).toBeLessThan(7);
    // Load control of a dozen circuits costs 3 to 3.5 thousand dollars, and saves many times as much in batteries.
    expect(await cheapest(whole, 'shed-11')).toBeLessThan(large - 20_000);
  });
});

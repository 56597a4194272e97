import * as fc from 'fast-check';
import { chooseFor, islandsOf, type Plan } from '../../design/index.js';
import { randomHouse } from '../../design/testing/random-house.js';
import { builtInCatalogue } from '../../equipment/index.js';
import { evaluatePlan } from '../../study/index.js';
import { type BuiltHouse, builtHouse } from '../simulated/built-house.js';

function built(plan: Plan): BuiltHouse | null {
  const island = islandsOf(plan)[0];
  const stack = evaluatePlan(plan, builtInCatalogue).selected?.stack;
  return island && stack ? builtHouse(chooseFor(plan, island, stack.parts)) : null;
}

/** So many random houses, the same ones every time. */
export const randomBuilt = (count: number, change: (plan: Plan) => Plan = (plan) => plan): BuiltHouse[] =>
  fc
    .sample(randomHouse, { numRuns: 3 * count, seed: 20_261_129 })
    .flatMap((plan) => built(change(plan)) ?? [])
    .slice(0, count);

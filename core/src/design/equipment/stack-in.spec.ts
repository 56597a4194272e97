import { expect, it } from 'vitest';
import { assembleStack, builtInCatalogue, type MeasuredStack } from '../../equipment/index.js';
import { chooseFor, chosenFor, islandsOf } from '../backup/islands.js';
import { asNew } from '../brief/as-new.js';
import { demoPlans } from '../demo/demo-plans.js';
import { stackIn } from './stack-in.js';
import { takeMeasured } from './take-measured.js';

const { plan } = demoPlans[0]!;
const island = islandsOf(plan)[0]!;
const parts = chosenFor(plan, island)!;
const measured: MeasuredStack = {
  recordingId: '3f2504e0-4f89-41d3-9a0c-0305e82c3301',
  at: '2026-11-29T10:00:00Z',
  usableTimes: 0.96,
  standbyW: 88,
  dischargeTimes: 1.02,
  chargeTimes: 0.99,
};
const found = takeMeasured(plan, island.id, measured);
const stackOf = (of: typeof plan, units = parts) => {
  const assembled = stackIn(of, island.id, units, builtInCatalogue);
  return assembled.ok ? assembled.stack : null;
};

it('what was measured counts for the very units it was measured of, in whatever order they are named', () => {
  const bare = assembleStack(parts, builtInCatalogue, plan.supply.system);
  expect(bare.ok).toBe(true);
  const stack = bare.ok ? bare.stack : null;
  expect(stackOf(plan)).toEqual(stack);
  const known = stackOf(found, parts.toReversed())!;
  expect(known.standbyW).toBe(88);
  expect(known.measured!.values.usableTimes).toBe(0.96);
  expect(known.chargeEfficiency).toBeCloseTo(stack!.chargeEfficiency * 0.99, 12);
  // What leaves the cells for a watt-hour given, at no power at all.
  expect(1 + known.losses.lossPerW).toBeCloseTo((1 + stack!.losses.lossPerW) * 1.02, 12);
});

it('other units, another island, and a plan as new count by their data sheets', () => {
  const more = parts.map((part, index) => (index === 0 ? part : { ...part, quantity: part.quantity - 1 }));
  expect(stackOf(found, more)?.measured ?? null).toBeNull();
  expect(stackOf(asNew(found))).toEqual(stackOf(plan));
  expect(stackOf(takeMeasured(found, 'elsewhere', null))).toEqual(stackOf(found));
  expect(stackOf(chooseFor(found, island, parts))).toEqual(stackOf(plan));
});

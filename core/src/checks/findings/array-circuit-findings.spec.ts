import { expect, it } from 'vitest';
import { demoPlans } from '../../design/index.js';
import { arrayCircuitFindings } from './array-circuit-findings.js';

/** The farmhouse with its first array on a circuit of 15 A and 120 V. */
const onCircuit = (inverterW: number, more: readonly string[] = []) => {
  const [{ plan }] = demoPlans as [(typeof demoPlans)[0]];
  const [array] = plan.sources.arrays;
  const circuits = plan.survey.panels.flatMap((panel) => panel.circuits);
  const small = circuits.filter(
    ({ use, spaces, ratingA }) => use === 'circuit' && spaces.length === 1 && ratingA === 15,
  );
  const [first, ...others] = small;
  if (!first) throw new Error('The farmhouse has no circuit of 15 A');
  const moreCircuits = more.map((_, index) => ({ circuitId: others[index]!.id }));
  return arrayCircuitFindings({
    ...plan,
    sources: { ...plan.sources, arrays: [{ ...array!, circuitId: first.id, moreCircuits, inverterW }] },
  });
};

it('a breaker carries 125 % of what an array gives for hours: 1,440 W on 15 A at 120 V (NEC 705.28(A), recalled)', () => {
  expect(onCircuit(1440)).toEqual([]);
  expect(onCircuit(1445)).toHaveLength(1);
});

it('each of several circuits carries its share', () => {
  expect(onCircuit(2880, ['second'])).toEqual([]);
  expect(onCircuit(2890, ['second'])).toHaveLength(2);
});

import { newCircuit, newPanel } from '@levamen/core/house/details';
import { describe, expect, it } from 'vitest';
import { chooseSpace, followSpace } from './chosen-space';

const panel = {
  ...newPanel('main', 'Main', 'split-120-240', { kind: 'unknown' }),
  spaces: 42,
  circuits: [newCircuit('kitchen', [13], 'Kitchen'), newCircuit('range', [14, 16], 'Range')],
};
const withCircuits = (circuits: typeof panel.circuits) => ({ ...panel, circuits });

describe('the space that is looked at', () => {
  const chosen = chooseSpace(panel, 13);

  it('stays when its breaker, or another one, is changed', () => {
    const edited = withCircuits(panel.circuits.map((one) => ({ ...one, breakerA: 15 })));
    expect(followSpace(edited, chosen)).toEqual(chosen);
  });

  it('follows its breaker to another space, and back', () => {
    const moved = withCircuits([{ ...panel.circuits[0]!, spaces: [21] }, panel.circuits[1]!]);
    const there = followSpace(moved, chosen);
    expect(there).toMatchObject({ space: 21, circuitId: 'kitchen' });
    expect(followSpace(panel, there)).toEqual(chosen);
  });

  it('stays inside a breaker of more poles', () => {
    const second = chooseSpace(panel, 16);
    expect(second.circuitId).toBe('range');
    expect(followSpace(withCircuits([...panel.circuits]), second).space).toBe(16);
  });

  it('stays where its breaker is removed, and knows the one that comes there', () => {
    const gone = followSpace(withCircuits([panel.circuits[1]!]), chosen);
    expect(gone).toMatchObject({ space: 13, circuitId: null });
    expect(followSpace(panel, gone).circuitId).toBe('kitchen');
  });

  it('is the first one of another panel, and stays within a panel that shrinks', () => {
    expect(followSpace({ ...panel, id: 'other' }, chosen).space).toBe(1);
    expect(followSpace({ ...withCircuits([]), spaces: 8 }, chosen).space).toBe(8);
  });
});

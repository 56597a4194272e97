import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  amend,
  record,
  redo as redoCarrying,
  startHistory,
  takeIn,
  undo as undoCarrying,
  type History,
} from './history';

/** Numbers merge by what was added to them. */
const carryOver = (value: number, { base, theirs }: { base: number; theirs: number }): number =>
  value + theirs - base;
const undo = <T>(history: History<T>): History<T> => undoCarrying(history, (value) => value);
const redo = <T>(history: History<T>): History<T> => redoCarrying(history, (value) => value);

describe('undo and redo', () => {
  it('go back and forth, and forget the future after an edit', () => {
    let history = record(record(startHistory(1), 'two', 2), 'three', 3);
    history = undo(history);
    expect([history.present, history.past.at(-1)?.label, history.future[0]?.label]).toEqual([
      2,
      'two',
      'three',
    ]);
    history = redo(history);
    expect(history.present).toBe(3);
    history = record(undo(history), 'four', 4);
    expect([history.present, history.future.length]).toEqual([4, 0]);
  });

  it('change nothing at the ends or where nothing changed', () => {
    const history = startHistory('a');
    expect(undo(history)).toBe(history);
    expect(redo(history)).toBe(history);
    expect(record(history, 'same', 'a')).toBe(history);
  });

  it('undone and redone as often come back to the same value', () => {
    fc.assert(
      fc.property(fc.array(fc.integer(), { maxLength: 30 }), fc.nat(40), (values, steps) => {
        const repeat = (
          history: History<number>,
          times: number,
          move: typeof undo<number>,
        ): History<number> => (times === 0 ? history : repeat(move(history), times - 1, move));
        const made = values.reduce(
          (history, value) => record(history, String(value), value),
          startHistory(0),
        );
        const back = Math.min(steps, made.past.length);
        expect(repeat(repeat(made, back, undo), back, redo)).toEqual(made);
      }),
    );
  });

  it('keep at most 300 steps', () => {
    const made = Array.from({ length: 500 }, (_, i) => i + 1).reduce(
      (history, value) => record(history, 'x', value),
      startHistory(0),
    );
    expect(made.past).toHaveLength(300);
  });

  it('leave alone what somebody else did in between', () => {
    let history = record(startHistory(10), 'plus 1', 11);
    history = takeIn(history, 111, { base: 11, theirs: 111 });
    history = record(history, 'plus 2', 113);
    history = takeIn(history, 1113, { base: 113, theirs: 1113 });
    history = undoCarrying(history, carryOver);
    expect(history.present).toBe(1111);
    history = undoCarrying(history, carryOver);
    expect(history.present).toBe(1110);
    history = redoCarrying(redoCarrying(history, carryOver), carryOver);
    expect(history.present).toBe(1113);
  });

  it('take a value that goes on with a step as part of it', () => {
    const history = amend(record(startHistory('a'), 'typing', 'b'), 'bc');
    expect(undo(history).present).toBe('a');
  });
});

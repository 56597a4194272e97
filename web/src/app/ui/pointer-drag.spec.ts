import { describe, expect, it } from 'vitest';
import { pointerDrag } from './pointer-drag';

const at = (type: string, clientX: number, clientY: number): PointerEvent =>
  Object.assign(new MouseEvent(type, { clientX, clientY })) as PointerEvent;

/** Everything that is told of a drag from (10, 20), and whether it has ended. */
function told(leastPx: number, events: readonly PointerEvent[]): string[] {
  const steps: string[] = [];
  pointerDrag(at('pointerdown', 10, 20), leastPx).subscribe({
    next: (step) => steps.push(step.at === 'move' ? `${step.move.right},${step.move.down}` : step.at),
    complete: () => steps.push('end'),
  });
  for (const event of events) window.dispatchEvent(event);
  return steps;
}

describe('a drag', () => {
  it('tells how far the pointer has gone, and that it was let go', () => {
    expect(told(0, [at('pointermove', 13, 20), at('pointermove', 13, 25), at('pointerup', 13, 25)])).toEqual([
      '3,0',
      '3,5',
      'drop',
      'end',
    ]);
  });
  it('that goes nowhere is a click: nothing is told', () => {
    expect(told(4, [at('pointermove', 12, 21), at('pointerup', 12, 21)])).toEqual(['end']);
  });
  it('once it goes, goes on, also back to where it began', () => {
    expect(told(4, [at('pointermove', 20, 20), at('pointermove', 10, 20), at('pointerup', 10, 20)])).toEqual([
      '10,0',
      '0,0',
      'drop',
      'end',
    ]);
  });
  it('that the device calls off is not dropped, and hears nothing more', () => {
    expect(
      told(0, [at('pointermove', 20, 20), at('pointercancel', 20, 20), at('pointermove', 30, 20)]),
    ).toEqual(['10,0', 'cancel', 'end']);
  });
  it('that nobody listens to any more hears nothing', () => {
    const steps: string[] = [];
    const listening = pointerDrag(at('pointerdown', 0, 0), 0).subscribe(({ at: step }) => steps.push(step));
    listening.unsubscribe();
    window.dispatchEvent(at('pointermove', 5, 5));
    window.dispatchEvent(at('pointerup', 5, 5));
    expect(steps).toEqual([]);
  });
});

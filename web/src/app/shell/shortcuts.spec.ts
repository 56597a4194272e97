import { demoPlans, emptyPlan } from '@levamen/core/design';
import { describe, expect, it } from 'vitest';
import { stages } from '../stages/stages';
import { shellAction, shellShortcuts } from './shortcuts';

const press = (key: string, facts: KeyboardEventInit = {}, on: HTMLElement = document.body) => {
  let action = null;
  on.addEventListener('keydown', (event) => (action = shellAction(event)), { once: true });
  document.body.append(on === document.body ? '' : on);
  on.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, ...facts }));
  return action;
};
const element = (tag: string): HTMLElement => document.createElement(tag);

describe('keys of the shell', () => {
  it.each([
    ['k', { ctrlKey: true }, { kind: 'palette' }],
    ['K', { metaKey: true }, { kind: 'palette' }],
    ['/', { ctrlKey: true }, { kind: 'keys' }],
    ['z', { ctrlKey: true }, { kind: 'undo' }],
    ['Z', { ctrlKey: true, shiftKey: true }, { kind: 'redo' }],
    ['y', { ctrlKey: true }, { kind: 'redo' }],
    ['3', { altKey: true, code: 'Digit3' }, { kind: 'stage', index: 2 }],
    ['¡', { altKey: true, code: 'Digit1' }, { kind: 'stage', index: 0 }],
    ['0', { altKey: true, code: 'Digit0' }, { kind: 'stage', index: 9 }],
    ['!', { altKey: true, shiftKey: true, code: 'Digit1' }, { kind: 'stage', index: 10 }],
    ['3', { altKey: true, ctrlKey: true, code: 'Digit3' }, null],
  ])('%s with %o', (key, facts, action) => {
    expect(press(key, facts)).toEqual(action);
  });

  it('are never a plain character: typing leads nowhere', () => {
    for (const key of '0123456789/?abcxyz+-., '.split('')) {
      expect(press(key, { code: `Digit${key}` })).toBeNull();
      expect(press(key.toUpperCase(), { shiftKey: true })).toBeNull();
    }
  });

  it('leave alone whoever types, but for finding and for going to a stage', () => {
    for (const tag of ['input', 'textarea', 'select']) {
      expect(press('3', { altKey: true, code: 'Digit3' }, element(tag))).toEqual({ kind: 'stage', index: 2 });
      expect(press('z', { ctrlKey: true }, element(tag))).toBeNull();
      expect(press('k', { ctrlKey: true }, element(tag))).toEqual({ kind: 'palette' });
    }
  });

  it('are listed, with as many stages as there are', () => {
    const everywhere = shellShortcuts(stages.length);
    expect(stages).toHaveLength(14);
    expect(everywhere.rows.map(({ keys }) => keys)).toEqual(
      expect.arrayContaining(['Alt 1 to Alt 9, Alt 0 for the tenth', 'Alt Shift 1 to Alt Shift 4']),
    );
    expect(shellShortcuts(4).rows.map(({ keys }) => keys)).toContain('Alt 1 to Alt 4');
    for (const { rows } of [everywhere, ...stages.flatMap(({ shortcuts }) => shortcuts ?? [])])
      expect(new Set(rows.map(({ keys }) => keys)).size).toBe(rows.length);
  });
});

describe('how far a stage is', () => {
  it('never says more than all, and counts what has been said', () => {
    for (const plan of [emptyPlan(), ...demoPlans.map((one) => one.plan)]) {
      for (const { name, completeness } of stages) {
        const { done, of } = completeness(plan);
        expect(done, name).toBeGreaterThanOrEqual(0);
        expect(done, name).toBeLessThanOrEqual(of);
      }
    }
    const brief = stages.find(({ path }) => path === 'brief')!;
    const plan = emptyPlan();
    const before = brief.completeness(plan).done;
    expect(brief.completeness({ ...plan, brief: { ...plan.brief, handsOn: false } }).done).toBe(before + 1);
  });
});

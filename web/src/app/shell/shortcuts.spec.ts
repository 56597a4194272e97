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
const element = (tag: string, role = ''): HTMLElement => {
  const made = document.createElement(tag);
  if (role !== '') made.setAttribute('role', role);
  return made;
};

describe('keys of the shell', () => {
  it.each([
    ['k', { ctrlKey: true }, { kind: 'palette' }],
    ['K', { metaKey: true }, { kind: 'palette' }],
    ['/', {}, { kind: 'palette' }],
    ['?', {}, { kind: 'keys' }],
    ['z', { ctrlKey: true }, { kind: 'undo' }],
    ['Z', { ctrlKey: true, shiftKey: true }, { kind: 'redo' }],
    ['y', { ctrlKey: true }, { kind: 'redo' }],
    ['3', {}, { kind: 'stage', index: 2 }],
    ['0', {}, null],
    ['3', { altKey: true }, null],
    ['x', {}, null],
  ])('%s with %o', (key, facts, action) => {
    expect(press(key, facts)).toEqual(action);
  });

  it('leave alone whoever types, but for finding', () => {
    for (const tag of ['input', 'textarea', 'select']) {
      expect(press('3', {}, element(tag))).toBeNull();
      expect(press('z', { ctrlKey: true }, element(tag))).toBeNull();
      expect(press('k', { ctrlKey: true }, element(tag))).toEqual({ kind: 'palette' });
    }
    expect(press('3', {}, element('div', 'grid'))).toBeNull();
  });

  it('are listed, with as many stages as there are', () => {
    const everywhere = shellShortcuts(stages.length);
    expect(everywhere.rows.map(({ keys }) => keys)).toContain(`1 to ${stages.length}`);
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

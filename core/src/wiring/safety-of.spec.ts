import { describe, expect, it } from 'vitest';
import { demoPlans } from '../design/index.js';
import { networkOf } from './graph/network-of.js';
import { signsOf } from './signs/signs-of.js';
import { aWiredHouse, device, wired, withGenerator } from './testing/wired.js';
import { everyStanding } from './states/every-standing.js';
import { isolationOf } from './states/isolation.js';
import { liveAt } from './states/live-at.js';
import { situationsOf } from './states/switch-network.js';

const { plan } = demoPlans[0]!;
const design = wired(plan);
const network = networkOf(design.graph);

describe('what makes a thing dead', () => {
  it('is dead in every situation and wherever the other handles stand', () => {
    for (const { id, kind } of design.graph.places) {
      if (kind !== 'bus') continue;
      const moved = isolationOf(network, id)!;
      expect(moved, id).not.toBeNull();
      everyStanding(network, (standing) => {
        const named = Object.fromEntries(
          network.handles.map((handle, at) => [handle.id, handle.positions[standing[at]!]!]),
        );
        for (const { handle, position } of moved) named[handle] = position;
        for (const situation of situationsOf(network))
          expect(liveAt(network, named, situation).has(id)).toBe(false);
      });
    }
  });

  it('takes every source: the backed-up panel its feeder and both inverters and arrays, the barn panel one breaker', () => {
    expect(isolationOf(network, 'bus:barn')).toEqual([{ handle: 'feeder:barn', position: 'open' }]);
    // Between the pass-through and the panel there is no handle.
    const moved = isolationOf(network, 'loads:farm');
    expect(moved === null || moved.length > 3).toBe(true);
  });

  it('is nobody’s business ahead of the meter', () => {
    expect(isolationOf(network, 'meter:farm')).toBeNull();
  });
});

describe('signs', () => {
  it('hang where the code wants them, with the names of the house', () => {
    const signs = signsOf(plan, design);
    expect(signs.find(({ rule }) => rule.startsWith('705.10'))!.text).toContain('Barn roof');
    expect(signs.filter(({ text }) => text.startsWith('Photovoltaic'))).toHaveLength(2);
    expect(signs.every(({ rule }) => rule.includes('recalled'))).toBe(true);
    expect(signs.every(({ text }) => !text.includes('['))).toBe(true);
  });
  it('of an inlet say which generator may come to it', () => {
    const house = withGenerator(aWiredHouse({ between: [device('generator-inlet', 30)] }));
    expect(signsOf(house, wired(house)).some(({ text }) => text.includes('floating neutral'))).toBe(true);
    const switched = { ...house, wiring: { ...house.wiring, transferNeutral: 'switched' as const } };
    expect(signsOf(switched, wired(switched)).some(({ text }) => text.includes('bonded neutral'))).toBe(true);
  });
  it('speak of multiple supplies where the British code holds', () => {
    const three = demoPlans[1]!.plan;
    expect(
      signsOf(three, wired(three))
        .map(({ text }) => text)
        .join(' '),
    ).toContain('multiple supplies');
  });
});

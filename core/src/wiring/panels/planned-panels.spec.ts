import { describe, expect, it } from 'vitest';
import { circuitLegSet } from '../../house/index.js';
import { occupiedSpaces } from '../../house/details.js';
import { demoPlans, moveToLane, type Plan } from '../../design/index.js';
import { wired } from '../testing/wired.js';
import { plannedPanels } from './planned-panels.js';

const { plan } = demoPlans[0]!;

describe('panels as they will be', () => {
  const { old, added } = plannedPanels(plan);
  const [{ panel, moved }] = added as [(typeof added)[number]];

  it('every circuit is in one of them, and in one only', () => {
    const before = plan.survey.panels.flatMap(({ circuits }) => circuits.map(({ id }) => id));
    const after = [
      ...old.flatMap((one) => one.panel.circuits.map(({ id }) => id)),
      ...moved.map(({ circuit }) => circuit.id),
    ];
    expect(after.toSorted()).toEqual(before.toSorted());
    expect(moved.length).toBeGreaterThan(5);
  });

  it('no two breakers share a space, and what moved stays on its legs', () => {
    for (const [, breakers] of occupiedSpaces(panel)) expect(breakers).toHaveLength(1);
    for (const { circuit, from, to, otherLegs } of moved) {
      expect(to.length).toBe(circuit.spaces.length);
      const put = panel.circuits.find(({ id }) => id === circuit.id)!;
      const same =
        circuitLegSet(panel, put, 'split-120-240') === circuitLegSet(from, circuit, 'split-120-240');
      expect(same).toBe(!otherLegs);
    }
    expect(moved.filter(({ otherLegs }) => otherLegs)).toEqual([]);
  });

  it('freed spaces are those of what moved', () => {
    const poles = moved.reduce((sum, { circuit }) => sum + circuit.spaces.length, 0);
    expect(old.reduce((sum, { freed }) => sum + freed.length, 0)).toBe(poles);
  });

  it('says what has no room in a panel that is too small', () => {
    const services = plan.backup.services.map((one) => ({ ...one, newPanelSpaces: 4 }));
    const small = plannedPanels({ ...plan, backup: { ...plan.backup, services } }).added[0]!;
    expect(small.moved.some(({ to }) => to.length === 0)).toBe(true);
    for (const { to } of small.moved) for (const space of to) expect(space).toBeLessThanOrEqual(4);
  });

  it('adds none where the whole service is behind one device', () => {
    expect(plannedPanels(demoPlans[1]!.plan).added).toEqual([]);
  });
});

it('a feeder that moves hangs on the new panel in the wiring, too', () => {
  const feederOf = (of: Plan): string => wired(of).graph.parts.find(({ id }) => id === 'feeder:barn')!.from;
  const kept = moveToLane(plan, { circuitIds: ['cellar-21'], loadIds: [] }, 'on');
  const left = moveToLane(plan, { circuitIds: ['cellar-21'], loadIds: [] }, 'dark');
  expect([feederOf(kept), feederOf(left)]).toEqual(['loads:farm', 'bus:cellar']);
});

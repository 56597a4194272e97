import { Injector, runInInjectionContext } from '@angular/core';
import type { Circuit, Panel } from '@levamen/core/house';
import { demoPlans, type Plan, settlePlan } from '@levamen/core/design';
import { jobSchema, newJob, withPlan } from '@levamen/core/job';
import { beforeEach, describe, expect, it } from 'vitest';
import { JobSession } from '../../data/job-session';
import { UsageEdits } from '../usage/usage-edits';
import { PanelEdits } from './panel-edits';

/** A session that only keeps the job and the names of its steps. */
class FakeSession {
  present: Plan = demoPlans[0]!.plan;
  readonly labels: string[] = [];
  edit(label: string, change: (plan: Plan) => Plan): void {
    this.labels.push(label);
    this.present = settlePlan(change(this.present));
  }
}

let session: FakeSession;
let edits: PanelEdits;
let usage: UsageEdits;
beforeEach(() => {
  session = new FakeSession();
  const injector = Injector.create({ providers: [{ provide: JobSession, useValue: session }] });
  edits = runInInjectionContext(injector, () => new PanelEdits());
  usage = runInInjectionContext(injector, () => new UsageEdits());
});
const panel = (index = 0): Panel => session.present.survey.panels[index]!;
const circuit = (name: string): Circuit =>
  session.present.survey.panels.flatMap(({ circuits }) => circuits).find((one) => one.name === name)!;
const valid = (): boolean => jobSchema.safeParse(withPlan(newJob('House'), session.present)).success;

describe('edits of panels', () => {
  it('are one step each, named by what changed, and leave a valid job', () => {
    const id = edits.addService();
    expect(session.present.survey.services).toHaveLength(2);
    expect(session.present.survey.panels.at(-1)).toMatchObject({ id, fedFrom: { kind: 'service' } });
    edits.changePanel(id, { name: 'Second main', mainBreakerA: 200 });
    edits.write(session.present.survey.panels.at(-1)!, 1, '20 Shed');
    edits.move(session.present.survey.panels.at(-1)!, circuit('Shed'), 5);
    expect(circuit('Shed').spaces).toEqual([5]);
    expect(session.labels).toEqual(['new service', 'panel', 'Shed', 'moving Shed']);
    expect(valid()).toBe(true);
  });

  it('that are refused change nothing and say why', () => {
    const before = session.present;
    expect(edits.write(panel(), 1, '20 Kitchen #13')).toMatchObject({ ok: false });
    expect(edits.move(panel(), circuit('Barn panel'), 40)).toBe(false);
    expect(session.present).toBe(before);
  });

  it('that take a feeder away leave its panel without a source, its loads in place', () => {
    edits.removeCircuits(panel(), [circuit('Barn panel')]);
    expect(session.present.survey.panels.find(({ id }) => id === 'barn')?.fedFrom).toEqual({
      kind: 'unknown',
    });
    expect(session.present.loads.find(({ id }) => id === 'freezer-chest')?.circuitId).toBe('barn-3');
    expect(valid()).toBe(true);
  });

  it('that take a panel away leave its loads unplaced, and the monitor without a supply', () => {
    edits.removePanel(panel());
    expect(session.present.survey.monitorCircuitId).toBeNull();
    expect(session.present.loads.filter(({ circuitId }) => circuitId !== null).map(({ id }) => id)).toEqual([
      'freezer-chest',
    ]);
    expect(valid()).toBe(true);
  });

  it('that take a service away leave its panels without a source', () => {
    edits.removeService('farm');
    expect(panel().fedFrom).toEqual({ kind: 'unknown' });
    expect(valid()).toBe(true);
  });

  it('that swap breakers are one step', () => {
    const [a, b] = [circuit('Sump pump'), circuit('Refrigerator')];
    edits.moveAll(panel(), [{ circuitId: a.id, space: b.spaces[0]! }]);
    expect([circuit('Sump pump').spaces, circuit('Refrigerator').spaces]).toEqual([b.spaces, a.spaces]);
    expect(session.labels).toEqual(['balancing the legs']);
  });

  it('place a load, and its legs follow', () => {
    edits.place('sump-pump', circuit('Living room').id);
    expect(session.present.loads.find(({ id }) => id === 'sump-pump')).toMatchObject({
      legs: 'L1',
      legsAssumed: false,
    });
  });
});

describe('edits of usage', () => {
  it('keep bills and outages in order of time', () => {
    const bill = (id: string, fromDay: string) => ({
      id,
      fromDay,
      toDay: '2027-01-01',
      energyWh: 1,
      exportWh: null,
    });
    usage.addBills([bill('late', '2026-06-06'), bill('early', '2020-01-01')]);
    expect(session.present.usage.bills[0]!.id).toBe('early');
    usage.changeBill('early', { energyWh: 5 });
    usage.removeBill('late');
    expect(session.present.usage.bills.map(({ id }) => id)).not.toContain('late');
    usage.addOutages([{ id: 'first', start: '2001-01-01T00:00:00Z', durationS: 60 }]);
    expect(session.present.usage.outages[0]!.id).toBe('first');
    usage.removeOutage('first');
    expect(session.present.usage.outages.some(({ id }) => id === 'first')).toBe(false);
    expect(valid()).toBe(true);
  });

  it('map a channel to one circuit at a time', () => {
    usage.mapChannels('mapped', new Map([['A', circuit('Refrigerator').id]]));
    expect(circuit('Refrigerator').channel).toBe('A');
    usage.mapChannels('mapped again', new Map([['A', circuit('Sump pump').id]]));
    expect([circuit('Refrigerator').channel, circuit('Sump pump').channel]).toEqual(['', 'A']);
    usage.mapChannels('not mapped', new Map([['A', null]]));
    expect(circuit('Sump pump').channel).toBe('');
  });

  it('take measured loads, and those only', () => {
    const measured = { ...session.present.loads[0]!, runningPowerW: 99, basis: 'measured' as const };
    usage.takeMeasured('as measured', [measured]);
    expect(session.present.loads[0]).toEqual(measured);
    expect(session.present.loads.slice(1)).toEqual(demoPlans[0]!.plan.loads.slice(1));
  });
});

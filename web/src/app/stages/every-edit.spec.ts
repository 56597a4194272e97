import { Injector, runInInjectionContext } from '@angular/core';
import { type Bill, maxDevices } from '@levamen/core/house';
import { loadLibrary, starterSets } from '@levamen/core/house/details';
import { demoPlans, maxArrays, maxLoads, type Plan, settlePlan } from '@levamen/core/design';
import { type Job, newJob, planOf, readChange, readJob, withPlan } from '@levamen/core/job';
import * as fc from 'fast-check';
import { beforeEach, describe, expect, it } from 'vitest';
import { JobSession } from '../data/job-session';
import { LoadEdits } from './loads/load-edits';
import { ScenarioEdits } from './outage/conditions/scenario-edits';
import { PanelEdits } from './panels/panel-edits';
import { UsageEdits } from './usage/usage-edits';

/** Takes edits as the session does: what would make the job invalid is not taken. */
class SessionStub {
  present: Plan;
  readonly labels: string[] = [];
  readonly refused: string[] = [];
  readonly plan = (): Plan => this.present;

  private job: Job;

  constructor(plan: Plan) {
    this.job = withPlan(newJob('House'), plan);
    this.present = planOf(this.job);
  }

  edit(label: string, change: (plan: Plan) => Plan): string {
    const next = withPlan(this.job, settlePlan(change(this.present)));
    const read = readChange(this.job, next);
    if (!read.ok) {
      this.refused.push(read.problems[0]!.message);
      return read.problems[0]!.message;
    }
    this.labels.push(label);
    this.job = next;
    this.present = planOf(next);
    return '';
  }
}

let session: SessionStub;
let loads: LoadEdits;
let scenario: ScenarioEdits;
let panels: PanelEdits;
let usage: UsageEdits;
function begin(plan: Plan): void {
  session = new SessionStub(plan);
  const injector = Injector.create({ providers: [{ provide: JobSession, useValue: session }] });
  const make = <T>(type: new () => T): T => runInInjectionContext(injector, () => new type());
  loads = make(LoadEdits);
  scenario = make(ScenarioEdits);
  panels = make(PanelEdits);
  usage = make(UsageEdits);
}
beforeEach(() => begin(demoPlans[0]!.plan));

const panel = () => session.present.survey.panels[0]!;
const bill = (id: string, fromDay: string, toDay: string): Bill => ({
  id,
  fromDay,
  toDay,
  energyWh: 900_000,
  exportWh: null,
});

describe('whatever is edited', () => {
  it('in whatever order and with whatever values leaves a valid job', () => {
    const number = fc.oneof(
      fc.integer({ min: -5, max: 2000 }),
      fc.double({ noNaN: true, min: -1e6, max: 1e6 }),
    );
    const steps: readonly ((value: number, text: string) => unknown)[] = [
      () => loads.addBlank(null),
      (value) => loads.addBlank(session.present.loads[Math.abs(Math.trunc(value)) % 5]?.id ?? null),
      (value) =>
        loads.duplicate(session.present.loads[Math.abs(Math.trunc(value)) % session.present.loads.length]!),
      (value) =>
        loads.remove(session.present.loads[Math.abs(Math.trunc(value)) % session.present.loads.length]!),
      (value) => loads.replace({ ...session.present.loads[0]!, runningPowerW: value }),
      (_, text) => loads.replace({ ...session.present.loads[0]!, name: text }),
      () => loads.toggle(session.present.loads[0]!),
      (value) =>
        loads.addTypical([loadLibrary[Math.abs(Math.trunc(value)) % loadLibrary.length]!], 'typical'),
      () => scenario.addArray(),
      (value) => scenario.setArray('array-1', { tiltDeg: value }),
      (value) => scenario.setArray('array-1', { ratedW: value }),
      () => scenario.addGenerator(),
      (value) => scenario.setGenerator({ powerW: value }),
      () => scenario.addVehicle(),
      (value) => scenario.setVehicle({ startCharge: value }),
      () => panels.addService(),
      (value) => panels.changePanel(panel().id, { spaces: Math.trunc(value) }),
      (value) => panels.changeCircuit(panel(), panel().circuits[0]!, { spaces: [Math.trunc(value)] }),
      (value) => panels.changeCircuit(panel(), panel().circuits[0]!, { ratingA: value }),
      (value) =>
        panels.removeCircuits(panel(), [
          panel().circuits[Math.abs(Math.trunc(value)) % panel().circuits.length]!,
        ]),
      (value, text) => panels.write(panel(), (Math.abs(Math.trunc(value)) % 40) + 1, text),
      (value) =>
        usage.addBills([
          bill(`b${Math.trunc(value)}`, '2025-01-01', value > 0 ? '2025-02-01' : '2024-12-01'),
        ]),
      (_, text) => usage.set('years', { outageYears: text.length }),
    ];
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.nat(steps.length - 1), number, fc.string({ maxLength: 12 })), { maxLength: 25 }),
        (list) => {
          begin(demoPlans[0]!.plan);
          for (const [step, value, text] of list) {
            if (session.present.loads.length > 3 && panel().circuits.length > 3) steps[step]!(value, text);
          }
          expect(readJob(withPlan(newJob('House'), session.present)).ok).toBe(true);
        },
      ),
      { numRuns: 60 },
    );
  });

  it.each([
    ['a space that is not there', () => panels.changeCircuit(panel(), panel().circuits[0]!, { spaces: [0] })],
    [
      'a space beyond every panel',
      () => panels.changeCircuit(panel(), panel().circuits[0]!, { spaces: [999] }),
    ],
    ['a name of nothing', () => loads.replace({ ...session.present.loads[0]!, name: '' })],
    ['a bill that ends before it begins', () => usage.addBills([bill('x', '2025-02-01', '2025-01-01')])],
    [
      'an array without power',
      () => {
        scenario.addArray();
        scenario.setArray(session.present.sources.arrays[0]!.id, { ratedW: 0 });
      },
    ],
  ])('%s is refused, and nothing else is touched', (_, edit) => {
    const before = session.labels.length;
    edit();
    expect(session.refused).toHaveLength(1);
    expect(session.labels.length - before).toBeLessThan(2);
  });
});

describe('limits', () => {
  it('of arrays and devices are kept, whoever asks', () => {
    for (let i = 0; i < maxArrays + 3; i += 1) scenario.addArray();
    expect(session.present.sources.arrays).toHaveLength(maxArrays);
    expect(session.refused.at(-1)).toBe(`Use at most ${maxArrays} arrays`);
    const device = (id: string) =>
      ({ id, kind: 'storage', ratingA: null, ownMeter: false, place: '', note: '' }) as const;
    const many = Array.from({ length: maxDevices + 1 }, (_, i) => device(`d${i}`));
    panels.changePanel(panel().id, { between: many });
    expect(session.refused.at(-1)).toBe(`Use at most ${maxDevices} devices`);
  });

  it('of loads fill the room there is', () => {
    const many = Array.from({ length: maxLoads }, (_, i) => ({
      ...session.present.loads[0]!,
      id: `m${i}`,
      circuitId: null,
    }));
    loads.addAll(many, 'paste');
    expect([session.present.loads.length, loads.room()]).toEqual([maxLoads, 0]);
    expect(loads.addBlank(null)).toBeNull();
  });
});

describe('edits of loads', () => {
  it('put a new one behind the one that is looked at, and a duplicate behind its model', () => {
    const [first, second] = session.present.loads;
    const id = loads.addBlank(first!.id);
    expect(session.present.loads.map((load) => load.id).slice(0, 3)).toEqual([first!.id, id, second!.id]);
    const copy = loads.duplicate(second!);
    expect(session.present.loads[3]).toMatchObject({ id: copy, name: second!.name });
  });

  it('add a typical house as one step', () => {
    begin({ ...demoPlans[0]!.plan, loads: [] });
    loads.addStarterSet(starterSets[0]!);
    expect(session.present.loads).toHaveLength(starterSets[0]!.loadIds.length);
    expect(session.labels).toEqual([starterSets[0]!.name]);
  });
});

describe('edits of usage', () => {
  it('keep bills and outages in the order of time', () => {
    usage.set('none', { bills: [], outages: [] });
    usage.addBills([bill('late', '2025-03-01', '2025-04-01'), bill('early', '2025-01-01', '2025-02-01')]);
    expect(session.present.usage.bills.map(({ id }) => id)).toEqual(['early', 'late']);
    usage.changeBill('early', { energyWh: 1 });
    usage.removeBill('late');
    expect(session.present.usage.bills).toMatchObject([{ id: 'early', energyWh: 1 }]);
    usage.addOutages([
      { id: 'b', start: '2025-06-01T10:00:00Z', durationS: 60 },
      { id: 'a', start: '2025-05-01T10:00:00Z', durationS: 60 },
    ]);
    expect(session.present.usage.outages.map(({ id }) => id)).toEqual(['a', 'b']);
    usage.removeOutage('a');
    expect(session.present.usage.outages.map(({ id }) => id)).toEqual(['b']);
  });

  it('map a channel to one circuit, and take it from the one before', () => {
    const [one, other] = panel().circuits;
    usage.mapChannels('map', new Map([['CT 7', one!.id]]));
    usage.mapChannels('map', new Map([['CT 7', other!.id]]));
    const channelOf = (id: string): string => panel().circuits.find((circuit) => circuit.id === id)!.channel;
    expect([channelOf(one!.id), channelOf(other!.id)]).toEqual(['', 'CT 7']);
    usage.mapChannels('none', new Map([['CT 7', null]]));
    expect(channelOf(other!.id)).toBe('');
  });
});

import { Injector, runInInjectionContext } from '@angular/core';
import { builtInCatalogue } from '@levamen/core/equipment';
import { benchItems, demoPlans, islandsOf, type Plan, settlePlan } from '@levamen/core/design';
import { evaluatePlan } from '@levamen/core/study';
import { suggestBackup } from '@levamen/core/study/details';
import { jobSchema, newJob, withPlan } from '@levamen/core/job';
import { beforeEach, describe, expect, it } from 'vitest';
import { JobSession } from '../../data/job-session';
import { BackupEdits } from './backup-edits';

class SessionStub {
  present: Plan = demoPlans[1]!.plan;
  readonly labels: string[] = [];
  readonly plan = (): Plan => this.present;
  edit(label: string, change: (plan: Plan) => Plan): void {
    this.labels.push(label);
    this.present = settlePlan(change(this.present));
  }
}

describe('edits of the backup set', () => {
  let session: SessionStub;
  let edits: BackupEdits;
  const items = () => benchItems(session.present, islandsOf(session.present)[0]!);
  const item = (id: string) => items().find((one) => one.id === id)!;

  beforeEach(() => {
    session = new SessionStub();
    const injector = Injector.create({ providers: [{ provide: JobSession, useValue: session }] });
    edits = runInInjectionContext(injector, () => new BackupEdits());
  });

  it('move circuits as one step, and leave a valid job', () => {
    expect(edits.move([item('hall-16'), item('hall-17')], 'hand')).toBe('');
    expect([item('hall-16').lane, item('hall-17').lane]).toEqual(['hand', 'hand']);
    expect(session.labels).toEqual(['2 circuits: shed by hand']);
    expect(jobSchema.safeParse(withPlan(newJob('House'), session.present)).success).toBe(true);
  });

  it('refuse to shed what hangs on no circuit, and say what to do; the others move', () => {
    const message = edits.move([item('booster-pump'), item('hall-16')], 'auto');
    expect(message).toContain('Cistern pump: only a circuit can be shed');
    expect(item('booster-pump').lane).toBe('on');
    // Behind an isolating device for the whole service nothing is dark by itself.
    expect(edits.move([item('booster-pump')], 'dark')).toContain('until somebody unplugs it');
    expect(item('booster-pump').lane).toBe('on');
    expect(edits.move([item('booster-pump')], 'hand')).toBe('');
    expect(item('booster-pump').lane).toBe('hand');
  });

  it('make no step where nothing changes', () => {
    edits.move([item('hall-4')], 'on');
    expect(session.labels).toEqual([]);
  });

  it('change how circuits are shed, and how a service is backed up', () => {
    edits.shed(['hall-16', 'hall-17'], { when: 'charge', belowCharge: 0.3 });
    expect(item('hall-17').shed).toMatchObject({ when: 'charge', belowCharge: 0.3 });
    edits.service('street', { school: 'service' });
    expect(session.present.backup.services).toMatchObject([{ serviceId: 'street', school: 'service' }]);
    edits.setShouldWorth(7);
    expect(session.present.backup.shouldWorth).toBe(7);
  });

  it('take a suggestion', () => {
    const stack = evaluatePlan(session.present, builtInCatalogue).selected!.stack.parts;
    const found = suggestBackup(session.present, builtInCatalogue, 'street', stack)!;
    edits.take(found);
    expect(found.changes.every(({ itemIds, to }) => itemIds.every((id) => item(id).lane === to))).toBe(true);
    expect(jobSchema.safeParse(withPlan(newJob('House'), session.present)).success).toBe(true);
  });
});

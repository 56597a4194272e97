import { chooseFor, islandsOf, keptLoads } from '@levamen/core/design';
import { demoJobs, type Job } from '@levamen/core/job';
import { TestBed } from '@angular/core/testing';
import { beforeEach, describe, expect, it } from 'vitest';
import { Typing } from '../ui/typing';
import { startHistory } from './history';
import { JobState } from './job-state';

const { job } = demoJobs[0]!;
let told: Job[];
let typing: Typing;
let state: JobState;
beforeEach(() => {
  told = [];
  typing = TestBed.inject(Typing);
  state = new JobState(typing, (present) => told.push(present));
  state.begin(startHistory(job));
});
const note = (notes: string): string =>
  state.edit('notes', (plan) => ({ ...plan, brief: { ...plan.brief, notes } }));

describe('the state of a job', () => {
  it('tells every step, and none where nothing changes', () => {
    note('One');
    state.edit('nothing', (plan) => plan);
    expect(told.map(({ brief }) => brief.notes)).toEqual(['One']);
    state.undo();
    state.redo();
    expect(told.map(({ brief }) => brief.notes)).toEqual(['One', job.brief.notes, 'One']);
  });

  it('changes what a design chooses through the plan, and leaves the house alone', () => {
    const island = islandsOf(state.plan()!)[0]!;
    state.edit('stack', (plan) => chooseFor(plan, island, [{ unitId: 'woad-93', quantity: 1 }]));
    expect(state.job()!.designs[0]!.equipment.stacks).toHaveLength(1);
    expect(state.job()!.loads).toBe(job.loads);
  });

  it('brings into line what follows from a change', () => {
    const gone = job.loads.find(({ id }) => keptLoads(state.plan()!).has(id))!;
    state.edit('a load', (plan) => ({ ...plan, loads: plan.loads.filter(({ id }) => id !== gone.id) }));
    expect(keptLoads(state.plan()!).has(gone.id)).toBe(false);
  });

  it('does not take what would make the job invalid, and says where', () => {
    const [load] = job.loads;
    const twice = state.edit('twice', (plan) => ({ ...plan, loads: [...plan.loads, load!] }));
    expect(twice).toContain('share the identifier');
    expect([state.refusal(), told.length, state.undoLabel()]).toEqual([twice, 0, '']);
    note('Fine');
    expect(state.refusal()).toBe('');
  });

  it('makes one step of a word that is typed', () => {
    for (const text of ['W', 'We', 'Wel', 'Well']) typing.during(() => note(text));
    typing.pause();
    typing.during(() => note('Well pump'));
    state.undo();
    expect(state.job()!.brief.notes).toBe('Well');
    state.undo();
    expect(state.job()!.brief.notes).toBe(job.brief.notes);
  });

  it('takes in what others did without a step of mine', () => {
    note('Mine');
    const theirs = { ...job, name: 'Theirs' };
    state.takeIn({ ...state.job()!, name: 'Theirs' }, { base: job, theirs });
    state.undo();
    expect([state.job()!.name, state.job()!.brief.notes]).toEqual(['Theirs', job.brief.notes]);
  });
});

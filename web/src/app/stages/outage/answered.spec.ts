import { emptyPlan } from '@levamen/core/design';
import { signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import type { OutageStudy } from '@levamen/core/study/details';
import { Subject } from 'rxjs';
import { describe, expect, it } from 'vitest';
import type { Progress } from '../../data/outage-studies';
import { answered, type Answered, type KnownAnswer } from './answered';

const study = (islandId: string): OutageStudy => ({ plan: emptyPlan(), islandId, parts: [], weather: null });

function asked() {
  const present = signal<OutageStudy | null>(study('one'));
  const questions: Subject<Progress<number>>[] = [];
  const answer = answered(present, () => {
    const question = new Subject<Progress<number>>();
    questions.push(question);
    return question;
  });
  return { present, questions, answer };
}

describe('an answer that takes a while', () => {
  it('tells how far it is, and keeps what it found', () => {
    const { questions, answer } = asked();
    expect(answer.share()).toBeNull();
    answer.ask();
    questions[0]!.next({ share: 0.4, value: null });
    expect([answer.share(), answer.value()]).toEqual([0.4, null]);
    questions[0]!.next({ share: 1, value: 7 });
    questions[0]!.complete();
    expect([answer.share(), answer.value()]).toEqual([null, 7]);
  });

  it('is shown as outdated when what it is about changes, and is right again when that comes back', () => {
    const { present, questions, answer } = asked();
    const before = present();
    answer.ask();
    questions[0]!.next({ share: 1, value: 7 });
    present.set(study('one'));
    expect([answer.value(), answer.isOutdated()]).toEqual([7, true]);
    present.set(before);
    expect([answer.value(), answer.isOutdated()]).toEqual([7, false]);
  });

  it('about another island is not shown', () => {
    const { present, questions, answer } = asked();
    answer.ask();
    questions[0]!.next({ share: 1, value: 7 });
    present.set(study('two'));
    expect([answer.value(), answer.isOutdated()]).toEqual([null, false]);
  });

  it('is stopped, and a new question ends the one before', () => {
    const { questions, answer } = asked();
    answer.ask();
    answer.stop();
    expect(questions[0]!.observed).toBe(false);
    expect(answer.share()).toBeNull();
    answer.ask();
    answer.ask();
    expect(questions[1]!.observed).toBe(false);
    expect(questions[2]!.observed).toBe(true);
  });

  it('says so where it fails, and asks nothing about nothing', () => {
    const { present, questions, answer } = asked();
    answer.ask();
    questions[0]!.error(new Error('gone'));
    expect(answer.problem()).toContain('Try again');
    present.set(null);
    answer.ask();
    expect(questions).toHaveLength(1);
  });
});

describe('an answer that is kept', () => {
  const kept = (found: number | null = null) => {
    const present = signal<OutageStudy | null>(study('one'));
    const questions: Subject<Progress<number>>[] = [];
    const known = signal<KnownAnswer<unknown> | null>(null);
    const make = (): Answered<number> =>
      TestBed.runInInjectionContext(() =>
        answered(
          present,
          () => {
            const question = new Subject<Progress<number>>();
            questions.push(question);
            return question;
          },
          { known, find: () => Promise.resolve(found), keep: () => Promise.resolve() },
        ),
      );
    return { present, questions, known, make };
  };
  /** Until effects have run and what they wait for is past. */
  const settled = async (): Promise<void> => {
    TestBed.tick();
    await new Promise((resolve) => setTimeout(resolve, 350));
  };

  it('begins by itself, outlives whoever asked, and begins again after an edit where it was quick', async () => {
    const { present, questions, make } = kept();
    make();
    await settled();
    questions[0]!.next({ share: 1, value: 7 });
    questions[0]!.complete();
    present.set(study('one'));
    const other = make();
    expect([other.value(), other.isOutdated()]).toEqual([7, true]);
    await settled();
    expect(questions.length).toBeGreaterThan(1);
  });

  it('that took long is asked for again by whoever wants it', async () => {
    const { present, questions, known, make } = kept();
    known.set({ study: present()!, value: 7, tookMs: 5000 });
    const answer = make();
    present.set(study('one'));
    await settled();
    expect(questions).toHaveLength(0);
    expect(answer.isOutdated()).toBe(true);
  });

  it('is found on the device instead of being worked out, and is not begun again once it was stopped', async () => {
    const one = kept(9);
    const found = one.make();
    await settled();
    expect([found.value(), one.questions.length]).toEqual([9, 0]);
    const { questions, make } = kept();
    const answer = make();
    answer.stop();
    await settled();
    expect(questions).toHaveLength(0);
  });
});

import { emptyPlan } from '@levamen/core/design';
import { signal } from '@angular/core';
import type { OutageStudy } from '@levamen/core/study/details';
import { Subject } from 'rxjs';
import { describe, expect, it } from 'vitest';
import type { Progress } from '../../data/outage-studies';
import { answered } from './answered';

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

  it('is forgotten when what it is about changes, and known again when that comes back', () => {
    const { present, questions, answer } = asked();
    const before = present();
    answer.ask();
    questions[0]!.next({ share: 1, value: 7 });
    present.set(study('two'));
    expect(answer.value()).toBeNull();
    present.set(before);
    expect(answer.value()).toBe(7);
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

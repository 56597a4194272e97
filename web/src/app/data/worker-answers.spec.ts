import { signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { describe, expect, it } from 'vitest';
import { pass, stopTimeInEach } from '../../testing/passing-time';
import { workerAnswers } from './worker-answers';

stopTimeInEach();

describe('the answers of a worker', () => {
  const begin = (ask: (question: string) => Promise<string>) => {
    const asked = signal<string | null>(null);
    const state = TestBed.runInInjectionContext(() =>
      workerAnswers(asked, ask, { firstMs: 1000, settleMs: 100 }),
    );
    return { asked, state };
  };

  it('come once the job has stood a while, and once the question has settled', async () => {
    const questions: string[] = [];
    const { asked, state } = begin((question) => {
      questions.push(question);
      return Promise.resolve(question.toUpperCase());
    });
    asked.set('early');
    await pass(500);
    expect(questions).toEqual([]);
    await pass(700);
    expect([questions, state().answer]).toEqual([['early'], 'EARLY']);
    asked.set('one');
    await pass(50);
    asked.set('two');
    await pass(200);
    expect([questions, state().answer]).toEqual([['early', 'two'], 'TWO']);
  });

  it('stay while the next one is worked out, and where it fails, with the reason', async () => {
    let answer: (text: string) => void = () => undefined;
    let fail: (error: Error) => void = () => undefined;
    const { asked, state } = begin(
      () =>
        new Promise((resolve, reject) => {
          answer = resolve;
          fail = reject;
        }),
    );
    asked.set('a');
    await pass(1200);
    answer('first');
    await pass(0);
    expect(state()).toMatchObject({ answer: 'first', problem: '' });
    asked.set('b');
    await pass(200);
    expect(state()).toMatchObject({ answer: 'first', problem: '' });
    fail(new Error('No room'));
    await pass(0);
    expect(state()).toMatchObject({ answer: 'first', problem: 'No room' });
    // A later question is asked all the same.
    asked.set('c');
    await pass(200);
    answer('third');
    await pass(0);
    expect(state()).toMatchObject({ answer: 'third', problem: '' });
  });

  it('to an old question are not taken once there is a newer one', async () => {
    const waiting: ((text: string) => void)[] = [];
    const { asked, state } = begin(() => new Promise((resolve) => waiting.push(resolve)));
    asked.set('a');
    await pass(1200);
    asked.set('b');
    await pass(200);
    waiting[1]!('new');
    await pass(0);
    waiting[0]!('old');
    await pass(0);
    expect(state().answer).toBe('new');
  });
});

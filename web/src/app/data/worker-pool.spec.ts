import { expose, type Remote } from 'comlink';
import { firstValueFrom, last, take, toArray } from 'rxjs';
import { describe, expect, it } from 'vitest';
import { WorkerPool } from './worker-pool';

interface Api {
  prepare(key: string): void;
  double(value: number): Promise<number>;
}

/** Stands in for a worker: the other end of a message channel. */
function pool(size: number) {
  const ended: number[] = [];
  let made = 0;
  const prepared: string[] = [];
  const make = (): Worker => {
    const { port1, port2 } = new MessageChannel();
    const number = (made += 1);
    const api: Api = {
      prepare: (key) => void prepared.push(`${number}:${key}`),
      double: (value) => new Promise((resolve) => setTimeout(() => resolve(value * 2), 5)),
    };
    expose(api, port2);
    port1.start();
    return Object.assign(port1, {
      terminate: () => void (ended.push(number), port1.close(), port2.close()),
    }) as unknown as Worker;
  };
  return { pool: new WorkerPool<Api>(make, size), ended, prepared, made: () => made };
}
const doubles = (count: number) =>
  Array.from(
    { length: count },
    (_, i) =>
      (there: Remote<Api>): Promise<number> =>
        there.double(i),
  );
const prepare = (key: string) => (there: Remote<Api>) => there.prepare(key);

describe('a pool of workers', () => {
  it('shares out tasks, tells how far it is, and keeps their order', async () => {
    const { pool: two, made, prepared } = pool(2);
    const steps = await firstValueFrom(two.run('a', prepare('a'), doubles(5)).pipe(toArray()));
    expect(steps.map(({ done }) => done)).toEqual([0, 1, 2, 3, 4, 5]);
    expect(steps.at(-1)!.results).toEqual([0, 2, 4, 6, 8]);
    expect(made()).toBe(2);
    expect(prepared.toSorted()).toEqual(['1:a', '2:a']);
    two.end();
  });

  it('prepares again for another key only', async () => {
    const { pool: one, prepared } = pool(1);
    for (const key of ['a', 'a', 'b'])
      await firstValueFrom(one.run(key, prepare(key), doubles(1)).pipe(last()));
    expect(prepared).toEqual(['1:a', '1:b']);
    one.end();
  });

  it('ends its workers when nobody waits any more, and goes on with new ones', async () => {
    const { pool: one, ended, made } = pool(1);
    await firstValueFrom(one.run('a', prepare('a'), doubles(50)).pipe(take(3), last()));
    expect(ended).toEqual([1]);
    const { results } = await firstValueFrom(one.run('a', prepare('a'), doubles(2)).pipe(last()));
    expect(results).toEqual([0, 2]);
    expect(made()).toBe(2);
    one.end();
  });

  it('keeps them where that is asked, and forgets what is under way', async () => {
    const { pool: one, ended, made } = pool(1);
    await firstValueFrom(one.run('a', prepare('a'), doubles(9), 'keep').pipe(take(2), last()));
    const { results } = await firstValueFrom(one.run('b', prepare('b'), doubles(2), 'keep').pipe(last()));
    expect(results).toEqual([0, 2]);
    expect([ended, made()]).toEqual([[], 1]);
    one.end();
  });

  it('tells a task of several steps when nobody waits any more', async () => {
    const { pool: one } = pool(1);
    let steps = 0;
    const task = async (there: Remote<Api>, goesOn: () => boolean): Promise<number> => {
      while (goesOn() && steps < 1000) steps = (await there.double(steps)) / 2 + 1;
      return steps;
    };
    const asked = one.run('a', prepare('a'), [task], 'keep').subscribe();
    await new Promise((resolve) => setTimeout(resolve, 40));
    asked.unsubscribe();
    const { results } = await firstValueFrom(one.run('b', prepare('b'), doubles(1), 'keep').pipe(last()));
    expect(results).toEqual([0]);
    expect(steps).toBeLessThan(1000);
    one.end();
  });

  it('lets lists wait for each other', async () => {
    const { pool: one, prepared } = pool(1);
    const both = await Promise.all([
      firstValueFrom(one.run('a', prepare('a'), doubles(3)).pipe(last())),
      firstValueFrom(one.run('b', prepare('b'), doubles(3)).pipe(last())),
    ]);
    expect(both.map(({ results }) => results)).toEqual([
      [0, 2, 4],
      [0, 2, 4],
    ]);
    expect(prepared).toEqual(['1:a', '1:b']);
    one.end();
  });

  it('says so when a worker fails as a whole, instead of waiting for ever, and goes on with new ones', async () => {
    const workers: EventTarget[] = [];
    const failing = new WorkerPool<Api>(() => {
      const silent = { postMessage: () => undefined, terminate: () => undefined };
      const worker = Object.assign(new EventTarget(), silent);
      workers.push(worker);
      return worker as unknown as Worker;
    }, 1);
    const never = firstValueFrom(failing.run('a', prepare('a'), doubles(1)).pipe(last()));
    await new Promise((resolve) => setTimeout(resolve, 10));
    workers[0]!.dispatchEvent(new Event('error'));
    await expect(never).rejects.toThrow('A worker failed');
    const again = firstValueFrom(failing.run('a', prepare('a'), doubles(1)).pipe(last()));
    await new Promise((resolve) => setTimeout(resolve, 10));
    expect(workers).toHaveLength(2);
    workers[1]!.dispatchEvent(new Event('error'));
    await expect(again).rejects.toThrow('A worker failed');
  });
});

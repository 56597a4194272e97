import { describe, expect, it } from 'vitest';
import { keptHeader, roadAnswer, type RoadAnswerParts } from './road-answers';

const address = 'http://house.example/api/jobs/1';
const json = (body: object, status = 200): Response => Response.json(body, { status });

/** A cache as browsers have it, as far as it is needed. */
class FakeCache {
  readonly kept = new Map<string, Response>();
  match = (key: RequestInfo | URL) => Promise.resolve(this.kept.get(String(key))?.clone());
  put = (key: RequestInfo | URL, response: Response) =>
    Promise.resolve(void this.kept.set(String(key), response));
  delete = (key: RequestInfo | URL) => Promise.resolve(this.kept.delete(String(key)));
}

const parts = (cache: FakeCache, ask: RoadAnswerParts['ask'], patienceMs = 50): RoadAnswerParts => ({
  cache,
  ask,
  patienceMs,
});
const revisionOf = async (response: Response): Promise<unknown> =>
  ((await response.json()) as { revision: unknown }).revision;

describe('an answer on the road', () => {
  it('is the server’s alone where nothing is kept, and nothing is kept by it', async () => {
    const cache = new FakeCache();
    const answer = await roadAnswer(
      new Request(address),
      parts(cache, () => Promise.resolve(json({ revision: 3 }))),
    );
    expect(answer.headers.has(keptHeader)).toBe(false);
    expect(cache.kept.size).toBe(0);
    await expect(
      roadAnswer(
        new Request(address),
        parts(cache, () => Promise.reject(new TypeError('offline'))),
      ),
    ).rejects.toThrow('offline');
  });

  it('is the server’s where it answers, and renews what is kept', async () => {
    const cache = new FakeCache();
    cache.kept.set(address, json({ revision: 3 }));
    const answer = await roadAnswer(
      new Request(address),
      parts(cache, () => Promise.resolve(json({ revision: 4 }))),
    );
    expect(answer.headers.has(keptHeader)).toBe(false);
    expect(await revisionOf(answer)).toBe(4);
    expect(await revisionOf((await cache.match(address))!)).toBe(4);
  });

  it.each([
    ['the line is dead', () => Promise.reject(new TypeError('offline'))],
    ['the proxy has no server', () => Promise.resolve(json({}, 503))],
    ['no answer comes', () => new Promise<Response>(() => undefined)],
  ])('is what is kept where %s, and says so', async (_, ask) => {
    const cache = new FakeCache();
    cache.kept.set(address, json({ revision: 3 }));
    const answer = await roadAnswer(new Request(address), parts(cache, ask));
    expect(answer.headers.get(keptHeader)).toBe('1');
    expect(await revisionOf(answer)).toBe(3);
  });

  it('never goes back to an older revision than the one that was saved meanwhile', async () => {
    const cache = new FakeCache();
    cache.kept.set(address, json({ revision: 3 }));
    await roadAnswer(
      new Request(address),
      parts(cache, () => {
        cache.kept.set(address, json({ revision: 5 }));
        return Promise.resolve(json({ revision: 4 }));
      }),
    );
    expect(await revisionOf((await cache.match(address))!)).toBe(5);
  });

  it('is kept no longer once the server has it for nobody, or not for him', async () => {
    const cache = new FakeCache();
    cache.kept.set(address, json({ revision: 3 }));
    const answer = await roadAnswer(
      new Request(address),
      parts(cache, () => Promise.resolve(json({}, 404))),
    );
    expect(answer.status).toBe(404);
    expect(cache.kept.size).toBe(0);
  });
});

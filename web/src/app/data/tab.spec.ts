import { beforeEach, describe, expect, it } from 'vitest';
import { Tab } from './tab';

/** The Web Locks API (W3C), as far as a tab uses it. */
class FakeLocks {
  readonly held = new Set<string>();
  request = (name: string, _: object, work: (lock: object | null) => unknown): Promise<unknown> => {
    if (this.held.has(name)) return Promise.resolve(work(null));
    this.held.add(name);
    return Promise.resolve(work({ name }));
  };
  query = () => Promise.resolve({ held: [...this.held, 'somebody else’s'].map((name) => ({ name })) });
}

let locks: FakeLocks;
beforeEach(() => {
  sessionStorage.clear();
  locks = new FakeLocks();
  Object.defineProperty(navigator, 'locks', { value: locks, configurable: true });
});

describe('a tab', () => {
  it('keeps its identity over a reload', async () => {
    const id = await new Tab().id();
    locks.held.clear();
    expect(await new Tab().id()).toBe(id);
  });

  it('that was opened from another one gets an identity of its own', async () => {
    const [first, second] = [new Tab(), new Tab()];
    const ids = [await first.id(), await second.id()];
    expect(new Set(ids).size).toBe(2);
    expect(await second.living()).toEqual(new Set(ids));
  });

  it('works without locks and without storage', async () => {
    Object.defineProperty(navigator, 'locks', { value: undefined, configurable: true });
    const tab = new Tab();
    expect(await tab.living()).toEqual(new Set([await tab.id()]));
  });
});

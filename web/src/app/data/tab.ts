import { Injectable } from '@angular/core';

const storageKey = 'levamen.tab';
const lockOf = (id: string): string => `levamen.tab.${id}`;

const remembered = (): string | null => {
  try {
    return sessionStorage.getItem(storageKey);
  } catch {
    return null;
  }
};

/**
 * Which tab this is. A reload keeps the identity; a tab that was opened from another one inherits its storage, so a lock held as
 * long as the tab lives tells whether the identity is taken.
 */
@Injectable({ providedIn: 'root' })
export class Tab {
  private readonly known = this.claim();

  /** Identity of this tab, and of no other that lives. */
  id(): Promise<string> {
    return this.known;
  }

  /** Identities of all tabs that live now. */
  async living(): Promise<ReadonlySet<string>> {
    const own = await this.known;
    const held = (await this.locks()?.query())?.held ?? [];
    const prefix = lockOf('');
    const names = held.map(({ name }) => name ?? '').filter((name) => name.startsWith(prefix));
    return new Set([own, ...names.map((name) => name.slice(prefix.length))]);
  }

  private async claim(): Promise<string> {
    const before = remembered();
    const id = before !== null && (await this.hold(before)) ? before : crypto.randomUUID();
    if (id !== before) await this.hold(id);
    try {
      sessionStorage.setItem(storageKey, id);
    } catch {
      // Then a reload makes another tab of it; drafts are found all the same.
    }
    return id;
  }

  /** Holds the lock of an identity until the tab ends. False where another tab holds it. */
  private hold(id: string): Promise<boolean> {
    const locks = this.locks();
    if (!locks) return Promise.resolve(true);
    return new Promise((resolve) => {
      void locks
        .request(lockOf(id), { ifAvailable: true }, (lock) => {
          resolve(lock !== null);
          return lock === null ? undefined : new Promise(() => undefined);
        })
        .catch(() => resolve(true));
    });
  }

  private locks(): LockManager | undefined {
    return (navigator as { locks?: LockManager }).locks;
  }
}

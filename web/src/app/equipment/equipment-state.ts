import { computed, DestroyRef, effect, inject, Injectable, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import type { EquipmentList } from '@levamen/core/api';
import { type Item, sampleLine } from '@levamen/core/equipment';
import {
  type CheckedDraft,
  checkDraft,
  identifierOf,
  type ItemDraft,
  type ListProblem,
  listProblems,
} from '@levamen/core/equipment/details';
import { sameValue } from '@levamen/core/base';
import { catchError, EMPTY, finalize, retry, tap } from 'rxjs';
import { CompanyEquipment } from '../data/company-equipment';
import { JobsApi, problemText } from '../data/jobs-api';

/** A new item has such an identifier until it is saved under its name. */
export const unnamed = 'unnamed';
const draftsKey = 'levamen.equipment-drafts';

type Drafts = Readonly<Record<string, ItemDraft>>;

/** Drafts of an earlier visit; none where they cannot be read. */
function leftDrafts(): Drafts {
  try {
    const read: unknown = JSON.parse(localStorage.getItem(draftsKey) ?? '{}');
    return typeof read === 'object' && read !== null ? (read as Drafts) : {};
  } catch {
    return {};
  }
}

/** A line of the list: what is kept, or being entered. */
export interface ListedItem {
  readonly draft: ItemDraft;
  readonly isSample: boolean;
  /** It differs from what is kept. */
  readonly isChanged: boolean;
  readonly isNew: boolean;
}

/** The company's equipment as it is kept, and what is being entered: on this device until it is saved. */
@Injectable()
export class EquipmentState {
  private readonly api = inject(JobsApi);
  private readonly company = inject(CompanyEquipment);
  private readonly destroyed = inject(DestroyRef);

  private readonly checks = new WeakMap<ItemDraft, CheckedDraft>();

  readonly list = signal<EquipmentList | null>(null);
  readonly drafts = signal<Drafts>(leftDrafts());
  readonly problem = signal('');
  readonly saving = signal(false);
  readonly said = signal('');

  readonly kept = computed(() => this.list()?.items ?? []);
  private readonly keptById = computed(() => new Map(this.kept().map((item) => [item.id, item])));
  /** Everything there is to see: the company's items with what is being entered, then the sample line. */
  readonly listed = computed((): ListedItem[] => {
    const drafts = this.drafts();
    const own = this.kept().map((item): ListedItem => {
      const draft = drafts[item.id];
      return { draft: draft ?? item, isSample: false, isChanged: draft !== undefined, isNew: false };
    });
    const entered = Object.values(drafts)
      .filter(({ id }) => !this.keptById().has(id))
      .map((draft): ListedItem => ({ draft, isSample: false, isChanged: true, isNew: true }));
    const sample = this.list()?.sampleHidden
      ? []
      : sampleLine.map((draft): ListedItem => ({ draft, isSample: true, isChanged: false, isNew: false }));
    return [...entered, ...own, ...sample];
  });
  readonly changedCount = computed(() => Object.keys(this.drafts()).length);
  private readonly checked = computed(
    () => new Map(Object.values(this.drafts()).map((draft) => [draft.id, this.checkOf(draft)])),
  );
  /** What is wrong between the items, as they would be. */
  private readonly between = computed((): ListProblem[] => {
    const entered = [...this.checked().values()].flatMap((checked) => (checked.ok ? [checked.item] : []));
    const ids = new Set(entered.map(({ id }) => id));
    return listProblems([...sampleLine, ...this.kept().filter(({ id }) => !ids.has(id)), ...entered]);
  });
  /** Drafts that cannot be saved yet. */
  readonly unready = computed(() =>
    Object.values(this.drafts()).filter(
      ({ id }) => this.checked().get(id)?.ok !== true || this.between().some(({ itemId }) => itemId === id),
    ),
  );

  constructor() {
    effect(() => {
      const drafts = this.drafts();
      try {
        if (Object.keys(drafts).length === 0) localStorage.removeItem(draftsKey);
        else localStorage.setItem(draftsKey, JSON.stringify(drafts));
      } catch {
        this.problem.set('This device has no room for what is being entered. Save it now.');
      }
    });
    this.fetch();
  }

  fetch(): void {
    this.company
      .latest()
      .pipe(retry({ delay: 2000 }), takeUntilDestroyed(this.destroyed))
      .subscribe((list) => this.list.set(list));
  }

  /** A draft is checked once, however often another one changes. */
  checkOf(draft: ItemDraft): CheckedDraft {
    const known = this.checks.get(draft) ?? checkDraft(draft);
    this.checks.set(draft, known);
    return known;
  }

  betweenOf(id: string): readonly ListProblem[] {
    return this.between().filter(({ itemId }) => itemId === id);
  }

  /** Keeps an item as it is being entered; one that is as it was is no draft. */
  enter(draft: ItemDraft): void {
    const kept = this.keptById().get(draft.id);
    if (kept && sameValue(kept, draft)) this.discard(draft.id);
    else this.drafts.update((drafts) => ({ ...drafts, [draft.id]: draft }));
  }

  enterAll(items: readonly Item[]): void {
    for (const item of items) this.enter(item);
  }

  discard(id: string): void {
    this.drafts.update(({ [id]: _, ...others }) => others);
  }

  discardAll(): void {
    this.drafts.set({});
  }

  /**
   * Saves every draft as one revision.
   *
   * @param saved told under which identifiers new items are kept
   */
  save(said: string, saved: (renamed: ReadonlyMap<string, string>) => void): void {
    const entered = [...this.checked().values()].flatMap((checked) => (checked.ok ? [checked.item] : []));
    const { items: put, renamed } = named(
      entered,
      this.listed().map(({ draft }) => draft.id),
    );
    this.send({ put, remove: [], said }, () => {
      this.discardAll();
      saved(renamed);
      this.said.set(`Saved ${put.length} ${put.length === 1 ? 'item' : 'items'}.`);
    });
  }

  remove(item: Pick<Item, 'id' | 'name'>): void {
    this.send({ put: [], remove: [item.id], said: `${item.name} taken out` }, () => this.discard(item.id));
  }

  hideSample(sampleHidden: boolean): void {
    const said = sampleHidden ? 'Sample line hidden' : 'Sample line shown';
    this.send({ put: [], remove: [], sampleHidden, said }, () => undefined);
  }

  private send(
    change: { put: Item[]; remove: string[]; said: string; sampleHidden?: boolean },
    taken: () => void,
  ): void {
    const list = this.list();
    if (!list || this.saving()) return;
    this.problem.set('');
    this.said.set('');
    this.saving.set(true);
    this.api
      .changeEquipment({ ...change, baseRevision: list.revision, changeId: crypto.randomUUID() })
      .pipe(
        tap((next) => {
          this.company.know(next);
          taken();
          this.list.set(next);
        }),
        catchError((error: unknown) => {
          this.problem.set(problemText(error));
          // What somebody else has changed meanwhile is shown beside what was entered here, which is kept.
          this.fetch();
          return EMPTY;
        }),
        finalize(() => this.saving.set(false)),
        takeUntilDestroyed(this.destroyed),
      )
      .subscribe();
  }
}

/** New items under identifiers made from their names; what names them follows. */
function named(
  items: readonly Item[],
  taken: readonly string[],
): { items: Item[]; renamed: ReadonlyMap<string, string> } {
  const ids = new Set(taken);
  const renamed = new Map<string, string>();
  for (const { id, name } of items) {
    if (!id.startsWith(unnamed)) continue;
    const next = freeIdentifier(name, ids);
    ids.add(next);
    renamed.set(id, next);
  }
  const follow = <T extends { readonly itemId: string }>(link: T): T => ({
    ...link,
    itemId: renamed.get(link.itemId) ?? link.itemId,
  });
  return {
    renamed,
    items: items.map((item) => ({
      ...item,
      id: renamed.get(item.id) ?? item.id,
      goesWith: item.goesWith.map(follow),
      needs: item.needs.map(follow),
    })),
  };
}

/** An identifier made from a name, that no other item has. */
export function freeIdentifier(name: string, taken: ReadonlySet<string>): string {
  const base = identifierOf(name).slice(0, 34);
  if (!taken.has(base)) return base;
  for (let number = 2; ; number += 1) {
    const candidate = `${base}-${number}`;
    if (!taken.has(candidate)) return candidate;
  }
}

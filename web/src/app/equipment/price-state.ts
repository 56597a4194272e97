import { computed, DestroyRef, effect, inject, Injectable, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import type { EquipmentList } from '@levamen/core/api';
import { sampleLine } from '@levamen/core/equipment';
import { emptyPriceBook, type PriceBook, priceBookSchema } from '@levamen/core/offer';
import { sameValue } from '@levamen/core/base';
import { catchError, EMPTY, finalize, retry, tap } from 'rxjs';
import { CompanyEquipment } from '../data/company-equipment';
import { JobsApi, problemText } from '../data/jobs-api';

const draftKey = 'levamen.price-draft';

/** What was being entered when the page was left. */
function leftDraft(): PriceBook | null {
  try {
    const read = priceBookSchema.safeParse(JSON.parse(localStorage.getItem(draftKey) ?? 'null'));
    return read.success ? read.data : null;
  } catch {
    return null;
  }
}

/** The company's prices as they are kept, and as they are being entered: on this device until they are saved. */
@Injectable()
export class PriceState {
  private readonly api = inject(JobsApi);
  private readonly company = inject(CompanyEquipment);
  private readonly destroyed = inject(DestroyRef);

  readonly list = signal<EquipmentList | null>(null);
  private readonly draft = signal<PriceBook | null>(leftDraft());
  readonly problem = signal('');
  readonly saving = signal(false);
  readonly book = computed(() => this.draft() ?? this.list()?.book ?? emptyPriceBook('EUR'));
  readonly isChanged = computed(() => this.draft() !== null);
  /** Everything that may have a price. */
  readonly items = computed(() => {
    const list = this.list();
    if (!list) return [];
    const own = list.items.filter(({ retired }) => !retired);
    return list.sampleHidden ? own : [...own, ...sampleLine];
  });

  constructor() {
    effect(() => {
      const draft = this.draft();
      try {
        if (draft) localStorage.setItem(draftKey, JSON.stringify(draft));
        else localStorage.removeItem(draftKey);
      } catch {
        this.problem.set('This device has no room for what is being entered. Save it now.');
      }
    });
    this.fetch();
  }

  private fetch(): void {
    this.company
      .latest()
      .pipe(retry({ delay: 2000 }), takeUntilDestroyed(this.destroyed))
      .subscribe((list) => this.list.set(list));
  }

  /** Changes the book; one that does not fit is not taken, and it is said why. */
  edit(change: (book: PriceBook) => PriceBook): void {
    const next = change(this.book());
    const checked = priceBookSchema.safeParse(next);
    if (!checked.success) {
      this.problem.set(`${checked.error.issues[0]!.message}. It was left as it was.`);
      return;
    }
    this.problem.set('');
    this.draft.set(sameValue(next, this.list()?.book) ? null : next);
  }

  discard(): void {
    this.draft.set(null);
  }

  save(said: string): void {
    const list = this.list();
    const book = this.draft();
    if (!list || !book || this.saving()) return;
    this.saving.set(true);
    this.problem.set('');
    this.api
      .changeEquipment({
        baseRevision: list.revision,
        changeId: crypto.randomUUID(),
        said,
        put: [],
        remove: [],
        book,
      })
      .pipe(
        tap((next) => {
          this.company.know(next);
          this.list.set(next);
          this.draft.set(null);
        }),
        catchError((error: unknown) => {
          this.problem.set(problemText(error));
          return EMPTY;
        }),
        finalize(() => this.saving.set(false)),
        takeUntilDestroyed(this.destroyed),
      )
      .subscribe();
  }
}

import { computed, effect, inject, Injectable, signal, untracked } from '@angular/core';
import { takeUntilDestroyed, toObservable } from '@angular/core/rxjs-interop';
import { type EquipmentUse, itemsFor, nothingOffered, type OfferedItems } from '@levamen/core/design';
import { type Catalogue, catalogueOf, type Item } from '@levamen/core/equipment';
import { type PriceBook, pricer } from '@levamen/core/offer';
import { placeLocale, type PlaceLocale } from '@levamen/core/present';
import { carriedOn, type Evaluation, evaluatePlan, type Known, withRuntimes } from '@levamen/core/study';
import { catchError, map, merge, type Observable, of, startWith, switchMap, tap } from 'rxjs';
import { CompanyEquipment } from './company-equipment';
import { JobSession } from './job-session';

/** What a job is designed with, as far as it is here. */
interface Offer {
  /** null while it is fetched. */
  readonly offered: OfferedItems | null;
  /** What it costs; null = nothing has a price. */
  readonly book: PriceBook | null;
  /** Why the list itself is not at hand; '' = it is. */
  readonly problem: string;
}

const fetching: Offer = { offered: null, book: null, problem: '' };
const sampleOnly: Offer = { offered: nothingOffered, book: null, problem: '' };
const without = (problem: string): Offer => ({ offered: nothingOffered, book: null, problem });
const noItems: readonly Item[] = [];
const none: Catalogue = [];

/** What core says about the open job; worked out again at every edit. */
@Injectable()
export class EvaluationService {
  private readonly session = inject(JobSession);
  private readonly company = inject(CompanyEquipment);
  private readonly used = computed(() => this.session.plan()?.equipmentList ?? null, {
    equal: (a, b) => a?.workspaceId === b?.workspaceId && a?.revision === b?.revision,
  });
  private readonly offer = signal(fetching);
  /** Why the company's list is not at hand; '' = it is. */
  readonly listProblem = computed(() => this.offer().problem);
  /** Prices of the list the job is designed with; null = it has none. */
  readonly book = computed(() => this.offer().book);
  private readonly kept = computed(() => this.session.plan()?.equipmentList.kept ?? []);
  /** Every item the job may be designed with. */
  readonly items = computed((): readonly Item[] => {
    const { offered } = this.offer();
    const used = this.used();
    return offered && used ? itemsFor({ ...used, kept: this.kept() }, offered) : noItems;
  });
  /** Prices designs by the list; null = it has no prices. */
  readonly pricer = computed(() => {
    const book = this.book();
    return book && pricer(this.items(), book);
  });
  readonly catalogue = computed((): Catalogue => {
    const items = this.items();
    return items.length === 0 ? none : catalogueOf(items);
  });
  /** The island that is looked at; '' is the first. Margins and stacks are those of its source. */
  readonly islandId = signal('');
  /** With runtimes by the closed formula, which answers at once. */
  readonly rough = computed(() => {
    const plan = this.session.studied();
    const catalogue = this.catalogue();
    return plan && catalogue.length > 0 ? evaluatePlan(plan, catalogue, this.islandId()) : null;
  });
  /** What was simulated last; {@link Runtimes} puts it here. */
  readonly known = signal<Known | null>(null);
  /** The one that everything shows: simulated, or marked as rough while a new answer is worked out. */
  readonly evaluation = computed((): Evaluation | null => {
    const rough = this.rough();
    const known = this.known();
    if (!rough || !known || known.rough.island?.id !== rough.island?.id) return rough;
    return known.rough === rough ? withRuntimes(rough, known.runtimes) : carriedOn(rough, known);
  });
  readonly island = computed(() => this.evaluation()?.island ?? null);
  readonly units = computed(() => this.session.plan()?.site.units ?? 'metric');
  readonly locale = computed((): PlaceLocale => {
    const plan = this.session.plan();
    return plan ? placeLocale(plan.supply.system) : 'en-GB';
  });

  constructor() {
    // What a design comes to use is kept in the job.
    effect(() => this.session.offered.set(this.items()));
    const offers = toObservable(this.used).pipe(
      switchMap((used) => (used ? this.offerOf(used) : of(fetching))),
      tap((offer) => this.offer.set(offer)),
    );
    // In the task of the edit, or of the answer: what is drawn from it then has a task of its own.
    merge(this.session.stepped, offers)
      .pipe(takeUntilDestroyed())
      .subscribe(() => untracked(this.evaluation));
  }

  private offerOf({ workspaceId, revision }: EquipmentUse): Observable<Offer> {
    if (workspaceId === null || revision === 0) return of(sampleOnly);
    return this.company.at(revision).pipe(
      map((list): Offer =>
        list.workspaceId === workspaceId
          ? { offered: list, book: list.book, problem: '' }
          : without('This job was designed with the equipment of another company.'),
      ),
      catchError(() =>
        of(without('The list of equipment this job was designed with is not on this server.')),
      ),
      startWith(fetching),
    );
  }
}

import { computed, DestroyRef, inject, Injectable, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import type { KeptCompanySheet } from '@levamen/core/api';
import { type CompanySheet, companySheetSchema, emptyCompanySheet } from '@levamen/core/papers';
import { debounceTime, firstValueFrom, Subject } from 'rxjs';
import { problemText } from '../data/jobs-api';
import { PapersApi } from '../data/papers-api';

const settleMs = 700;

/** The company sheet as it is entered: kept a moment after each edit, as soon as it is whole. */
@Injectable()
export class CompanySheetState {
  private readonly api = inject(PapersApi);
  private kept: KeptCompanySheet | null = null;
  private readonly edits = new Subject<void>();

  readonly sheet = signal<CompanySheet>(emptyCompanySheet());
  readonly isThere = signal(false);
  readonly problem = signal('');
  readonly isSaved = signal(true);
  /** What keeps it from being kept; '' = nothing. */
  readonly wrong = computed(() => {
    const checked = companySheetSchema.safeParse(this.sheet());
    return checked.success ? '' : checked.error.issues[0]!.message;
  });

  constructor() {
    void this.read();
    this.edits.pipe(debounceTime(settleMs), takeUntilDestroyed()).subscribe(() => void this.keep());
    inject(DestroyRef).onDestroy(() => void this.keep());
  }

  set(change: Partial<CompanySheet>): void {
    this.sheet.update((now) => ({ ...now, ...change }));
    this.isSaved.set(false);
    this.edits.next();
  }

  /** Takes a mark that was scaled. */
  async setLogo(picture: Blob): Promise<void> {
    try {
      this.set({ logo: await firstValueFrom(this.api.keepLogo(picture)) });
    } catch (error) {
      this.problem.set(problemText(error));
    }
  }

  private async read(): Promise<void> {
    try {
      this.take(await firstValueFrom(this.api.companySheet()));
      this.isThere.set(true);
    } catch (error) {
      this.problem.set(problemText(error));
    }
  }

  private take(kept: KeptCompanySheet): void {
    this.kept = kept;
    this.sheet.set(kept.sheet);
    this.isSaved.set(true);
  }

  private async keep(): Promise<void> {
    if (this.kept === null || this.isSaved() || this.wrong() !== '') return;
    const sheet = this.sheet();
    try {
      const kept = await firstValueFrom(
        this.api.keepCompanySheet({ baseRevision: this.kept.revision, sheet }),
      );
      this.kept = kept;
      this.problem.set('');
      if (this.sheet() === sheet) this.isSaved.set(true);
      else await this.keep();
    } catch (error) {
      this.problem.set(problemText(error));
      // Somebody else was faster: what is there now is shown beside what went wrong.
      if ((error as { status?: number }).status === 409) await this.read();
    }
  }
}

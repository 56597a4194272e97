import { inject, Injectable, signal } from '@angular/core';
import type { LearnedHouse } from '@levamen/core/papers';
import { firstValueFrom } from 'rxjs';
import { problemText } from '../../data/jobs-api';
import { PapersApi } from '../../data/papers-api';
import { SignedIn } from '../../people/session';

/** What the houses of a company taught about loads: kept with its sheet, for the jobs to come. */
@Injectable()
export class CompanyLearned {
  private readonly api = inject(PapersApi);

  /** What came of it, or why nothing did; '' = nothing was asked. */
  readonly says = signal('');

  /** Surveyors and viewers change nothing of the company. */
  readonly mayKeep = inject(SignedIn).mayDesign;

  /** Keeps what a house taught; what it taught before is replaced. */
  async keep(house: LearnedHouse): Promise<void> {
    try {
      const { sheet, revision } = await firstValueFrom(this.api.companySheet());
      const learned = [...sheet.learned.filter(({ jobId }) => jobId !== house.jobId), house].slice(-200);
      await firstValueFrom(
        this.api.keepCompanySheet({ baseRevision: revision, sheet: { ...sheet, learned } }),
      );
      this.says.set(
        `Kept. The company has learned from ${learned.length === 1 ? 'one house' : `${learned.length} houses`}; Loads offers it to jobs to come.`,
      );
    } catch (error) {
      this.says.set(problemText(error));
    }
  }
}

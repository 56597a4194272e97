import { inject, Injectable, signal } from '@angular/core';
import { addSteps } from '@levamen/core/house';
import { firstValueFrom } from 'rxjs';
import { problemText } from '../../data/jobs-api';
import { PapersApi } from '../../data/papers-api';
import { SignedIn } from '../../people/session';
import { CommissioningState } from './commissioning-state';

/** Steps a company adds to every commissioning: taken from its sheet, and kept there. */
@Injectable()
export class CompanySteps {
  private readonly api = inject(PapersApi);
  private readonly state = inject(CommissioningState);

  /** What came of it, or why nothing did; '' = nothing was asked. */
  readonly says = signal('');

  /** Surveyors and viewers change nothing of the company. */
  readonly mayKeep = inject(SignedIn).mayDesign;

  async take(): Promise<void> {
    await this.answer(async () => {
      const { sheet } = await firstValueFrom(this.api.companySheet());
      const before = this.state.record().added;
      const added = addSteps(before, sheet.steps);
      const count = added.length - before.length;
      if (count > 0) this.state.change('steps of the company', (now) => ({ ...now, added }));
      if (sheet.steps.length === 0) return 'The company keeps none.';
      return count === 0 ? 'All of them are here.' : `${count} taken.`;
    });
  }

  async keep(): Promise<void> {
    await this.answer(async () => {
      const { sheet, revision } = await firstValueFrom(this.api.companySheet());
      const steps = addSteps(sheet.steps, this.state.record().added);
      const count = steps.length - sheet.steps.length;
      if (count === 0) return 'The company has all of them.';
      await firstValueFrom(this.api.keepCompanySheet({ baseRevision: revision, sheet: { ...sheet, steps } }));
      return `${count} kept for jobs to come.`;
    });
  }

  private async answer(ask: () => Promise<string>): Promise<void> {
    try {
      this.says.set(await ask());
    } catch (error) {
      this.says.set(problemText(error));
    }
  }
}

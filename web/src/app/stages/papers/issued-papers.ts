import { inject, Injectable, signal } from '@angular/core';
import type { IssuedPaper, PaperOrder } from '@levamen/core/api';
import type { PaperRequest } from '@levamen/core/papers';
import { firstValueFrom, lastValueFrom, tap } from 'rxjs';
import { JobSession } from '../../data/job-session';
import { problemText } from '../../data/jobs-api';
import { PapersApi } from '../../data/papers-api';
import { makePaper } from './made-paper';

/** Papers of the open job that were issued, and issuing another one. */
@Injectable()
export class IssuedPapers {
  private readonly session = inject(JobSession);
  private readonly api = inject(PapersApi);

  readonly papers = signal<readonly IssuedPaper[]>([]);
  /** The one that is being issued; null = none is. */
  readonly issuing = signal<PaperOrder | null>(null);
  readonly problem = signal('');
  /** Said once something was done. */
  readonly said = signal('');

  async refresh(): Promise<void> {
    try {
      this.papers.set(await firstValueFrom(this.api.list(this.session.id())));
    } catch (error) {
      this.problem.set(problemText(error));
    }
  }

  /** Issues a paper as it is looked at; as the next revision of another one where that is named. */
  async issue(request: PaperRequest, reissues: IssuedPaper | null): Promise<void> {
    this.problem.set('');
    this.said.set('');
    try {
      if (!(await this.session.saveNow())) {
        this.problem.set('The job is not saved yet: what is issued is what the server has.');
        return;
      }
      const made = await lastValueFrom(
        makePaper(this.api, this.session.id(), {
          request,
          format: 'pdf',
          issue: { reissues: reissues?.id ?? null },
          jobRevision: this.session.revision(),
        }).pipe(tap(({ order }) => this.issuing.set(order))),
      );
      if (made.order.state !== 'done') this.problem.set(made.order.says);
      await this.refresh();
      const issued = this.papers().find(({ id }) => id === made.order.paperId);
      if (issued) this.said.set(`Issued as ${issued.number}, revision ${issued.letter}.`);
    } catch (error) {
      this.problem.set(problemText(error));
    } finally {
      this.issuing.set(null);
    }
  }

  async erase(paper: IssuedPaper): Promise<void> {
    this.problem.set('');
    try {
      await firstValueFrom(this.api.erase(this.session.id(), paper.id));
      this.said.set(`${paper.number} ${paper.letter} is erased; its number and digest are kept.`);
    } catch (error) {
      this.problem.set(problemText(error));
    }
    await this.refresh();
  }
}

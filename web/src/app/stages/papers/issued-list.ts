import { DatePipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import type { IssuedPaper } from '@levamen/core/api';
import { nextLetter } from '@levamen/core/papers';
import { Button } from 'primeng/button';
import { JobSession } from '../../data/job-session';
import { IssuedPapers } from './issued-papers';
import { PaperLinksCard } from './paper-links-card';
import { forHousehold } from './paper-words';
import { PapersState } from './papers-state';

/** Differences that are shown before the rest is counted. */
const mostShown = 6;

/** Papers that were issued: fetched byte for byte, given to the household, issued again once the job has moved on. */
@Component({
  selector: 'lv-issued-list',
  imports: [Button, DatePipe, PaperLinksCard],
  template: `
    <section class="sheet" aria-labelledby="issued-heading">
      <h3 id="issued-heading">Issued</h3>
      <p class="small soft">
        What is issued is frozen: number, date, who, the job’s revision, and a digest of its bytes.
      </p>
      <p>
        <p-button
          [label]="'Issue this ' + kindName()"
          icon="pi pi-check"
          size="small"
          [disabled]="issued.issuing() !== null"
          (onClick)="issue(null)"
        />
      </p>
      @if (issued.issuing(); as order) {
        <p class="small" role="status">{{ order.says || 'Waiting' }}…</p>
      }
      @if (issued.said() !== '') {
        <p class="small" role="status" data-issued>{{ issued.said() }}</p>
      }
      @if (issued.problem() !== '') {
        <p class="problem small" role="alert">{{ issued.problem() }}</p>
      }
      <ul>
        @for (row of rows(); track row.paper.id) {
          <li [class.replaced]="row.paper.isReplaced" [attr.data-paper]="row.paper.letter">
            <div class="head">
              <b class="figure">{{ row.paper.number }} {{ row.paper.letter }}</b>
              <span class="state" [class.old]="row.isOld">{{ row.state }}</span>
            </div>
            <p class="small">
              {{ row.paper.title }} · {{ row.paper.issuedAt | date: 'mediumDate' }}
              @if (row.paper.actor !== '') {
                · {{ row.paper.actor }}
              }
              · job revision {{ row.paper.jobRevision }}
            </p>
            @if (row.differs.length > 0) {
              <details class="small">
                <summary>{{ row.paper.differs.length }} things differ in the job since</summary>
                <ul>
                  @for (line of row.differs; track line) {
                    <li>{{ line }}</li>
                  }
                </ul>
              </details>
            }
            <p class="small soft digest figure" [title]="row.paper.digest">SHA-256 {{ row.short }}</p>
            @if (!row.paper.erasedAt) {
              <div class="actions">
                <a [href]="row.address" download><i class="pi pi-download" aria-hidden="true"></i> PDF</a>
                @if (row.mayReissue) {
                  <p-button
                    [label]="'Issue as revision ' + row.next"
                    size="small"
                    [text]="true"
                    [disabled]="issued.issuing() !== null"
                    (onClick)="issue(row.paper)"
                  />
                }
                @if (row.mayGive) {
                  <p-button
                    label="Give by link"
                    size="small"
                    [text]="true"
                    [ariaLabel]="'Give ' + row.paper.number + ' by a link'"
                    (onClick)="given.set(given() === row.paper.id ? '' : row.paper.id)"
                  />
                }
                <p-button
                  label="Erase"
                  size="small"
                  severity="secondary"
                  [text]="true"
                  [ariaLabel]="'Erase ' + row.paper.number + ' ' + row.paper.letter"
                  (onClick)="erasing.set(row.paper.id)"
                />
              </div>
              @if (erasing() === row.paper.id) {
                <div class="ask" role="alertdialog" [attr.aria-label]="'Erase ' + row.paper.number">
                  <p class="small">Its bytes are gone for good; number and digest stay in this list.</p>
                  <p-button label="Erase it" size="small" severity="danger" (onClick)="erase(row.paper)" />
                  <p-button label="Keep it" size="small" [text]="true" (onClick)="erasing.set('')" />
                </div>
              }
              @if (given() === row.paper.id) {
                <lv-paper-links-card [paper]="row.paper" />
              }
            }
          </li>
        } @empty {
          <li class="soft small">Nothing has been issued yet.</li>
        }
      </ul>
    </section>
  `,
  styleUrl: './issued-list.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class IssuedList {
  protected readonly issued = inject(IssuedPapers);
  private readonly state = inject(PapersState);
  private readonly session = inject(JobSession);
  /** The paper whose links are shown; '' = none. */
  protected readonly given = signal('');
  protected readonly erasing = signal('');

  protected readonly kindName = computed(() => kindNames[this.state.kind()]);
  protected readonly rows = computed(() =>
    this.issued.papers().map((paper) => {
      const isOld = paper.differs.length > 0;
      return {
        paper,
        isOld,
        state: stateOf(paper),
        differs: paper.differs
          .slice(0, mostShown)
          .concat(paper.differs.length > mostShown ? [`and ${paper.differs.length - mostShown} more`] : []),
        short: paper.digest.slice(0, 16),
        next: nextLetter(paper.letter),
        address: `/api/jobs/${this.session.id()}/papers/${paper.id}/file`,
        mayReissue: !paper.isReplaced && paper.kind === this.state.kind(),
        mayGive: forHousehold(paper.kind) && !paper.isReplaced,
      };
    }),
  );

  constructor() {
    void this.issued.refresh();
  }

  protected issue(reissues: IssuedPaper | null): void {
    void this.issued.issue(this.state.request(), reissues);
  }

  protected erase(paper: IssuedPaper): void {
    this.erasing.set('');
    void this.issued.erase(paper);
  }
}

const kindNames = {
  proposal: 'proposal',
  packet: 'permit packet',
  parts: 'parts list',
  labels: 'set of labels',
  card: 'outage card',
  report: 'commissioning report',
} as const;

function stateOf({ erasedAt, isReplaced, differs }: IssuedPaper): string {
  if (erasedAt) return 'erased';
  if (isReplaced) return 'replaced';
  return differs.length > 0 ? 'out of date' : 'up to date';
}

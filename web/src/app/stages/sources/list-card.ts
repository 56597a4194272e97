import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { compareLists, itemsFor, moveToList } from '@levamen/core/design';
import { catalogueOf } from '@levamen/core/equipment';
import { evaluatePlan, type Evaluation } from '@levamen/core/study';
import { Button } from 'primeng/button';
import { catchError, of } from 'rxjs';
import { CompanyEquipment } from '../../data/company-equipment';
import { EvaluationService } from '../../data/evaluation';
import { JobSession } from '../../data/job-session';
import { verdictWords } from '../../ui/verdict-mark';

/** Which list of equipment the job is designed with, whether there is a newer one, and what that would change. */
@Component({
  selector: 'lv-list-card',
  imports: [Button, RouterLink],
  template: `
    <section class="sheet" aria-labelledby="equipment-list-heading">
      <h2 id="equipment-list-heading">Equipment to choose from</h2>
      <p class="small">{{ designedWith() }} <a routerLink="/equipment">Look at the equipment</a></p>
      @if (problem() !== '') {
        <p class="small problem" role="alert">
          <i class="pi pi-exclamation-triangle" aria-hidden="true"></i> {{ problem() }} What the job has kept
          and the sample line are used.
        </p>
      }
      @if (newer(); as news) {
        <p class="small">
          <b>There is a newer one</b>, revision {{ news.revision }}. Moving to it changes
          @if (news.isNothing) {
            nothing of what is in use here.
          } @else {
            what is in use here:
          }
        </p>
        <ul class="small">
          @for (item of news.changed; track item.name) {
            <li>
              {{ item.name }}:
              @for (change of item.changes; track change.label; let last = $last) {
                {{ change.label.toLowerCase() }} {{ change.before || 'not stated' }} →
                {{ change.after || 'not stated' }}{{ last ? '' : ';' }}
              }
            </li>
          }
          @for (name of news.gone; track name) {
            <li>{{ name }} is offered no longer; it stays in this design as it was.</li>
          }
          @for (line of news.margins; track line) {
            <li>{{ line }}</li>
          }
        </ul>
        @if (news.others > 0) {
          <p class="small soft">{{ news.others }} other items are new, other, or gone.</p>
        }
        <p-button
          [label]="'Move to revision ' + news.revision"
          size="small"
          [outlined]="true"
          (onClick)="move()"
        />
      }
    </section>
  `,
  styles: `
    .sheet {
      display: grid;
      gap: 0.4rem;
      padding: 0.8rem 0.95rem;
    }
    ul {
      padding-inline-start: 1.1rem;
    }
    .problem {
      color: var(--tight);
      font-weight: 600;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ListCard {
  private readonly session = inject(JobSession);
  private readonly evaluations = inject(EvaluationService);
  private readonly latest = toSignal(
    inject(CompanyEquipment)
      .latest()
      .pipe(catchError(() => of(null))),
    {
      initialValue: null,
    },
  );

  protected readonly problem = this.evaluations.listProblem;
  private readonly used = computed(() => this.session.plan()?.equipmentList ?? null);
  protected readonly designedWith = computed(() => {
    const revision = this.used()?.revision ?? 0;
    return revision === 0
      ? 'This job is designed with the sample line, whose units are invented.'
      : `This job is designed with revision ${revision} of the company’s equipment.`;
  });
  protected readonly newer = computed(() => {
    const latest = this.latest();
    const plan = this.session.plan();
    const used = this.used();
    const before = this.evaluations.rough();
    if (!latest || !plan || !used || !before || latest.revision === 0) return null;
    const isSame = latest.workspaceId === used.workspaceId && latest.revision === used.revision;
    if (isSame) return null;
    const moved = moveToList(plan, latest);
    const items = itemsFor(moved.equipmentList, latest);
    const parts = new Set(
      [
        ...plan.equipment.stacks.flatMap(({ parts: own }) => own),
        ...(before.selected?.stack.parts ?? []),
      ].map(({ unitId }) => unitId),
    );
    const difference = compareLists(this.evaluations.items(), items, parts);
    const after = evaluatePlan(moved, catalogueOf(items), this.evaluations.islandId());
    const margins = marginLines(before, after);
    const { changed, gone } = difference;
    return {
      ...difference,
      revision: latest.revision,
      margins,
      isNothing: changed.length + gone.length + margins.length === 0,
    };
  });

  protected move(): void {
    const latest = this.latest();
    if (latest)
      this.session.edit(`equipment, revision ${latest.revision}`, (plan) => moveToList(plan, latest));
  }
}

/** Verdicts that would be others; the runtime is simulated only after the move, and so left out. */
function marginLines(before: Evaluation, after: Evaluation): string[] {
  const lines = after.margins.flatMap((margin) => {
    const was = before.margins.find(({ key }) => key === margin.key);
    if (margin.key === 'runtime' || !was || was.verdict === margin.verdict) return [];
    return [`${margin.label}: ${verdictWords[was.verdict]} → ${verdictWords[margin.verdict]}`];
  });
  const [from, to] = [before.selected?.stack.name ?? 'none', after.selected?.stack.name ?? 'none'];
  return from === to ? lines : [...lines, `In use, before runtimes are simulated: ${from} → ${to}`];
}

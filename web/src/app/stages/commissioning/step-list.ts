import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { phaseNames, phases } from '@levamen/core/commissioning';
import { CommissioningState } from './commissioning-state';
import { StepVerdictMark } from './step-verdict';

/** Every step, phase by phase, in the order in which they are done. */
@Component({
  selector: 'lv-step-list',
  imports: [StepVerdictMark],
  template: `
    @for (phase of groups(); track phase.name) {
      <details [open]="phase.isOpen">
        <summary>
          <span>{{ phase.label }}</span>
          <span class="soft small">{{ phase.count }}</span>
        </summary>
        <ol>
          @for (row of phase.rows; track row.id) {
            <li>
              <button
                type="button"
                [class.waits]="row.waits"
                [attr.aria-current]="row.isSelected ? 'step' : null"
                [attr.aria-label]="row.label"
                (click)="state.choose(row.id)"
              >
                <lv-step-verdict [verdict]="row.verdict" [bare]="true" />
                <span class="title">{{ row.title }}</span>
                @if (row.waits) {
                  <i class="pi pi-lock" aria-hidden="true"></i>
                }
                @if (row.isOverridden) {
                  <i class="pi pi-forward" aria-hidden="true"></i>
                }
              </button>
            </li>
          }
        </ol>
      </details>
    }
  `,
  styleUrl: './step-rows.css',
  styles: `
    .waits {
      color: var(--ink-soft);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class StepList {
  protected readonly state = inject(CommissioningState);
  protected readonly groups = computed(() => {
    const steps = this.state.stand()?.steps ?? [];
    const selected = this.state.selected();
    return phaseNames.flatMap((name) => {
      const mine = steps.filter(({ step }) => step.phase === name);
      if (mine.length === 0) return [];
      const right = mine.filter(({ verdict }) => verdict === 'right').length;
      const off = mine.filter(({ verdict }) => verdict === 'off').length;
      return [
        {
          name,
          label: phases[name],
          count: `${right} of ${mine.length} right${off > 0 ? `, ${off} off` : ''}`,
          isOpen: selected?.step.phase === name || off > 0,
          rows: mine.map(({ step, verdict, waitsFor, entry }) => ({
            id: step.id,
            title: step.title,
            label: [
              step.title,
              verdict,
              ...(waitsFor.length > 0 ? ['waits'] : []),
              ...(entry.override ? ['done before its turn'] : []),
            ].join(', '),
            verdict,
            waits: waitsFor.length > 0,
            isOverridden: entry.override !== null,
            isSelected: step.id === selected?.step.id,
          })),
        },
      ];
    });
  });
}

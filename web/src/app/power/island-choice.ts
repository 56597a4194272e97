import { ChangeDetectionStrategy, Component, computed, inject, output } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { SelectButton } from 'primeng/selectbutton';
import { EvaluationService } from '../data/evaluation';

/** Where a house has several sources: which one everything is shown of, by the services it feeds. */
@Component({
  selector: 'lv-island-choice',
  imports: [FormsModule, SelectButton],
  template: `
    @if (islands().length > 1) {
      <span [id]="id" class="small">Source of</span>
      <p-selectbutton
        size="small"
        optionLabel="label"
        optionValue="value"
        [ariaLabelledBy]="id"
        [allowEmpty]="false"
        [options]="islands()"
        [ngModel]="island()?.id ?? ''"
        (ngModelChange)="choose($event)"
      />
    }
  `,
  styles: `
    :host {
      display: flex;
      align-items: center;
      gap: 0.6rem;
    }
    :host:empty {
      display: none;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class IslandChoice {
  private readonly evaluations = inject(EvaluationService);
  readonly chosen = output();

  protected readonly id = 'island-choice-label';
  protected readonly island = this.evaluations.island;
  protected readonly islands = computed(() =>
    (this.evaluations.evaluation()?.islands ?? []).map(({ id, name }) => ({ label: name, value: id })),
  );

  protected choose(id: string): void {
    this.evaluations.islandId.set(id);
    this.chosen.emit();
  }
}

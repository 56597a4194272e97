import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { MultiSelect } from 'primeng/multiselect';
import type { Choice } from '../../../ui/choice-field';

let nextId = 0;

/** A circuit that is named in a list. */
interface Named {
  readonly circuitId: string;
}

/** Some circuits, chosen from all there are. */
@Component({
  selector: 'lv-circuits-field',
  imports: [FormsModule, MultiSelect],
  template: `
    <label [for]="id" [id]="id + '-label'">{{ label() }}</label>
    <p-multiselect
      size="small"
      optionLabel="label"
      optionValue="value"
      placeholder="none"
      [inputId]="id"
      [ariaLabelledBy]="id + '-label'"
      [options]="listed()"
      [showToggleAll]="false"
      [ngModel]="chosen()"
      (ngModelChange)="choose($event)"
    />
    <span class="note">{{ hint() }}</span>
  `,
  styleUrl: '../../../ui/field.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CircuitsField {
  readonly label = input.required<string>();
  readonly hint = input('');
  /** Those there are; one without a circuit is left out. */
  readonly circuits = input.required<readonly Choice<string | null>[]>();
  readonly value = input.required<readonly Named[]>();
  readonly valueChange = output<Named[]>();

  protected readonly id = `circuits-${nextId++}`;
  protected readonly listed = computed(() => this.circuits().filter(({ value }) => value !== null));
  protected readonly chosen = computed(() => this.value().map(({ circuitId }) => circuitId));

  protected choose(ids: readonly string[]): void {
    this.valueChange.emit(ids.map((circuitId) => ({ circuitId })));
  }
}

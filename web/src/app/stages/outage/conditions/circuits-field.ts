import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { Button } from 'primeng/button';
import { type Choice, ChoiceField } from '../../../ui/choice-field';

/** A circuit that is named in a list. */
interface Named {
  readonly circuitId: string;
}

/** Some circuits, named one after the other. */
@Component({
  selector: 'lv-circuits-field',
  imports: [Button, ChoiceField],
  template: `
    <lv-choice-field
      [label]="label()"
      [hint]="hint()"
      [choices]="left()"
      [value]="null"
      (valueChange)="add($event)"
    />
    <ul>
      @for (circuit of chosen(); track circuit.value) {
        <li>
          {{ circuit.label }}
          <p-button
            icon="pi pi-times"
            size="small"
            [text]="true"
            [ariaLabel]="label() + ': not ' + circuit.label"
            (onClick)="remove(circuit.value)"
          />
        </li>
      }
    </ul>
  `,
  styles: `
    ul {
      list-style: none;
    }
    li {
      display: flex;
      align-items: center;
      justify-content: space-between;
      border-block-end: 1px solid var(--rule);
      font-size: 0.92rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CircuitsField {
  readonly label = input.required<string>();
  readonly hint = input('');
  /** Those there are; one without a circuit is left out. */
  readonly circuits = input.required<readonly Choice<string | null>[]>();
  readonly value = input.required<readonly Named[]>();
  readonly valueChange = output<Named[]>();

  protected readonly chosen = computed(() => this.circuits().filter(({ value }) => this.isNamed(value)));
  protected readonly left = computed(() =>
    this.circuits().filter(({ value }) => value !== null && !this.isNamed(value)),
  );

  protected add(circuitId: string | null): void {
    if (circuitId !== null) this.valueChange.emit([...this.value(), { circuitId }]);
  }

  protected remove(circuitId: string | null): void {
    this.valueChange.emit(this.value().filter((named) => named.circuitId !== circuitId));
  }

  private isNamed(circuitId: string | null): boolean {
    return this.value().some((named) => named.circuitId === circuitId);
  }
}

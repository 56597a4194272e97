import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { Button } from 'primeng/button';
import type { Form } from '../../../ui/form';
import { type Named, type TariffEntry, TariffRow } from './tariff-row';

/** A list of a tariff: its entries one below the other, and a button for another one. */
@Component({
  selector: 'lv-tariff-list',
  imports: [Button, TariffRow],
  template: `
    <h4>
      {{ heading() }}
      <p-button
        icon="pi pi-plus"
        size="small"
        [label]="add()"
        [text]="true"
        [disabled]="entries().length >= most()"
        (onClick)="changed.emit([...entries(), fresh()()])"
      />
    </h4>
    @for (entry of entries(); track entry.id; let index = $index) {
      <lv-tariff-row
        [entry]="entry"
        [label]="labels()[index]!"
        [shape]="shape()"
        [names]="names()"
        [seasons]="seasons()"
        [bands]="bands()"
        [currency]="currency()"
        [removable]="entries().length > least()"
        (changed)="change(entry.id, $event)"
        (removed)="changed.emit(without(entry.id))"
      />
    } @empty {
      <p class="small soft">{{ none() }}</p>
    }
  `,
  styles: `
    h4 {
      display: flex;
      flex-wrap: wrap;
      gap: 0.2rem 0.8rem;
      align-items: center;
      margin: 0.7rem 0 0;
    }
    p {
      margin: 0;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TariffList<T extends TariffEntry> {
  readonly heading = input.required<string>();
  readonly add = input.required<string>();
  /** Said where the list is empty. */
  readonly none = input('');
  readonly entries = input.required<readonly T[]>();
  readonly shape = input.required<Form<T>['shape']>();
  readonly names = input.required<readonly (keyof T & string)[]>();
  readonly fresh = input.required<() => T>();
  readonly least = input(0);
  readonly most = input(12);
  readonly seasons = input<Named>([]);
  readonly bands = input<Named>([]);
  readonly currency = input('');
  readonly changed = output<T[]>();

  protected readonly labels = computed(() =>
    this.entries().map((entry, index) =>
      'name' in entry && typeof entry.name === 'string' ? entry.name : `${this.heading()}, ${index + 1}`,
    ),
  );

  protected change(id: string, change: object): void {
    this.changed.emit(this.entries().map((entry) => (entry.id === id ? { ...entry, ...change } : entry)));
  }

  protected without(id: string): T[] {
    return this.entries().filter((entry) => entry.id !== id);
  }
}

import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import {
  type GoesWith,
  goesWithSchema,
  type ItemDraft,
  type Need,
  needSchema,
} from '@levamen/core/equipment/details';
import { Button } from 'primeng/button';
import { type Choice, ChoiceField } from '../ui/choice-field';
import { type Form, formOf } from '../ui/form';
import { FormField } from '../ui/form-field';

const goesWithFields = ['least', 'most', 'step', 'per'] as const;

/** What goes with an item and what must stand beside it, each chosen from the list. */
@Component({
  selector: 'lv-item-links',
  imports: [Button, ChoiceField, FormField],
  template: `
    <fieldset>
      <legend>Goes with it</legend>
      <p class="small soft">
        What may be connected to it, and how many: expansion packs, batteries, controllers.
      </p>
      @for (row of goesWith(); track row.itemId) {
        <div class="row">
          <b>{{ row.name }}</b>
          @for (name of goesWithFields; track name) {
            <lv-form-field [of]="row.form" [name]="name" />
          }
          <p-button
            icon="pi pi-times"
            size="small"
            [text]="true"
            [ariaLabel]="row.name + ' does not go with it'"
            (onClick)="dropGoesWith(row.itemId)"
          />
        </div>
      }
      <lv-choice-field
        label="Add what goes with it"
        [choices]="others()"
        [value]="null"
        (valueChange)="addGoesWith($event)"
      />
    </fieldset>
    <fieldset>
      <legend>Needed beside it</legend>
      <p class="small soft">
        Parts that make a system of it: controller, busbars, fuses, leads, terminators.
      </p>
      @for (row of needs(); track row.itemId) {
        <div class="row">
          <b>{{ row.name }}</b>
          <lv-form-field [of]="row.form" name="quantity" />
          <lv-form-field [of]="row.form" name="forEach" />
          <p-button
            icon="pi pi-times"
            size="small"
            [text]="true"
            [ariaLabel]="row.name + ' is not needed'"
            (onClick)="dropNeed(row.itemId)"
          />
        </div>
      }
      <lv-choice-field
        label="Add what it needs"
        [choices]="others()"
        [value]="null"
        (valueChange)="addNeed($event)"
      />
    </fieldset>
  `,
  styleUrls: ['./fieldset.css', './item-links.css'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ItemLinks {
  readonly draft = input.required<ItemDraft>();
  /** Everything in the list. */
  readonly items = input.required<readonly { readonly id: string; readonly name: string }[]>();
  readonly changed = output<ItemDraft>();

  protected readonly goesWithFields = goesWithFields;
  private readonly names = computed(() => new Map(this.items().map(({ id, name }) => [id, name])));
  protected readonly others = computed((): Choice<string>[] =>
    this.items()
      .filter(({ id, name }) => id !== this.draft().id && name !== '')
      .map(({ id, name }) => ({ value: id, label: name })),
  );
  protected readonly goesWith = computed(() =>
    this.draft().goesWith.map((value) => ({
      itemId: value.itemId,
      name: this.names().get(value.itemId) ?? value.itemId,
      form: this.formOfGoesWith(value),
    })),
  );
  protected readonly needs = computed(() =>
    this.draft().needs.map((value) => ({
      itemId: value.itemId,
      name: this.names().get(value.itemId) ?? value.itemId,
      form: this.formOfNeed(value),
    })),
  );

  protected addGoesWith(itemId: string | null): void {
    const { goesWith } = this.draft();
    if (itemId === null || goesWith.some((one) => one.itemId === itemId)) return;
    this.set({ goesWith: [...goesWith, { itemId, least: 0, most: 1, step: 1, per: 'each' }] });
  }

  protected dropGoesWith(itemId: string): void {
    this.set({ goesWith: this.draft().goesWith.filter((one) => one.itemId !== itemId) });
  }

  protected addNeed(itemId: string | null): void {
    const { needs } = this.draft();
    if (itemId === null || needs.some((one) => one.itemId === itemId)) return;
    this.set({ needs: [...needs, { itemId, quantity: 1, forEach: null }] });
  }

  protected dropNeed(itemId: string): void {
    this.set({ needs: this.draft().needs.filter((one) => one.itemId !== itemId) });
  }

  private formOfGoesWith(value: GoesWith): Form<GoesWith> {
    return formOf(
      goesWithSchema.shape,
      computed(() => value),
      (change) =>
        this.set({
          goesWith: this.draft().goesWith.map((one) =>
            one.itemId === value.itemId ? { ...one, ...change } : one,
          ),
        }),
    );
  }

  private formOfNeed(value: Need): Form<Need> {
    return formOf(
      needSchema.shape,
      computed(() => value),
      (change) =>
        this.set({
          needs: this.draft().needs.map((one) => (one.itemId === value.itemId ? { ...one, ...change } : one)),
        }),
    );
  }

  private set(change: Partial<Pick<ItemDraft, 'goesWith' | 'needs'>>): void {
    this.changed.emit({ ...this.draft(), ...change });
  }
}

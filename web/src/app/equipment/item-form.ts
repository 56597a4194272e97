import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { fieldFacts, type UnitSystem } from '@levamen/core/base';
import { itemKinds } from '@levamen/core/equipment';
import {
  bodyFields,
  identityFields,
  type ItemDraft,
  temperatureFields,
  warrantyFields,
} from '@levamen/core/equipment/details';
import type * as z from 'zod';
import { type Form, formOf } from '../ui/form';
import { FormField } from '../ui/form-field';

type Values = Record<string, unknown>;
type Shape = Readonly<Record<string, z.ZodType>>;

interface Group {
  readonly label: string;
  readonly form: Form<Values>;
  /** Names of fields that must be filled in, and of those that may stay empty. */
  readonly needed: readonly string[];
  readonly optional: readonly string[];
}

/** A field that stands for nothing while it is empty. */
const mayBeEmpty = (schema: z.ZodType): boolean =>
  [null, '', []].some((nothing) => schema.safeParse(nothing).success);

/** An item as its data sheet reads: groups of fields, what is needed before what may be empty. */
@Component({
  selector: 'lv-item-form',
  imports: [FormField],
  template: `
    @for (group of groups(); track group.label) {
      <fieldset>
        <legend>{{ group.label }}</legend>
        @if (group.needed.length > 0) {
          <div class="grid">
            @for (name of group.needed; track name) {
              <lv-form-field [of]="group.form" [name]="name" />
            }
          </div>
        }
        @if (group.optional.length > 0) {
          @if (group.needed.length > 0) {
            <p class="apart small soft">May stay empty</p>
          }
          <div class="grid">
            @for (name of group.optional; track name) {
              <lv-form-field [of]="group.form" [name]="name" />
            }
          </div>
        }
      </fieldset>
    }
  `,
  styleUrls: ['./fieldset.css', './item-form.css'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ItemForm {
  readonly draft = input.required<ItemDraft>();
  readonly units = input.required<UnitSystem>();
  readonly changed = output<ItemDraft>();

  private readonly kind = computed(() => this.draft().kind);
  private readonly head = computed((): Values => ({ ...this.draft() }));
  private readonly ratings = computed((): Values => this.draft().ratings);

  protected readonly groups = computed((): Group[] => {
    const ofHead = (label: string, shape: Shape): Group =>
      this.group(label, shape, this.head, (change) => this.changed.emit({ ...this.draft(), ...change }));
    const ofRatings = (label: string, shape: Shape): Group =>
      this.group(label, shape, this.ratings, (change) =>
        this.changed.emit({ ...this.draft(), ratings: { ...this.draft().ratings, ...change } }),
      );
    return [
      ofHead('Item', identityFields),
      ...itemKinds[this.kind()].groups
        .filter(({ fields }) => Object.keys(fields).length > 0)
        .map(({ label, fields }) => ofRatings(label, fields)),
      ofHead('Body', bodyFields),
      ofHead('Temperatures', temperatureFields),
      ofHead('Warranty', warrantyFields),
    ];
  });

  private group(
    label: string,
    shape: Shape,
    value: Form<Values>['value'],
    set: (change: Partial<Values>) => void,
  ): Group {
    const names = Object.keys(shape);
    const form = formOf<Values>(shape, value, (change) => set(change), { units: this.units });
    const longest = (name: string): number => fieldFacts.get(shape[name]!)?.rows ?? 0;
    return {
      label,
      form,
      needed: names.filter((name) => !mayBeEmpty(shape[name]!)),
      optional: names.filter((name) => mayBeEmpty(shape[name]!)).toSorted((a, b) => longest(a) - longest(b)),
    };
  }
}

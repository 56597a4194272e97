import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { fieldFacts, shownFieldText } from '@levamen/core/base';
import { itemKinds } from '@levamen/core/equipment';
import {
  bodyFields,
  type ItemDraft,
  temperatureFields,
  warrantyFields,
} from '@levamen/core/equipment/details';
import type * as z from 'zod';

interface SheetGroup {
  readonly label: string;
  readonly rows: readonly { readonly label: string; readonly text: string }[];
}

/** What is said of an item, to be read. */
@Component({
  selector: 'lv-item-sheet',
  template: `
    @if (draft().summary !== '') {
      <p>{{ draft().summary }}</p>
    }
    <div class="groups">
      @for (group of groups(); track group.label) {
        <section>
          <h3>{{ group.label }}</h3>
          <dl>
            @for (row of group.rows; track row.label) {
              <dt>{{ row.label }}</dt>
              <dd class="figure">{{ row.text }}</dd>
            }
          </dl>
        </section>
      }
    </div>
  `,
  styles: `
    .groups {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(21rem, 1fr));
      gap: 1rem 1.6rem;
      margin-block-start: 0.7rem;
    }
    h3 {
      border-block-end: 2px solid var(--rule-strong);
    }
    dl {
      display: grid;
      grid-template-columns: minmax(9rem, 1fr) auto;
    }
    dt,
    dd {
      padding: 0.2rem 0;
      border-block-end: 1px solid var(--rule);
      font-size: 0.92rem;
    }
    dd {
      text-align: end;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ItemSheet {
  readonly draft = input.required<ItemDraft>();
  /** Names by identifier. */
  readonly names = input.required<readonly { readonly id: string; readonly name: string }[]>();

  protected readonly groups = computed((): SheetGroup[] => {
    const draft = this.draft();
    const head = (label: string, fields: Readonly<Record<string, z.ZodType>>): SheetGroup => ({
      label,
      rows: rowsOf(fields, { ...draft }),
    });
    const nameOf = (id: string): string => this.names().find((one) => one.id === id)?.name ?? id;
    const links: SheetGroup = {
      label: 'Goes with it',
      rows: draft.goesWith.map(({ itemId, least, most, step, per }) => ({
        label: nameOf(itemId),
        text: `${least} to ${most}${step === 1 ? '' : ` in ${step}s`} ${per === 'each' ? 'for each' : 'for all together'}`,
      })),
    };
    return [
      ...itemKinds[draft.kind].groups.map(({ label, fields }) => ({
        label,
        rows: rowsOf(fields, draft.ratings),
      })),
      head('Body', bodyFields),
      head('Temperatures', temperatureFields),
      head('Warranty', warrantyFields),
      links,
    ].filter(({ rows }) => rows.length > 0);
  });
}

/** What is said, with its unit; what is not said is left out. */
const rowsOf = (
  fields: Readonly<Record<string, z.ZodType>>,
  values: Readonly<Record<string, unknown>>,
): { label: string; text: string }[] =>
  Object.entries(fields).flatMap(([key, schema]) => {
    const text = shownFieldText(schema, values[key]);
    return text === '' ? [] : [{ label: fieldFacts.get(schema)!.label, text }];
  });

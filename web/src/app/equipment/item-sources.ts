import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { fieldFacts } from '@levamen/core/base';
import { fieldsOfKind, type ItemDraft, ratingSourceSchema } from '@levamen/core/equipment/details';
import { Button } from 'primeng/button';
import { type Choice, ChoiceField } from '../ui/choice-field';
import { TextField } from '../ui/text-field';

/** Where single values were read, if not in the data sheet. */
@Component({
  selector: 'lv-item-sources',
  imports: [Button, ChoiceField, TextField],
  template: `
    <fieldset>
      <legend>Where it was read</legend>
      <p class="small soft">
        Values that do not come from the data sheet: a letter, a measurement, a listing.
      </p>
      @for (row of rows(); track row.field) {
        <div class="row">
          <lv-text-field
            [label]="'Source of ' + row.label.toLowerCase()"
            [schema]="source"
            [value]="row.source"
            (valueChange)="set(row.field, $event)"
          />
          <p-button
            icon="pi pi-times"
            size="small"
            [text]="true"
            [ariaLabel]="row.label + ' comes from the data sheet'"
            (onClick)="drop(row.field)"
          />
        </div>
      }
      <lv-choice-field
        label="Add a value from elsewhere"
        [choices]="others()"
        [value]="null"
        (valueChange)="add($event)"
      />
    </fieldset>
  `,
  styleUrls: ['./fieldset.css', './item-links.css'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ItemSources {
  readonly draft = input.required<ItemDraft>();
  readonly changed = output<ItemDraft>();

  protected readonly source = ratingSourceSchema.shape.source;
  private readonly labels = computed(
    () =>
      new Map(fieldsOfKind(this.draft().kind).map(({ key, schema }) => [key, fieldFacts.get(schema)!.label])),
  );
  protected readonly rows = computed(() =>
    this.draft().sources.map(({ field, source }) => ({
      field,
      source,
      label: this.labels().get(field) ?? field,
    })),
  );
  protected readonly others = computed((): Choice<string>[] => {
    const named = new Set(this.draft().sources.map(({ field }) => field));
    return [...this.labels()].flatMap(([value, label]) => (named.has(value) ? [] : [{ value, label }]));
  });

  protected add(field: string | null): void {
    if (field !== null) this.emit([...this.draft().sources, { field, source: '' }]);
  }

  protected set(field: string, source: string): void {
    this.emit(this.draft().sources.map((one) => (one.field === field ? { ...one, source } : one)));
  }

  protected drop(field: string): void {
    this.emit(this.draft().sources.filter((one) => one.field !== field));
  }

  private emit(sources: ItemDraft['sources']): void {
    this.changed.emit({ ...this.draft(), sources });
  }
}

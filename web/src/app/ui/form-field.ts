import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { type Decimal, fieldFacts, fieldText, readFieldText } from '@levamen/core/base';
import { inWordsOf } from '@levamen/core/present';
import * as z from 'zod';
import { AmountField } from './amount-field';
import { ChoiceField, type Choice } from './choice-field';
import type { Form } from './form';
import { MoneyField } from './money-field';
import { PLACE_LOCALE } from './place-locale';
import { SeveralField } from './several-field';
import { TextField } from './text-field';

/**
 * One field of a form. Label, unit, hint, choices and bounds are those of its schema; whether it may be left empty is told
 * by the schema, too.
 *
 * @example <lv-form-field [of]="form" name="powerW" />
 */
@Component({
  selector: 'lv-form-field',
  imports: [AmountField, ChoiceField, MoneyField, SeveralField, TextField],
  template: `
    @switch (kind()) {
      @case ('choice') {
        <lv-choice-field
          [label]="shownLabel()"
          [hint]="shownHint()"
          [choices]="listed()"
          [value]="value()"
          [assumed]="assumed()"
          [why]="why()"
          (valueChange)="take($event)"
        />
      }
      @case ('amount') {
        <lv-amount-field
          [label]="shownLabel()"
          [hint]="shownHint()"
          [unit]="facts().unit!"
          [hideLabel]="hideLabel()"
          [system]="of().units()"
          [optional]="optional()"
          [schema]="amountSchema()"
          [value]="amount()"
          [assumed]="assumedAmount()"
          [why]="why()"
          (valueChange)="take($event)"
        />
      }
      @case ('several') {
        <lv-several-field
          [label]="shownLabel()"
          [choices]="facts().several!"
          [value]="several()"
          (valueChange)="take($event)"
        />
      }
      @case ('money') {
        <lv-money-field
          [label]="shownLabel()"
          [hint]="shownHint()"
          [hideLabel]="hideLabel()"
          [unit]="currency()"
          [optional]="optional()"
          [value]="money()"
          (valueChange)="take($event)"
        />
      }
      @case ('points') {
        <lv-text-field
          [label]="shownLabel()"
          [hint]="shownHint()"
          [schema]="pointsSchema"
          [value]="points()"
          (valueChange)="takePoints($event)"
        />
      }
      @default {
        <lv-text-field
          [label]="shownLabel()"
          [hint]="shownHint()"
          [rows]="facts().rows ?? 1"
          [schema]="textSchema()"
          [value]="text()"
          (valueChange)="takeText($event)"
        />
      }
    }
  `,
  styles: `
    :host {
      display: block;
      min-width: 0;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FormField<T extends object> {
  readonly of = input.required<Form<T>>();
  readonly name = input.required<keyof T & string>();
  /** What there is to choose, where that depends on the job. */
  readonly choices = input<readonly Choice<unknown>[] | null>(null);
  /** In place of the hint of the schema, where it depends on the job. */
  readonly hint = input<string | null>(null);
  /** In place of the label of the schema, where one form shows a field several times. */
  readonly label = input<string | null>(null);
  readonly hideLabel = input(false);
  /** Of an amount of money. */
  readonly currency = input('');

  private readonly locale = inject(PLACE_LOCALE);
  protected readonly schema = computed((): z.ZodType => this.of().shape[this.name()]);
  protected readonly facts = computed(() => {
    const facts = fieldFacts.get(this.schema());
    if (!facts) throw new Error(`The field "${this.name()}" has no label`);
    return facts;
  });
  protected readonly shownLabel = computed(() =>
    inWordsOf(this.locale(), this.label() ?? this.facts().label),
  );
  protected readonly shownHint = computed(() => this.hint() ?? this.facts().hint ?? '');
  protected readonly kind = computed((): 'choice' | 'several' | 'points' | 'money' | 'amount' | 'text' => {
    const { choices, unit, several, points, money } = this.facts();
    if (choices ?? this.choices()) return 'choice';
    if (several) return 'several';
    if (points) return 'points';
    if (money) return 'money';
    return unit ? 'amount' : 'text';
  });
  /** May it be left empty? */
  protected readonly optional = computed(() => this.schema().safeParse(null).success);
  protected readonly listed = computed((): readonly Choice<unknown>[] => {
    return this.choices() ?? (this.facts().choices ?? []).map(([value, label]) => ({ value, label }));
  });
  protected readonly value = computed((): unknown => this.of().value()[this.name()]);
  private readonly default = computed(() => this.of().defaults()[this.name()]);
  protected readonly assumed = computed((): unknown => this.default()?.value ?? null);
  protected readonly why = computed(() => this.default()?.why ?? '');

  // An amount has a unit, and so is a number; everything else that is no choice is a text.
  protected readonly amountSchema = computed(() => this.schema() as z.ZodType<number | null>);
  protected readonly amount = computed(() => this.value() as number | null);
  protected readonly assumedAmount = computed(() => this.assumed() as number | null);
  protected readonly money = computed(() => this.value() as Decimal | null);
  protected readonly text = computed(() => (this.value() as string | null) ?? '');
  protected readonly several = computed(() => (this.value() as readonly string[] | null) ?? []);
  protected readonly points = computed(() => fieldText(this.schema(), this.value()));
  /** A text that reads as a list of points. */
  protected readonly pointsSchema = z.string().superRefine((text, context) => {
    const read = readFieldText(this.schema(), text);
    if (!read.ok) context.addIssue({ code: 'custom', message: read.message });
  });
  /** An emptied text that may be unknown is unknown. */
  protected readonly textSchema = computed(() =>
    this.optional() ? z.preprocess((text) => (text === '' ? null : text), this.schema()) : this.schema(),
  );

  protected takeText(text: string): void {
    this.take(text === '' && this.optional() ? null : text);
  }

  protected takePoints(text: string): void {
    const read = readFieldText(this.schema(), text);
    if (read.ok && fieldText(this.schema(), read.value) !== this.points()) this.take(read.value);
  }

  protected take(value: unknown): void {
    if (value === null && !this.optional()) return;
    this.of().set(
      { [this.name()]: value } as Partial<T>,
      inWordsOf(this.locale(), this.facts().label).toLowerCase(),
    );
  }
}

import { signal, type Signal } from '@angular/core';
import type { Setting, UnitSystem } from '@levamen/core/base';
import type * as z from 'zod';

/** The defaults in force where nothing is said, by field. */
export type Defaults<T> = { readonly [K in keyof T]?: Pick<Setting<unknown>, 'value' | 'why'> };

/** A part of the plan as a form: what its fields are, what stands in them, and what becomes of an edit. */
export interface Form<T extends object> {
  /** The schema of each field; what a form says of it is registered with it (`fieldFacts`). */
  readonly shape: { readonly [K in keyof T]: z.ZodType };
  readonly value: Signal<T>;
  readonly units: Signal<UnitSystem>;
  readonly defaults: Signal<Defaults<T>>;
  /** @param label of the field, for the step of undo */
  readonly set: (change: Partial<T>, label: string) => void;
}

const metric = signal<UnitSystem>('metric');
const noDefaults = signal({});

/**
 * @param shape of the schema of the part
 * @param value the part as it is
 * @param set takes an edit
 */
export const formOf = <T extends object>(
  shape: Form<T>['shape'],
  value: Signal<T>,
  set: Form<T>['set'],
  { units = metric, defaults = noDefaults }: Partial<Pick<Form<T>, 'units' | 'defaults'>> = {},
): Form<T> => ({ shape, value, units, defaults, set });

import { InjectionToken, type Type } from '@angular/core';
import type { Plan } from '@levamen/core/design';

/** How far a stage is filled in. */
export interface Completeness {
  readonly done: number;
  readonly of: number;
}

export const countOf = (said: readonly boolean[]): Completeness => ({
  done: said.filter(Boolean).length,
  of: said.length,
});

/** A key and what it does, for the list of keys. */
export interface Shortcut {
  readonly keys: string;
  readonly does: string;
}

export interface ShortcutGroup {
  readonly group: string;
  readonly rows: readonly Shortcut[];
}

/** Something of a stage that the palette finds; the stage is asked to show it ({@link Focus}). */
export interface Findable {
  /** What the stage knows it by. */
  readonly id: string;
  readonly label: string;
  readonly detail: string;
  /** What kind of thing it is, as "Load". */
  readonly group: string;
}

/** Everything the shell knows of a stage. Each says it in one file beside its screen: `stages/<stage>/<stage>.stage.ts`. */
export interface Stage {
  /** The last part of its address. */
  readonly path: string;
  readonly name: string;
  readonly purpose: string;
  readonly screen: () => Promise<Type<unknown>>;
  readonly completeness: (plan: Plan) => Completeness;
  readonly findables?: (plan: Plan) => readonly Findable[];
  readonly shortcuts?: ShortcutGroup;
}

/** The stages in the order of the work. Digits jump to them. */
export const STAGES = new InjectionToken<readonly Stage[]>('stages');

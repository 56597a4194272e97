import { inject, linkedSignal, signal, type Signal } from '@angular/core';
import type * as z from 'zod';
import { Typing } from './typing';

/**
 * Text that is taken as it is typed: what the schema refuses stays in the field, with its message once the field is left.
 * Made where injection is possible, as a property of a field.
 */
export class TypedText {
  private readonly typing = inject(Typing);
  /** What was taken does not move what is being typed: a space at the end stays. */
  readonly text;
  readonly error = signal('');
  /** What stood here when typing began: Escape goes back to it. */
  private before: string | null = null;

  constructor(
    private readonly value: Signal<string>,
    private readonly schema: () => z.ZodType,
    private readonly take: (value: string) => void,
  ) {
    this.text = linkedSignal<string, string>({
      source: value,
      computation: (now, before) => (before?.value.trim() === now ? before.value : now),
    });
  }

  onTyped(text: string): void {
    this.before ??= this.value();
    this.text.set(text);
    const typed = text.trim();
    if (!this.schema().safeParse(typed).success) return;
    this.error.set('');
    if (typed !== this.value()) this.typing.during(() => this.take(typed));
  }

  commit(): void {
    const typed = this.text().trim();
    const checked = this.schema().safeParse(typed);
    this.error.set(checked.success ? '' : checked.error.issues[0]!.message);
    if (checked.success && typed !== this.value()) this.take(typed);
    if (checked.success) this.text.set(typed);
    this.before = null;
    this.typing.pause();
  }

  reset(): void {
    const before = this.before ?? this.value();
    if (before !== this.value()) this.typing.during(() => this.take(before));
    this.text.set(before);
    this.error.set('');
    this.before = null;
  }
}

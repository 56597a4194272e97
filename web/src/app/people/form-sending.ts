import { HttpErrorResponse } from '@angular/common/http';
import { signal } from '@angular/core';
import { problemSchema } from '@levamen/core/api';
import { firstValueFrom, type Observable } from 'rxjs';
import type * as z from 'zod';
import { problemText } from '../data/jobs-api';

/** Sends a form as a whole: what does not fit is said at its field, before and after the server has seen it. */
export class FormSending {
  readonly busy = signal(false);
  /** What concerns the form as a whole; '' = nothing. */
  readonly problem = signal('');
  private readonly fields = signal<Readonly<Record<string, string>>>({});

  /** What is wrong with a field; '' = nothing. */
  at(name: string): string {
    return this.fields()[name] ?? '';
  }

  /** @returns whether it was taken */
  async send<Schema extends z.ZodType>(
    schema: Schema,
    entered: unknown,
    sending: (checked: z.infer<Schema>) => Observable<unknown>,
  ): Promise<boolean> {
    this.problem.set('');
    const checked = schema.safeParse(entered);
    if (!checked.success) {
      this.show(checked.error.issues.map(({ path, message }) => ({ path: path.join('.'), message })));
      return false;
    }
    this.fields.set({});
    this.busy.set(true);
    try {
      await firstValueFrom(sending(checked.data));
      return true;
    } catch (error) {
      const said = error instanceof HttpErrorResponse ? problemSchema.loose().safeParse(error.error) : null;
      const problems = said?.success ? (said.data.problems ?? []) : [];
      if (problems.length > 0) this.show(problems);
      else this.problem.set(problemText(error));
      return false;
    } finally {
      this.busy.set(false);
    }
  }

  private show(problems: readonly { readonly path: string; readonly message: string }[]): void {
    const fields: Record<string, string> = {};
    for (const { path, message } of problems) fields[path] ??= message;
    this.fields.set(fields);
  }
}

import { inject, Injectable, signal, type WritableSignal } from '@angular/core';
import { JobSession } from './job-session';

/** The last answers to long questions about the open job: they outlive the stage that asked. */
@Injectable()
export class LastAnswers {
  private readonly session = inject(JobSession);
  private readonly all = new Map<string, WritableSignal<unknown>>();

  /** Where the last answer of a kind stands; null where there is none yet. Each kind has one type of answer. */
  of<T>(kind: string): WritableSignal<T | null> {
    const key = `${this.session.id()} ${kind}`;
    const known = this.all.get(key) ?? signal<unknown>(null);
    this.all.set(key, known);
    return known as WritableSignal<T | null>;
  }
}

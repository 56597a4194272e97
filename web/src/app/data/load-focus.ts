import { Injectable, signal } from '@angular/core';

/** Which load the table of loads should show next; asked for by the command palette. */
@Injectable()
export class LoadFocus {
  private readonly asked = signal<string | null>(null);
  readonly wanted = this.asked.asReadonly();

  ask(loadId: string): void {
    this.asked.set(loadId);
  }

  done(): void {
    this.asked.set(null);
  }
}

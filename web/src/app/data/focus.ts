import { computed, Injectable, signal, type Signal } from '@angular/core';

/** What a stage should show next; asked for by the command palette. */
@Injectable()
export class Focus {
  private readonly asked = signal<{ readonly stage: string; readonly id: string } | null>(null);

  /** Asks a stage to show one of its things. */
  ask(stage: string, id: string): void {
    this.asked.set({ stage, id });
  }

  /** What a stage is asked to show; null = nothing. */
  of(stage: string): Signal<string | null> {
    return computed(() => {
      const asked = this.asked();
      return asked?.stage === stage ? asked.id : null;
    });
  }

  done(): void {
    this.asked.set(null);
  }
}

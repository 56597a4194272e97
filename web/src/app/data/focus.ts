import { Injectable, signal } from '@angular/core';

/** Which load or circuit a stage should show next; asked for by the command palette. */
@Injectable()
export class Focus {
  private readonly askedLoad = signal<string | null>(null);
  private readonly askedCircuit = signal<string | null>(null);
  private readonly askedBench = signal<string | null>(null);
  readonly bench = this.askedBench.asReadonly();
  readonly load = this.askedLoad.asReadonly();
  readonly circuit = this.askedCircuit.asReadonly();

  askLoad(id: string): void {
    this.askedLoad.set(id);
  }

  askCircuit(id: string): void {
    this.askedCircuit.set(id);
  }

  /** A circuit or loose load, on the bench of the backup set. */
  askBench(id: string): void {
    this.askedBench.set(id);
  }

  done(): void {
    this.askedBench.set(null);
    this.askedLoad.set(null);
    this.askedCircuit.set(null);
  }
}

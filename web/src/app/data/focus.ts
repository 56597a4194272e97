import { Injectable, signal } from '@angular/core';

/** Which load or circuit its stage should show next; asked for by the command palette. */
@Injectable()
export class Focus {
  private readonly askedLoad = signal<string | null>(null);
  private readonly askedCircuit = signal<string | null>(null);
  readonly load = this.askedLoad.asReadonly();
  readonly circuit = this.askedCircuit.asReadonly();

  askLoad(id: string): void {
    this.askedLoad.set(id);
  }

  askCircuit(id: string): void {
    this.askedCircuit.set(id);
  }

  done(): void {
    this.askedLoad.set(null);
    this.askedCircuit.set(null);
  }
}

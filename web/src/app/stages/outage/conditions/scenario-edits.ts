import { inject, Injectable } from '@angular/core';
import {
  type Generator,
  type Plan,
  type Scenario,
  type SolarArray,
  type Sources,
  usualArray,
  usualGenerator,
  usualVehicle,
  type Vehicle,
} from '@levamen/core/design';
import { JobSession } from '../../../data/job-session';

/** Edits of what an outage meets. */
@Injectable()
export class ScenarioEdits {
  private readonly session = inject(JobSession);

  set(label: string, change: Partial<Scenario>): void {
    this.session.edit(label, (plan) => ({ ...plan, outage: { ...plan.outage, ...change } }));
  }

  /** What the arrays give beyond what the house takes, as the surplus of a usual day in the brief. */
  takeSurplus(surplusSolarWhPerDay: number): void {
    this.session.edit('surplus solar', (plan) => ({
      ...plan,
      brief: { ...plan.brief, surplusSolarWhPerDay },
    }));
  }

  addArray(): void {
    this.sources('a solar array', ({ sources, ...plan }) => {
      const { arrays } = sources;
      const numbers = arrays.map(({ id }) => Number(/^array-(\d+)$/.exec(id)?.[1] ?? 0));
      const number = Math.max(0, ...numbers) + 1;
      return { arrays: [...arrays, usualArray(plan, `array-${number}`, `Array ${number}`)] };
    });
  }

  setArray(id: string, change: Partial<SolarArray>): void {
    this.sources('a solar array', ({ sources }) => ({
      arrays: sources.arrays.map((one) => (one.id === id ? { ...one, ...change } : one)),
    }));
  }

  removeArray(id: string): void {
    this.sources('remove an array', ({ sources }) => ({
      arrays: sources.arrays.filter((one) => one.id !== id),
    }));
  }

  addGenerator(): void {
    this.sources('a generator', () => ({ generator: usualGenerator('auto') }));
  }

  setGenerator(change: Partial<Generator>): void {
    this.sources('the generator', ({ sources: { generator } }) => ({
      generator: generator && { ...generator, ...change },
    }));
  }

  removeGenerator(): void {
    this.sources('remove the generator', () => ({ generator: null }));
  }

  addVehicle(): void {
    this.sources('a vehicle', () => ({ vehicle: usualVehicle() }));
  }

  setVehicle(change: Partial<Vehicle>): void {
    this.sources('the vehicle', ({ sources: { vehicle } }) => ({
      vehicle: vehicle && { ...vehicle, ...change },
    }));
  }

  removeVehicle(): void {
    this.sources('remove the vehicle', () => ({ vehicle: null }));
  }

  private sources(label: string, change: (plan: Plan) => Partial<Sources>): void {
    this.session.edit(label, (plan) => ({ ...plan, sources: { ...plan.sources, ...change(plan) } }));
  }
}

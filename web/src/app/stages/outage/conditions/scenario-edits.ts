import { inject, Injectable } from '@angular/core';
import {
  type Generator,
  type Scenario,
  type SolarArray,
  usualArray,
  usualGenerator,
  type Vehicle,
} from '@levamen/core/design';
import { JobSession } from '../../../data/job-session';

/** Edits of what an outage meets. */
@Injectable()
export class ScenarioEdits {
  private readonly session = inject(JobSession);

  set(label: string, change: Partial<Scenario>): void {
    this.session.edit(label, (job) => ({ ...job, outage: { ...job.outage, ...change } }));
  }

  /** What the arrays give beyond what the house takes, as the surplus of a usual day in the brief. */
  takeSurplus(surplusSolarWhPerDay: number): void {
    this.session.edit('surplus solar', (job) => ({ ...job, brief: { ...job.brief, surplusSolarWhPerDay } }));
  }

  addArray(): void {
    this.session.edit('a solar array', (job) => {
      const { arrays } = job.outage;
      const numbers = arrays.map(({ id }) => Number(/^array-(\d+)$/.exec(id)?.[1] ?? 0));
      const number = Math.max(0, ...numbers) + 1;
      const array = usualArray(job, `array-${number}`, `Array ${number}`);
      return { ...job, outage: { ...job.outage, arrays: [...arrays, array] } };
    });
  }

  setArray(id: string, change: Partial<SolarArray>): void {
    this.arrays(
      (arrays) => arrays.map((one) => (one.id === id ? { ...one, ...change } : one)),
      'a solar array',
    );
  }

  removeArray(id: string): void {
    this.arrays((arrays) => arrays.filter((one) => one.id !== id), 'remove an array');
  }

  addGenerator(): void {
    this.set('a generator', { generator: usualGenerator('auto') });
  }

  setGenerator(change: Partial<Generator>): void {
    this.session.edit('the generator', (job) =>
      job.outage.generator
        ? { ...job, outage: { ...job.outage, generator: { ...job.outage.generator, ...change } } }
        : job,
    );
  }

  addVehicle(): void {
    this.set('a vehicle', {
      vehicle: {
        role: 'source',
        powerW: 5000,
        energyWh: 60_000,
        startCharge: 0.7,
        keeps: 0.3,
        feedsBelow: 0.3,
      },
    });
  }

  setVehicle(change: Partial<Vehicle>): void {
    this.session.edit('the vehicle', (job) =>
      job.outage.vehicle
        ? { ...job, outage: { ...job.outage, vehicle: { ...job.outage.vehicle, ...change } } }
        : job,
    );
  }

  private arrays(change: (arrays: SolarArray[]) => SolarArray[], label: string): void {
    this.session.edit(label, (job) => ({
      ...job,
      outage: { ...job.outage, arrays: change(job.outage.arrays) },
    }));
  }
}

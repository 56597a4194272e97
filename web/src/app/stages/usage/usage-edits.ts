import { inject, Injectable } from '@angular/core';
import type { Bill, Load, Outage, Usage } from '@levamen/core/house';
import type { Plan } from '@levamen/core/design';
import { JobSession } from '../../data/job-session';

/** Changes to bills, outages and measurements; each is one step of undo. */
@Injectable()
export class UsageEdits {
  private readonly session = inject(JobSession);

  set(label: string, change: Partial<Usage>): void {
    this.change(label, (usage) => ({ ...usage, ...change }));
  }

  addBills(bills: readonly Bill[]): void {
    this.change(bills.length === 1 ? 'new bill' : `${bills.length} bills`, (usage) => ({
      ...usage,
      bills: [...usage.bills, ...bills].toSorted((a, b) => a.fromDay.localeCompare(b.fromDay)),
    }));
  }

  changeBill(id: string, change: Partial<Bill>): void {
    this.change('bill', (usage) => ({
      ...usage,
      bills: usage.bills.map((bill) => (bill.id === id ? { ...bill, ...change } : bill)),
    }));
  }

  removeBill(id: string): void {
    this.change('bill removed', (usage) => ({
      ...usage,
      bills: usage.bills.filter((bill) => bill.id !== id),
    }));
  }

  addOutages(outages: readonly Outage[]): void {
    this.change(outages.length === 1 ? 'new outage' : `${outages.length} outages`, (usage) => ({
      ...usage,
      outages: [...usage.outages, ...outages].toSorted((a, b) => a.start.localeCompare(b.start)),
    }));
  }

  removeOutage(id: string): void {
    this.change('outage removed', (usage) => ({
      ...usage,
      outages: usage.outages.filter((outage) => outage.id !== id),
    }));
  }

  /** Loads with measured figures replace the assumed ones. */
  takeMeasured(label: string, measured: readonly Load[]): void {
    this.session.edit(label, (plan) => ({
      ...plan,
      loads: plan.loads.map((load) => measured.find(({ id }) => id === load.id) ?? load),
    }));
  }

  /** Says which circuit each channel measures: circuit id by channel name. */
  mapChannels(label: string, map: ReadonlyMap<string, string | null>): void {
    this.session.edit(label, (plan): Plan => {
      const channelOf = new Map(
        [...map].flatMap(([channel, id]) => (id === null ? [] : [[id, channel] as const])),
      );
      return {
        ...plan,
        survey: {
          ...plan.survey,
          panels: plan.survey.panels.map((panel) => ({
            ...panel,
            circuits: panel.circuits.map((circuit) => {
              const wanted = channelOf.get(circuit.id);
              if (wanted !== undefined) return { ...circuit, channel: wanted };
              return map.has(circuit.channel) ? { ...circuit, channel: '' } : circuit;
            }),
          })),
        },
      };
    });
  }

  private change(label: string, change: (usage: Usage) => Usage): void {
    this.session.edit(label, (plan) => ({ ...plan, usage: change(plan.usage) }));
  }
}

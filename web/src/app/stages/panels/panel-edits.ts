import { inject, Injectable } from '@angular/core';
import type { Circuit, FedFrom, Panel, Service, Survey } from '@levamen/core/house';
import {
  moveBreaker,
  newPanel,
  newService,
  putBreaker,
  type PutBreaker,
  readCircuitEntry,
} from '@levamen/core/house/details';
import { circuitsFromLoads, type Plan } from '@levamen/core/design';
import { JobSession } from '../../data/job-session';

const newId = (): string => crypto.randomUUID();

/** Changes to services, panels and circuits; each is one step of undo. */
@Injectable()
export class PanelEdits {
  private readonly session = inject(JobSession);

  /** Adds a service, and the panel behind it. Answers with the panel's id. */
  addService(): string {
    const serviceId = newId();
    return this.add('new service', ({ survey }) => ({
      service: newService(serviceId, `Service ${survey.services.length + 1}`),
      fedFrom: { kind: 'service', serviceId },
      name: survey.panels.length === 0 ? 'Main panel' : `Panel ${survey.panels.length + 1}`,
    }));
  }

  addPanel(fedFrom: FedFrom, name?: string): string {
    return this.add('new panel', ({ survey }) => ({
      fedFrom,
      name: name ?? `Panel ${survey.panels.length + 1}`,
    }));
  }

  changeService(id: string, change: Partial<Service>): void {
    this.survey('service', (survey) => ({
      ...survey,
      services: survey.services.map((service) => (service.id === id ? { ...service, ...change } : service)),
    }));
  }

  removeService(id: string): void {
    this.survey('service removed', (survey) => ({
      ...survey,
      services: survey.services.filter((service) => service.id !== id),
      panels: survey.panels.map((panel) =>
        panel.fedFrom.kind === 'service' && panel.fedFrom.serviceId === id
          ? { ...panel, fedFrom: { kind: 'unknown' } }
          : panel,
      ),
    }));
  }

  changePanel(id: string, change: Partial<Panel>, label = 'panel'): void {
    this.survey(label, (survey) => ({
      ...survey,
      panels: survey.panels.map((panel) => (panel.id === id ? { ...panel, ...change } : panel)),
    }));
  }

  removePanel(panel: Panel): void {
    const gone = new Set(panel.circuits.map(({ id }) => id));
    this.survey(`removing ${panel.name}`, (survey) => ({
      ...survey,
      panels: survey.panels
        .filter(({ id }) => id !== panel.id)
        .map((other) => {
          const { fedFrom } = other;
          const cut =
            (fedFrom.kind === 'circuit' && gone.has(fedFrom.circuitId)) ||
            (fedFrom.kind === 'lugs' && fedFrom.panelId === panel.id);
          return cut ? { ...other, fedFrom: { kind: 'unknown' as const } } : other;
        }),
      monitorCircuitId: gone.has(survey.monitorCircuitId ?? '') ? null : survey.monitorCircuitId,
    }));
  }

  /** Takes what was typed for a space; answers with the changed panel, or with what is wrong. */
  write(panel: Panel, space: number, text: string): PutBreaker {
    const read = readCircuitEntry(text);
    if (!read.ok) return read;
    const put = putBreaker(panel, space, read.entries, newId);
    if (put.ok) {
      this.changePanel(panel.id, { circuits: put.panel.circuits }, read.entries[0]!.name || `space ${space}`);
    }
    return put;
  }

  changeCircuit(panel: Panel, circuit: Circuit, change: Partial<Circuit>): void {
    this.changePanel(
      panel.id,
      { circuits: panel.circuits.map((one) => (one.id === circuit.id ? { ...one, ...change } : one)) },
      circuit.name || 'circuit',
    );
  }

  addCircuits(panel: Panel, circuits: readonly Circuit[], label: string): void {
    this.changePanel(panel.id, { circuits: [...panel.circuits, ...circuits] }, label);
  }

  removeCircuits(panel: Panel, circuits: readonly Circuit[]): void {
    const gone = new Set(circuits.map(({ id }) => id));
    this.survey(`removing ${circuits[0]?.name || 'a breaker'}`, (survey) => ({
      ...survey,
      panels: survey.panels.map((one) => {
        const fed = one.fedFrom.kind === 'circuit' && gone.has(one.fedFrom.circuitId);
        return {
          ...one,
          fedFrom: fed ? { kind: 'unknown' as const } : one.fedFrom,
          circuits: one.id === panel.id ? one.circuits.filter(({ id }) => !gone.has(id)) : one.circuits,
        };
      }),
      monitorCircuitId: gone.has(survey.monitorCircuitId ?? '') ? null : survey.monitorCircuitId,
    }));
  }

  /** False where the breaker does not fit there. */
  move(panel: Panel, circuit: Circuit, space: number): boolean {
    const moved = moveBreaker(panel, circuit.id, space);
    if (moved) this.changePanel(panel.id, moved, `moving ${circuit.name || 'a breaker'}`);
    return moved !== null;
  }

  /** Several moves as one step: the swaps of a plan. */
  moveAll(panel: Panel, moves: readonly { readonly circuitId: string; readonly space: number }[]): void {
    const moved = moves.reduce(
      (now, { circuitId, space }) => moveBreaker(now, circuitId, space) ?? now,
      panel,
    );
    this.changePanel(panel.id, moved, 'balancing the legs');
  }

  place(loadId: string, circuitId: string | null): void {
    this.session.edit('load placed', (plan) => ({
      ...plan,
      loads: plan.loads.map((load) => (load.id === loadId ? { ...load, circuitId } : load)),
    }));
  }

  /** Puts loads on circuits, in one step. */
  placeAll(circuits: ReadonlyMap<string, string>): void {
    this.session.edit(`${circuits.size} loads placed`, (plan) => ({
      ...plan,
      loads: plan.loads.map((load) => {
        const circuitId = circuits.get(load.id);
        return circuitId === undefined ? load : { ...load, circuitId };
      }),
    }));
  }

  /** A circuit for every load that hangs on none. */
  makeCircuits(): void {
    this.session.edit('circuits from loads', (plan) => circuitsFromLoads(plan, newId));
  }

  /** What is said of the circuit monitor. */
  setMonitor(change: Partial<Survey>, label: string): void {
    this.survey(label, (survey) => ({ ...survey, ...change }));
  }

  private add(
    label: string,
    make: (plan: Plan) => { service?: Service; fedFrom: FedFrom; name: string },
  ): string {
    const id = newId();
    this.session.edit(label, (plan) => {
      const { service, fedFrom, name } = make(plan);
      return {
        ...plan,
        survey: {
          ...plan.survey,
          services: service ? [...plan.survey.services, service] : plan.survey.services,
          panels: [...plan.survey.panels, newPanel(id, name, plan.supply.system, fedFrom)],
        },
      };
    });
    return id;
  }

  private survey(label: string, change: (survey: Survey) => Survey): void {
    this.session.edit(label, (plan) => ({ ...plan, survey: change(plan.survey) }));
  }
}

import { circuitsById, type Panel, panelUpstream, type Service, type Survey } from '../../house/index.js';
import { isAmerican } from '../../electric/index.js';
import type { GraphBuilder } from './graph-builder.js';

/** The device in another box that feeds a panel, A: the breaker ahead of it, else the circuit it hangs on; null = none, or not known. */
export const feederDeviceA = (survey: Survey, panel: Panel): number | null =>
  panel.feeder.breakerA ?? panelUpstream(survey, panel).circuit?.ratingA ?? null;

/** The places of the wiring that is there, and where things may be put between. */
export class Feeds {
  /** What feeds a panel, before anything is put between: by id of the panel. */
  private readonly feedPlace = new Map<string, string>();
  /** Circuits that move, and the busbar they move to. */
  private readonly movedTo = new Map<string, string>();

  constructor(private readonly builder: GraphBuilder) {}

  /** Where a service comes in: behind its own breaker, where there is one. */
  serviceHead(serviceId: string): string {
    const main = `main:${serviceId}`;
    return this.builder.places.has(main) ? main : `meter:${serviceId}`;
  }

  bus(panelId: string): string {
    return `bus:${panelId}`;
  }

  /** Puts something between a panel and what feeds it: the panel hangs on another place from now on. */
  hangOn(panelId: string, place: string): void {
    this.feedPlace.set(panelId, place);
  }

  /** A circuit hangs on another busbar from now on. */
  moveTo(circuitId: string, bus: string): void {
    this.movedTo.set(circuitId, bus);
  }

  /** The busbar a circuit hangs on once the house is wired; null = there is no such circuit. */
  busOf(circuitId: string): string | null {
    const placed = circuitsById(this.builder.plan.survey).get(circuitId);
    return this.movedTo.get(circuitId) ?? (placed ? this.bus(placed.panel.id) : null);
  }

  feedOf(panel: Panel): string | null {
    const put = this.feedPlace.get(panel.id);
    if (put !== undefined) return put;
    const { fedFrom } = panel;
    switch (fedFrom.kind) {
      case 'service':
        return this.serviceHead(fedFrom.serviceId);
      case 'lugs':
        return this.bus(fedFrom.panelId);
      case 'circuit':
        return this.busOf(fedFrom.circuitId);
      case 'unknown':
        return null;
    }
  }

  /** Panels hang on what feeds them: everything that comes between has been put there. */
  finish(): void {
    for (const panel of this.builder.plan.survey.panels) this.addFeeder(panel);
  }

  private addFeeder(panel: Panel): void {
    const { builder } = this;
    const { plan } = builder;
    const from = this.feedOf(panel);
    const terminals = `in:${panel.id}`;
    const { service, circuit, breakersA } = panelUpstream(plan.survey, panel);
    const ahead = panel.between.filter(({ kind }) => kind === 'emergency-disconnect');
    builder.place({
      id: terminals,
      name: `Supply terminals of ${panel.name}`,
      kind: 'terminals',
      enclosure: panel.id,
      panelId: panel.id,
    });
    if (from !== null) {
      const feederA = feederDeviceA(plan.survey, panel);
      const isService =
        panel.fedFrom.kind === 'service' && (service?.mainBreakerA ?? null) === null && feederA === null;
      let start = from;
      for (const [index, device] of ahead.entries()) {
        const next = builder.place({
          id: `emergency:${panel.id}:${index}`,
          name: 'Emergency disconnect',
          kind: 'terminals',
        });
        builder.part({
          id: `emergency:${panel.id}:${index}`,
          name: 'Emergency disconnect',
          from: start,
          to: next,
          device: { kind: 'disconnect', name: 'Emergency disconnect', ratingA: device.ratingA },
        });
        start = next;
      }
      builder.part({
        id: `feeder:${panel.id}`,
        name: `${isService ? 'Service conductors' : 'Feeder'} of ${panel.name}`,
        from: start,
        to: terminals,
        ...(feederA === null
          ? { aheadA: breakersA[0] ?? panel.mainBreakerA }
          : {
              device: {
                kind: 'breaker' as const,
                name: circuit ? `Breaker “${circuit.name}”` : `Breaker ahead of ${panel.name}`,
                ratingA: feederA,
              },
            }),
        cable: {
          use: isService ? 'service' : 'feeder',
          otherA: feederA ?? breakersA[0] ?? panel.mainBreakerA ?? service?.ratingA ?? 0,
          conductor: panel.feeder.conductor,
          lengthM: panel.feeder.lengthM,
          wholeDwelling: panel.fedFrom.kind === 'service',
        },
      });
    }
    builder.part({
      id: `panel-main:${panel.id}`,
      name: panel.mainBreakerA === null ? `Lugs of ${panel.name}` : `Main breaker of ${panel.name}`,
      from: terminals,
      to: this.bus(panel.id),
      ...(panel.mainBreakerA === null
        ? {}
        : {
            device: {
              kind: 'main' as const,
              name: `Main of ${panel.name}`,
              ratingA: panel.mainBreakerA,
              // A main switch of a consumer unit opens the neutral too.
              switchesNeutral: !isAmerican(plan.supply.system),
            },
          }),
    });
  }
}

function addService(builder: GraphBuilder, service: Service): void {
  const { id, name, mainBreakerA, ratingA } = service;
  builder.source({ id: `grid:${id}`, name: `Grid at ${name}`, kind: 'grid' });
  builder.place({ id: `meter:${id}`, name: `Meter of ${name}`, kind: 'meter' });
  builder.part({
    id: `drop:${id}`,
    name: `Service drop of ${name}`,
    from: `grid:${id}`,
    to: `meter:${id}`,
    cable: { use: 'service', otherA: ratingA ?? 0, isUtility: true },
  });
  if (mainBreakerA === null) return;
  builder.place({
    id: `main:${id}`,
    name: `Behind the breaker of ${name}`,
    kind: 'terminals',
    enclosure: `meter:${id}`,
  });
  builder.part({
    id: `service-main:${id}`,
    name: `Service disconnect of ${name}`,
    from: `meter:${id}`,
    to: `main:${id}`,
    device: { kind: 'main', name: `Service disconnect of ${name}`, ratingA: mainBreakerA },
  });
}

/** Adds meters, service disconnects and the busbars of the panels that are there; their feeders come last, see {@link Feeds.finish}. */
export function addServices(builder: GraphBuilder): Feeds {
  const { survey } = builder.plan;
  for (const service of survey.services) addService(builder, service);
  for (const panel of survey.panels)
    builder.place({
      id: `bus:${panel.id}`,
      name: panel.name,
      kind: 'bus',
      enclosure: panel.id,
      panelId: panel.id,
      busA: panel.busRatingA,
    });
  return new Feeds(builder);
}

import type { Stack } from '../../equipment/index.js';
import type { Panel, Service } from '../../house/index.js';
import {
  coversOf,
  type Island,
  islandWiring,
  isolatedPanelIds,
  movedCircuits,
  serviceBackup,
  splicedPanelId,
} from '../../design/index.js';
import { addBatteries } from './add-batteries.js';
import { addInverters, leastBusA, unitCurrentA } from './add-inverters.js';
import { addIsolatingDevice, type IsolatingPoint, isolatingNames } from './add-isolating-device.js';
import { type Feeds, feederDeviceA } from './add-services.js';
import type { GraphBuilder } from './graph-builder.js';

/** Where an island can be reached. */
export interface IslandPlaces {
  readonly island: Island;
  /** Where it is cut off from the grid. */
  readonly points: readonly IsolatingPoint[];
  /** Where the source comes in; null = nowhere yet. */
  readonly joins: string | null;
  readonly inverterIds: readonly string[];
  /** The inverter cuts the house off itself. */
  readonly inline: boolean;
  /** The new backed-up loads panel; null = there is none. */
  readonly loadsPanel: string | null;
}

/** What a loads panel is fed with while no source is chosen, A (common practice, no source). */
const usualSourceA = 40;

/** Adds the isolating devices of an island, its new panel, and its inverters. */
export function addIsland(
  builder: GraphBuilder,
  feeds: Feeds,
  island: Island,
  stack: Stack | null,
): IslandPlaces {
  const { plan } = builder;
  const totalA = stack && unitCurrentA(stack, plan.supply.system) * stack.inverterQuantity;
  const points: IsolatingPoint[] = [];
  let loadsPanel: string | null = null;
  for (const service of island.services) {
    const covers = coversOf(serviceBackup(plan, service.id));
    const own = plan.survey.panels.filter(
      ({ fedFrom }) => fedFrom.kind === 'service' && fedFrom.serviceId === service.id,
    );
    const cut = cutPanels(builder, island, service);
    if (covers === 'service' && cut.length === 0)
      points.push(cutService(builder, feeds, island, service, own));
    for (const panel of cut) points.push(cutPanel(builder, feeds, island, service, panel));
    if (covers !== 'chosen' || own.length === 0) continue;
    const added = addLoadsPanel(builder, feeds, island, service, own, totalA);
    points.push(added.point);
    loadsPanel = added.bus;
  }
  // Services of one island share its source: what lies behind their devices is joined.
  for (const { device, behind } of points.slice(1))
    builder.part({
      id: `tie:${device.slice('iso:'.length)}`,
      name: 'Feeder between the services of the island',
      from: points[0]!.behind,
      to: behind,
      device: { kind: 'breaker', name: 'Breaker between the services', ratingA: builder.deviceForA(totalA) },
      cable: { use: 'feeder', continuousA: totalA ?? 0, isNew: true },
    });
  const [first] = points;
  const inline = island.services.slice(0, 1).some((service) => isInline(builder, service));
  if (!first) return { island, points, joins: null, inverterIds: [], inline, loadsPanel };
  const joins = joinedAt(builder, feeds, island, first, loadsPanel, inline);
  const inverterIds = addInverters(builder, island.id, stack, { joins, device: first.device, inline });
  if (stack) addBatteries(builder, island.id, stack, inverterIds[0]!);
  return { island, points, joins, loadsPanel, inverterIds, inline };
}

/** Does the inverter itself cut the service off? */
const isInline = ({ plan }: GraphBuilder, { id }: Service): boolean =>
  serviceBackup(plan, id).isolatingDevice === 'pass-through';

const deviceName = ({ plan }: GraphBuilder, { id }: Service): string =>
  isolatingNames[serviceBackup(plan, id).isolatingDevice ?? 'contactor'];

/** The panels of a service that are cut off by themselves: behind single mains, or at a splice. */
function cutPanels({ plan }: GraphBuilder, island: Island, service: Service): readonly Panel[] {
  const backup = serviceBackup(plan, service.id);
  const covers = coversOf(backup);
  const mains = isolatedPanelIds(backup.isolation);
  return plan.survey.panels.filter((panel) =>
    covers === 'service'
      ? mains.includes(panel.id) && island.panels.includes(panel)
      : covers === 'sub-panel' && panel.id === splicedPanelId(backup),
  );
}

/** One device behind the head of a service: its panels hang on it. */
function cutService(
  builder: GraphBuilder,
  feeds: Feeds,
  island: Island,
  service: Service,
  own: readonly Panel[],
): IsolatingPoint {
  const { isolatingRatingA } = serviceBackup(builder.plan, service.id);
  const point = addIsolatingDevice(builder, island.id, service.id, {
    name: `${deviceName(builder, service)}, ${service.name}`,
    before: feeds.serviceHead(service.id),
    ratingA: isolatingRatingA ?? service.mainBreakerA ?? service.ratingA ?? own[0]?.mainBreakerA ?? null,
    inline: isInline(builder, service),
  });
  for (const panel of own) feeds.hangOn(panel.id, point.house);
  return point;
}

/** A device in the feeder of one panel, which hangs on it. */
function cutPanel(
  builder: GraphBuilder,
  feeds: Feeds,
  island: Island,
  service: Service,
  panel: Panel,
): IsolatingPoint {
  const { plan } = builder;
  const backup = serviceBackup(plan, service.id);
  const name = `${deviceName(builder, service)}, ${panel.name}`;
  const before = builder.place({
    id: `before:${panel.id}`,
    name: `Grid side of ${name}`,
    kind: 'terminals',
    enclosure: `iso:${panel.id}`,
  });
  const from = feeds.feedOf(panel);
  const feederA = feederDeviceA(plan.survey, panel);
  if (from !== null)
    builder.part({
      id: `cut:${panel.id}`,
      name: `Feeder to ${name}`,
      from,
      to: before,
      ...(feederA === null
        ? { aheadA: service.mainBreakerA }
        : {
            device: { kind: 'breaker' as const, name: `Feeder breaker of ${panel.name}`, ratingA: feederA },
          }),
      cable: {
        use: 'feeder',
        otherA: feederA ?? service.mainBreakerA ?? panel.mainBreakerA ?? 0,
        conductor: panel.feeder.conductor,
        lengthM: panel.feeder.lengthM,
        wholeDwelling: coversOf(backup) === 'service',
      },
    });
  const point = addIsolatingDevice(builder, island.id, panel.id, {
    name,
    before,
    ratingA: backup.isolatingRatingA ?? feederA ?? panel.mainBreakerA,
    inline: isInline(builder, service),
  });
  feeds.hangOn(panel.id, point.house);
  return point;
}

/** A new panel for the circuits that move: a breaker of the panel most of them come from feeds it. */
function addLoadsPanel(
  builder: GraphBuilder,
  feeds: Feeds,
  island: Island,
  service: Service,
  own: readonly Panel[],
  totalA: number | null,
): { readonly point: IsolatingPoint; readonly bus: string } {
  const { plan } = builder;
  const { isolatingRatingA, newPanelDistanceM: lengthM } = serviceBackup(plan, service.id);
  const moved = movedCircuits(plan, island);
  const count = (panel: Panel): number => moved.filter((item) => item.panel?.id === panel.id).length;
  const host = own.toSorted((a, b) => count(b) - count(a))[0]!;
  const feederA = isolatingRatingA ?? builder.deviceForA(totalA ?? usualSourceA)!;
  const name = deviceName(builder, service);
  const before = builder.place({
    id: `before:${service.id}`,
    name: `Grid side of ${name}`,
    kind: 'terminals',
    enclosure: `iso:${service.id}`,
  });
  builder.part({
    id: `feed:${service.id}`,
    name: `Feeder to ${name}`,
    from: feeds.bus(host.id),
    to: before,
    device: {
      kind: 'breaker',
      name: `Breaker in ${host.name} for ${name}`,
      ratingA: feederA,
      ...(isolatingRatingA === null ? { why: 'the output of the source' } : {}),
    },
    cable: { use: 'feeder', otherA: feederA, lengthM, isNew: true },
  });
  const point = addIsolatingDevice(builder, island.id, service.id, {
    name,
    before,
    ratingA: feederA,
    inline: isInline(builder, service),
  });
  const bus = builder.place({
    id: `loads:${service.id}`,
    name: 'Backed-up loads panel',
    kind: 'bus',
    busA: Math.max(leastBusA, feederA),
  });
  for (const { id } of moved) feeds.moveTo(id, bus);
  builder.part({
    id: `loads-feed:${service.id}`,
    name: 'Feeder of the backed-up loads panel',
    from: point.house,
    to: bus,
    aheadA: feederA,
    cable: { use: 'feeder', continuousA: totalA ?? 0, lengthM, isNew: true },
  });
  return { point, bus };
}

/** Where the source comes in: as the designer says, else on a breaker in the panel, and in the device's enclosure where the inverter is in line. */
function joinedAt(
  { plan, places }: GraphBuilder,
  feeds: Feeds,
  island: Island,
  { behind }: IsolatingPoint,
  loadsPanel: string | null,
  inline: boolean,
): string {
  const { joins, bypass } = islandWiring(plan.wiring, island.id);
  // In bypass the source must be out of the way.
  if (bypass === 'interlocked') return behind;
  if (loadsPanel !== null && !inline && joins !== 'enclosure') return loadsPanel;
  const inPanel = joins === 'panel' || (joins === null && !inline && loadsPanel === null);
  const panel = island.panels.find(({ fedFrom }) => fedFrom.kind !== 'unknown');
  const bus = inPanel && panel ? feeds.bus(panel.id) : behind;
  return places.has(bus) ? bus : behind;
}

import { legsOf, systemFacts } from '../../electric/index.js';
import {
  type Circuit,
  circuitLegs,
  circuitsById,
  circuitText,
  type LoadKind,
  type Panel,
  panelFedBy,
  panelUpstream,
  spacesText,
} from '../../house/index.js';
import { isolatedPanelIds, keptLoads, type Plan, serviceBackup } from '../../design/index.js';

/** Size classes of current sensors, A (common practice, no source). */
export const sensorClassesA = [30, 60, 100, 200, 400] as const;

export interface SensorPoint {
  readonly panelId: string;
  /** null = the mains of the panel. */
  readonly circuitId: string | null;
  readonly where: string;
  readonly count: number;
  readonly classA: number | null;
  /** Does it matter which way round the sensor sits? */
  readonly directionMatters: boolean;
  readonly why: string;
}

/** Sensors of what has one voltage: a monitor reads its voltage in one place. */
export interface SensorGroup {
  readonly where: string;
  readonly sensors: number;
  /** Monitors it takes; null = nobody has said how many channels one has. */
  readonly monitors: number | null;
}

export interface SensorPlan {
  readonly groups: readonly SensorGroup[];
  /** null = nobody has said how many channels a monitor has. */
  readonly monitors: number | null;
  readonly points: readonly SensorPoint[];
  readonly sensors: number;
  /** Sensors of each class; null = rating not known. */
  readonly byClass: readonly { readonly classA: number | null; readonly count: number }[];
  readonly monitor: 'stays-on' | 'goes-dark' | 'unknown';
  readonly monitorText: string;
}

const classOf = (ratingA: number | null): number | null =>
  ratingA === null ? null : (sensorClassesA.find((classA) => classA >= ratingA) ?? sensorClassesA.at(-1)!);

/** 240 V appliances that hold 120 V parts, and three-phase ones that need no neutral (common practice, no source). */
const mixedKinds: ReadonlySet<LoadKind> = new Set<LoadKind>(['range', 'dryer']);
const motorKinds: ReadonlySet<LoadKind> = new Set<LoadKind>(['pump', 'heat-pump', 'cooling', 'workshop']);

/** Does a neutral run with a circuit? Said, or assumed from the loads on it. */
export function hasNeutral(plan: Plan, panel: Panel, circuit: Circuit): boolean {
  if (circuit.neutral !== null) return circuit.neutral;
  if (circuit.spaces.length === 1 || panelFedBy(plan, circuit.id)) return true;
  const loads = plan.loads.filter(({ circuitId }) => circuitId === circuit.id);
  const all = circuitLegs(panel, circuit, plan.supply.system).length;
  const usual =
    all === 3 ? (kind: LoadKind) => !motorKinds.has(kind) : (kind: LoadKind) => mixedKinds.has(kind);
  return loads.some(({ legs, kind }) => legsOf(legs).length < all || usual(kind));
}

/** Whether a circuit stays on in an outage: something on it, or behind the panel it feeds, is in the backup set. */
function staysOn(plan: Plan, circuitId: string, kept = keptLoads(plan)): boolean {
  if (plan.loads.some((load) => load.circuitId === circuitId && kept.has(load.id))) return true;
  const below = panelFedBy(plan, circuitId);
  return below ? below.circuits.some(({ id }) => staysOn(plan, id, kept)) : false;
}

/**
 * What a panel shares its voltage with. While islanded, what lies behind a point of isolation inside the house has another
 * voltage than what stays on the grid.
 */
function voltageOf(plan: Plan, panel: Panel): string {
  const { service, panels } = panelUpstream(plan.survey, panel);
  if (!service) return 'not known where fed from';
  const { isolation } = serviceBackup(plan, service.id);
  const cut = isolatedPanelIds(isolation);
  const behind = [panel, ...panels].find(({ id }) => cut.includes(id));
  return behind ? `${service.name}, behind ${behind.name}` : service.name;
}

function groupsOf(plan: Plan, points: readonly SensorPoint[]): SensorGroup[] {
  const { panels, monitorChannels } = plan.survey;
  const byVoltage = new Map<string, number>();
  for (const panel of panels) {
    const own = points.filter(({ panelId }) => panelId === panel.id);
    const count = own.reduce((sum, point) => sum + point.count, 0);
    if (count === 0) continue;
    const where = voltageOf(plan, panel);
    byVoltage.set(where, (byVoltage.get(where) ?? 0) + count);
  }
  return [...byVoltage].map(([where, sensors]) => ({
    where,
    sensors,
    monitors: monitorChannels === null ? null : Math.ceil(sensors / monitorChannels),
  }));
}

/**
 * Where current sensors go so that what is to be measured is: every circuit and the mains, the circuits alone, whose sum is the main, or
 * mains and feeders only (common practice, no source). One for each hot conductor that is
 * not mirrored by another. A 240 V load without neutral needs one, with a neutral one a leg; the mains need one a leg.
 */
export function sensorPlan(plan: Plan): SensorPlan {
  const { survey, supply } = plan;
  const legCount = systemFacts[supply.system].legs.length;
  const points: SensorPoint[] = [];
  for (const panel of survey.panels) {
    const { breakersA } = panelUpstream(survey, panel);
    if (panel.fedFrom.kind === 'service' && survey.monitorScope !== 'circuits') {
      const ratingA =
        panel.mainBreakerA ?? (breakersA.length > 0 ? Math.min(...breakersA) : panel.busRatingA);
      points.push({
        panelId: panel.id,
        circuitId: null,
        where: `${panel.name}, mains`,
        count: legCount,
        classA: classOf(ratingA),
        directionMatters: true,
        why: 'one a leg; power may flow both ways here',
      });
    }
    for (const circuit of panel.circuits) {
      if (circuit.use === 'spare') continue;
      const feeds = panelFedBy(plan, circuit.id);
      if (survey.monitorScope === 'mains' && !feeds) continue;
      const poles = circuitLegs(panel, circuit, supply.system).length;
      const neutral = hasNeutral(plan, panel, circuit);
      const count = poles === 1 || !neutral ? 1 : poles;
      points.push({
        panelId: panel.id,
        circuitId: circuit.id,
        where: `${panel.name} ${spacesText(circuit)} ${circuit.name}`.trim(),
        count,
        classA: classOf(circuit.ratingA),
        directionMatters: circuit.backFeeds,
        why: feeds
          ? `feeds ${feeds.name}: what its circuits do not explain shows here`
          : circuit.backFeeds
            ? 'can feed back: fit it with the arrow towards the load'
            : poles > 1
              ? neutral
                ? 'a neutral runs with it, so the legs may differ'
                : `no neutral: ${poles === 2 ? 'both' : 'all'} legs carry the same, one sensor stands for them`
              : 'one pole',
      });
    }
  }
  const byClass = [...sensorClassesA, null]
    .map((classA) => ({
      classA,
      count: points.filter((point) => point.classA === classA).reduce((sum, { count }) => sum + count, 0),
    }))
    .filter(({ count }) => count > 0);
  const placed =
    survey.monitorCircuitId === null ? undefined : circuitsById(survey).get(survey.monitorCircuitId);
  const on = placed ? staysOn(plan, placed.circuit.id) : false;
  const groups = groupsOf(plan, points);
  return {
    groups,
    monitors:
      survey.monitorChannels === null ? null : groups.reduce((sum, { monitors }) => sum + (monitors ?? 0), 0),
    points,
    sensors: points.reduce((sum, { count }) => sum + count, 0),
    byClass,
    monitor: placed ? (on ? 'stays-on' : 'goes-dark') : 'unknown',
    monitorText: placed
      ? on
        ? `The monitor hangs on ${circuitText(placed)}, which stays on in an outage.`
        : `The monitor hangs on ${circuitText(placed)}, which goes dark in an outage: it would record nothing. Move its supply to a circuit of the backup set.`
      : 'Say which circuit feeds the monitor itself: one that drops in an outage records nothing.',
  };
}

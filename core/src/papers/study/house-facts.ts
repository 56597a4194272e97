import type { Load } from '../../house/index.js';
import { type Lane, type Plan, presences, standings } from '../../design/index.js';
import type { IslandStudy } from './design-study.js';

/** Loads of an island by what becomes of them in an outage. */
export type LoadsByLane = Readonly<Record<Lane, readonly Load[]>>;

/** What of the loads behind an island stays on, is shed, is switched off by hand, and stays dark. */
export function loadsByLane(plan: Plan, { island }: Pick<IslandStudy, 'island'>): LoadsByLane {
  const standing = standings(plan);
  const presence = presences(plan);
  const circuits = new Set(island.panels.flatMap(({ circuits: all }) => all.map(({ id }) => id)));
  const laneOf = (load: Load): Lane => (presence(load) === 'dark' ? 'dark' : standing(load).lane);
  const own = plan.loads.filter(({ circuitId }) =>
    circuitId === null ? island.first : circuits.has(circuitId),
  );
  const of = (lane: Lane): Load[] => own.filter((load) => laneOf(load) === lane);
  return { on: of('on'), auto: of('auto'), hand: of('hand'), dark: of('dark') };
}

/** Names of loads, each once, shortened to so many. */
export function namesOf(loads: readonly Pick<Load, 'name'>[], most: number): string[] {
  const names = [...new Set(loads.map(({ name }) => name))];
  return names.length > most ? [...names.slice(0, most), `+${names.length - most}`] : names;
}

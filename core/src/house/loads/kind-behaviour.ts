import type { LoadKind } from './load-kinds.js';
import type { Load } from './load.schema.js';

interface Behaviour {
  /** Starts in an hour of use. */
  readonly cyclesPerHour: number;
  /** Wait after power returns, s. */
  readonly restartDelayS: number;
}

const once: Behaviour = { cyclesPerHour: 1, restartDelayS: 0 };

/**
 * How often loads of a kind start in an hour of use, and how long they wait after power returns. Common practice, no
 * source: thermostats cycle some two or three times an hour, compressors of heat pumps and air conditioners hold off about
 * three minutes, everything else comes back at once.
 */
const behaviours: Partial<Readonly<Record<LoadKind, Behaviour>>> = {
  refrigeration: { cyclesPerHour: 2, restartDelayS: 0 },
  'small-appliance': { cyclesPerHour: 4, restartDelayS: 0 },
  range: { cyclesPerHour: 12, restartDelayS: 0 },
  dryer: { cyclesPerHour: 6, restartDelayS: 0 },
  'water-heater': { cyclesPerHour: 1, restartDelayS: 0 },
  'heating-appliance': { cyclesPerHour: 3, restartDelayS: 0 },
  'space-heating': { cyclesPerHour: 6, restartDelayS: 0 },
  'heat-pump': { cyclesPerHour: 2, restartDelayS: 180 },
  'backup-heat': { cyclesPerHour: 3, restartDelayS: 60 },
  cooling: { cyclesPerHour: 3, restartDelayS: 180 },
  pump: { cyclesPerHour: 6, restartDelayS: 0 },
  door: { cyclesPerHour: 2, restartDelayS: 0 },
  workshop: { cyclesPerHour: 6, restartDelayS: 0 },
};

/** How often a load starts in an hour of use: as said, else as usual for its kind. */
export const cyclesPerHour = ({ kind, cyclesPerHour: said }: Pick<Load, 'kind' | 'cyclesPerHour'>): number =>
  said ?? (behaviours[kind] ?? once).cyclesPerHour;

/** How long a load waits after power returns, s: as said, else as usual for its kind. */
export const restartDelayS = ({ kind, restartDelayS: said }: Pick<Load, 'kind' | 'restartDelayS'>): number =>
  said ?? (behaviours[kind] ?? once).restartDelayS;

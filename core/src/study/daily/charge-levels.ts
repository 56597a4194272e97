/** Charges above the floor that decide in an interval, Wh. */
export interface ChargeLevels {
  /** Sun is stored, and the grid charges, up to these. */
  readonly sunWh: number;
  readonly gridWh: number;
  /** The house is fed, and energy sent out, down to these; Infinity = never. */
  readonly loadWh: number;
  readonly sendWh: number;
}

/** The levels of a strategy in an interval of the year. */
export type LevelsAt = (interval: number) => ChargeLevels;

/** Sun that is left is stored, and feeds the house when it does not suffice. */
const ownSolar: ChargeLevels = { sunWh: Infinity, gridWh: 0, loadWh: 0, sendWh: Infinity };
/** Kept full for an outage, by sun and grid. */
const keptFull: ChargeLevels = { sunWh: Infinity, gridWh: Infinity, loadWh: Infinity, sendWh: Infinity };

export const ownSolarLevels: LevelsAt = () => ownSolar;
export const keptFullLevels: LevelsAt = () => keptFull;

/** Levels of a strategy, but full in marked intervals. */
export const fullWhere =
  (levelsAt: LevelsAt, marked: ArrayLike<number>): LevelsAt =>
  (interval) =>
    marked[interval] === 0 ? levelsAt(interval) : keptFull;

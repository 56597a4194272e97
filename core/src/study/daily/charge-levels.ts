/** Charges above the floor that decide in an interval, Wh. */
export interface ChargeLevels {
  /** Works out the levels for an interval of the year and the charge at its beginning. */
  at(interval: number, aboveFloorWh: number): void;
  /** Sun is stored, and the grid charges, up to these. */
  readonly sunWh: number;
  readonly gridWh: number;
  /** The house is fed, and energy sent out, down to these; Infinity = never. */
  readonly loadWh: number;
  readonly sendWh: number;
}

/** Sun that is left is stored, and feeds the house when it does not suffice. */
export const ownSolarLevels = (): ChargeLevels => ({
  at: () => undefined,
  sunWh: Infinity,
  gridWh: 0,
  loadWh: 0,
  sendWh: Infinity,
});

/** Kept full for an outage, by sun and grid. */
export const keptFullLevels = (): ChargeLevels => ({
  at: () => undefined,
  sunWh: Infinity,
  gridWh: Infinity,
  loadWh: Infinity,
  sendWh: Infinity,
});

/** Levels of a strategy, but full in marked intervals. */
export function fullWhere(levels: ChargeLevels, marked: ArrayLike<number>): ChargeLevels {
  const full = keptFullLevels();
  let of = levels;
  return {
    at: (interval, aboveFloorWh) => {
      of = marked[interval] === 0 ? levels : full;
      of.at(interval, aboveFloorWh);
    },
    get sunWh() {
      return of.sunWh;
    },
    get gridWh() {
      return of.gridWh;
    },
    get loadWh() {
      return of.loadWh;
    },
    get sendWh() {
      return of.sendWh;
    },
  };
}

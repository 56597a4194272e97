/** Why the house goes dark. Overloads stand together, in the order of {@link powerParts}. */
export const causes = [
  'none',
  'empty',
  'overload',
  'overload-l1',
  'overload-l2',
  'overload-l3',
  'overload-battery',
  'cold',
  'starting',
  'fuel',
] as const;
export type Cause = (typeof causes)[number];

/** Place of each cause in {@link causes}: what the state of an outage holds. */
export const causeNumber = Object.fromEntries(causes.map((cause, place) => [cause, place])) as Readonly<
  Record<Cause, number>
>;

/** Places of the state of an outage. */
export const at = {
  chargeWh: 0,
  stage: 1,
  /** See {@link dark}. */
  dark: 2,
  /** Retries since the last minute that held. */
  tries: 3,
  /** Minutes since the island came up. */
  upMin: 4,
  /** See {@link engine}. */
  engine: 5,
  engineMin: 6,
  fuelL: 7,
  vehicleWh: 8,
  /** Minutes since it tripped or was locked out. */
  waitedMin: 9,
  /** Index into {@link causes} of the last time it went dark. */
  cause: 10,
  /** Share of the last minute that was served. */
  servedShare: 11,
} as const;

/** Is the house dark, and why? */
export const dark = { lit: 0, empty: 1, lockedOut: 2, tripped: 3 } as const;
export const darkWords = ['lit', 'empty', 'locked-out', 'tripped'] as const;
/** What a generator is doing. */
export const engine = { off: 0, called: 1, warming: 2, running: 3 } as const;

/** Places of the flows of a minute, each a mean in W. */
export const flow = {
  demandW: 0,
  servedW: 1,
  standbyW: 2,
  /** Sun there was, at the terminals of the arrays' inverters or of the battery's. */
  sunW: 3,
  sunUsedW: 4,
  generatorW: 5,
  /** Out of the cells, and into them. */
  drainW: 6,
  storedW: 7,
  vehicleOutW: 8,
  vehicleInW: 9,
  lossW: 10,
  /** Share of the AC-coupled sun that is held back because nothing takes it. */
  heldBackShare: 11,
  fuelL: 12,
} as const;

export const newState = (): Float64Array => new Float64Array(Object.keys(at).length);
export const newFlows = (): Float64Array => new Float64Array(Object.keys(flow).length);

/** Starts an inverter again that is locked out; false = it was not. */
export function resetLockOut(state: Float64Array): boolean {
  if (state[at.dark] !== dark.lockedOut) return false;
  state[at.dark] = dark.lit;
  state[at.tries] = 0;
  state[at.upMin] = 0;
  return true;
}

/** What a channel of meter data measures. */
export const channelRoles = ['import', 'export', 'mains', 'solar', 'circuit'] as const;
/**
 * import, export: what the meter counted from and to the grid. mains: one leg or all of the service, negative when feeding back.
 * solar: what the array gives. circuit: one circuit.
 */
export type ChannelRole = (typeof channelRoles)[number];

/** One series of values on the grid of its readings. */
export interface Channel {
  readonly name: string;
  readonly role: ChannelRole;
  /** Values are mean power (mW) or energy of the interval (mWh). */
  readonly quantity: 'power' | 'energy';
  /** One value an interval in thousandths of W or Wh; {@link gap} where there is none. */
  readonly milli: Int32Array;
}

/** Meter data on an even grid of time. */
export interface Readings {
  /** Begin of the first interval, seconds since 1970 in UTC. */
  readonly startS: number;
  readonly intervalS: number;
  readonly count: number;
  readonly channels: readonly Channel[];
}

/** Stands for a value that is missing. */
export const gap = -2_147_483_648;
export const largestMilli = 2_147_483_647;

/** Factor from a stored value to mean power in W. */
export const milliToW = ({ quantity }: Pick<Channel, 'quantity'>, intervalS: number): number =>
  quantity === 'power' ? 1 / 1000 : 3.6 / intervalS;

/** Energy of a channel, Wh, to the digit of the file. */
export function channelEnergyWh(channel: Pick<Channel, 'quantity' | 'milli'>, intervalS: number): number {
  let sum = 0;
  for (const value of channel.milli) if (value !== gap) sum += value;
  return channel.quantity === 'energy' ? sum / 1000 : (sum / 1000) * (intervalS / 3600);
}

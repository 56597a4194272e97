import type { Probe } from '../steps/step.js';
import { type Found, foundReading } from './found.js';
import type { SystemNow } from './outage-sample.js';

const known = (value: number | null | undefined, says: string): Found | null =>
  value === null || value === undefined ? null : foundReading(value, says);
const legPlace = (leg: string): number => Number(leg.slice(1)) - 1;
const pairPlaces: Readonly<Record<string, number>> = { 'L1-L2': 0, 'L2-L3': 1, 'L1-L3': 2, 'L3-L1': 2 };

function voltageOf(now: SystemNow, side: 'grid' | 'house', pair: string): number | null {
  const legs = side === 'grid' ? now.gridLegV : now.legV;
  const between = pairPlaces[pair];
  if (between === undefined) return pair.endsWith('-N') ? (legs[legPlace(pair.slice(0, 2))] ?? null) : null;
  // Meters on the grid's side show legs to neutral only.
  return side === 'house' ? (now.betweenV[between] ?? null) : null;
}

/**
 * What the devices of a system show of a step now; null = they do not show it. A voltage they show is that of their own terminals.
 *
 * @param before what they showed before something was switched on: a rise is against that
 */
export function readNow(probe: Probe, now: SystemNow, before: SystemNow | null): Found | null {
  switch (probe.show) {
    case 'voltage':
      return known(voltageOf(now, probe.side, probe.pair), `${probe.pair} as the system shows it`);
    case 'frequency':
      return known(now.frequencyHz, 'As the inverter shows it');
    case 'rise': {
      const place = legPlace(probe.leg);
      const [was, is] = [before?.gridLegW[place], now.gridLegW[place]];
      return was === null || was === undefined || is === null || is === undefined
        ? null
        : foundReading(
            is - was,
            `${probe.leg} went from ${was.toFixed(0)} to ${is.toFixed(0)} W${elsewhere(now, before!, place)}`,
          );
    }
    case 'batteries':
      return foundReading(
        now.batteries.length,
        now.doubled.length > 0
          ? `Two serial numbers take turns at ${now.doubled.join(', ')}: an address is given twice`
          : `Serial numbers that answer: ${now.batteries.map(({ serial }) => serial).join(', ')}`,
      );
    case 'spread': {
      const charges = now.batteries.flatMap(({ charge }) => (charge === null ? [] : [charge]));
      return charges.length < 2
        ? null
        : foundReading(Math.max(...charges) - Math.min(...charges), 'As the batteries report it');
    }
    case 'clock':
      return known(now.clockOffS, 'Against the clock of the server that reads it');
    case 'answers':
      return known(now.answered, 'Of the questions of the last minute');
    case 'outage':
      return null;
  }
}

/** What rises on another leg than the one that should: in words, for two exchanged sensors. */
function elsewhere(now: SystemNow, before: SystemNow, place: number): string {
  const rises = now.gridLegW.map((watts, leg) => (watts ?? 0) - (before.gridLegW[leg] ?? 0));
  const most = rises.findIndex((one) => one === Math.max(...rises));
  return most !== place && rises[most]! > 2 * Math.abs(rises[place]!) && rises[most]! > 200
    ? `; L${most + 1} rose by ${rises[most]!.toFixed(0)} W instead`
    : '';
}

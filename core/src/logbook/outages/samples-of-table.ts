import type { OutageSample } from '../../commissioning/details.js';
import { WallClock } from '../../nature/index.js';

/** Readings of a file, or what to change in it. */
export type ReadTable =
  | {
      readonly ok: true;
      readonly samples: readonly OutageSample[];
      /** Moment of its first reading, ISO. */
      readonly beganAt: string;
      /** What was recognised, by the heads of its columns. */
      readonly columns: readonly string[];
      /** Rows that could not be read. */
      readonly skipped: number;
    }
  | { readonly ok: false; readonly message: string };

type Quantity = 'time' | 'charge' | 'battery' | 'sun' | 'load' | 'grid';

const heads: readonly (readonly [Quantity, RegExp])[] = [
  ['time', /time|date|moment/],
  ['charge', /charge|soc\b|%/],
  ['battery', /batt/],
  ['sun', /solar|\bpv\b|sun|array/],
  ['load', /load|house|home|consum/],
  ['grid', /grid|import/],
];
/** Powers are W unless the head says otherwise. */
const factors: readonly (readonly [RegExp, number])[] = [
  [/\bkw\b/, 1000],
  [/\bmw\b/, 1e6],
];
const localTime = /^(\d{4})-(\d{2})-(\d{2})[ T](\d{1,2}):(\d{2})(?::(\d{2}))?$/;
const mostRows = 200_000;
/** More than a file may keep is thinned to this. */
const keptRows = 20_000;

/**
 * Readings of an outage from a table: a moment in each row, and powers, charge, or both. Columns are known by their heads; powers are W
 * or kW by them, charge is in percent. Battery power counts out of it; where it is missing, it is the house less sun and grid.
 *
 * @param cells rows of texts, the heads first
 * @param zone of the clock that moments without an offset are told by
 * @param away when the grid went away and came back, s since 1970
 */
export function samplesOfTable(
  cells: readonly (readonly string[])[],
  zone: string,
  away: { readonly fromS: number; readonly toS: number },
): ReadTable {
  const [head, ...rows] = cells;
  if (!head || rows.length === 0) return refused('The file has no rows below its heads.');
  if (rows.length > mostRows)
    return refused(`The file has more than ${mostRows} rows: cut it to the outage.`);
  const places = new Map<Quantity, { readonly at: number; readonly times: number }>();
  head.forEach((text, at) => {
    const name = text.toLowerCase();
    const quantity = heads.find(([one, pattern]) => pattern.test(name) && !places.has(one))?.[0];
    if (quantity)
      places.set(quantity, { at, times: factors.find(([pattern]) => pattern.test(name))?.[1] ?? 1 });
  });
  if (!places.has('time'))
    return refused('No column has a moment: call one “time” and write 2026-02-28 14:05 in it.');
  if (!['charge', 'battery', 'load'].some((one) => places.has(one as Quantity)))
    return refused(
      'No column has charge, battery or load in its head: name one so, with its unit, as “load (W)”.',
    );

  const clock = new WallClock(zone);
  let lastS: number | null = null;
  const momentOf = (text: string): number | null => {
    const local = localTime.exec(text.trim());
    if (!local) {
      const ms = Date.parse(text.trim());
      return Number.isNaN(ms) || !/\d{4}/.test(text) ? null : ms / 1000;
    }
    const at = (group: number): number => Number(local[group] ?? 0);
    const wall = Date.UTC(at(1), at(2) - 1, at(3), at(4), at(5), at(6)) / 1000;
    return clock.toUtcS(wall, lastS);
  };
  const numberAt = (row: readonly string[], quantity: Quantity): number | null => {
    const place = places.get(quantity);
    const text = place ? (row[place.at] ?? '').trim().replace(/\s|%/g, '').replace(',', '.') : '';
    const value = text === '' ? NaN : Number(text);
    return Number.isFinite(value) ? value * place!.times : null;
  };
  const readings: { utcS: number; row: readonly string[] }[] = [];
  let skipped = 0;
  for (const row of rows) {
    const utcS = momentOf(row[places.get('time')!.at] ?? '');
    if (utcS === null || (lastS !== null && utcS <= lastS)) {
      skipped += 1;
      continue;
    }
    lastS = utcS;
    readings.push({ utcS, row });
  }
  const within = readings.filter(({ utcS }) => utcS >= away.fromS && utcS <= away.toS);
  if (within.length < 2)
    return refused(
      `Of ${rows.length} rows ${readings.length} have a moment, and ${within.length} of these lie in the outage: check its beginning, and the clock of the file.`,
    );
  const firstS = readings[0]!.utcS;
  const every = Math.ceil(readings.length / keptRows);
  const samples = readings
    .filter((_, index) => index % every === 0)
    .map(({ utcS, row }): OutageSample => {
      const percent = numberAt(row, 'charge');
      const load = numberAt(row, 'load');
      const solarW = numberAt(row, 'sun');
      const isOnGrid = utcS < away.fromS || utcS > away.toS;
      const gridW = isOnGrid ? numberAt(row, 'grid') : 0;
      const battery = numberAt(row, 'battery');
      return {
        second: Math.round(utcS - firstS),
        gridV: null,
        legV: [],
        frequencyHz: null,
        isOnGrid,
        batteryW: battery ?? (load === null ? null : load - (solarW ?? 0) - (gridW ?? 0)),
        solarW: solarW ?? (places.has('sun') ? null : 0),
        gridW,
        charge: percent === null ? null : Math.max(0, Math.min(1, percent / 100)),
        gapMs: null,
      };
    });
  return {
    ok: true,
    samples,
    beganAt: new Date(firstS * 1000).toISOString(),
    columns: [...places].map(([quantity, { at }]) => `${quantity}: ${head[at]!}`),
    skipped,
  };
}

const refused = (message: string): ReadTable => ({ ok: false, message });

import { Big } from 'big.js';
import { minorUnit, rateText } from '../base/index.js';
import type { PriceCalendar } from './price-calendar.js';
import type { Tariff } from './tariff.schema.js';

/** Energy through a meter, Wh in each interval of a grid. */
export interface Metered {
  readonly importWh: ArrayLike<number>;
  readonly exportWh: ArrayLike<number>;
}

export const billParts = ['standing', 'energy', 'tier', 'demand', 'export', 'minimum', 'tax'] as const;
export type BillPart = (typeof billParts)[number];

/** One line of a bill. Amounts are decimal text; what is earned begins with "-". */
export interface BillLine {
  readonly part: BillPart;
  readonly label: string;
  readonly working: string;
  readonly amount: string;
}

export interface MonthBill {
  readonly year: number;
  readonly month: number;
  readonly lines: readonly BillLine[];
  readonly total: string;
}

export interface UtilityBill {
  readonly currency: string;
  readonly months: readonly MonthBill[];
  readonly total: string;
  /** Bands whose price is not known; they count as nothing. */
  readonly missing: readonly string[];
}

/** What a month's energy comes to by season and band, Wh. */
interface Bucket {
  importWh: number;
  exportWh: number;
}

const kWh = (wh: number): Big => new Big((wh / 1000).toFixed(6));
const shown = (value: Big): string => value.round(1, Big.roundHalfUp).toString();

/**
 * What a utility charges for what went through a meter, month by month and line by line. Every line is rounded to the smallest unit of
 * the currency, half up; totals are sums of lines. Taxes are on charges, not on what is earned. Months are those of the tariff's
 * clock; of one that is covered in part, monthly charges and allowances count in proportion to its days.
 */
export function utilityBill(tariff: Tariff, calendar: PriceCalendar, metered: Metered): UtilityBill {
  const { bands, seasons } = tariff;
  const { round, text } = minorUnit(tariff.currency);
  const buckets = bucketsOf(tariff, calendar, metered);
  const daysOf = seasonDays(tariff, calendar);
  const peaks = tariff.demand.map((charge) => monthlyPeaks(tariff, charge, calendar, metered.importWh));
  const missing = new Set<string>();

  const months = calendar.months.map(({ year, month, days, ofDays }, m): MonthBill => {
    const lines: BillLine[] = [];
    const sums = { energy: new Big(0), charges: new Big(0), earned: new Big(0), tax: new Big(0) };
    const add = (part: BillPart, label: string, working: string, amount: Big): void => {
      const rounded = round(amount);
      if (part === 'export') sums.earned = sums.earned.plus(rounded);
      else if (part === 'tax') sums.tax = sums.tax.plus(rounded);
      else sums.charges = sums.charges.plus(rounded);
      if (part === 'energy' || part === 'tier') sums.energy = sums.energy.plus(rounded);
      lines.push({ part, label, working, amount: text(rounded) });
    };
    const covered = new Big(days).div(ofDays);
    for (const { name, per, amount } of tariff.standing) {
      const times = per === 'day' ? new Big(days) : covered;
      add('standing', name, `${shown(times)} × ${amount}`, times.times(amount));
    }
    const earned: { label: string; working: string; amount: Big }[] = [];
    seasons.forEach((season, s) => {
      let takenKWh = new Big(0);
      bands.forEach((band, b) => {
        const bucket = buckets[(m * seasons.length + s) * bands.length + b]!;
        const netted = tariff.exportRule === 'netted' ? Math.min(bucket.importWh, bucket.exportWh) : 0;
        const taken = kWh(bucket.importWh - netted);
        const sent = kWh(bucket.exportWh - netted);
        const label = seasons.length > 1 ? `${band.name}, ${season.name}` : band.name;
        const price = band.prices.find(({ id }) => id === season.id);
        takenKWh = takenKWh.plus(taken);
        if (taken.gt(0)) {
          if (!price?.importPerKWh) missing.add(label);
          const each = price?.importPerKWh ?? '0';
          const off = netted > 0 ? `, ${shown(kWh(netted))} kWh set off` : '';
          add('energy', label, `${shown(taken)} kWh × ${each}${off}`, taken.times(each));
        }
        if (sent.gt(0) && price?.exportPerKWh)
          earned.push({
            label: `Sent out: ${label}`,
            working: `${shown(sent)} kWh × ${price.exportPerKWh}`,
            amount: sent.times(price.exportPerKWh).times(-1),
          });
      });
      for (const tier of tariff.tiers) {
        if (tier.seasonIds.length > 0 && !tier.seasonIds.includes(season.id)) continue;
        const inSeason = daysOf[m * seasons.length + s]!;
        const allowance = new Big(tier.aboveKWh).times(tier.per === 'day' ? inSeason : inSeason / ofDays);
        const beyond = takenKWh.minus(allowance);
        if (beyond.gt(0))
          add(
            'tier',
            `Beyond ${shown(allowance)} kWh${seasons.length > 1 ? `, ${season.name}` : ''}`,
            `${shown(beyond)} kWh × ${tier.addPerKWh}`,
            beyond.times(tier.addPerKWh),
          );
      }
    });
    tariff.demand.forEach(({ name, perKW }, index) => {
      const peakKW = new Big((peaks[index]![m]! / 1000).toFixed(3));
      if (peakKW.gt(0)) add('demand', name, `${peakKW.toString()} kW × ${perKW}`, peakKW.times(perKW));
    });
    for (const { label, working, amount } of earned) add('export', label, working, amount);
    if (tariff.minimumPerMonth !== null) {
      const least = covered.times(tariff.minimumPerMonth);
      const lacking = least.minus(sums.charges.plus(sums.earned));
      if (lacking.gt(0)) add('minimum', 'Up to the least a month comes to', text(least), lacking);
    }
    for (const { name, rate, on } of tariff.taxes) {
      const base = on === 'charges' ? sums.charges : sums.energy;
      add('tax', name, `${rateText(rate)} of ${text(base)}`, base.times(rate));
    }
    return { year, month, lines, total: text(sums.charges.plus(sums.earned).plus(sums.tax)) };
  });
  const total = months.reduce((sum, month) => sum.plus(month.total), new Big(0));
  return { currency: tariff.currency, months, total: text(total), missing: [...missing] };
}

function bucketsOf(
  { seasons, bands }: Tariff,
  { band, season, month, months, grid }: PriceCalendar,
  { importWh, exportWh }: Metered,
): Bucket[] {
  const buckets = Array.from({ length: months.length * seasons.length * bands.length }, (): Bucket => ({
    importWh: 0,
    exportWh: 0,
  }));
  for (let i = 0; i < grid.count; i += 1) {
    const bucket = buckets[(month[i]! * seasons.length + season[i]!) * bands.length + band[i]!]!;
    bucket.importWh += importWh[i]!;
    bucket.exportWh += exportWh[i]!;
  }
  return buckets;
}

/** Days of each season in each month. */
function seasonDays({ seasons }: Tariff, { season, month, months, grid }: PriceCalendar): number[] {
  const intervals = new Array<number>(months.length * seasons.length).fill(0);
  const ofMonth = new Array<number>(months.length).fill(0);
  for (let i = 0; i < grid.count; i += 1) {
    intervals[month[i]! * seasons.length + season[i]!]! += 1;
    ofMonth[month[i]!]! += 1;
  }
  return intervals.map((count, index) => {
    const m = Math.floor(index / seasons.length);
    return (count / ofMonth[m]!) * months[m]!.days;
  });
}

/** The highest mean power of each month within the bands and seasons of a charge, W. */
export function monthlyPeaks(
  { seasons, bands }: Tariff,
  { intervalMin, seasonIds, bandIds }: Tariff['demand'][number],
  { band, season, month, months, grid }: PriceCalendar,
  importWh: ArrayLike<number>,
): number[] {
  const counts = (ids: readonly string[], all: readonly { readonly id: string }[]): boolean[] =>
    all.map(({ id }) => ids.length === 0 || ids.includes(id));
  const inSeason = counts(seasonIds, seasons);
  const inBand = counts(bandIds, bands);
  const peaks = new Array<number>(months.length).fill(0);
  const lengthS = Math.max(intervalMin * 60, grid.intervalS);
  let group = NaN;
  let sumWh = 0;
  let ofMonth = 0;
  const close = (): void => {
    peaks[ofMonth] = Math.max(peaks[ofMonth]!, sumWh / (lengthS / 3600));
  };
  for (let i = 0; i < grid.count; i += 1) {
    const now = Math.floor((grid.startS + i * grid.intervalS) / lengthS);
    if (now !== group) {
      close();
      [group, sumWh, ofMonth] = [now, 0, month[i]!];
    }
    if (inSeason[season[i]!] && inBand[band[i]!]) sumWh += importWh[i]!;
  }
  close();
  return peaks;
}

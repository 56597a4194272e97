import { tzOffset } from '@date-fns/tz';

const dayS = 86_400;

/** How the clock of a file runs: with the zone's daylight saving, on its standard time all year, or on UTC. */
export const clockKinds = ['zone', 'standard', 'utc'] as const;
export type ClockKind = (typeof clockKinds)[number];

/** Offset of a zone from UTC at a moment, s. */
export function zoneOffsetS(zone: string, utcS: number): number {
  return tzOffset(zone, new Date(utcS * 1000)) * 60;
}

/** Offset of a zone's standard time, s: the smaller one of midwinter and midsummer. */
export const standardOffsetS = (zone: string): number =>
  Math.min(zoneOffsetS(zone, Date.UTC(2024, 0, 15) / 1000), zoneOffsetS(zone, Date.UTC(2024, 6, 15) / 1000));

/**
 * Turns times on the wall into moments, hour by hour through daylight saving.
 *
 * Most days have one offset, which is looked up once. On a day of change a time may not exist, or exist twice: then the order
 * of the file decides, the first pass before the second.
 */
export class WallClock {
  private readonly days = new Map<number, readonly [number, number]>();
  private readonly fixedS: number | null;

  constructor(
    private readonly zone: string,
    kind: ClockKind = 'zone',
  ) {
    if (kind === 'utc') this.fixedS = 0;
    else if (kind === 'standard') this.fixedS = standardOffsetS(zone);
    else this.fixedS = null;
  }

  /**
   * @param wallS the time on the wall, as seconds since 1970 as if it were UTC
   * @param before the moment of the row before, in UTC seconds; decides between the two passes of a repeated hour
   * @param descending the file runs backwards
   * @returns seconds since 1970 in UTC; null where the wall never showed that time
   */
  toUtcS(wallS: number, before: number | null, descending = false): number | null {
    if (this.fixedS !== null) return wallS - this.fixedS;
    const day = Math.floor(wallS / dayS);
    let offsets = this.days.get(day);
    if (!offsets) {
      const noonS = day * dayS + dayS / 2;
      offsets = [this.offsetS(noonS - dayS), this.offsetS(noonS + dayS)];
      this.days.set(day, offsets);
    }
    const [early, late] = offsets;
    if (early === late) return wallS - early;
    const passes = [wallS - early, wallS - late].filter(
      (utcS, index) => this.offsetS(utcS) === offsets[index],
    );
    if (passes.length < 2) return passes[0] ?? null;
    const [first, second] = passes[0]! < passes[1]! ? [passes[0]!, passes[1]!] : [passes[1]!, passes[0]!];
    if (descending) return before !== null && second >= before ? first : second;
    return before !== null && first <= before ? second : first;
  }

  private offsetS(utcS: number): number {
    return zoneOffsetS(this.zone, utcS);
  }
}

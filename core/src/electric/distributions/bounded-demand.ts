import { binVA, tolerance } from './demand-distribution.js';

/**
 * The distribution of {@link DemandDistribution} up to a limit only, made for growing load by load: what is above the limit is
 * never asked about, so its mass is let go.
 */
export class BoundedDemand {
  private constructor(
    private readonly mass: Float64Array,
    /** Highest bin with mass. */
    private topBin: number,
    private offsetVA: number,
    private sumVA: number,
  ) {}

  /** Nothing runs. @param limitVA demands up to it can be asked about, VA; finite */
  static upTo(limitVA: number): BoundedDemand {
    const mass = new Float64Array(Math.floor(limitVA / binVA) + 1);
    mass[0] = 1;
    return new BoundedDemand(mass, 0, 0, 0);
  }

  /** A power rounded down to a bin, VA. */
  static binBelowVA(powerVA: number): number {
    return Math.floor(powerVA / binVA) * binVA;
  }

  copy(): BoundedDemand {
    return new BoundedDemand(this.mass.slice(), this.topBin, this.offsetVA, this.sumVA);
  }

  /** Adds a load of some VA that is on for a share of the time, 0 to 1. */
  add(powerVA: number, share: number): void {
    if (powerVA <= 0 || share <= 0) return;
    this.sumVA += powerVA;
    if (share >= 1) {
      this.offsetVA += powerVA;
      return;
    }
    const { mass } = this;
    const bin = Math.floor(powerVA / binVA);
    const upperShare = powerVA / binVA - bin;
    const off = 1 - share;
    const lower = share * (1 - upperShare);
    const upper = share * upperShare;
    this.topBin = Math.min(mass.length - 1, this.topBin + bin + 1);
    for (let k = this.topBin; k >= 0; k -= 1) {
      let here = mass[k]! * off;
      if (k >= bin) here += mass[k - bin]! * lower;
      if (k >= bin + 1) here += mass[k - bin - 1]! * upper;
      mass[k] = here;
    }
  }

  /** As {@link DemandDistribution.quantileVA}; Infinity where that is above the limit. */
  quantileVA(share: number): number {
    const wanted = share - tolerance;
    let sum = 0;
    for (let k = 0; k <= this.topBin; k += 1) {
      sum += this.mass[k]!;
      if (sum >= wanted) return Math.min(this.sumVA, this.offsetVA + k * binVA);
    }
    return Infinity;
  }

  /** Share of the time at or below a demand in VA; above the limit it is the share up to the limit. */
  shareUpTo(demandVA: number): number {
    if (demandVA >= this.sumVA * (1 - tolerance)) return 1;
    const last = Math.min(this.topBin, Math.floor((demandVA - this.offsetVA) / binVA));
    let sum = 0;
    for (let k = 0; k <= last; k += 1) sum += this.mass[k]!;
    return sum;
  }
}

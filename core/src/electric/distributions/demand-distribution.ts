/** Apparent powers, VA. */
export type Powers = readonly number[] | Float64Array;

/** Width of a bin, VA. Power between two bins is split so that the mean is kept. */
export const binVA = 50;

/** Mass below this at either end is dropped: a hundred thousand such bins do not reach the tolerance of a quantile. */
const negligible = 1e-15;
export const tolerance = 1e-9;

/**
 * Probability distribution of the sum of independent on/off loads, by convolution on bins of 50 VA.
 *
 * Loads that are always on are kept as an exact offset. Only the bins that carry mass are visited.
 */
export class DemandDistribution {
  private constructor(
    private readonly probability: Float64Array,
    private lowBin: number,
    private topBin: number,
    private offsetVA: number,
    /** Everything at once, VA: bins may lie above it, demand never does. */
    private sumVA: number,
  ) {}

  /**
   * The distribution of the sum of loads that are on for a share of the time each, independently of each other.
   *
   * Fastest with the small loads first: the span that has to be visited stays short for most of them.
   *
   * @param powersVA apparent power of each load, VA
   * @param onShares share of the time each is on, 0 to 1
   * @param without index of a load to leave out; -1 takes all
   */
  static of(powersVA: Powers, onShares: ArrayLike<number>, without = -1): DemandDistribution {
    let bins = 2;
    for (const powerVA of powersVA) bins += Math.ceil(powerVA / binVA) + 1;
    const probability = new Float64Array(bins);
    probability[0] = 1;
    const distribution = new DemandDistribution(probability, 0, 0, 0, 0);
    for (let i = 0; i < powersVA.length; i += 1) {
      if (i !== without) distribution.add(powersVA[i]!, onShares[i]!);
    }
    return distribution;
  }

  private add(powerVA: number, onShare: number): void {
    if (powerVA <= 0 || onShare <= 0) return;
    this.sumVA += powerVA;
    if (onShare >= 1) {
      this.offsetVA += powerVA;
      return;
    }
    const bin = Math.floor(powerVA / binVA);
    const upperShare = powerVA / binVA - bin;
    const off = 1 - onShare;
    const lower = onShare * (1 - upperShare);
    const upper = onShare * upperShare;
    const p = this.probability;
    for (let k = this.topBin; k >= this.lowBin; k -= 1) {
      const mass = p[k]!;
      p[k] = mass * off;
      p[k + bin]! += mass * lower;
      p[k + bin + 1]! += mass * upper;
    }
    this.topBin += bin + 1;
    while (this.topBin > this.lowBin && p[this.topBin]! < negligible) {
      p[this.topBin] = 0;
      this.topBin -= 1;
    }
    while (this.lowBin < this.topBin && p[this.lowBin]! < negligible) {
      p[this.lowBin] = 0;
      this.lowBin += 1;
    }
  }

  /**
   * The distribution without one of its loads, by undoing its convolution from the lowest bin up.
   *
   * Errors die out as long as the load is off at least as often as on; for others the answer is null, and the distribution of
   * the rest has to be built anew.
   *
   * @param powerVA its power, as it was taken in
   * @param onShare its share, as it was taken in
   */
  without(powerVA: number, onShare: number): DemandDistribution | null {
    if (powerVA <= 0 || onShare <= 0) return this;
    if (onShare >= 1) {
      return new DemandDistribution(
        this.probability,
        this.lowBin,
        this.topBin,
        this.offsetVA - powerVA,
        this.sumVA - powerVA,
      );
    }
    if (onShare > 0.5) return null;
    const bin = Math.floor(powerVA / binVA);
    const upperShare = powerVA / binVA - bin;
    const lower = onShare * (1 - upperShare);
    const upper = onShare * upperShare;
    const stays = 1 - onShare + (bin === 0 ? lower : 0);
    const { probability: p, lowBin, topBin } = this;
    const rest = new Float64Array(topBin + 1);
    for (let k = lowBin; k <= topBin; k += 1) {
      let mass = p[k]!;
      if (bin > 0 && k - bin >= lowBin) mass -= lower * rest[k - bin]!;
      if (k - bin - 1 >= lowBin) mass -= upper * rest[k - bin - 1]!;
      rest[k] = Math.max(0, mass / stays);
    }
    return new DemandDistribution(rest, lowBin, topBin, this.offsetVA, this.sumVA - powerVA);
  }

  /** Smallest demand in VA that is not passed for `share` of the time; never above the plain sum of the loads. */
  quantileVA(share: number): number {
    const wanted = share - tolerance;
    let sum = 0;
    for (let k = this.lowBin; k <= this.topBin; k += 1) {
      sum += this.probability[k]!;
      if (sum >= wanted) return Math.min(this.sumVA, this.offsetVA + k * binVA);
    }
    return Math.min(this.sumVA, this.offsetVA + this.topBin * binVA);
  }

  /** Share of the time the demand is above a limit in VA, 0 to 1. */
  shareAbove(limitVA: number): number {
    if (limitVA >= this.sumVA * (1 - tolerance)) return 0;
    const from = Math.max(this.lowBin, Math.floor((limitVA - this.offsetVA) / binVA + tolerance) + 1);
    let sum = 0;
    for (let k = from; k <= this.topBin; k += 1) sum += this.probability[k]!;
    return Math.min(1, sum);
  }

  /**
   * Share of the time the demand stands in each bin of 50 VA.
   *
   * @returns the demand of the first bin in VA, and the shares from there on
   */
  bins(): { readonly fromVA: number; readonly shares: Float64Array } {
    return {
      fromVA: this.offsetVA + this.lowBin * binVA,
      shares: this.probability.slice(this.lowBin, this.topBin + 1),
    };
  }

  meanVA(): number {
    let mean = 0;
    for (let k = this.lowBin; k <= this.topBin; k += 1) mean += k * this.probability[k]!;
    return this.offsetVA + mean * binVA;
  }
}

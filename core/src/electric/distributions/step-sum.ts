/**
 * Distribution of a sum of independent on/off loads whose powers are whole numbers of steps: exact, and able to take one load
 * out again. Powers are rounded down, or up, to steps beforehand: so one such sum bounds the true one from either side.
 */
export class StepSum {
  private constructor(
    private readonly mass: Float64Array,
    /** Highest step with mass. */
    private readonly top: number,
  ) {}

  /**
   * @param steps power of each load, whole steps
   * @param shares share of the time each is on, 0 to 1
   */
  static of(steps: readonly number[], shares: readonly number[]): StepSum {
    const mass = new Float64Array(steps.reduce((sum, step) => sum + step, 0) + 1);
    mass[0] = 1;
    let top = 0;
    steps.forEach((step, i) => {
      const on = shares[i]!;
      if (on <= 0 || step === 0) return;
      for (let k = top + step; k >= 0; k -= 1) {
        mass[k] = (k <= top ? mass[k]! * (1 - on) : 0) + (k >= step ? mass[k - step]! * on : 0);
      }
      top += step;
    });
    return new StepSum(mass, top);
  }

  /**
   * The sum without one of its loads. Its convolution is undone from the end at which errors die out: the lower one for a load
   * that is off at least as often as on.
   */
  without(step: number, share: number): StepSum {
    if (share <= 0 || step === 0) return this;
    const { mass, top } = this;
    const left = top - step;
    const rest = new Float64Array(left + 1);
    const off = 1 - share;
    if (share <= 0.5) {
      for (let k = 0; k <= left; k += 1) {
        rest[k] = Math.max(0, (mass[k]! - (k >= step ? share * rest[k - step]! : 0)) / off);
      }
    } else {
      for (let k = left; k >= 0; k -= 1) {
        rest[k] = Math.max(0, (mass[k + step]! - (k + step <= left ? off * rest[k + step]! : 0)) / share);
      }
    }
    return new StepSum(rest, left);
  }

  /** Share of the time the sum is above a number of steps, which need not be whole, 0 to 1. */
  shareAbove(limit: number): number {
    let sum = 0;
    for (let k = Math.max(0, Math.floor(limit) + 1); k <= this.top; k += 1) sum += this.mass[k]!;
    return Math.min(1, sum);
  }
}

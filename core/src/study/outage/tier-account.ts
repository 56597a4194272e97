import type { TierResult } from './outage-run.js';
import type { Cause } from './outage-state.js';
import type { TierWish } from './wanted-by-tier.js';

/** Less than this is not missed, W. */
const slackW = 0.01;

/** Keeps account of what one tier got, minute by minute. */
export class TierAccount {
  readonly servedW: Float32Array;
  readonly unservedW: Float32Array;
  private servedWh = 0;
  private unservedWh = 0;
  private wantedMin = 0;
  private goodMin = 0;
  private firstMin: number | null = null;
  private firstWhy: TierResult['firstFailureWhy'] = 'none';

  constructor(
    private readonly wish: TierWish,
    minutes: number,
  ) {
    this.servedW = new Float32Array(minutes);
    this.unservedW = new Float32Array(minutes);
  }

  /**
   * @param stage stage of shedding in the minute
   * @param share share of the minute in which the house is lit
   * @param cause why it is not
   * @param beside a generator runs
   */
  book(minute: number, stage: number, share: number, cause: Cause, beside: boolean): void {
    const { byStage, offBesideByStage, noRoomW } = this.wish;
    let on = 0;
    let shed = 0;
    for (let from = 0; from < byStage.length; from += 1) {
      if (from > stage || from === byStage.length - 1) {
        const off = beside ? (offBesideByStage[from]?.[minute] ?? 0) : 0;
        on += byStage[from]![minute]! - off;
        shed += off;
      } else shed += byStage[from]![minute]!;
    }
    const served = on * share;
    const unserved = shed + on - served + noRoomW[minute]!;
    this.servedW[minute] = served;
    this.unservedW[minute] = unserved;
    this.servedWh += served / 60;
    this.unservedWh += unserved / 60;
    // In a minute in which nothing is wanted, nothing is served.
    if (served + unserved > slackW) this.wantedMin += 1;
    if (unserved <= slackW) {
      if (served > slackW) this.goodMin += 1;
    } else if (this.firstMin === null) {
      this.firstMin = minute;
      this.firstWhy = on - served > slackW ? cause : shed > slackW ? 'shed' : 'no-room';
    }
  }

  result(): TierResult {
    return {
      tier: this.wish.tier,
      servedWh: this.servedWh,
      unservedWh: this.unservedWh,
      wantedH: this.wantedMin / 60,
      servedH: this.goodMin / 60,
      firstFailureH: this.firstMin === null ? null : this.firstMin / 60,
      firstFailureWhy: this.firstWhy,
    };
  }
}

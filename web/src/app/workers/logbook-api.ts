import type { Catalogue } from '@levamen/core/equipment';
import type { LogbookQuestion, ToldBattery, ToldOutage } from '@levamen/core/logbook/details';

export interface LogbookApi {
  /** Takes a question in; null = there is no such island, or its units do not go together. */
  prepare(question: LogbookQuestion, catalogue: Catalogue): ToldBattery | null;
  /** An outage of the question taken in last; null = there is none of this id. */
  outage(outageId: string):
    | (Omit<ToldOutage, 'known'> & {
        readonly chargeWas: Float32Array | null;
      })
    | null;
}

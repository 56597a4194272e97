import type { PaperOrder, PaperOrderRequest } from '@levamen/core/api';
import {
  concatMap,
  defer,
  expand,
  finalize,
  map,
  type Observable,
  of,
  retry,
  switchMap,
  takeWhile,
  timer,
} from 'rxjs';
import type { PapersApi } from '../../data/papers-api';

/** How long after an answer is asked again how far a paper is, ms: soon at first, then seldom, since asking holds up the edits of others. */
const askAgainMs = (asked: number): number => (asked < 8 ? 350 : 1000);
const isOver = ({ state }: PaperOrder): boolean =>
  state === 'done' || state === 'failed' || state === 'cancelled';

/** A paper as it is being made. */
export interface Making {
  readonly order: PaperOrder;
  /** What was made; null = it is not done, or it was issued. */
  readonly file: Blob | null;
}

/** Has a paper made, and tells how far it is; whoever unsubscribes before it is done calls it off. A line that fails for a moment holds nothing up. */
export function makePaper(api: PapersApi, jobId: string, asked: PaperOrderRequest): Observable<Making> {
  return defer(() => {
    let running = '';
    return api.order(jobId, asked).pipe(
      switchMap((first) => {
        running = first.id;
        const now = api.orderNow(jobId, first.id).pipe(retry({ count: 4, delay: 500 }));
        return of(first).pipe(
          expand((_, asked) => timer(askAgainMs(asked)).pipe(switchMap(() => now))),
          takeWhile((order) => !isOver(order), true),
        );
      }),
      concatMap((order): Observable<Making> => {
        if (isOver(order)) running = '';
        return order.state === 'done' && order.paperId === null
          ? api.made(jobId, order.id).pipe(map((file) => ({ order, file })))
          : of({ order, file: null });
      }),
      finalize(() => {
        if (running !== '') api.cancel(jobId, running).subscribe({ error: () => undefined });
      }),
    );
  });
}

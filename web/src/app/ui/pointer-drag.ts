import { filter, fromEvent, map, merge, Observable, take } from 'rxjs';

/** How far a pointer has gone since it was pressed, px. */
export interface DragMove {
  readonly right: number;
  readonly down: number;
  readonly event: PointerEvent;
}

/** A step on the way, or the end of it: let go, or called off by the device. */
export type DragStep = { readonly at: 'move'; readonly move: DragMove } | { readonly at: 'drop' | 'cancel' };

/**
 * A drag from where a pointer was pressed until it is let go. One that goes no farther than `leastPx` is a click: nothing of it is told.
 */
export const pointerDrag = (start: PointerEvent, leastPx: number): Observable<DragStep> =>
  new Observable<DragStep>((watcher) => {
    let goes = false;
    const moves = fromEvent<PointerEvent>(window, 'pointermove').pipe(
      map((event): DragMove => ({
        right: event.clientX - start.clientX,
        down: event.clientY - start.clientY,
        event,
      })),
      filter(({ right, down }) => goes || Math.hypot(right, down) > leastPx),
    );
    const letGo = merge(
      fromEvent(window, 'pointerup').pipe(map(() => 'drop' as const)),
      fromEvent(window, 'pointercancel').pipe(map(() => 'cancel' as const)),
    ).pipe(take(1));
    const going = moves.subscribe((move) => {
      goes = true;
      watcher.next({ at: 'move', move });
    });
    going.add(
      letGo.subscribe((at) => {
        if (goes) watcher.next({ at });
        watcher.complete();
      }),
    );
    return going;
  });

import type * as z from 'zod';
import { catchError, EMPTY, Observable, repeat } from 'rxjs';

/**
 * What the server tells as it happens, for as long as somebody listens. null = the line is down, and is built up again.
 *
 * @param schema what does not fit it is left out
 * @param againMs where the server closed the line for good, it is asked again after this
 */
export const serverEvents = <S extends z.ZodType>(
  url: string,
  schema: S,
  againMs: number,
): Observable<z.infer<S> | null> =>
  new Observable<z.infer<S> | null>((subscriber) => {
    const source = new EventSource(url);
    source.onmessage = ({ data }: MessageEvent<string>) => {
      const event = schema.safeParse(JSON.parse(data));
      if (event.success) subscriber.next(event.data);
    };
    source.onerror = () => {
      subscriber.next(null);
      if (source.readyState === EventSource.CLOSED) subscriber.complete();
    };
    return () => source.close();
  }).pipe(
    catchError(() => EMPTY),
    repeat({ delay: againMs }),
  );

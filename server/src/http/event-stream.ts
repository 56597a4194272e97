import type { Response } from 'express';

/** After so long the window has to ask again: whoever may see the job no longer is out then, ms. */
const lastsMs = 240_000;
/** Proxies end what is silent for a minute, ms. */
const silenceMs = 25_000;
/** A window that was cut off asks again after this, ms. */
const againMs = 3000;

/**
 * Answers with what happens as it happens (server-sent events), until the window goes, the time is over, or the server stops.
 *
 * @param stopping ends it: the server is told to stop
 * @param enter begins it, and says what to do when the window is gone; what it throws is answered as ever, as long as it has told nothing
 */
export async function eventStream<Event>(
  response: Response,
  stopping: AbortSignal,
  enter: (tell: (event: Event) => void) => (() => void) | Promise<() => void>,
): Promise<void> {
  response
    .status(200)
    // Kept back by nobody on the way: neither by a cache, nor by compressing, nor by a proxy.
    .set({
      'Content-Type': 'text/event-stream',
      'Cache-Control': 'no-store, no-transform',
      'X-Accel-Buffering': 'no',
    });
  let isGone = false;
  let isBegun = false;
  const begin = (): void => {
    if (!isBegun) response.write(`retry: ${againMs}\n\n`);
    isBegun = true;
  };
  let leave = (): void => undefined;
  const end = (): void => void response.end();
  const over = setTimeout(end, lastsMs);
  const beat = setInterval(() => {
    if (isBegun) response.write(':\n\n');
  }, silenceMs);
  stopping.addEventListener('abort', end);
  response.on('close', () => {
    isGone = true;
    clearInterval(beat);
    clearTimeout(over);
    stopping.removeEventListener('abort', end);
    leave();
  });
  leave = await enter((event) => {
    begin();
    response.write(`data: ${JSON.stringify(event)}\n\n`);
  });
  if (isGone) leave();
  else begin();
}

import connectPgSimple from 'connect-pg-simple';
import session, { type SessionData } from 'express-session';

/** A session that is in use is told to live on this often; with every request, reading would cost a write. */
const touchEveryMs = 5 * 60_000;
/** More sessions than this are not remembered: they are touched once more than needed. */
const mostRemembered = 10_000;

/** Sessions in PostgreSQL that are written when they change, and once in five minutes while they are used. */
export class SparingSessionStore extends connectPgSimple(session) {
  /** When this process last touched a session. Nothing is wrong where it is forgotten. */
  private readonly touchedAtMs = new Map<string, number>();

  override touch(sid: string, data: SessionData, done?: () => void): void {
    const nowMs = Date.now();
    if (nowMs - (this.touchedAtMs.get(sid) ?? -Infinity) < touchEveryMs) {
      done?.();
      return;
    }
    if (this.touchedAtMs.size >= mostRemembered) this.touchedAtMs.clear();
    this.touchedAtMs.set(sid, nowMs);
    // Whoever asks is answered, though a session cannot be told to live on: on a full disk everything can still be read.
    super.touch(sid, data, () => done?.());
  }
}

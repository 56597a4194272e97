import { randomBytes, randomUUID } from 'node:crypto';
import type { Request, RequestHandler } from 'express';
import session from 'express-session';
import type pg from 'pg';
import type { DataSource } from 'typeorm';
import type { SessionEntry } from '@levamen/core/api';
import { SparingSessionStore } from './sparing-session-store.js';

declare module 'express-session' {
  interface SessionData {
    accountId: string;
    workspaceId: string | null;
    /** Names the session to its owner: the secret itself is shown to nobody. */
    publicId: string;
    /** Sent back with what changes something. */
    token: string;
    /** A key for an authenticator that was offered, until a code of it has come back. */
    offered: string | null;
    device: string;
    signedInAt: string;
  }
}

const hourMs = 3_600_000;
/** A session that nobody uses ends after so long, and every one after a week: a tablet that was left in a van signs nobody in. */
const idleMs = 12 * hourMs;
const longestMs = 7 * 24 * hourMs;

interface Row {
  readonly sess: Partial<session.SessionData>;
}

/** Sessions in the database: a restart ends none, and every server knows them. */
export class Sessions {
  /** @param ground connections that act for nobody */
  constructor(
    private readonly source: DataSource,
    private readonly ground: pg.Pool,
  ) {}

  /** @param secure cookies go over TLS only */
  handler(secret: string, secure: boolean): RequestHandler {
    return session({
      name: secure ? '__Host-levamen' : 'levamen',
      secret,
      store: new SparingSessionStore({
        pool: this.ground,
        tableName: 'session',
        pruneSessionInterval: 900,
      }),
      resave: false,
      saveUninitialized: false,
      rolling: true,
      cookie: { httpOnly: true, sameSite: 'strict', secure, maxAge: idleMs, path: '/' },
    });
  }

  /** Signs in under a new identifier: one that was known before is worth nothing after. */
  async begin(request: Request, accountId: string, device: string): Promise<void> {
    await told((done) => request.session.regenerate(done));
    Object.assign(request.session, {
      accountId,
      workspaceId: null,
      offered: null,
      publicId: randomUUID(),
      token: randomBytes(24).toString('base64url'),
      device,
      signedInAt: new Date().toISOString(),
    });
    await told((done) => request.session.save(done));
  }

  async end(request: Request): Promise<void> {
    await told((done) => request.session.destroy(done));
  }

  /** Has a session lasted as long as any may? */
  isOver({ session: { signedInAt } }: Request): boolean {
    return signedInAt === undefined || Date.now() - Date.parse(signedInAt) > longestMs;
  }

  /** The sessions of an account, the newest first. */
  async of(accountId: string, thisId: string | undefined): Promise<SessionEntry[]> {
    const rows = await this.source.query<Row[]>(
      `SELECT sess FROM session WHERE sess->>'accountId' = $1 AND expire > now()`,
      [accountId],
    );
    return rows
      .map(({ sess }) => ({
        id: sess.publicId ?? '',
        device: sess.device ?? '',
        signedInAt: sess.signedInAt ?? new Date(0).toISOString(),
        isThis: sess.publicId === thisId,
      }))
      .toSorted((a, b) => b.signedInAt.localeCompare(a.signedInAt));
  }

  /** Ends sessions of an account: all, or all but one. */
  async endOf(accountId: string, but: string | undefined): Promise<void> {
    await this.source.query(
      `DELETE FROM session WHERE sess->>'accountId' = $1 AND ($2::text IS NULL OR sess->>'publicId' <> $2)`,
      [accountId, but ?? null],
    );
  }
}

/** Waits until it is done. */
const told = (ask: (done: (error: unknown) => void) => unknown): Promise<void> =>
  new Promise((resolve, reject) => {
    ask((error) => {
      if (error) reject(error instanceof Error ? error : new Error('The session could not be kept'));
      else resolve();
    });
  });

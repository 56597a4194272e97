import { AsyncLocalStorage } from 'node:async_hooks';
import type pg from 'pg';
import type { DataSource } from 'typeorm';
import { poolOf } from '../store/pool-of.js';

/** For whom a query runs. */
export interface Acting {
  /** null = for no workspace: rows of none are seen. */
  readonly workspaceId: string | null;
  /** null = for nobody in particular. */
  readonly accountId: string | null;
}

const acting = new AsyncLocalStorage<Acting>();
const nobody: Acting = { workspaceId: null, accountId: null };

/** Runs work for a workspace: the policies of the database let it see and write rows of that one only. */
export const actingFor = <Result>(who: Acting, work: () => Result): Result => acting.run(who, work);

/** The same for what goes on beside requests: nobody waits for it, and what it throws is told. */
export function besideRequests(
  workspaceId: string,
  work: () => Promise<unknown>,
  failed: (error: unknown) => void,
): void {
  actingFor({ workspaceId, accountId: null }, work).catch(failed);
}

/** A connection lost while it is told for whom it acts fails its query; unheard, the error it also emits would end the server. */
const heard = (): void => undefined;

type Connected = (error: Error | undefined, client?: pg.PoolClient, release?: () => void) => void;

/**
 * Makes every connection that a data source lends act for whom the borrowing code acts. It is said anew whenever it differs from what was said on
 * that connection last; code that acts for nobody sees no row that belongs to a workspace.
 *
 * @param otherwise for whom code acts that does not say so; tests look at what a workspace keeps
 */
export function fence(source: DataSource, otherwise: Acting = nobody): void {
  const pool = poolOf(source);
  const last = new WeakMap<pg.PoolClient, string>();
  const connect = pool.connect.bind(pool) as (callback: Connected) => void;
  const say = async (client: pg.PoolClient, who: Acting): Promise<void> => {
    const said = `${who.workspaceId ?? ''} ${who.accountId ?? ''}`;
    if (last.get(client) === said) return;
    // Until it is through, nothing is taken for said.
    last.delete(client);
    await client.query(
      "SELECT set_config('levamen.workspace', $1, false), set_config('levamen.account', $2, false)",
      [who.workspaceId ?? '', who.accountId ?? ''],
    );
    last.set(client, said);
  };
  const lend = (callback: Connected): void => {
    const who = acting.getStore() ?? otherwise;
    connect((error, client, release) => {
      if (error || !client) {
        callback(error, client, release);
        return;
      }
      client.on('error', heard);
      say(client, who).then(
        () => {
          callback(undefined, client, release);
          client.off('error', heard);
        },
        (problem: unknown) => {
          client.release(true);
          callback(problem instanceof Error ? problem : new Error(String(problem)));
        },
      );
    });
  };
  const fenced = (callback?: Connected): Promise<pg.PoolClient> | undefined => {
    if (callback) {
      lend(callback);
      return undefined;
    }
    return new Promise((resolve, reject) => {
      lend((error, client) => (client ? resolve(client) : reject(error ?? new Error('No connection'))));
    });
  };
  pool.connect = fenced as typeof pool.connect;
}

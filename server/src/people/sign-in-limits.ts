import type { DataSource } from 'typeorm';
import { HttpProblem } from '../http/problem.js';
import { SignInFailureEntity } from './people-entities.js';

const minutes = 15;
/** Failures in that time after which an account, or an address, is told to wait. */
const most = { account: 8, address: 40 } as const;

/** A secret that was asked for is another one: it is counted. */
export class WrongSecret extends HttpProblem {}

/** Counts failed sign-ins in the database: a restart forgives none. */
export class SignInLimits {
  constructor(private readonly source: DataSource) {}

  /**
   * Does what rests on a secret, and counts it where that is wrong ({@link WrongSecret}).
   *
   * @param whose the account it is a secret of: its mail address, or its id
   * @throws HttpProblem 429 where too many have failed of late
   */
  async watching<Result>(whose: string, address: string, work: () => Promise<Result>): Promise<Result> {
    await this.refuseTooMany(whose, address);
    try {
      return await work();
    } catch (error) {
      if (error instanceof WrongSecret) await this.failed(whose, address);
      throw error;
    }
  }

  private async refuseTooMany(email: string, address: string): Promise<void> {
    // By the clock of the database, whichever server asks; failures that a clock has put into the future, before it was set back, keep nobody out.
    const rows = await this.source.query<{ key: string; failed: number }[]>(
      `SELECT key, count(*)::int AS failed FROM sign_in_failure
        WHERE key = ANY($1) AND at > now() - make_interval(mins => $2) AND at <= now() + interval '1 minute' GROUP BY key`,
      [[`account ${email}`, `address ${address}`], minutes],
    );
    const failed = (key: string): number => rows.find((row) => row.key === key)?.failed ?? 0;
    const [ofAccount, ofAddress] = [failed(`account ${email}`), failed(`address ${address}`)];
    if (ofAccount < most.account && ofAddress < most.address) return;
    throw new HttpProblem(
      429,
      'Too many failed sign-ins',
      `Wait ${minutes} minutes, then try again; or ask the owner for a link that sets the password anew.`,
    );
  }

  private async failed(email: string, address: string): Promise<void> {
    await this.source.manager.insert(SignInFailureEntity, [
      { key: `account ${email}` },
      { key: `address ${address}` },
    ]);
    await this.source.query(`DELETE FROM sign_in_failure WHERE at < now() - interval '1 day'`);
  }

  /** Somebody has shown that the account is his. */
  async forgive(email: string): Promise<void> {
    await this.source.manager.delete(SignInFailureEntity, { key: `account ${email}` });
  }
}

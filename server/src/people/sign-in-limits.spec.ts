import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openTestDatabase, type TestDatabase } from '../testing/test-database.js';
import { SignInLimits, WrongSecret } from './sign-in-limits.js';

let database: TestDatabase;
beforeAll(async () => {
  database = await openTestDatabase();
});
afterAll(() => database.close());

const fails = (limits: SignInLimits, whose: string): Promise<void> =>
  limits.watching(whose, '192.0.2.1', () => Promise.reject(new WrongSecret(401, 'Not signed in', 'Wrong.')));

describe('failed sign-ins', () => {
  it('make an account wait, on every server of the database', async () => {
    const [one, other] = [new SignInLimits(database.source), new SignInLimits(database.source)];
    for (let round = 0; round < 8; round += 1)
      await expect(fails(round % 2 === 0 ? one : other, 'ada')).rejects.toThrow('Wrong.');
    for (const limits of [one, other])
      await expect(limits.watching('ada', '192.0.2.2', () => Promise.resolve('in'))).rejects.toThrow(
        'Wait 15 minutes',
      );
    await expect(one.watching('ben', '192.0.2.2', () => Promise.resolve('in'))).resolves.toBe('in');
  });

  it('that a clock has put into the future, before it was set back, keep nobody out', async () => {
    const limits = new SignInLimits(database.source);
    await database.source.query(
      "INSERT INTO sign_in_failure (key, at) SELECT 'account eve', now() + interval '1 day' FROM generate_series(1, 20)",
    );
    await expect(limits.watching('eve', '192.0.2.3', () => Promise.resolve('in'))).resolves.toBe('in');
  });
});

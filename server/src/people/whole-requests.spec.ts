import { roles, type Role } from '@levamen/core/api';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openApiDocument } from '../docs/openapi.js';
import { companyWithRoles } from '../testing/other-company.js';
import { Someone } from '../testing/someone.js';
import { openTestApp, type TestApp } from '../testing/test-app.js';

let test: TestApp;
let of: ReadonlyMap<Role, Someone>;

beforeAll(async () => {
  test = await openTestApp(true);
  ({ of } = await companyWithRoles(test, roles));
});
afterAll(() => test.database.close());

const median = (values: readonly number[]): number =>
  values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)]!;

describe('every answer', () => {
  it('keeps scripts of others, frames, caches and guesses of types away, whoever asks and whatever comes back', async () => {
    const { paths } = openApiDocument() as { paths: Record<string, Record<string, unknown>> };
    const addresses = Object.entries(paths)
      .filter(([path, item]) => 'get' in item && !path.endsWith('/live'))
      .map(([path]) => path.replaceAll(/\{\w+\}/g, '00000000-0000-4000-8000-000000000001'));
    expect(addresses.length).toBeGreaterThan(30);
    for (const someone of [of.get('owner')!, of.get('viewer')!, new Someone(test.visitor())])
      for (const address of [...addresses, '/api/nowhere', '/nowhere.js']) {
        const { headers, status } = await someone.get(address);
        const policy = headers['content-security-policy'] ?? '';
        const what = `${address}: ${status}`;
        expect(policy, what).toContain("default-src 'self'");
        expect(policy, what).toContain("script-src 'self';");
        expect(policy, what).toMatch(/style-src 'self'(;|$)/);
        expect(policy, what).not.toContain('unsafe-');
        expect(policy, what).toContain("object-src 'none'");
        expect(policy, what).toContain("frame-ancestors 'self'");
        expect(headers['x-frame-options'], what).toBe('SAMEORIGIN');
        expect(headers['x-content-type-options'], what).toBe('nosniff');
        expect(headers['referrer-policy'], what).toBe('no-referrer');
        expect(headers['x-powered-by'], what).toBeUndefined();
        expect(headers['access-control-allow-origin'], what).toBeUndefined();
        if (address.startsWith('/api/')) expect(headers['cache-control'], what).toContain('no-store');
      }
  });
});

describe('signing in', () => {
  it('takes as long where there is no such account, from the first byte to the last', async () => {
    const msOf = async (email: string): Promise<number> => {
      const begin = performance.now();
      await test
        .visitor()
        .post('/api/session')
        .send({ email, password: 'gravel harbour oars eleven' })
        .expect(401);
      return performance.now() - begin;
    };
    const known: number[] = [];
    const unknown: number[] = [];
    await msOf('warming@example.org');
    // One beside the other, so that a busy machine is busy for both; fewer than make an account wait.
    for (let n = 0; n < 7; n += 1) {
      known.push(await msOf('designer@example.org'));
      unknown.push(await msOf(`nobody${n}@example.org`));
    }
    expect(Math.abs(median(known) - median(unknown)) / median(known)).toBeLessThan(0.5);
  });
});

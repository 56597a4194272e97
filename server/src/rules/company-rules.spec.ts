import { type CompanyRules, companyRulesSchema, savedJobSchema } from '@levamen/core/api';
import { newJob } from '@levamen/core/job';
import { ruleOf } from '@levamen/core/rules/packs';
import pg from 'pg';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openTestApp, type TestApp } from '../testing/test-app.js';

let test: TestApp;
beforeAll(async () => {
  test = await openTestApp();
});
afterAll(() => test.database.close());

const aRule = (id: string, holds = 'spaces >= 12') =>
  ruleOf({
    id,
    on: 'panel',
    name: `Rule ${id}`,
    origin: 'company',
    holds,
    severity: 'consider',
    says: ['{name}'],
  });
const read = async (): Promise<CompanyRules> =>
  companyRulesSchema.parse((await test.agent.get('/api/rules').expect(200)).body);
const change = (rules: readonly object[], baseRevision: number) =>
  test.agent.put('/api/rules').set('x-levamen-actor', 'Ada').send({ baseRevision, said: 'test', rules });
const begun = async (job: object) =>
  savedJobSchema.parse((await test.agent.post('/api/jobs').send({ document: job }).expect(201)).body)
    .document;

describe('the rules of a company', () => {
  it('begin as none, and new jobs have none', async () => {
    expect(await read()).toEqual({ revision: 0, rules: [], actor: '', changedAt: null });
    expect((await begun(newJob('Before'))).code.rules).toEqual([]);
  });

  it('are kept with who kept them, and every job that begins after is judged by them', async () => {
    await change([aRule('own.a'), aRule('own.b')], 0).expect(200);
    expect(await read()).toMatchObject({ revision: 1, actor: 'Ada' });
    const { code } = await begun(newJob('After'));
    expect(code.rules.map(({ id }) => id)).toEqual(['own.a', 'own.b']);
    // A job that brings rules keeps them.
    const own = { ...newJob('Own'), code: { packId: null, rules: [aRule('own.c')] } };
    expect((await begun(own)).code.rules.map(({ id }) => id)).toEqual(['own.c']);
  });

  it('make no revision where nothing differs, and overwrite nobody', async () => {
    const { rules, revision } = await read();
    await change(rules, revision).expect(200);
    expect((await read()).revision).toBe(revision);
    await change([...rules, aRule('own.d')], revision).expect(200);
    const { body } = await change([aRule('own.e')], revision).expect(409);
    expect((body as { detail: string }).detail).toContain('Ada has changed the rules');
    expect((await read()).rules.map(({ id }) => id)).toEqual(['own.a', 'own.b', 'own.d']);
  });

  it('refuse what is no rule, two of one id, and more than there may be', async () => {
    const { revision } = await read();
    await change([{ ...aRule('own.x'), id: 'Not an id' }], revision).expect(400);
    await change([aRule('own.x'), aRule('own.x')], revision).expect(400);
    await change(
      Array.from({ length: 101 }, (_, n) => aRule(`own.n${n}`)),
      revision,
    ).expect(400);
  });

  it('only grow', async () => {
    const owner = new pg.Client({ connectionString: test.database.ownerUrl });
    await owner.connect();
    for (const statement of ['UPDATE company_rules SET revision = 9', 'DELETE FROM company_rules'])
      await expect(owner.query(statement)).rejects.toThrow('append-only');
    await owner.end();
  });
});

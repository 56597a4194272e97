import { jobVersion, newJob } from '@levamen/core/job';
import * as fc from 'fast-check';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openTestApp, type TestApp } from '../testing/test-app.js';

let app: TestApp;
beforeAll(async () => {
  app = await openTestApp();
});
afterAll(() => app.database.close());

describe('the application', () => {
  it('is healthy while its database is', async () => {
    expect((await app.agent.get('/api/health').expect(200)).body).toMatchObject({ status: 'ok' });
  });

  it('sends protective headers and hides what it is made of', async () => {
    const { headers } = await app.agent.get('/api/jobs');
    expect(headers['content-security-policy']).toContain("default-src 'self'");
    expect(headers['x-content-type-options']).toBe('nosniff');
    expect(headers['cache-control']).toBe('no-store');
    expect(headers['ratelimit-policy']).toBeDefined();
    expect(headers['x-powered-by']).toBeUndefined();
  });

  it('serves loopback names and its own page only', async () => {
    await app.agent.get('/api/jobs').set('Host', 'evil.example').expect(421);
    await app.agent.get('/api/jobs').set('Origin', 'http://evil.example').expect(403);
    await app.agent.get('/api/jobs').set('Origin', 'null').expect(403);
  });

  it('answers unknown addresses with a problem, not a page', async () => {
    const response = await app.agent.get('/api/nothing').expect(404);
    expect(response.headers['content-type']).toContain('application/problem+json');
    await app.agent.get('/nothing').expect(404);
  });

  it('serves the file schema, and its own description', async () => {
    expect((await app.agent.get('/api/schema/job.json').expect(200)).text).toContain(
      `urn:levamen:job:${jobVersion}`,
    );
    expect((await app.agent.get('/api/docs').expect(200)).text).toContain('swagger-ui-bundle.js');
    await app.agent.get('/api/docs/assets/swagger-ui-bundle.js').expect(200);
    await app.agent.get('/api/docs/start.js').expect(200);
  });
});

describe('the description', () => {
  it('resolves every reference and covers every route', async () => {
    const { body, text } = await app.agent.get('/api/openapi.json').expect(200);
    const description = body as {
      openapi: string;
      paths: Record<string, object>;
      components: { schemas: Record<string, unknown> };
    };
    expect(description.openapi).toBe('3.1.0');
    for (const [, name] of text.matchAll(/#\/components\/schemas\/(\w+)/g))
      expect(description.components.schemas).toHaveProperty(name!);
    const routes = Object.entries(description.paths).flatMap(([path, methods]) =>
      Object.keys(methods)
        .filter((key) => key !== 'parameters')
        .map((method) => [method, path] as const),
    );
    expect(routes.length).toBeGreaterThanOrEqual(14);
    for (const [method, path] of routes) {
      const address = path.replace('{id}', '00000000-0000-4000-8000-000000000000').replace('{revision}', '1');
      const response = await app.agent[method as 'get'](address);
      // A route that is described is there: it may say "no such job", but not "no such address".
      expect(response.text ?? '', `${method} ${path}`).not.toContain('address in the API');
      expect(response.status).toBeLessThan(500);
    }
  });
});

describe('names', () => {
  it('are kept to the letter', async () => {
    await fc.assert(
      fc.asyncProperty(fc.string({ unit: 'binary', minLength: 1, maxLength: 60 }), async (name) => {
        const response = await app.agent.post('/api/jobs').send({ document: newJob(name) });
        expect([201, 422]).toContain(response.status);
        if (response.status === 201)
          expect((response.body as { document: { name: string } }).document.name).toBe(name);
      }),
      { numRuns: 100 },
    );
  });
});

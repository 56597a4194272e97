import { defineConfig } from '@playwright/test';
import chromium from './chromium.json' with { type: 'json' };

/** Where reports go; scripts/test.sh names it. */
const home = process.env['LEVAMEN_E2E_HOME'] ?? '../.levamen/test';

/** The program under test is started by scripts/test.sh, on a database of its own. */
export default defineConfig({
  testDir: '.',
  testMatch: '*.test.ts',
  workers: 2,
  projects: [
    {
      name: 'together',
      testIgnore: [
        'saving.test.ts',
        'nothing-lost.test.ts',
        'devices-converge.test.ts',
        'equipment.test.ts',
        'company-rules.test.ts',
        'people.test.ts',
        'whole-program.test.ts',
      ],
    },
    // On a server that has accounts, and a database in which nobody has one yet.
    { name: 'people', testMatch: 'people.test.ts' },
    // What a company enters is offered to every job that begins after it.
    // One long way through the whole of it.
    { name: 'company', testMatch: ['equipment.test.ts', 'company-rules.test.ts'], timeout: 300_000 },
    // On two servers behind a proxy with TLS, under a name of its own; `./levamen prove` starts them.
    {
      name: 'whole',
      testMatch: 'whole-program.test.ts',
      use: {
        ignoreHTTPSErrors: true,
        actionTimeout: 30_000,
        launchOptions: {
          ...chromium,
          args: [...chromium.args, '--host-resolver-rules=MAP levamen.test 127.0.0.1'],
        },
      },
    },
    // Kills the server, so nothing may run beside it.
    { name: 'alone', testMatch: 'saving.test.ts', dependencies: ['company'] },
    {
      name: 'long',
      testMatch: ['nothing-lost.test.ts', 'devices-converge.test.ts'],
      dependencies: ['alone'],
    },
  ],
  // A busy machine may miss a deadline once; a test that fails twice is broken.
  retries: process.env['CI'] ? 1 : 0,
  timeout: 120_000,
  expect: { timeout: 20_000 },
  reporter: [['list'], ['json', { outputFile: `${home}/e2e.json` }]],
  outputDir: `${home}/e2e-results`,
  use: {
    baseURL: process.env['LEVAMEN_E2E_URL'] ?? 'http://127.0.0.1:4780',
    viewport: { width: 1280, height: 800 },
    acceptDownloads: true,
    // Whoever tests what happens without a network takes it in again: else each page would fetch the whole program.
    serviceWorkers: 'block',
    screenshot: 'only-on-failure',
    launchOptions: chromium,
  },
});

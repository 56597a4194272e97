import { defineConfig } from 'vitest/config';

const conditions = ['levamen-source', 'module', 'node', 'development|production'];
const project = (name: string, environment: 'node' | 'jsdom', extra: object = {}) => ({
  resolve: { conditions },
  ssr: { resolve: { conditions } },
  test: { name, root: `./${name}`, include: ['src/**/*.spec.ts'], environment, ...extra },
});

export default defineConfig({
  test: {
    projects: [
      // Generous: a machine may be several times slower than the one a test was written on.
      project('core', 'node', { testTimeout: 60_000 }),
      project('web', 'jsdom', { testTimeout: 60_000 }),
      project('server', 'node', { testTimeout: 60_000, hookTimeout: 60_000, fileParallelism: false }),
    ],
  },
});

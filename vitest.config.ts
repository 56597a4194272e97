import { availableParallelism } from 'node:os';
import { defineConfig } from 'vitest/config';

const conditions = ['levamen-source', 'module', 'node', 'development|production'];
const project = (name: string, extra: object = {}) => ({
  resolve: { conditions },
  ssr: { resolve: { conditions } },
  test: {
    name,
    root: `./${name}`,
    include: ['src/**/*.spec.ts'],
    environment: 'node',
    setupFiles: ['../scripts/seed-properties.ts'],
    ...extra,
  },
});

// The page's components need Angular's compiler: web/angular.json has their runner.
export default defineConfig({
  test: {
    projects: [
      // Generous: a machine may be several times slower than the one a test was written on. Core keeps nothing between two questions
      // but what changes no answer, so its modules are read once, not anew for each file.
      project('core', { testTimeout: 180_000, isolate: false, maxWorkers: availableParallelism() }),
      project('server', { testTimeout: 60_000, hookTimeout: 60_000, fileParallelism: false, isolate: false }),
    ],
  },
});

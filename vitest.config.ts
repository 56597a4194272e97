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
      project('core', 'node'),
      project('web', 'jsdom'),
      project('server', 'node', { testTimeout: 60_000, hookTimeout: 60_000, fileParallelism: false }),
    ],
  },
});

import { defineConfig } from 'vitest/config';

// Core as it is written, not as it was last compiled.
const conditions = ['levamen-source', 'module', 'node', 'development|production'];

export default defineConfig({
  resolve: { conditions },
  ssr: { resolve: { conditions } },
  test: {
    // Generous: a machine may be several times slower than the one a test was written on.
    testTimeout: 60_000,
    server: { deps: { inline: [/@levamen\//] } },
  },
});

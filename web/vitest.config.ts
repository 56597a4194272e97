import { defineConfig } from 'vitest/config';

// Generous: a machine may be several times slower than the one a test was written on.
export default defineConfig({ test: { testTimeout: 60_000 } });

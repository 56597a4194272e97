import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

/** `./levamen prove` runs the same tests for long; `./levamen test` a slice of each. */
export const proving = process.env['LEVAMEN_PROVE'] === '1';

/** How often: in a test, and in a proof. */
export const times = (inTest: number, inProof: number): number => (proving ? inProof : inTest);

/** Writes down what was measured, for docs/proofs.md. Outside of a proof it says nothing. */
export function writeDown(name: string, facts: Readonly<Record<string, string | number>>): void {
  const folder = process.env['LEVAMEN_PROOFS'];
  if (!proving || !folder) return;
  mkdirSync(folder, { recursive: true });
  writeFileSync(join(folder, `${name}.json`), JSON.stringify(facts));
}

/** The value below which a share of the values lies. */
export const percentile = (values: readonly number[], share: number): number =>
  values.toSorted((a, b) => a - b)[Math.min(values.length - 1, Math.floor(share * values.length))] ?? 0;

import type { Load } from './load.schema.js';

type Running = Pick<Load, 'runningPowerW' | 'powerFactor'>;

/** Apparent power in VA of one piece of a load while it runs: S = P / pf. */
export function runningPowerVA(load: Running): number {
  return load.runningPowerW / load.powerFactor;
}

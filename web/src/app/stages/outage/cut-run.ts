import type { Tier } from '@levamen/core/house';
import type { OutageRun } from '@levamen/core/study/details';

type Pictured = Pick<
  OutageRun,
  | 'fromMinute'
  | 'minutes'
  | 'servedW'
  | 'unservedW'
  | 'sunW'
  | 'sunUsedW'
  | 'generatorW'
  | 'batteryW'
  | 'charge'
  | 'frequencyHz'
  | 'sunWh'
  | 'generatorWh'
>;

/** A stretch of an outage, for its picture. Minutes are counted from the beginning of the outage. */
export function cutRun(run: OutageRun, from: number, to: number): Pictured {
  if (from === 0 && to >= run.minutes) return run;
  const cut = (values: Float32Array): Float32Array => values.subarray(from, to);
  const cutAll = (of: OutageRun['servedW']): Record<Tier, Float32Array> => ({
    must: cut(of.must),
    should: cut(of.should),
    may: cut(of.may),
    never: cut(of.never),
  });
  return {
    fromMinute: run.fromMinute + from,
    minutes: to - from,
    servedW: cutAll(run.servedW),
    unservedW: cutAll(run.unservedW),
    sunW: cut(run.sunW),
    sunUsedW: cut(run.sunUsedW),
    generatorW: cut(run.generatorW),
    batteryW: cut(run.batteryW),
    charge: cut(run.charge),
    frequencyHz: cut(run.frequencyHz),
    sunWh: run.sunWh,
    generatorWh: run.generatorWh,
  };
}

/** A window of so many minutes around a moment, moved by whole quarters of itself so that the picture stands while one scrubs. */
export function windowAround(at: number, width: number, minutes: number): readonly [number, number] {
  if (width >= minutes) return [0, minutes];
  const quarter = width / 4;
  const from = Math.max(0, Math.min(minutes - width, Math.floor(at / quarter) * quarter - 2 * quarter));
  return [from, from + width];
}

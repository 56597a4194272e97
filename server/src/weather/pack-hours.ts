import { promisify } from 'node:util';
import { deflate, inflate } from 'node:zlib';
import { hoursOfYear, type WeatherYear } from '@levamen/core/nature';

const deflated = promisify(deflate);
const inflated = promisify(inflate);

const series = ['globalWPerM2', 'beamWPerM2', 'diffuseWPerM2', 'temperatureC'] as const;
type Hours = Pick<WeatherYear, (typeof series)[number]>;

/** Light is kept in whole W/m², temperature in tenths of a degree: what the files give. */
const stepOf = { globalWPerM2: 1, beamWPerM2: 1, diffuseWPerM2: 1, temperatureC: 0.1 } as const;

/** Packs the hours of a year as the database keeps them: one column of 16-bit numbers after the other, deflated. */
export async function packHours(year: Hours): Promise<Buffer> {
  const bytes = Buffer.alloc(series.length * hoursOfYear * 2);
  series.forEach((name, column) => {
    year[name].forEach((value, hour) => {
      bytes.writeInt16LE(Math.round(value / stepOf[name]), (column * hoursOfYear + hour) * 2);
    });
  });
  return deflated(bytes);
}

/** Unpacks the hours of a year. */
export async function unpackHours(payload: Buffer): Promise<Record<keyof Hours, number[]>> {
  const bytes = await inflated(payload, { maxOutputLength: series.length * hoursOfYear * 2 });
  const column = (index: number): number[] =>
    Array.from({ length: hoursOfYear }, (_, hour) => {
      const kept = bytes.readInt16LE((index * hoursOfYear + hour) * 2);
      return series[index] === 'temperatureC' ? kept / 10 : kept;
    });
  return Object.fromEntries(series.map((name, index) => [name, column(index)])) as Record<
    keyof Hours,
    number[]
  >;
}

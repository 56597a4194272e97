import * as fc from 'fast-check';
import type { Valid } from './valid-requests.js';

/** Values that break columns, parsers and arithmetic. */
const nasty: readonly unknown[] = [
  null,
  true,
  '',
  ' ',
  'x',
  '\u0000',
  'a\u0000b',
  '\ud800',
  '💡',
  'x'.repeat(5000),
  '1; DROP TABLE job',
  '../../etc',
  0,
  -0,
  -1,
  0.5,
  1.5,
  1e21,
  1e300,
  -1e300,
  2_147_483_648,
  9_007_199_254_740_992,
  '9999.9',
  'NaN',
  '2026-02-30',
  [],
  {},
  [[]],
  [null],
  { id: 'x' },
  { __proto__: null, constructor: 'x' },
  '00000000-0000-4000-8000-000000000000',
  'L1-L9',
];

/** Gives whole numbers below its argument. */
export type Pick = (below: number) => number;

/** Numbers from one seed: a run can be repeated to the letter. */
export function picker(seed: number): Pick {
  const numbers = fc.sample(fc.nat(2 ** 31 - 1), { numRuns: 4096, seed });
  let at = 0;
  return (below) => {
    at += 1;
    // A fresh stretch of numbers each time round.
    const number =
      numbers[at % numbers.length]! ^ Math.imul(Math.floor(at / numbers.length) + 1, 0x9e37_79b1);
    return (number >>> 0) % below;
  };
}

type Keys = readonly (string | number)[];
function placesOf(value: unknown, path: Keys = []): Keys[] {
  if (typeof value !== 'object' || value === null) return [path];
  const entries = Array.isArray(value) ? value.map((item, i) => [i, item] as const) : Object.entries(value);
  return [path, ...entries.flatMap(([key, item]) => placesOf(item, [...path, key]))];
}

/** One or two changes at random places of a JSON body; `pick` gives whole numbers below its argument. */
function mutatedJson(body: unknown, pick: Pick, values: readonly unknown[]): unknown {
  const copy = structuredClone({ body });
  for (let change = 0; change <= pick(2); change += 1) {
    const places = placesOf(copy.body);
    const path = places[pick(places.length)]!;
    const parent = path
      .slice(0, -1)
      .reduce<unknown>((node, key) => (node as Record<string, unknown>)[key], copy.body);
    const key = path.at(-1);
    const value = structuredClone(values[pick(values.length)]);
    if (key === undefined) {
      copy.body = value;
      continue;
    }
    const object = parent as Record<string, unknown>;
    switch (pick(8)) {
      case 0:
        if (Array.isArray(parent)) parent.splice(Number(key), 1);
        else Reflect.deleteProperty(object, key);
        break;
      case 1:
        if (Array.isArray(parent)) parent.push(structuredClone(parent[Number(key)]));
        else object['surprise'] = value;
        break;
      default:
        object[key] = value;
    }
  }
  return copy.body;
}

/**
 * A request with one or two changes in its address or its body.
 *
 * @param pick gives whole numbers below its argument
 * @param more values beside the usual ones
 */
export function mutated(request: Valid, pick: Pick, more: readonly unknown[] = []): Valid {
  const values = more.length > 0 ? [...nasty, ...more] : nasty;
  const { body, path } = request;
  // Some changes go into the address; the others into the body, where there is one.
  if (body === undefined || pick(8) === 0) {
    const parts = path.split(/(?<=[/?&=])/);
    const at = 2 + pick(Math.max(1, parts.length - 2));
    const separator = /[/?&=]$/.exec(parts[at] ?? '')?.[0] ?? '';
    const value = structuredClone(values[pick(values.length)]);
    const text = typeof value === 'object' ? JSON.stringify(value) : String(value);
    const changed = parts
      .with(Math.min(at, parts.length - 1), `${safely(text.slice(0, 300))}${separator}`)
      .join('');
    return { ...request, path: changed };
  }
  if (typeof body === 'string') {
    const lines = body.split('\n');
    const line = pick(pick(2) === 0 ? Math.min(9, lines.length) : lines.length);
    const fields = lines[line]!.split(',');
    const value = structuredClone(values[pick(values.length)]);
    const put = fields.with(pick(fields.length), typeof value === 'object' ? '' : String(value)).join(',');
    return { ...request, body: lines.with(line, put).join('\n') };
  }
  if (body instanceof Uint8Array) {
    const bytes = Buffer.from(body);
    for (let change = 0; change <= pick(4); change += 1) bytes[pick(bytes.length)] = pick(256);
    return { ...request, body: pick(3) === 0 ? bytes.subarray(0, pick(bytes.length)) : bytes };
  }
  return { ...request, body: mutatedJson(body, pick, values) };
}

/** Percent-encoded; what no address can hold stands as a replacement character. */
const safely = (text: string): string => encodeURIComponent(text.replace(/\p{Cs}/gu, '�'));

import { readdirSync, readFileSync } from 'node:fs';
import { expect, it } from 'vitest';

const root = new URL('../../', import.meta.url);

/** Every "@example call // value" of core: what a reader is told is what the program does. */
const examples = readdirSync(root, { recursive: true, encoding: 'utf8' })
  .filter((file) => /(?<!\.spec)\.ts$/.test(file))
  .flatMap((file) =>
    [...readFileSync(new URL(file, root), 'utf8').matchAll(/^ \* @example (.+) \/\/ (.+)$/gm)].map(
      ([, call, value]) => ({ file, call: call!, value: value! }),
    ),
  );

it('there are examples', () => {
  expect(examples.length).toBeGreaterThan(10);
});

it.each(examples)('$call is $value', async ({ file, call, value }) => {
  const module = (await import(/* @vite-ignore */ new URL(file, root).href)) as Record<string, unknown>;
  const evaluated = (code: string): unknown =>
    new Function(...Object.keys(module), `return (${code});`)(...Object.values(module));
  const [found, said] = [evaluated(call), evaluated(value)];
  if (typeof said === 'number') expect(found).toBeCloseTo(said, 9);
  else expect(found).toEqual(said);
});

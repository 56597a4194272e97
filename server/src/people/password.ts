import { hash, verify } from '@node-rs/argon2';
import { HttpProblem } from '../http/problem.js';

/** Argon2id with 19 MiB, two passes and one lane (OWASP password storage cheat sheet, recalled). */
const cost = { memoryCost: 19_456, timeCost: 2, parallelism: 1 } as const;

export const hashOf = (password: string): Promise<string> => hash(password.normalize('NFKC'), cost);

let nobodys: Promise<string> | null = null;

/**
 * Does a password fit a hash? Where there is no account the same work is done: how long an answer takes says nothing of who has one.
 *
 * @param stored null = there is no such account
 */
export async function fits(password: string, stored: string | null): Promise<boolean> {
  nobodys ??= hashOf('nobody has this password');
  const right = await verify(stored ?? (await nobodys), password.normalize('NFKC'));
  return stored !== null && right;
}

/** Is a password guessed quickly, by who knows certain words? */
type Guessed = (password: string, of: readonly string[]) => boolean;
let guessed: Promise<Guessed> | null = null;

async function loadGuessed(): Promise<Guessed> {
  const [{ ZxcvbnFactory }, common] = await Promise.all([
    import('@zxcvbn-ts/core'),
    import('@zxcvbn-ts/language-common'),
  ]);
  const judge = new ZxcvbnFactory({ dictionary: common.dictionary, graphs: common.adjacencyGraphs });
  return (password, of) => judge.check(password, [...of]).score < 3;
}

/**
 * Refuses a password that is easily guessed: one of the common ones, a row of keys, or made of the name it belongs to.
 *
 * @throws HttpProblem 422
 */
export async function refuseWeak(password: string, of: readonly string[]): Promise<void> {
  guessed ??= loadGuessed();
  const near = of.flatMap((text) => [text, text.replaceAll(/\W/g, ''), ...text.split(/\W+/)]);
  if (!(await guessed)(password, near)) return;
  throw new HttpProblem(
    422,
    'A weak password',
    'This password is among the first that would be guessed: common words, rows of keys, or your own name. Take several words that have nothing to do with each other.',
    [
      {
        path: 'password',
        message:
          'This is among the first that would be guessed: take several words that have nothing to do with each other',
      },
    ],
  );
}

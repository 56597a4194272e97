import * as z from 'zod';

/** Control characters and unpaired surrogates cannot be stored or printed; everything else people type is theirs. */
const oneLine = /^[^\p{Cc}\p{Cs}]*$/u;
const manyLines = /^(?:[^\p{Cc}\p{Cs}]|[\n\t])*$/u;

/** A required one-line text of at most `max` characters. */
export const nameSchema = (max = 120) =>
  z
    .string({ error: 'Enter a text' })
    .min(1, 'Enter a name')
    .max(max, `Use at most ${max} characters`)
    .regex(oneLine, 'Remove line breaks and control characters');

/** An optional one-line text; empty means "nothing said". */
export const lineSchema = (max = 200) =>
  z
    .string({ error: 'Enter a text' })
    .max(max, `Use at most ${max} characters`)
    .regex(oneLine, 'Remove line breaks and control characters');

/** A longer note; line breaks are allowed. */
export const noteSchema = (max = 4000) =>
  z
    .string({ error: 'Enter a text' })
    .max(max, `Use at most ${max} characters`)
    .regex(manyLines, 'Remove control characters');

/** Identifies a thing inside one job, for example a load. */
export const idSchema = z
  .string({ error: 'Enter an identifier' })
  .regex(/^[A-Za-z0-9_-]{1,40}$/, 'An identifier has 1 to 40 letters, digits, "-" or "_"');

/** SHA-256 of the bytes of a file, hexadecimal: what it is kept under. */
export const digestSchema = (what: string) =>
  z
    .string({ error: `Give the digest of the ${what}` })
    .regex(/^[0-9a-f]{64}$/, `The digest of a ${what} is a SHA-256 of 64 hexadecimal digits`);

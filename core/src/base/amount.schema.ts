import * as z from 'zod';

/**
 * A finite number between `min` and `max`, both included. `unit` only words the message,
 * so that whoever typed the value learns what to change.
 */
export const amountSchema = (min: number, max: number, unit = '') => {
  const suffix = unit === '' ? '' : ` ${unit}`;
  return z
    .number({ error: 'Enter a number' })
    .min(min, `Enter at least ${min}${suffix}`)
    .max(max, `Enter at most ${max}${suffix}`);
};

/** A whole number between `min` and `max`, both included. */
export const countSchema = (min: number, max: number) => amountSchema(min, max).int('Enter a whole number');

import * as z from 'zod';
import { field } from './field.js';

/** Yes, no, or nobody has said. */
export const yesNo = (label: string, hint?: string) =>
  field(z.boolean({ error: 'Say yes or no' }).nullable(), {
    label,
    choices: [
      [true, 'yes'],
      [false, 'no'],
    ],
    ...(hint === undefined ? {} : { hint }),
  });

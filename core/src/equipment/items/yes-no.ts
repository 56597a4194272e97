import * as z from 'zod';
import { field } from '../../base/index.js';

/** Yes, no, or nobody has said. */
export const yesNo = (label: string) =>
  field(z.boolean({ error: 'Say yes or no' }).nullable(), {
    label,
    choices: [
      [true, 'yes'],
      [false, 'no'],
    ],
  });

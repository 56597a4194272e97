import { quantityText } from '../../base/index.js';
import type { Measure } from '../steps/step.js';

/** What a measurement may be, in words: "114 V to 126 V", "at least 1 MΩ". */
export function boundsText({ unit, least, most }: Measure): string {
  if (least !== null && most !== null)
    return least === most
      ? quantityText(least, unit)
      : `${quantityText(least, unit)} to ${quantityText(most, unit)}`;
  if (least !== null) return `at least ${quantityText(least, unit)}`;
  return most === null ? '' : `at most ${quantityText(most, unit)}`;
}

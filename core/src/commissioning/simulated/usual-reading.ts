import type { Measure } from '../steps/step.js';

/** A reading as somebody would have it where everything is in order. */
export function usualReading({ predicted, least, most }: Measure): number {
  const bounded = (value: number): number => Math.min(most ?? value, Math.max(least ?? value, value));
  const usual =
    predicted?.value ??
    (least !== null && most !== null ? (least + most) / 2 : least === null ? (most ?? 1) * 0.4 : least * 300);
  const rounded = Number(usual.toPrecision(3));
  return bounded(rounded) === rounded ? rounded : usual;
}

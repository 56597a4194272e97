import { standardBreakerA } from './standard-breaker.js';

/** Ratings of miniature circuit breakers: IEC 60898-1 (recalled), A. */
const miniatureBreakersA = [6, 10, 13, 16, 20, 25, 32, 40, 50, 63, 80, 100, 125] as const;

/**
 * The smallest standard overcurrent device at or above a current in A: after NEC 240.6, or a miniature breaker elsewhere.
 *
 * @example standardDeviceA(26, false) // 32
 */
export const standardDeviceA = (currentA: number, american: boolean): number =>
  (american ? undefined : miniatureBreakersA.find((ratingA) => ratingA >= currentA - 1e-9)) ??
  standardBreakerA(currentA);

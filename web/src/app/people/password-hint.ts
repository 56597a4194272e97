import { leastPasswordLength } from '@levamen/core/api';

/** Beside a field in which a password is chosen. */
export const passwordHint = `At least ${leastPasswordLength} characters: several words that have nothing to do with each other.`;

import { openingKinds } from '@levamen/core/house';

/** What may be on a wall, to be chosen from. */
export const openingChoices = Object.entries(openingKinds).map(([value, label]) => ({ value, label }));

import type { Presence } from '@levamen/core/design';

/** What becomes of a load in an outage, in words. */
export const presenceWords: Readonly<Record<Presence, string>> = {
  kept: 'in the backup set',
  along: 'not chosen, but runs along',
  unplugged: 'unplugged in an outage',
  dark: 'not backed up',
};

import type { Tier } from '@levamen/core/house';
import { type Cause, causeWords } from '@levamen/core/study';
import type { OutageEvent, OutageEventKind, TierResult } from '@levamen/core/study/details';

const eventWords: Readonly<Record<OutageEventKind, string>> = {
  transfer: 'The grid goes, the house is transferred',
  'solar-back': 'Solar is back',
  shed: 'Shed',
  restored: 'Back on',
  full: 'Battery full',
  'generator-called': 'Somebody is called for the generator',
  'generator-waits': 'The generator is wanted, and waits for its hours',
  'generator-dry': 'The generator is wanted, and has no fuel',
  'generator-on': 'Generator gives power',
  'generator-off': 'Generator stops',
  'switched-off': 'Switched off by hand while it runs',
  'switched-on': 'Switched on again by hand',
  trip: 'Trip',
  retry: 'Tries again, trips again',
  reconnected: 'Retry holds',
  'locked-out': 'Locked out',
  empty: 'Dark',
  'lit-again': 'Lit again',
  'vehicle-feeds': 'Vehicle feeds the house',
  'too-cold': 'Battery gives too little',
  'cold-charge': 'Battery too cold or too hot to charge',
  'grid-back': 'The grid is back, and is watched',
  resynchronised: 'The house returns to the grid',
};

const isCause = (what: string): what is Cause => what in causeWords;

/** "Trip: overload on L1" */
export function eventText({ kind, what }: Pick<OutageEvent, 'kind' | 'what'>): string {
  if (what === '') return eventWords[kind];
  return `${eventWords[kind]}: ${isCause(what) ? causeWords[what] : what}`;
}

/** Why something of a tier is first not served. */
export const failureWords = (why: TierResult['firstFailureWhy']): string =>
  why === 'shed' ? 'shed' : why === 'no-room' ? 'no room' : causeWords[why];

export const tierWords: Readonly<Record<Tier, string>> = {
  must: 'Must',
  should: 'Should',
  may: 'May',
  never: 'Never',
};

import type { OutageSample } from './outage-sample.js';
import { silenceS } from './usual-step.js';

/** A stretch of a recording in which the battery only gives, or only takes, and all that passes it is known. */
export interface Stretch {
  readonly does: 'gives' | 'takes';
  readonly samples: readonly OutageSample[];
}

/** Solar of less than this is none, W: what an inverter shows in the night. */
const noSunW = 15;
/** On the grid it takes when it takes this much at least, W. */
const takesW = 100;
/** Longer without a word, and nobody knows what passed meanwhile, s. */
const mostSilentS = 30;
/** Shorter, and no percent passes, s. */
const leastS = 600;

function doesIn({ isOnGrid, batteryW, solarW, legV, charge }: OutageSample): Stretch['does'] | null {
  if (batteryW === null || charge === null || isOnGrid === null) return null;
  if (isOnGrid) return batteryW <= -takesW ? 'takes' : null;
  // Sun may come in on the battery's side, and a generator has no meter: both make the sum unknown.
  const isLit = (legV[0] ?? 0) > 1;
  return isLit && solarW !== null && Math.abs(solarW) < noSunW && batteryW > -noSunW ? 'gives' : null;
}

/** Stretches of a recording from which a battery can be measured: off the grid without sun or generator, and recharging on the grid. */
export function stretchesOf(samples: readonly OutageSample[]): Stretch[] {
  const found: { does: Stretch['does']; samples: OutageSample[] }[] = [];
  const silentS = silenceS(samples, mostSilentS);
  let open: (typeof found)[number] | null = null;
  for (const sample of samples) {
    const does = doesIn(sample);
    const last = open?.samples.at(-1);
    if (does === null) {
      // A second that could not be read ends nothing: silence that lasts does.
      if (sample.batteryW !== null && sample.charge !== null) open = null;
    } else if (open && last && open.does === does && sample.second - last.second <= silentS) {
      open.samples.push(sample);
    } else {
      open = { does, samples: [sample] };
      found.push(open);
    }
  }
  return found.filter(({ samples: own }) => own.length > 1 && own.at(-1)!.second - own[0]!.second >= leastS);
}

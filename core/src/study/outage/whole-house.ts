import type { Member } from '../demand/power-members.js';
import { dayFactors } from './day-factors.js';
import type { OutageYear } from './outage-plan.js';
import { traceHouse, type TracedHouse } from './traced-house.js';

/** Every load of a prepared year as it runs, those that are not backed up too: nothing keeps any of them off. */
export function wholeHouse({ context, weather }: OutageYear): TracedHouse {
  const { plan, settings } = context;
  const members = plan.loads.map((load): Member => ({ load, lane: 'on', shed: null }));
  return traceHouse(plan.supply.system, members, {
    seed: plan.outage.seed,
    latitudeDeg: weather.latitudeDeg,
    factors: dayFactors(weather),
    household: 'usual',
    handsOn: settings.handsOn.value,
  });
}

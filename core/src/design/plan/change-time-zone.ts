import { houseClock, houseZone, instantOf } from '../../house/index.js';
import type { Plan } from './plan.js';

/**
 * The job in another time zone. Outages were told by the clock of the house: that stays, and so the moments change. A time that
 * the new clock never showed stays the moment it was.
 *
 * @param timeZone null = nobody has said
 */
export function changeTimeZone<P extends Plan>(plan: P, timeZone: string | null): P {
  const site = { ...plan.site, timeZone };
  const [from, to] = [houseZone(plan.site), houseZone(site)];
  const outages = plan.usage.outages.map((outage) => ({
    ...outage,
    start: instantOf(houseClock(outage.start, from), to) ?? outage.start,
  }));
  return { ...plan, site, usage: { ...plan.usage, outages } };
}

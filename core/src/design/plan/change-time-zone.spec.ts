import { expect, it } from 'vitest';
import { demoPlans } from '../demo/demo-plans.js';
import { houseClock } from '../../house/index.js';
import { changeTimeZone } from './change-time-zone.js';

it('what was told by the clock of the house stays on it in another zone, and comes back', () => {
  const [{ plan }] = demoPlans as [(typeof demoPlans)[0]];
  const clocks = (of: typeof plan) =>
    of.usage.outages.map(({ start }) => houseClock(start, of.site.timeZone ?? 'UTC'));
  expect(clocks(plan)[0]).toBe('2022-12-23T21:40');
  const vienna = changeTimeZone(plan, 'Europe/Vienna');
  expect(clocks(vienna)).toEqual(clocks(plan));
  expect(vienna.usage.outages[0]!.start).toBe('2022-12-23T20:40:00Z');
  expect(clocks(changeTimeZone(plan, null))).toEqual(clocks(plan));
  expect(changeTimeZone(vienna, 'America/Halifax')).toEqual(plan);
});

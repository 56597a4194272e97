import { type Plan, settingsOf } from '../../design/index.js';
import { allowedOverloadShare } from './with-overload-risk.js';

/**
 * How many of so many outages may end before the required hours, for any reason and by overload: 1 in 20, or half where the
 * brief counts on usual weather, or all where the runtime does not decide; by overload 1 in 20 in any case. The same bounds as
 * those of the simulated margins.
 */
export function mostShort(
  plan: Plan,
  count: number,
): { readonly short: number; readonly overloaded: number } {
  const decides = plan.brief.goals.outage === 'decides';
  const share = settingsOf(plan).outageWeather.value === 'usual' ? 0.5 : 0.95;
  return {
    short: decides ? Math.floor(count * (1 - share)) : count,
    overloaded: Math.floor(count * allowedOverloadShare),
  };
}

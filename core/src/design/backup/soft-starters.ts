import type { Load, Start } from '../../house/index.js';
import type { BackedUpHouse } from './backed-up-house.js';

type Backed = Pick<BackedUpHouse, 'backup' | 'loads'>;

/** Highest apparent power of a start with one, over running (common practice, no source). */
const softMultiple = 2.5;

/** How a motor starts through a soft starter: two and a half times the running power at most, for twice as long. */
export const softStart = (start: Start): Start => ({
  how: 'soft',
  multiple: softMultiple,
  durationS: start.how === 'none' ? 1 : Math.min(60, start.durationS * 2),
});

/** Ids of the loads that a design puts a soft starter to. */
export const softStarted = ({ backup }: Pick<Backed, 'backup'>): ReadonlySet<string> =>
  new Set(backup.softStarters.map(({ loadId }) => loadId));

/** The plan with a soft starter for a load, or without. */
export function setSoftStarter<P extends Backed>(plan: P, loadId: string, wanted: boolean): P {
  const others = plan.backup.softStarters.filter((one) => one.loadId !== loadId);
  const softStarters = wanted ? [...others, { loadId }] : others;
  return { ...plan, backup: { ...plan.backup, softStarters } };
}

const softened = new WeakMap<Load, Load>();
/** The same load gives the same softened one: what was worked out for it is found again. */
function soft(load: Load): Load {
  const known = softened.get(load) ?? { ...load, start: softStart(load.start) };
  softened.set(load, known);
  return known;
}

const plans = new WeakMap<Backed, Backed>();

/** The plan as its motors start: with the soft starters of the design. For studies; edits never see it. */
export function withSoftStarts<P extends Backed>(plan: P): P {
  if (plan.backup.softStarters.length === 0) return plan;
  const known = plans.get(plan) as P | undefined;
  if (known) return known;
  const started = softStarted(plan);
  const made = { ...plan, loads: plan.loads.map((load) => (started.has(load.id) ? soft(load) : load)) };
  plans.set(plan, made);
  plans.set(made, made);
  return made;
}

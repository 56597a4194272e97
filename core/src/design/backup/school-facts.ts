import type { BackedUpHouse } from './backed-up-house.js';
import type { School, ServiceBackup } from './backup.schema.js';
import type { Lane } from './lane.schema.js';
import { serviceBackup } from './service-backup.js';

interface SchoolFacts {
  readonly label: string;
  readonly how: string;
  readonly good: string;
  readonly bad: string;
  /** What is behind the source without further wiring: the whole service, the chosen circuits, or one sub-panel. */
  readonly covers: 'service' | 'chosen' | 'sub-panel' | 'nothing';
}

/** The ways a service is backed up (common practice, no source). */
export const schoolFacts: Readonly<Record<School, SchoolFacts>> = {
  service: {
    label: 'Whole house, isolated at the service',
    how: 'One isolating device between meter and main panel; everything behind it is backed up.',
    good: 'Least rewiring, nothing forgotten.',
    bad: 'One hot tub or oven can empty or trip it; the device must be rated for the service.',
    covers: 'service',
  },
  'loads-panel': {
    label: 'Backed-up loads panel',
    how: 'The chosen circuits move to a new panel behind the inverter.',
    good: 'A modest inverter and predictable hours.',
    bad: 'Labour, and the choice is frozen on the wall.',
    covers: 'chosen',
  },
  feeder: {
    label: 'Feeder splice at a sub-panel',
    how: 'The feeder of an existing sub-panel is cut and passed through an in-line inverter.',
    good: 'Neat where a sub-panel already holds the right loads.',
    bad: 'The pass-through must be rated for the feeder breaker.',
    covers: 'sub-panel',
  },
  split: {
    label: 'Split services, a system of its own',
    how: 'This service gets its own source and its own isolating device; the others are separate.',
    good: 'For two-meter and 320/400 A homes.',
    bad: 'Double equipment, and the solar must be divided.',
    covers: 'service',
  },
  controlled: {
    label: 'Whole house with load control',
    how: 'Isolated at the service; relays or smart breakers drop the big loads in an outage.',
    good: 'Most comfort per kilowatt-hour.',
    bad: 'A cost for each controlled circuit, and another device to trust.',
    covers: 'service',
  },
  none: {
    label: 'Not backed up',
    how: 'This service stays dark in an outage.',
    good: 'No cost.',
    bad: 'Nothing on it runs.',
    covers: 'nothing',
  },
};

/** What is behind the source of a service; until somebody has said, circuits are taken as moved one by one. */
export const coversOf = ({ school }: Pick<ServiceBackup, 'school'>): SchoolFacts['covers'] =>
  school === null ? 'chosen' : schoolFacts[school].covers;

/**
 * Does a load of the first island that hangs on no circuit yet run in an outage, whatever is said of it? It does behind an
 * isolating device for a whole service.
 */
export function everythingRuns(plan: Pick<BackedUpHouse, 'survey' | 'backup'>): boolean {
  const first = plan.survey.services.find(({ id }) => serviceBackup(plan, id).school !== 'none');
  return first !== undefined && coversOf(serviceBackup(plan, first.id)) === 'service';
}

/**
 * The lane of what is left out of an island on purpose. Behind an isolating device for a whole service nothing is dark by
 * itself: it needs a shed device. The first service of the island decides.
 */
export function leftOutLane(
  plan: Pick<BackedUpHouse, 'backup'>,
  { services }: { readonly services: readonly { readonly id: string }[] },
): Lane {
  const [first] = services;
  return first && coversOf(serviceBackup(plan, first.id)) === 'service' ? 'auto' : 'dark';
}

import type { PlannedAddition } from './brief.schema.js';
import { type SupplySystem, systemFacts } from '../../electric/index.js';
import type { Load } from '../../house/index.js';

/** A planned addition as a load of the backup set: spread evenly over the day and over all legs, without a surge. */
export function plannedLoad(addition: PlannedAddition, system: SupplySystem): Load {
  const allDay = { nightH: 8, morningH: 4, dayH: 6, eveningH: 6 };
  const { legSets } = systemFacts[system];
  const averageW = addition.energyWhPerDay / 24;
  // An addition that needs more than its power would give in a day runs all day, at what its energy takes.
  const runningPowerW = Math.max(addition.runningPowerW, averageW);
  return {
    id: `planned-${addition.id}`.slice(0, 40),
    name: addition.name,
    kind: 'other',
    quantity: 1,
    legs: legSets.includes('L1-L2-L3') ? 'L1-L2-L3' : legSets.includes('L1-L2') ? 'L1-L2' : 'L1',
    legsAssumed: true,
    voltageV: null,
    runningPowerW,
    powerFactor: 1,
    start: { how: 'none' },
    dutyCycle: runningPowerW > 0 ? averageW / runningPowerW : 0,
    use: { winter: allDay, shoulder: allDay, summer: allDay },
    tier: 'should',
    basis: 'user',
    circuitId: null,
    measuredOn: null,
    cyclesPerHour: null,
    restartDelayS: null,
    stormFactor: null,
    surplusOnly: false,
    note: '',
  };
}

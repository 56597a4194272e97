import type { SupplySystem } from '../../electric/index.js';
import { guessKind } from './guess-kind.js';
import { lighterLeg } from './lighter-leg.js';
import type { Load } from './load.schema.js';

/**
 * A load about which only the name is known, and what kind that speaks of: 100 W for some hours of the evening, in the backup
 * set, on the lighter leg.
 */
export function blankLoad(id: string, name: string, system: SupplySystem, loads: readonly Load[]): Load {
  const evening = { nightH: 0, morningH: 0, dayH: 0, eveningH: 3 };
  return {
    id,
    name,
    kind: guessKind(name),
    quantity: 1,
    legs: lighterLeg(system, loads),
    legsAssumed: true,
    voltageV: null,
    runningPowerW: 100,
    powerFactor: 1,
    start: { how: 'none' },
    dutyCycle: 1,
    use: { winter: { ...evening }, shoulder: { ...evening }, summer: { ...evening } },
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

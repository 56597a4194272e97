import type { Load } from '../load.schema.js';
import type { TypicalLoad } from './typical-load.js';

/** What an entry of the library says of a load of a job, wherever that is put; nothing is measured or said otherwise. */
export function libraryValues(typical: TypicalLoad): Omit<Load, 'id' | 'legs' | 'legsAssumed' | 'circuitId'> {
  const { id: _id, wiring: _wiring, onlyOn: _onlyOn, use, ...values } = typical;
  return {
    ...values,
    use: { winter: { ...use.winter }, shoulder: { ...use.shoulder }, summer: { ...use.summer } },
    voltageV: null,
    basis: 'typical',
    measuredOn: null,
    cyclesPerHour: null,
    restartDelayS: null,
    surplusOnly: false,
    note: '',
  };
}

import {
  apparentPowerVA,
  codeLetterKVAPerHp,
  fullLoadCurrentA,
  legsOf,
  type SupplySystem,
} from '../../electric/index.js';
import { type Load, loadVoltageV, runningPowerVA } from '../../house/index.js';

/** What one piece of a load asks for while it starts. */
export interface StartDemand {
  readonly startVA: number;
  /** Current in each of its conductors while starting, A. */
  readonly startA: number;
  readonly durationS: number;
  /** True where the motor is connected straight across the line, so that its locked-rotor current flows. */
  readonly acrossTheLine: boolean;
}

/**
 * Apparent power and current of one piece of a load while it starts.
 *
 * - multiple of running and soft start: m · P / pf
 * - locked-rotor amperes: V · I (√3 · V · I on three phases)
 * - code letter and horsepower: upper end of the band of NEC Table 430.7(B) · hp
 * - full-load current: NEC Table 430.248, on three phases 430.250 · multiple · V (√3 · V)
 *
 * A start is never counted below the running power.
 *
 * @returns null for a load that starts without a surge, or that draws nothing
 */
export function startDemand(system: SupplySystem, load: Load): StartDemand | null {
  const { start } = load;
  if (start.how === 'none') return null;
  const voltageV = loadVoltageV(system, load);
  const runningVA = runningPowerVA(load);
  const perAmpereVA = apparentPowerVA(voltageV, 1, load.legs);
  const surgeVA = (): number => {
    switch (start.how) {
      case 'multiple':
      case 'soft':
        return start.multiple * runningVA;
      case 'lockedRotor':
        return perAmpereVA * start.lockedRotorA;
      case 'codeLetter':
        return codeLetterKVAPerHp[start.letter] * 1000 * start.horsepower;
      case 'fullLoad':
        return (
          perAmpereVA *
          fullLoadCurrentA(start.horsepower, voltageV, legsOf(load.legs).length === 3 ? 3 : 1) *
          start.multiple
        );
    }
  };
  const startVA = Math.max(surgeVA(), runningVA);
  if (startVA === 0) return null;
  return {
    startVA,
    startA: startVA / perAmpereVA,
    durationS: start.durationS,
    acrossTheLine: start.how !== 'soft',
  };
}

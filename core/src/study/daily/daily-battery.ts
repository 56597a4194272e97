import { dcChargeEfficiency } from '../../electric/index.js';
import { mostPowerW, type Stack } from '../../equipment/index.js';
import type { Settings } from '../../design/index.js';
import { stackEnergy } from '../margins/stack-energy.js';

/** What a stack can do day by day; numbers only. Charge is counted above what is never let out. */
export interface DailyBattery {
  /** From empty to full, as an outage may use it, Wh. */
  readonly usableWh: number;
  /** Day by day it is not drawn below this, Wh. */
  readonly floorWh: number;
  /** What the cells take up at most, W, and their share of the AC power that goes in. */
  readonly chargePowerW: number;
  readonly chargeEfficiency: number;
  /** The same of direct current at the solar inputs. */
  readonly dcChargeEfficiency: number;
  /** AC power it gives at most, W. */
  readonly givesW: number;
  /** Losses from direct current to AC, see `dcOfAcW`. */
  readonly lossPerW: number;
  readonly lossPerW2: number;
  /** What the inverters take for themselves, always, W. */
  readonly standbyW: number;
}

/**
 * A stack as it is used while the grid is there: within the depth of day by day, and above a share that is held back.
 *
 * @param heldBack share of the usable energy that is kept for outages
 */
export function dailyBattery(stack: Stack, settings: Settings, heldBack: number): DailyBattery {
  const { usableWh, usableDailyWh } = stackEnergy(stack, settings);
  return {
    usableWh,
    floorWh: Math.max(usableWh - Math.min(usableWh, usableDailyWh), Math.min(1, heldBack) * usableWh),
    chargePowerW: stack.chargePowerW,
    chargeEfficiency: stack.chargeEfficiency,
    dcChargeEfficiency,
    givesW: mostPowerW(stack),
    ...stack.losses,
    standbyW: stack.standbyW,
  };
}

import {
  type Runtime,
  stagedRuntime,
  stateOfHealth,
  temperatureFactor,
  worstRuntime,
} from '../../electric/index.js';
import { batteryDrainWh, type Stack } from '../../equipment/index.js';
import type { Settings } from '../../design/index.js';
import type { EnergyStage } from '../demand/power-members.js';

/** What becomes of a stack's nameplate energy, and how long it lasts. */
export interface StackEnergy {
  readonly outageWindow: number;
  readonly dailyWindow: number;
  readonly stateOfHealth: number;
  readonly temperatureFactor: number;
  /** Usable in an outage, at the battery. */
  readonly usableWh: number;
  /** Usable day by day, at the battery. */
  readonly usableDailyWh: number;
  /** Rated capacity, aged and at temperature, over all batteries. */
  readonly agedWh: number;
}

/**
 * Usable energy of a stack: nameplate × window × state of health × temperature factor, summed over its batteries; times what it was
 * measured to hold over that, where it was.
 */
export function stackEnergy(stack: Stack, settings: Settings): StackEnergy {
  const depth = settings.outageDepth[stack.chemistry].value;
  const daily = settings.dailyDepth[stack.chemistry].value;
  const temperature = temperatureFactor(stack.chemistry, settings.batteryTemperatureC.value);
  const measuredTimes = stack.measured?.values.usableTimes ?? 1;
  let usableWh = 0;
  let usableDailyWh = 0;
  let agedWh = 0;
  for (const { unit, quantity } of stack.batteries) {
    const battery = unit.battery!;
    const health = stateOfHealth(battery.fadePerYear, settings.sizeForYear.value);
    const aged = quantity * battery.nameplateWh * health * temperature * measuredTimes;
    agedWh += aged;
    usableWh += aged * Math.min(depth, battery.usableShare);
    usableDailyWh += aged * Math.min(daily, battery.usableShare);
  }
  return {
    outageWindow: agedWh > 0 ? usableWh / agedWh : 0,
    dailyWindow: agedWh > 0 ? usableDailyWh / agedWh : 0,
    stateOfHealth: agedWh / (stack.nameplateWh * temperature * measuredTimes),
    temperatureFactor: temperature,
    usableWh,
    usableDailyWh,
    agedWh,
  };
}

/**
 * Shortest time a stack carries its loads, whenever the outage starts.
 *
 * @param stages energy by hour, as circuits are shed by state of charge
 */
export function stackRuntime(stack: Stack, energy: StackEnergy, stages: readonly EnergyStage[]): Runtime {
  const peukert = stack.batteries[0]!.unit.battery!.peukert;
  const drains = stages.map(({ fromShare, hourlyWh }, index) => ({
    drainWh: batteryDrainWh(hourlyWh, { ...stack, peukert }, energy.agedWh),
    energyWh: energy.usableWh * (fromShare - (stages[index + 1]?.fromShare ?? 0)),
  }));
  return drains.length === 1 ? worstRuntime(drains[0]!.drainWh, energy.usableWh) : stagedRuntime(drains);
}

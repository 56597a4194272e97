import type { MeasuredStack } from './measured.schema.js';
import type { Stack } from './stack.js';

/** A stack with what was measured of it in the place of what its data sheets say. */
export function withMeasured(stack: Stack, measured: MeasuredStack): Stack {
  const { usableTimes, standbyW, dischargeTimes, chargeTimes } = measured;
  return {
    ...stack,
    measured,
    standbyW: standbyW ?? stack.standbyW,
    dischargeEfficiency: stack.dischargeEfficiency / dischargeTimes,
    losses: {
      ...stack.losses,
      lossPerW: (1 + stack.losses.lossPerW) * dischargeTimes - 1,
    },
    chargeEfficiency: stack.chargeEfficiency * chargeTimes,
    usableTimes: stack.usableTimes * usableTimes,
  };
}

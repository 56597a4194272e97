import type { MeasuredStack } from './measured.schema.js';
import type { Stack } from './stack.js';

/** A stack, as its data sheets say it is, with what was measured of it in their place; how much it holds is worked out with its age. */
export function withMeasured(stack: Stack, measured: MeasuredStack): Stack {
  const { standbyW, dischargeTimes, chargeTimes } = measured;
  return {
    ...stack,
    measured: { values: measured, bySheets: stack },
    standbyW: standbyW ?? stack.standbyW,
    dischargeEfficiency: stack.dischargeEfficiency / dischargeTimes,
    losses: {
      ...stack.losses,
      lossPerW: (1 + stack.losses.lossPerW) * dischargeTimes - 1,
    },
    chargeEfficiency: stack.chargeEfficiency * chargeTimes,
  };
}

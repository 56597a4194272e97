import { bodyOf } from '../items/body-of.js';
import { emptyHead } from '../items/empty-item.js';
import type { Battery, Unit } from '../catalogue/unit.schema.js';

/** A lithium battery without losses, so that expected values can be worked out by hand. */
export const idealBattery: Battery = {
  chemistry: 'lithium',
  nominalVoltageV: 50,
  nameplateWh: 10_000,
  usableShare: 1,
  dischargePowerW: null,
  peakPowerW: null,
  chargePowerW: null,
  fadePerYear: 0,
  peukert: null,
};

/** A lossless split-phase battery-inverter of 10 kWh and 6 kVA. */
export const idealUnit: Unit = {
  id: 'ideal',
  name: 'Ideal',
  role: 'battery-inverter',
  summary: '',
  massKg: 100,
  body: bodyOf(emptyHead),
  inverter: {
    systems: ['split-120-240'],
    output: 'two',
    continuousVA: 6000,
    continuousW: null,
    perLegVA: 3000,
    overload: [
      { apparentPowerVA: 9000, durationS: 5 },
      { apparentPowerVA: 12_000, durationS: 0.5 },
    ],
    lockedRotorA: 80,
    neutralA: 25,
    dischargeEfficiency: 1,
    efficiencyAt: null,
    charge: { powerW: 6000, efficiency: 1 },
    solar: { dcW: 12_000, acW: 8000 },
    standbyW: 0,
    transferGapMs: 20,
    gridReturnS: 300,
    voltageDroop: 0.04,
    retry: { afterS: 10, tries: 3 },
    maxParallel: 3,
    accepts: [],
  },
  battery: idealBattery,
  controllerW: null,
  assumed: [],
  retired: false,
};

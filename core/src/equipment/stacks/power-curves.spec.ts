import { describe, expect, it } from 'vitest';
import { idealBattery, idealUnit } from '../testing/ideal-unit.js';
import { assembleStack } from './assemble-stack.js';
import { batteryCurve, legCurve, type PowerCurve, wholeCurve } from './power-curves.js';

/** 6 kVA for any time, 9 kVA for 5 s, 12 kVA for half a second; a battery of some power behind it. */
const curvesOf = (dischargePowerW: number | null, peakPowerW: number | null) => {
  const unit = { ...idealUnit, battery: { ...idealBattery, dischargePowerW, peakPowerW } };
  const assembled = assembleStack([{ unitId: unit.id, quantity: 1 }], [unit], 'split-120-240');
  if (!assembled.ok) throw new Error(assembled.problem);
  const { stack } = assembled;
  const powers = ({ ratedVA, overload }: PowerCurve) => [
    ratedVA,
    ...overload.map(({ apparentPowerVA }) => apparentPowerVA),
  ];
  const battery = batteryCurve(stack);
  return {
    whole: powers(wholeCurve(stack)),
    leg: powers(legCurve(stack)),
    battery: battery && powers(battery),
  };
};

describe('what a stack carries', () => {
  const inverter = { whole: [6000, 9000, 12_000], leg: [3000, 4500, 6000] };

  it('is the inverter where the battery leaves the limit to it, or gives more than it takes', () => {
    expect(curvesOf(null, null)).toEqual({ ...inverter, battery: null });
    expect(curvesOf(6000, 12_000)).toEqual({ ...inverter, battery: null });
  });

  it('is the inverter in volt-amperes and the battery in watts, for any time and for seconds', () => {
    expect(curvesOf(4000, null)).toEqual({ ...inverter, battery: [4000, 4000] });
    expect(curvesOf(4000, 10_000)).toEqual({ ...inverter, battery: [4000, 10_000] });
    expect(curvesOf(6000, 7000)).toEqual({ ...inverter, battery: [6000, 7000] });
  });
});

import { describe, expect, it } from 'vitest';
import { idealBattery, idealUnit } from '../testing/ideal-unit.js';
import { assembleStack } from './assemble-stack.js';
import { legCurve, wholeCurve } from './power-curves.js';

/** 6 kVA for any time, 9 kVA for 5 s, 12 kVA for half a second; a battery of some power behind it. */
const curvesOf = (dischargePowerW: number | null, peakPowerW: number | null) => {
  const unit = { ...idealUnit, battery: { ...idealBattery, dischargePowerW, peakPowerW } };
  const assembled = assembleStack([{ unitId: unit.id, quantity: 1 }], [unit], 'split-120-240');
  if (!assembled.ok) throw new Error(assembled.problem);
  const { stack } = assembled;
  const powers = ({ ratedVA, overload }: ReturnType<typeof wholeCurve>) => [
    ratedVA,
    ...overload.map(({ apparentPowerVA }) => apparentPowerVA),
  ];
  return { whole: powers(wholeCurve(stack)), leg: powers(legCurve(stack)) };
};

describe('what a stack carries', () => {
  it('is the inverter where the battery leaves the limit to it', () => {
    expect(curvesOf(null, null)).toEqual({ whole: [6000, 9000, 12_000], leg: [3000, 4500, 6000] });
  });

  it('is the battery where that is the smaller one, starts included', () => {
    expect(curvesOf(4000, null)).toEqual({ whole: [4000, 4000, 4000], leg: [3000, 4000, 4000] });
    expect(curvesOf(4000, 10_000)).toEqual({ whole: [4000, 9000, 10_000], leg: [3000, 4500, 6000] });
    expect(curvesOf(2000, 5000)).toEqual({ whole: [2000, 5000, 5000], leg: [2000, 4500, 5000] });
  });
});

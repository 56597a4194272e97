import { expect, it } from 'vitest';
import type { AmericanSize } from '../../electric/index.js';
import { areaByGauge } from '../testing/area-by-gauge.js';
import { circularMils } from './equipment-earth.js';

it.each(Object.keys(circularMils.values) as AmericanSize[])('the area of %s is that of its gauge', (size) => {
  expect(Math.abs(circularMils.values[size] / areaByGauge(size) - 1)).toBeLessThan(0.003);
});

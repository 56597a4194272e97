import { type Conductor, isMetricSize } from '../../electric/index.js';
import { circularMils } from './equipment-earth.js';

/** One circular mil: the area of a circle of a thousandth of an inch, mm². */
const mm2PerCircularMil = (Math.PI / 4) * 0.0254 ** 2;

/** Cross-section of a conductor, mm²; American sizes by circular mils (NEC Chapter 9, Table 8; recalled). */
export const conductorAreaMm2 = ({ size }: Pick<Conductor, 'size'>): number =>
  isMetricSize(size) ? Number.parseFloat(size) : circularMils.values[size] * mm2PerCircularMil;

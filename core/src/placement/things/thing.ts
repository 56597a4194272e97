import type { Unit } from '../../equipment/index.js';

export type ThingKind = 'unit' | 'isolating-device' | 'panel' | 'disconnect' | 'gutter';

/** Room a maker asks for around a thing, m; 0 where nothing is said. */
export interface Clearances {
  readonly aboveM: number;
  readonly belowM: number;
  readonly besideM: number;
  readonly frontM: number;
}

/** Something of a design that finds its place on a wall. */
export interface Thing {
  readonly id: string;
  readonly name: string;
  readonly kind: ThingKind;
  readonly islandId: string;
  readonly widthM: number;
  readonly heightM: number;
  readonly depthM: number;
  /** Its size is what is usual: no data sheet says it. */
  readonly isSizeAssumed: boolean;
  readonly massKg: number | null;
  readonly energyWh: number;
  readonly clear: Clearances;
  /** Between two that store energy, as their fire test allows; null = as the code says. */
  readonly betweenM: number | null;
  readonly mounting: 'wall' | 'floor' | 'wall-or-floor';
  readonly outdoors: boolean | null;
  /** It may be left out: nothing misses it. */
  readonly isOptional: boolean;
  /** The unit it is; null = it is none. */
  readonly unit: Unit | null;
}

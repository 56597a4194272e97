import type { OutsideGroup } from '../../base/testing/outside.js';
import { sunSpecModels } from '../sunspec/models.js';
import { lengthOf, placeOf } from '../sunspec/point.js';

const where = 'device/testing/outside-device.ts';

/** Where a point stands, counted from the register that holds the number of its model. */
export const offsetOf = (number: number, name: string): number =>
  2 + placeOf(sunSpecModels.get(number)!, name);

export const outsideDevice: readonly OutsideGroup[] = [
  {
    title: 'Registers of models of devices',
    kind: 'table',
    source: 'lengths as the SunSpec Alliance publishes them with each model (recalled)',
    where,
    unit: 'registers',
    values: (
      [
        [1, 66],
        [103, 50],
        [203, 105],
        [701, 153],
        [704, 65],
        [713, 7],
        [802, 62],
      ] as const
    ).map(([number, expected]) => ({
      what: `model ${number}`,
      expected,
      within: 0,
      measure: () => lengthOf(sunSpecModels.get(number)!),
    })),
  },
  {
    title: 'Places of points in devices',
    kind: 'example',
    source:
      'published register maps of inverters and meters that follow SunSpec, where an inverter’s model begins at 40070 and a meter’s at 40188 (recalled)',
    where,
    unit: 'register',
    values: (
      [
        [103, 40_070, 'A', 40_072],
        [103, 40_070, 'PhVphA', 40_080],
        [103, 40_070, 'W', 40_084],
        [103, 40_070, 'Hz', 40_086],
        [103, 40_070, 'WH', 40_094],
        [103, 40_070, 'DCA', 40_097],
        [103, 40_070, 'DCV', 40_099],
        [103, 40_070, 'DCW', 40_101],
        [103, 40_070, 'TmpSnk', 40_104],
        [103, 40_070, 'St', 40_108],
        [203, 40_188, 'A', 40_190],
        [203, 40_188, 'PhV', 40_195],
        [203, 40_188, 'Hz', 40_204],
        [203, 40_188, 'W', 40_206],
        [203, 40_188, 'W_SF', 40_210],
        [203, 40_188, 'PF', 40_221],
        [203, 40_188, 'TotWhExp', 40_226],
        [203, 40_188, 'TotWhImp', 40_234],
      ] as const
    ).map(([number, base, name, expected]) => ({
      what: `${name} of model ${number}`,
      expected,
      within: 0,
      measure: () => base + offsetOf(number, name),
    })),
  },
];

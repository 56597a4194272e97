import { describe, expect, it } from 'vitest';
import type { PointValues } from '../sunspec/model-registers.js';
import { systemReading, type UnitReading } from './system-reading.js';

const unit = (
  unitId: number,
  ...models: readonly (readonly [number, PointValues | null])[]
): UnitReading => ({
  unitId,
  models: models.map(([number, values]) => ({ number, values })),
});
const inverter = unit(
  1,
  [
    701,
    {
      ConnSt: 1,
      W: -1400,
      Hz: 60.01,
      VL1: 121,
      VL2: 119.5,
      VL3: null,
      VL1L2: 240.5,
      VL2L3: null,
      VL3L1: null,
    },
  ],
  [713, { SoC: 87 }],
);
const meter = unit(20, [
  202,
  { W: 900, WphA: 500, WphB: 400, WphC: null, PhVphA: 120, PhVphB: 120.5, PhVphC: null },
]);
const sun = (unitId: number, W: number | null): UnitReading => unit(unitId, [101, { W }]);
const battery = (unitId: number, SN: string, SoC: number | null): UnitReading =>
  unit(unitId, [1, { SN }], [802, { SoC }]);

// Which model says what: SunSpec information models, recalled.
describe('what the devices of a system show together', () => {
  it('is put together from the models that say it, on as many legs as there are', () => {
    const reading = systemReading([
      inverter,
      battery(10, 'B-1', 88),
      battery(11, 'B-2', 86),
      meter,
      sun(30, 2500),
    ]);
    expect(reading).toEqual({
      legV: [121, 119.5],
      gridLegV: [120, 120.5],
      betweenV: [240.5],
      frequencyHz: 60.01,
      isOnGrid: true,
      batteryW: -1400,
      solarW: 2500,
      gridW: 900,
      gridLegW: [500, 400],
      charge: 0.87,
      batteries: [
        { unitId: 10, serial: 'B-1', charge: 0.88 },
        { unitId: 11, serial: 'B-2', charge: 0.86 },
      ],
      problems: [],
    });
  });

  it('knows an inverter of the older models by the storage behind it, and adds solar inverters up', () => {
    const older = unit(
      1,
      [103, { W: 700, Hz: 50, PhVphA: 230, PhVphB: 231, PhVphC: 229 }],
      [802, { SoC: 40 }],
    );
    const { batteryW, legV, solarW, charge, isOnGrid } = systemReading([older, sun(30, 1000), sun(31, 500)]);
    expect({ batteryW, legV, solarW, charge, isOnGrid }).toEqual({
      batteryW: 700,
      legV: [230, 231, 229],
      solarW: 1500,
      charge: 0.4,
      isOnGrid: null,
    });
    expect(systemReading([older]).solarW).toBe(0);
    // A sum of which a part is not known is not known.
    expect(systemReading([older, sun(30, 1000), sun(31, null)]).solarW).toBeNull();
  });

  it('shows nothing of what did not answer, and of what cannot be, and says so', () => {
    expect(systemReading([])).toMatchObject({
      legV: [],
      batteryW: null,
      solarW: 0,
      gridW: null,
      charge: null,
      batteries: [],
    });
    expect(systemReading([unit(1, [701, null])])).toMatchObject({ batteryW: null, isOnGrid: null, legV: [] });
    const wild = systemReading([
      unit(1, [701, { W: 3.2e6, Hz: 4000, VL1: 1e5, ConnSt: null }], [713, { SoC: -3 }]),
      unit(20, [201, { W: NaN, WphA: 12, PhVphA: 230 }]),
    ]);
    expect(wild).toMatchObject({
      batteryW: null,
      frequencyHz: null,
      legV: [],
      gridW: null,
      charge: null,
      gridLegW: [12],
    });
    expect(wild.problems).toEqual([
      'Unit 1: VL1 of 100000 V cannot be',
      'Unit 1: SoC of -3 % cannot be',
      'Unit 1: Hz of 4000 Hz cannot be',
      'Unit 1: W of 3200000 W cannot be',
      'Unit 20: W of NaN W cannot be',
    ]);
  });
});

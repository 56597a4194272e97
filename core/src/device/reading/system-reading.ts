import type { FoundModel } from '../sunspec/model-chain.js';
import type { PointValues } from '../sunspec/model-registers.js';

/** A device behind a unit id, with what stands in its models now. */
export interface UnitReading {
  readonly unitId: number;
  readonly models: readonly Pick<FoundModel, 'number' | 'values'>[];
}

/** What the devices of a system show together. Power out of battery, sun and grid, W; null = none of them shows it. */
export interface SystemReading {
  /** Each leg to neutral where the inverter feeds, and on the grid's side, V. */
  readonly legV: readonly (number | null)[];
  readonly gridLegV: readonly (number | null)[];
  /** L1-L2, L2-L3, L3-L1 where the inverter feeds, V. */
  readonly betweenV: readonly (number | null)[];
  readonly frequencyHz: number | null;
  readonly isOnGrid: boolean | null;
  readonly batteryW: number | null;
  readonly solarW: number | null;
  readonly gridW: number | null;
  readonly gridLegW: readonly (number | null)[];
  /** Share. */
  readonly charge: number | null;
  readonly batteries: readonly {
    readonly unitId: number;
    readonly serial: string;
    readonly charge: number | null;
  }[];
  /** Values that cannot be, in words; they count as not shown. */
  readonly problems: readonly string[];
}

/** Beyond these nothing is measured in a house: a wrong scale, or nonsense. */
const mostOf = { W: 1e6, V: 1000, Hz: 100, '%': 100 } as const;
const inverterModels: ReadonlySet<number> = new Set([101, 102, 103]);
const meterModels: ReadonlySet<number> = new Set([201, 202, 203]);
const storageModels: ReadonlySet<number> = new Set([713, 802]);

type Unit = keyof typeof mostOf;

/**
 * What the devices of a system show, put together from their models: 701, or 101 to 103 beside a storage model, is the battery's inverter, 201 to 203
 * the meter at the service, 101 to 103 alone solar, 713 and 802 what batteries hold (SunSpec information models, recalled). A DC inverter's own
 * power is that of its AC side. Several solar inverters add up; without any, none gives anything.
 */
export function systemReading(units: readonly UnitReading[]): SystemReading {
  const problems: string[] = [];
  const valueOf = (unitId: number, values: PointValues, name: string, unit: Unit): number | null => {
    const value = values[name];
    if (typeof value !== 'number') return null;
    if (Number.isFinite(value) && Math.abs(value) <= mostOf[unit] && (unit !== '%' || value >= 0))
      return value;
    problems.push(`Unit ${unitId}: ${name} of ${String(value)} ${unit} cannot be`);
    return null;
  };
  const of = (numbers: ReadonlySet<number>) =>
    units.flatMap(({ unitId, models }) =>
      models.flatMap(({ number, values }) =>
        numbers.has(number) && values ? [{ unitId, values, number }] : [],
      ),
    );
  const holdsCharge = ({ models }: UnitReading): boolean =>
    models.some(({ number }) => storageModels.has(number));
  const der = of(new Set([701]))[0] ?? null;
  const isBattery = (unitId: number): boolean => {
    const unit = units.find((one) => one.unitId === unitId);
    return unit !== undefined && holdsCharge(unit);
  };
  const inverters = of(inverterModels);
  const old = der === null ? (inverters.find(({ unitId }) => isBattery(unitId)) ?? null) : null;
  const meter = of(meterModels)[0] ?? null;
  const suns = inverters.filter(({ unitId }) => !isBattery(unitId));

  const row = (from: { unitId: number; values: PointValues } | null, names: readonly string[], unit: Unit) =>
    from === null ? [] : upToLast(names.map((name) => valueOf(from.unitId, from.values, name, unit)));
  const one = (
    from: { unitId: number; values: PointValues } | null,
    name: string,
    unit: Unit,
  ): number | null => (from === null ? null : valueOf(from.unitId, from.values, name, unit));

  const phases = ['A', 'B', 'C'];
  const legV = der
    ? row(der, ['VL1', 'VL2', 'VL3'], 'V')
    : row(
        old,
        phases.map((phase) => `PhVph${phase}`),
        'V',
      );
  const sunW = suns.map((sun) => one(sun, 'W', 'W'));
  const storages = of(storageModels);
  const whole = storages.find(({ number }) => number === 713) ?? storages[0] ?? null;
  const batteries = storages
    .filter(({ number }) => number === 802)
    .map(({ unitId, values }) => {
      const percent = valueOf(unitId, values, 'SoC', '%');
      const common = units.find((unit) => unit.unitId === unitId)?.models.find(({ number }) => number === 1);
      const serial = common?.values?.['SN'];
      return {
        unitId,
        serial: typeof serial === 'string' ? serial : '',
        charge: percent === null ? null : percent / 100,
      };
    });
  const percent = one(whole, 'SoC', '%');
  const connected = der?.values['ConnSt'];
  return {
    legV,
    gridLegV: row(
      meter,
      phases.map((phase) => `PhVph${phase}`),
      'V',
    ),
    betweenV: row(der, ['VL1L2', 'VL2L3', 'VL3L1'], 'V'),
    frequencyHz: one(der ?? old, 'Hz', 'Hz'),
    isOnGrid: typeof connected === 'number' ? connected === 1 : null,
    batteryW: one(der ?? old, 'W', 'W'),
    solarW: sunW.some((watts) => watts === null)
      ? null
      : sunW.reduce<number>((sum, watts) => sum + watts!, 0),
    gridW: one(meter, 'W', 'W'),
    gridLegW: row(
      meter,
      phases.map((phase) => `Wph${phase}`),
      'W',
    ),
    charge: percent === null ? null : percent / 100,
    batteries,
    problems,
  };
}

/** Without what is missing at the end: legs the supply does not have. */
function upToLast(values: readonly (number | null)[]): (number | null)[] {
  const last = values.findLastIndex((value) => value !== null);
  return values.slice(0, last + 1);
}

import { type HeldModel, type PointValues, sunSpecModels } from '@levamen/core/device';
import type { HouseNow } from '@levamen/core/simulator';

/** Unit ids under which the parts of a simulated system answer. */
export const unitIds = { inverter: 1, firstBattery: 10, meter: 20, solar: 30 } as const;

/** What does not change while a house runs. */
export interface HousePlates {
  readonly legs: 1 | 2 | 3;
  readonly inverterName: string;
  /** Nameplate energy of each battery, Wh. */
  readonly batteriesWh: readonly number[];
}

/** What somebody has written into the controls of the inverter. */
export interface Limits {
  readonly isOn: boolean;
  /** Of the rated power, %. */
  readonly percent: number;
}

const model = (number: number, values: PointValues): HeldModel => ({
  model: sunSpecModels.get(number)!,
  values,
});
const common = (Md: string, SN: string, DA: number): HeldModel =>
  model(1, { Mn: 'Levamen (simulated)', Md, Opt: '', Vr: '4.2.0', SN, DA });

const phases = ['A', 'B', 'C'] as const;
const byLeg = (values: readonly number[], name: (leg: number) => string): PointValues =>
  Object.fromEntries(values.map((value, leg) => [name(leg), value]));
const amps = (watts: number, volts: number): number => (volts > 1 ? watts / volts : 0);

function inverter(now: HouseNow, plates: HousePlates, limits: Limits): HeldModel[] {
  const { legV, betweenV, batteryW, legHouseW, frequencyHz, state, charge } = now;
  const share = batteryW / Math.max(1, now.houseW);
  const legW = legHouseW.map((one) => one * share);
  const energyWh = plates.batteriesWh.reduce((sum, one) => sum + one, 0);
  return [
    common(plates.inverterName, 'INV-0001', unitIds.inverter),
    model(701, {
      // 1 = one phase, 2 = split phase, 3 = three phases in star (recalled).
      ACType: plates.legs - 1,
      St: state === 'dark' ? 0 : 1,
      InvSt: state === 'dark' ? 0 : 3,
      ConnSt: state === 'grid' ? 1 : 0,
      Alrm: 0,
      // Bit 0 follows the grid, bit 1 forms one.
      DERMode: state === 'grid' ? 1 : 2,
      W: batteryW,
      VA: Math.abs(batteryW),
      Var: 0,
      PF: 1,
      A: amps(Math.abs(batteryW), legV[0] ?? 0) / plates.legs,
      LLV: betweenV[0] ?? null,
      LNV: legV[0] ?? null,
      Hz: frequencyHz,
      ...byLeg(legW, (leg) => `WL${leg + 1}`),
      ...byLeg(legV, (leg) => `VL${leg + 1}`),
      ...byLeg(betweenV, (leg) => ['VL1L2', 'VL2L3', 'VL3L1'][leg]!),
      ...byLeg(
        legW.map((one, leg) => amps(Math.abs(one), legV[leg]!)),
        (leg) => `AL${leg + 1}`,
      ),
      A_SF: -1,
      V_SF: -1,
      Hz_SF: -3,
      W_SF: 0,
      PF_SF: -2,
      VA_SF: 0,
      Var_SF: 0,
      MnAlrmInfo: state === 'dark' ? 'No output' : '',
    }),
    model(704, {
      WMaxLimPctEna: limits.isOn ? 1 : 0,
      WMaxLimPct: limits.percent,
      WMaxLimPct_SF: 0,
    }),
    model(713, {
      WHRtg: energyWh,
      WHAvail: energyWh * charge,
      SoC: charge * 100,
      SoH: 100,
      Sta: 0,
      WH_SF: 1,
      Pct_SF: -1,
    }),
  ];
}

function battery(now: HouseNow, plates: HousePlates, place: number): HeldModel[] {
  const count = plates.batteriesWh.length;
  return [
    common('Battery', `BAT-${String(place + 1).padStart(4, '0')}`, unitIds.firstBattery + place),
    model(802, {
      WHRtg: plates.batteriesWh[place]!,
      SoC: now.charge * 100,
      SoH: 100,
      NCyc: 3,
      State: now.state === 'dark' ? 1 : 3,
      W: now.batteryW / count,
      WHRtg_SF: 0,
      SoC_SF: -1,
      SoH_SF: 0,
      W_SF: 0,
    }),
  ];
}

const meter = (now: HouseNow, plates: HousePlates): HeldModel[] => [
  common('Meter at the service', 'MET-0001', unitIds.meter),
  model(200 + plates.legs, {
    W: now.gridW,
    ...byLeg(now.legGridW, (leg) => `Wph${phases[leg]!}`),
    PhV: now.gridV[0] ?? null,
    ...byLeg(now.gridV, (leg) => `PhVph${phases[leg]!}`),
    ...byLeg(
      now.legGridW.map((one, leg) => amps(one, now.gridV[leg]!)),
      (leg) => `Aph${phases[leg]!}`,
    ),
    Hz: now.state === 'grid' ? now.frequencyHz : null,
    A_SF: -1,
    V_SF: -1,
    Hz_SF: -2,
    W_SF: 0,
  }),
];

const solar = (now: HouseNow, plates: HousePlates): HeldModel[] => [
  common('Solar', 'SOL-0001', unitIds.solar),
  model(100 + plates.legs, {
    W: now.solarW,
    A: amps(now.solarW, now.legV[0] ?? 0) / plates.legs,
    ...byLeg(now.legV, (leg) => `PhVph${phases[leg]!}`),
    Hz: now.frequencyHz,
    // 4 = feeds as much as there is, 2 = sleeps (recalled).
    St: now.solarW > 0 ? 4 : 2,
    A_SF: -1,
    V_SF: -1,
    W_SF: 0,
    Hz_SF: -2,
  }),
];

/** What every unit id of a simulated system holds, by unit id. */
export function houseRegisters(
  now: HouseNow,
  plates: HousePlates,
  limits: Limits,
): ReadonlyMap<number, HeldModel[]> {
  return new Map([
    [unitIds.inverter, inverter(now, plates, limits)],
    ...plates.batteriesWh.map((_, place): [number, HeldModel[]] => [
      unitIds.firstBattery + place,
      battery(now, plates, place),
    ]),
    [unitIds.meter, meter(now, plates)],
    [unitIds.solar, solar(now, plates)],
  ]);
}

import { point, points, scaled, type SunSpecModel, textPoint } from './point.js';

const phases = ['A', 'B', 'C'] as const;
const byPhase = (name: string): string[] => [name, ...phases.map((phase) => `${name}ph${phase}`)];

/** Who made a device (model 1; 66 registers, recalled). */
const commonModel: SunSpecModel = {
  number: 1,
  name: 'Common',
  points: [
    textPoint('Mn', 16),
    textPoint('Md', 16),
    textPoint('Opt', 8),
    textPoint('Vr', 8),
    textPoint('SN', 16),
    point('DA', 'uint16'),
    point('Pad', 'pad'),
  ],
};

/** An inverter of one, two or three phases (models 101 to 103; 50 registers, recalled). */
const inverterModel = (number: 101 | 102 | 103): SunSpecModel => ({
  number,
  name: 'Inverter',
  points: [
    ...scaled(['A', 'AphA', 'AphB', 'AphC'], 'uint16', 'A_SF', 'A'),
    ...scaled(['PPVphAB', 'PPVphBC', 'PPVphCA', 'PhVphA', 'PhVphB', 'PhVphC'], 'uint16', 'V_SF', 'V'),
    ...scaled(['W'], 'int16', 'W_SF', 'W'),
    ...scaled(['Hz'], 'uint16', 'Hz_SF', 'Hz'),
    ...scaled(['VA'], 'int16', 'VA_SF', 'VA'),
    ...scaled(['VAr'], 'int16', 'VAr_SF', 'var'),
    ...scaled(['PF'], 'int16', 'PF_SF', '%'),
    ...scaled(['WH'], 'acc32', 'WH_SF', 'Wh'),
    ...scaled(['DCA'], 'uint16', 'DCA_SF', 'A'),
    ...scaled(['DCV'], 'uint16', 'DCV_SF', 'V'),
    ...scaled(['DCW'], 'int16', 'DCW_SF', 'W'),
    ...scaled(['TmpCab', 'TmpSnk', 'TmpTrns', 'TmpOt'], 'int16', 'Tmp_SF', '°C'),
    point('St', 'enum16'),
    point('StVnd', 'enum16'),
    ...points(['Evt1', 'Evt2', 'EvtVnd1', 'EvtVnd2', 'EvtVnd3', 'EvtVnd4'], 'bitfield32'),
  ],
});

/** A meter of one, two or three phases (models 201 to 203; 105 registers, recalled). W is what is taken through it. */
const meterModel = (number: 201 | 202 | 203): SunSpecModel => ({
  number,
  name: 'Meter',
  points: [
    ...scaled(['A', 'AphA', 'AphB', 'AphC'], 'int16', 'A_SF', 'A'),
    ...scaled(
      ['PhV', 'PhVphA', 'PhVphB', 'PhVphC', 'PPV', 'PPVphAB', 'PPVphBC', 'PPVphCA'],
      'int16',
      'V_SF',
      'V',
    ),
    ...scaled(['Hz'], 'int16', 'Hz_SF', 'Hz'),
    ...(
      [
        ['W', 'W'],
        ['VA', 'VA'],
        ['VAR', 'var'],
        ['PF', '%'],
      ] as const
    ).flatMap(([name, unit]) => scaled(byPhase(name), 'int16', `${name}_SF`, unit)),
    ...(
      [
        ['TotWh', ['TotWhExp', 'TotWhImp'], 'Wh'],
        ['TotVAh', ['TotVAhExp', 'TotVAhImp'], 'VAh'],
        ['TotVArh', ['TotVArhImpQ1', 'TotVArhImpQ2', 'TotVArhExpQ3', 'TotVArhExpQ4'], 'varh'],
      ] as const
    ).flatMap(([scale, names, unit]) => scaled(names.flatMap(byPhase), 'acc32', `${scale}_SF`, unit)),
    point('Evt', 'bitfield32'),
  ],
});

/** What a source measures on its alternating side (model 701; 153 registers, recalled). W is what it gives. */
const derAcModel: SunSpecModel = {
  number: 701,
  name: 'DER AC measurement',
  points: [
    ...points(['ACType', 'St', 'InvSt', 'ConnSt'], 'enum16'),
    ...points(['Alrm', 'DERMode'], 'bitfield32'),
    point('W', 'int16', 'W_SF', 'W'),
    point('VA', 'int16', 'VA_SF', 'VA'),
    point('Var', 'int16', 'Var_SF', 'var'),
    point('PF', 'int16', 'PF_SF', ''),
    point('A', 'int16', 'A_SF', 'A'),
    ...points(['LLV', 'LNV'], 'uint16', 'V_SF', 'V'),
    point('Hz', 'uint32', 'Hz_SF', 'Hz'),
    ...points(['TotWhInj', 'TotWhAbs'], 'uint64', 'TotWh_SF', 'Wh'),
    ...points(['TotVarhInj', 'TotVarhAbs'], 'uint64', 'TotVarh_SF', 'varh'),
    ...points(['TmpAmb', 'TmpCab', 'TmpSnk', 'TmpTrns', 'TmpSw', 'TmpOt'], 'int16', 'Tmp_SF', '°C'),
    ...['L1', 'L2', 'L3'].flatMap((leg, index) => [
      point(`W${leg}`, 'int16', 'W_SF', 'W'),
      point(`VA${leg}`, 'int16', 'VA_SF', 'VA'),
      point(`Var${leg}`, 'int16', 'Var_SF', 'var'),
      point(`PF${leg}`, 'int16', 'PF_SF', ''),
      point(`A${leg}`, 'int16', 'A_SF', 'A'),
      ...points([`V${leg}${['L2', 'L3', 'L1'][index]!}`, `V${leg}`], 'uint16', 'V_SF', 'V'),
      ...points([`TotWhInj${leg}`, `TotWhAbs${leg}`], 'uint64', 'TotWh_SF', 'Wh'),
      ...points([`TotVarhInj${leg}`, `TotVarhAbs${leg}`], 'uint64', 'TotVarh_SF', 'varh'),
    ]),
    point('ThrotPct', 'uint16', '', '%'),
    point('ThrotSrc', 'bitfield32'),
    ...points(
      ['A_SF', 'V_SF', 'Hz_SF', 'W_SF', 'PF_SF', 'VA_SF', 'Var_SF', 'TotWh_SF', 'TotVarh_SF', 'Tmp_SF'],
      'sunssf',
    ),
    textPoint('MnAlrmInfo', 32),
  ],
};

/** How much a store holds (model 713; 7 registers, recalled). */
const storageModel: SunSpecModel = {
  number: 713,
  name: 'DER storage capacity',
  points: [
    ...points(['WHRtg', 'WHAvail'], 'uint16', 'WH_SF', 'Wh'),
    ...points(['SoC', 'SoH'], 'uint16', 'Pct_SF', '%'),
    point('Sta', 'enum16'),
    point('WH_SF', 'sunssf'),
    point('Pct_SF', 'sunssf'),
  ],
};

/** A battery (model 802; 62 registers, recalled). W is what it gives. */
const batteryModel: SunSpecModel = {
  number: 802,
  name: 'Battery',
  points: [
    point('AHRtg', 'uint16', 'AHRtg_SF', 'Ah'),
    point('WHRtg', 'uint16', 'WHRtg_SF', 'Wh'),
    ...points(['WChaRteMax', 'WDisChaRteMax'], 'uint16', 'WChaDisChaMax_SF', 'W'),
    point('DisChaRte', 'uint16', 'DisChaRte_SF', '%'),
    ...points(['SoCMax', 'SoCMin', 'SocRsvMax', 'SoCRsvMin', 'SoC'], 'uint16', 'SoC_SF', '%'),
    point('DoD', 'uint16', 'DoD_SF', '%'),
    point('SoH', 'uint16', 'SoH_SF', '%'),
    point('NCyc', 'uint32'),
    ...points(['ChaSt', 'LocRemCtl'], 'enum16'),
    ...points(['Hb', 'CtrlHb', 'AlmRst'], 'uint16'),
    ...points(['Typ', 'State', 'StateVnd'], 'enum16'),
    point('WarrDt', 'uint32'),
    ...points(['Evt1', 'Evt2', 'EvtVnd1', 'EvtVnd2'], 'bitfield32'),
    ...points(['V', 'VMax', 'VMin'], 'uint16', 'V_SF', 'V'),
    point('CellVMax', 'uint16', 'CellV_SF', 'V'),
    ...points(['CellVMaxStr', 'CellVMaxMod'], 'uint16'),
    point('CellVMin', 'uint16', 'CellV_SF', 'V'),
    ...points(['CellVMinStr', 'CellVMinMod'], 'uint16'),
    point('CellVAvg', 'uint16', 'CellV_SF', 'V'),
    point('A', 'int16', 'A_SF', 'A'),
    ...points(['AChaMax', 'ADisChaMax'], 'uint16', 'AMax_SF', 'A'),
    point('W', 'int16', 'W_SF', 'W'),
    point('ReqInvState', 'enum16'),
    point('ReqW', 'int16', 'W_SF', 'W'),
    ...points(['SetOp', 'SetInvState'], 'enum16'),
    ...points(
      [
        'AHRtg_SF',
        'WHRtg_SF',
        'WChaDisChaMax_SF',
        'DisChaRte_SF',
        'SoC_SF',
        'DoD_SF',
        'SoH_SF',
        'V_SF',
        'CellV_SF',
        'A_SF',
        'AMax_SF',
        'W_SF',
      ],
      'sunssf',
    ),
  ],
};

/** What is asked of a source (model 704; 65 registers, recalled). */
const controlModel: SunSpecModel = {
  number: 704,
  name: 'DER AC controls',
  points: [
    ...['PFWInj', 'PFWAbs'].flatMap((name) => [
      ...points([`${name}Ena`, `${name}EnaRvrt`], 'enum16'),
      ...points([`${name}RvrtTms`, `${name}RvrtRem`], 'uint32', '', 's'),
    ]),
    point('WMaxLimPctEna', 'enum16'),
    ...points(['WMaxLimPct', 'WMaxLimPctRvrt'], 'uint16', 'WMaxLimPct_SF', '%'),
    point('WMaxLimPctEnaRvrt', 'enum16'),
    ...points(['WMaxLimPctRvrtTms', 'WMaxLimPctRvrtRem'], 'uint32', '', 's'),
    ...points(['WSetEna', 'WSetMod'], 'enum16'),
    ...points(['WSet', 'WSetRvrt'], 'int32', 'WSet_SF', 'W'),
    ...points(['WSetPct', 'WSetPctRvrt'], 'int16', 'WSetPct_SF', '%'),
    point('WSetEnaRvrt', 'enum16'),
    ...points(['WSetRvrtTms', 'WSetRvrtRem'], 'uint32', '', 's'),
    ...points(['VarSetEna', 'VarSetMod', 'VarSetPri'], 'enum16'),
    ...points(['VarSet', 'VarSetRvrt'], 'int32', 'VarSet_SF', 'var'),
    ...points(['VarSetPct', 'VarSetPctRvrt'], 'int16', 'VarSetPct_SF', '%'),
    point('VarSetEnaRvrt', 'enum16'),
    ...points(['VarSetRvrtTms', 'VarSetRvrtRem'], 'uint32', '', 's'),
    point('WRmp', 'uint16', '', '%'),
    point('WRmpRef', 'enum16'),
    point('VarRmp', 'uint16', '', '%'),
    point('AntiIslEna', 'enum16'),
    ...points(['PF_SF', 'WMaxLimPct_SF', 'WSet_SF', 'WSetPct_SF', 'VarSet_SF', 'VarSetPct_SF'], 'sunssf'),
    ...['PFWInj', 'PFWInjRvrt', 'PFWAbs', 'PFWAbsRvrt'].flatMap((name) => [
      point(`${name}.PF`, 'uint16', 'PF_SF', ''),
      point(`${name}.Ext`, 'enum16'),
    ]),
  ],
};

/** The models that are read and written here, by number. */
export const sunSpecModels: ReadonlyMap<number, SunSpecModel> = new Map(
  [
    commonModel,
    inverterModel(101),
    inverterModel(102),
    inverterModel(103),
    meterModel(201),
    meterModel(202),
    meterModel(203),
    derAcModel,
    controlModel,
    storageModel,
    batteryModel,
  ].map((model) => [model.number, model]),
);

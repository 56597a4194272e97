import { sourceText, workingText } from '../../../base/index.js';
import {
  currentA,
  isAmerican,
  legSets,
  legsOf,
  supplyVoltageV,
  systemFacts,
} from '../../../electric/index.js';
import { settingsOf } from '../../../design/index.js';
import {
  dwellingLoadsOf,
  existingDwelling,
  existingLoadW,
  optionalDwelling,
  standardDwelling,
} from '../../../rules/index.js';
import type { Block } from '../../document/paper.js';
import { assumedMark, type PacketOf } from '../packet-of.js';
import { climateLines, generalLines } from './dwelling-lines.js';
import { vaText, type WorksheetLine, worksheetTable } from './worksheet.js';

/** Load calculations, line by line: of the dwelling by Article 220 where it holds; by the list of loads and its diversity elsewhere; what is behind the source in any case. */
export function loadPart(of: PacketOf): Block[] {
  return [
    { kind: 'heading', level: 1, text: 'Load calculation' },
    ...(isAmerican(of.study.plan.supply.system) ? americanSheets(of) : []),
    ...measuredSheet(of),
    ...sourceSheet(of),
  ];
}

function americanSheets(of: PacketOf): Block[] {
  const { plan } = of.study;
  const settings = settingsOf(plan);
  const { floorAreaM2 } = settings;
  const dwelling = dwellingLoadsOf(plan.loads, floorAreaM2.value);
  const area = `${of.quantity(floorAreaM2.value, 'm²')}${floorAreaM2.assumed ? assumedMark : ''}`;
  const general = generalLines(plan.loads, dwelling, area);
  const { system } = plan.supply;
  const all = legSets.find((set) => legsOf(set).length === systemFacts[system].legs.length)!;
  const volts = supplyVoltageV(system, all);
  const total = (what: string, va: number, clause: string): WorksheetLine => ({
    what,
    working: `${vaText(va)} VA at ${volts} V: ${currentA(volts, va, all).toFixed(1)} A`,
    clause,
    va,
    sum: true,
  });
  const optional = optionalDwelling(dwelling);
  const existing = existingDwelling(dwelling, { addsHeatingOrCooling: false });
  const standard = standardDwelling(dwelling);
  const note = [
    `NEC 2023, recalled; verify against the adopted edition. Nameplates as in the list of loads.`,
    ...(floorAreaM2.assumed ? [`${assumedMark} assumed: ${floorAreaM2.why}`] : []),
  ].join(' ');
  const climate = climateLines(plan.loads, '220.82(C)');
  return [
    { kind: 'heading', level: 2, text: 'Optional calculation, whole dwelling (220.82)' },
    worksheetTable(
      [
        ...general,
        { what: 'General loads', working: 'sum', clause: '220.82(B)', va: optional.generalVA, sum: true },
        firstInFull(optional.generalVA, 10_000, optional.generalDemandVA, '220.82(B)'),
        ...climate.map((line) => ({ ...line, what: `${line.what} (considered)` })),
        {
          what: `Largest of heating and cooling: ${optional.counts}`,
          working: 'the largest selection of 220.82(C)',
          clause: '220.82(C)',
          va: optional.heatingCoolingVA,
        },
        total('Calculated load', optional.totalVA, '220.82'),
      ],
      note,
    ),
    { kind: 'heading', level: 2, text: 'Standard calculation (Article 220 Part III)' },
    worksheetTable(
      [
        ...general.slice(0, 3),
        {
          what: 'Lighting and circuits with demand factors',
          working: 'first 3,000 in full, to 120,000 at 35 %, the rest at 25 %',
          clause: 'Table 220.45',
          va: standard.generalDemandVA,
        },
        {
          what: 'Fastened appliances',
          working: `${dwelling.fastenedVA.length} of them; 75 % of four and more`,
          clause: '220.53',
          va: standard.fastenedDemandVA,
        },
        {
          what: 'Cooking',
          working: dwelling.rangeVA.map(vaText).join(' + ') || 'none',
          clause: 'Table 220.55',
          va: standard.rangeDemandVA,
        },
        {
          what: 'Dryers',
          working: dwelling.dryerVA.length === 0 ? 'none' : 'nameplate, at least 5,000 each',
          clause: '220.54',
          va: standard.dryerDemandVA,
        },
        {
          what: 'Car charging',
          working: dwelling.vehicleVA.length === 0 ? 'none' : 'nameplate, at least 7,200 each',
          clause: '220.57',
          va: standard.vehicleVA,
        },
        {
          what: `Larger of heating and cooling: ${standard.counts}`,
          working: 'they never run together',
          clause: '220.60',
          va: standard.heatingCoolingVA,
        },
        {
          what: 'Largest motor',
          working: '25 % of it',
          clause: '220.50, 430.24',
          va: standard.largestMotorVA,
        },
        total('Calculated load', standard.totalVA, 'Part III'),
      ],
      note,
    ),
    { kind: 'heading', level: 2, text: 'Existing dwelling (220.83)' },
    worksheetTable(
      [
        {
          what: 'General loads, heating and cooling among them',
          working: 'as above, at nameplate',
          clause: '220.83(A)',
          va: existing.generalVA,
        },
        firstInFull(existing.generalVA, 8000, existing.generalDemandVA, '220.83(A)'),
        total('Calculated load', existing.totalVA, '220.83(A)'),
      ],
      note,
    ),
  ];
}

/** What the optional calculations make of general loads: the first of them in full, the rest at 40 %. */
const firstInFull = (generalVA: number, inFullVA: number, va: number, clause: string): WorksheetLine => ({
  what: `First ${inFullVA / 1000} kVA in full, the rest at 40 %`,
  working: `${vaText(Math.min(generalVA, inFullVA))} + 0.4 × ${vaText(Math.max(0, generalVA - inFullVA))}`,
  clause,
  va,
});

/** 220.87: what the house has been measured to take. */
function measuredSheet(of: PacketOf): Block[] {
  const { measurement } = of.study.plan.usage;
  if (!measurement) return [];
  const { name, fromDay, toDay, highestW, intervalS } = measurement;
  return [
    { kind: 'heading', level: 2, text: 'By measurement (220.87)' },
    {
      kind: 'facts',
      rows: [
        ['Measured', `${name}, ${fromDay} to ${toDay}, intervals of ${intervalS / 60} min`],
        ['Highest demand', of.quantity(highestW, 'W', 1)],
        ['125 % of it', of.quantity(existingLoadW(highestW), 'W', 1)],
      ],
    },
  ];
}

/** What the source has to carry, island by island, with the diversity it rests on. */
function sourceSheet(of: PacketOf): Block[] {
  const { plan, islands } = of.study;
  const settings = settingsOf(plan);
  return islands.flatMap(({ island, evaluation, stack }): Block[] => {
    const margins = evaluation.margins.filter(({ key }) => key !== 'daily' && key !== 'runtime');
    const shown = (of_: Parameters<typeof workingText>[0]): string =>
      workingText(of_, ({ value, unit }) => of.quantity(value, unit));
    return [
      { kind: 'heading', level: 2, text: `Behind the source: ${island.name}` },
      {
        kind: 'table',
        size: 'small' as const,
        columns: [
          { head: 'Load', wide: true },
          { head: 'Pieces', align: 'right' },
          { head: 'Running, each', align: 'right' },
          { head: 'From' },
        ],
        rows: evaluation.context.backupSet.map(({ name, quantity, runningPowerW, powerFactor, basis }) => [
          name,
          String(quantity),
          of.quantity(runningPowerW / powerFactor, 'VA'),
          basis,
        ]),
        note: `Running demand is what ${of.quantity(settings.coincidence.value, 'share', 1)} of the time is not passed, as loads cycle; everything at once: ${of.quantity(evaluation.power.allAtOnce.powerVA, 'VA')}.`,
      },
      ...(stack && margins.length > 0
        ? [
            {
              kind: 'table' as const,
              size: 'small' as const,
              columns: [
                { head: 'Limit' },
                { head: 'Demand', align: 'right' as const },
                { head: 'Allowed', align: 'right' as const },
                { head: 'Verdict' },
                { head: 'Reckoned', wide: true },
                { head: 'Source', wide: true },
              ],
              rows: margins.map(({ label, demand, limit, verdict }) => [
                label,
                of.quantity(demand.value, demand.unit, 1),
                of.quantity(limit.value, limit.unit, 1),
                { text: verdict, tone: verdict === 'fails' ? ('strong' as const) : ('plain' as const) },
                of.words(shown(demand)),
                of.words(sourceText(limit.source)),
              ]),
            },
          ]
        : []),
    ];
  });
}

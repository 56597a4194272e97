import { derived, type Figure, given, quantityText, settingSource } from '../../base/index.js';
import { dayPartFacts, type Load } from '../../house/index.js';
import type { Settings } from '../../design/index.js';
import type { PeakDemand, PowerDemand } from './power-demand.js';

const when = (peak: Pick<PeakDemand, 'part' | 'season'>): string =>
  `${dayPartFacts[peak.part].label.toLowerCase()} in ${peak.season}`;

/** Plain sum of the backup set's running powers, with its working. */
export function allAtOnceFigure(power: PowerDemand, backupSet: readonly Load[]): Figure {
  return given({
    key: 'power.allAtOnce',
    label: 'Everything running at once',
    value: power.allAtOnce.powerVA,
    unit: 'VA',
    source: { kind: 'derived' },
    assumptions: [
      `${backupSet.length} loads of the backup set, those that may run at ${when(power.allAtOnce)}`,
      'volt-amperes are added arithmetically, which is on the safe side',
    ],
    levers: ['taking a load out of the backup set'],
  });
}

/** What running demand is called on the basis of the brief, and what it rests on. */
const onBasis = (all: Figure, settings: Settings) => ({
  formula: 'not passed for {share} of the time by loads that add up to {all}',
  inputs: {
    all,
    share: given({
      key: 'brief.coincidence',
      label: 'Share of the time',
      value: settings.coincidence.value,
      unit: 'share',
      source: settingSource(settings.coincidence),
    }),
  },
  levers: ['taking a load out of the backup set', 'a household that watches what it switches on'],
});
const independent =
  'loads cycle independently of each other; their sum is worked out as an exact distribution';

/** Running demand on the basis the brief asks for, with its working. */
export function runningDemandFigure(
  power: PowerDemand,
  backupSet: readonly Load[],
  settings: Settings,
): Figure {
  const all = allAtOnceFigure(power, backupSet);
  if (settings.coincidence.value >= 1) return { ...all, label: 'Running demand, everything at once' };
  return derived({
    key: 'power.coincident',
    label: 'Running demand',
    value: power.coincident.powerVA,
    unit: 'VA',
    ...onBasis(all, settings),
    assumptions: [`worst part of the day: ${when(power.coincident)}`, independent],
  });
}

/** The same as a battery sees it: watts only, since volt-amperes that lag go back and forth between loads and inverter. */
export function batteryDemandFigure(
  { battery, allAtOnce }: PowerDemand,
  backupSet: readonly Load[],
  settings: Settings,
): Figure {
  const all = given({
    key: 'power.allAtOnceW',
    label: 'Everything running at once, in watts',
    value:
      settings.coincidence.value >= 1
        ? battery.powerW
        : backupSet.reduce((sum, { quantity, runningPowerW }) => sum + quantity * runningPowerW, 0),
    unit: 'W',
    source: { kind: 'derived' },
    assumptions: [
      `${backupSet.length} loads of the backup set; those that may run at once are ${quantityText(allAtOnce.powerVA, 'VA')}`,
      'watts, not volt-amperes: what only lags the battery does not feed',
    ],
  });
  if (settings.coincidence.value >= 1)
    return { ...all, label: 'Running demand in watts, everything at once' };
  return derived({
    key: 'power.coincidentW',
    label: 'Running demand in watts',
    value: battery.powerW,
    unit: 'W',
    ...onBasis(all, settings),
    assumptions: [`worst part of the day: ${when(battery)}`, independent],
  });
}

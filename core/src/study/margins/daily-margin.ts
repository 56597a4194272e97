import { derived, given } from '../../base/index.js';
import type { Stack } from '../../equipment/index.js';
import type { DemandContext } from './demand-context.js';
import { settingFigure } from './setting-figures.js';
import { margin, type Margin } from './margin.js';
import type { StackEnergy } from './stack-energy.js';
import { usableEnergyFigure } from './usable-energy-figure.js';

/** Energy wanted from the battery on a usual day against what it gives within the daily window; null where no such goal is set. */
export function dailyMargin(context: DemandContext, stack: Stack, energy: StackEnergy): Margin | null {
  const { dailyGoal, dailyWh, settings } = context;
  if (dailyGoal === null) return null;
  const deliveredWh = energy.usableDailyWh * stack.dischargeEfficiency;
  const ratio = dailyWh / deliveredWh;
  const ownSolar = dailyGoal === 'own solar';
  return margin({ key: 'daily', label: 'Daily use', ratio, binding: context.dailyBinding }, () => ({
    demand: ownSolar
      ? derived({
          key: 'daily.ownSolar',
          label: 'Evening and night, from own solar',
          value: dailyWh,
          unit: 'Wh',
          formula: 'consumption from 16 to 6, at most {surplus}',
          inputs: {
            surplus: settingFigure(
              'surplusSolarWhPerDay',
              'Surplus solar a day',
              settings.surplusSolarWhPerDay,
              'Wh',
            ),
          },
          assumptions: ['a usual day of the design season, grid present, all loads of the house'],
        })
      : given({
          key: 'daily.peakPrice',
          label: 'Evening consumption, at peak price',
          value: dailyWh,
          unit: 'Wh',
          source: { kind: 'derived' },
          assumptions: [
            'peak price from 16 to 22',
            'a usual day of the design season, grid present, all loads of the house',
          ],
        }),
    limit: derived({
      key: 'daily.delivered',
      label: 'Energy delivered day by day',
      value: deliveredWh,
      unit: 'Wh',
      formula: '{usable} × {efficiency}',
      inputs: {
        usable: usableEnergyFigure(stack, energy, settings, 'daily'),
        efficiency: given({
          key: 'unit.dischargeEfficiency',
          label: 'Discharge efficiency',
          value: stack.dischargeEfficiency,
          unit: 'share',
          source: { kind: 'catalogue', unit: stack.inverter.name },
        }),
      },
    }),
    culprit: ownSolar ? 'Evening and night consumption against surplus solar' : 'Evening consumption',
    cure: 'Add battery energy, or let this goal count instead of decide.',
  }));
}

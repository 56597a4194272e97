import { derived, given } from '../../base/index.js';
import type { Stack } from '../../equipment/index.js';
import type { DailyGoal, DemandContext } from './demand-context.js';
import { settingFigure } from './setting-figures.js';
import { margin, type Margin } from './margin.js';
import type { StackEnergy } from './stack-energy.js';
import { usableEnergyFigure } from './usable-energy-figure.js';

/**
 * Energy wanted from the battery on a usual day against what it gives within the daily window; null where no such goal is set.
 *
 * Own solar: the smaller of evening and night consumption of the whole house and what comes back of the surplus solar.
 * Peak price: consumption of the evening (16–22).
 */
export function dailyMargin(context: DemandContext, stack: Stack, energy: StackEnergy): Margin | null {
  const { dailyGoals, settings, eveningWh, nightWh } = context;
  // What comes back of the surplus is less than what goes in.
  const roundTrip = stack.chargeEfficiency * stack.dischargeEfficiency;
  const wantedWh: Readonly<Record<DailyGoal, number>> = {
    'own solar': Math.min(eveningWh + nightWh, settings.surplusSolarWhPerDay.value * roundTrip),
    'peak price': eveningWh,
  };
  const [goal] = dailyGoals.toSorted((a, b) => wantedWh[b] - wantedWh[a]);
  if (!goal) return null;
  const dailyWh = wantedWh[goal];
  const deliveredWh = energy.usableDailyWh * stack.dischargeEfficiency;
  const ratio = dailyWh / deliveredWh;
  const ownSolar = goal === 'own solar';
  return margin({ key: 'daily', label: 'Daily use', ratio, binding: context.dailyBinding }, () => ({
    demand: ownSolar
      ? derived({
          key: 'daily.ownSolar',
          label: 'Evening and night, from own solar',
          value: dailyWh,
          unit: 'Wh',
          formula: 'consumption from 16 to 6, at most {surplus} × {roundTrip}',
          inputs: {
            surplus: settingFigure(
              'surplusSolarWhPerDay',
              'Surplus solar a day',
              settings.surplusSolarWhPerDay,
              'Wh',
            ),
            roundTrip: given({
              key: 'unit.roundTrip',
              label: 'Out of the battery for what goes in',
              value: roundTrip,
              unit: 'share',
              source: { kind: 'catalogue', unit: stack.inverter.name },
            }),
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

import { derived, given, quantityText } from '../../base/index.js';
import { dcOfAcW } from '../../electric/index.js';
import type { Stack } from '../../equipment/index.js';
import type { DailyGoal, DemandContext } from './demand-context.js';
import { ratingSource } from './rating-source.js';
import { settingFigure } from './setting-figures.js';
import { margin, type Margin } from './margin.js';
import type { StackEnergy } from './stack-energy.js';
import { usableEnergyFigure } from './usable-energy-figure.js';

/**
 * Energy wanted from the battery on a usual day against what it gives within the daily window; null where no such goal is set.
 *
 * Own solar: the smaller of evening and night consumption of the whole house and what comes back of the surplus solar.
 * Peak price: consumption of the evening (16–22). What the inverters lose is that at the mean power of those hours.
 */
export function dailyMargin(context: DemandContext, stack: Stack, energy: StackEnergy): Margin | null {
  const { dailyGoals, settings, eveningWh, nightWh } = context;
  const hoursOf: Readonly<Record<DailyGoal, number>> = { 'own solar': 14, 'peak price': 6 };
  const consumedWh: Readonly<Record<DailyGoal, number>> = {
    'own solar': eveningWh + nightWh,
    'peak price': eveningWh,
  };
  const meanW = (goal: DailyGoal): number => consumedWh[goal] / hoursOf[goal];
  const efficiencyOf = (goal: DailyGoal): number =>
    meanW(goal) === 0
      ? stack.dischargeEfficiency
      : meanW(goal) / dcOfAcW(meanW(goal), stack.losses.lossPerW, stack.losses.lossPerW2);
  // What comes back of the surplus is less than what goes in.
  const roundTrip = stack.chargeEfficiency * efficiencyOf('own solar');
  const wantedWh: Readonly<Record<DailyGoal, number>> = {
    'own solar': Math.min(consumedWh['own solar'], settings.surplusSolarWhPerDay.value * roundTrip),
    'peak price': consumedWh['peak price'],
  };
  const [goal] = dailyGoals.toSorted((a, b) => wantedWh[b] - wantedWh[a]);
  if (!goal) return null;
  const dailyWh = wantedWh[goal];
  const efficiencyThen = efficiencyOf(goal);
  const deliveredWh = energy.usableDailyWh * efficiencyThen;
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
              source: ratingSource(stack, 'efficiency'),
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
          label: `Discharge efficiency at ${quantityText(meanW(goal), 'W')}`,
          value: efficiencyThen,
          unit: 'share',
          source: ratingSource(stack, 'efficiency'),
        }),
      },
    }),
    culprit: ownSolar ? 'Evening and night consumption against surplus solar' : 'Evening consumption',
    cure: 'Add battery energy, or let this goal count instead of decide.',
  }));
}

import { derived, given, quantityText } from '../../base/index.js';
import { type Runtime, worstWindow } from '../../electric/index.js';
import type { Stack } from '../../equipment/index.js';
import { dailyEnergyWh } from '../../house/index.js';
import type { DemandContext } from './demand-context.js';
import { margin, type Margin } from './margin.js';
import { ratingSource } from './rating-source.js';
import { requiredRuntimeFigure } from './setting-figures.js';
import { stackRuntime, type StackEnergy } from './stack-energy.js';
import { usableEnergyFigure } from './usable-energy-figure.js';

const clock = (hour: number): string => {
  const minutes = Math.round(hour * 60) % 1440;
  return `${String(Math.floor(minutes / 60)).padStart(2, '0')}:${String(minutes % 60).padStart(2, '0')}`;
};

/** Required runtime against the shortest runtime of the stack, whenever the outage starts. No sun is counted. */
export function runtimeMargin(context: DemandContext, stack: Stack, energy: StackEnergy): Margin {
  const runtime = stackRuntime(stack, energy, context.stages);
  return margin(
    {
      key: 'runtime',
      label: 'Runtime',
      ratio: context.settings.requiredRuntimeH.value / runtime.runtimeH,
      binding: context.plan.brief.goals.outage === 'decides',
      rough: true,
    },
    () => runtimeWorking(context, stack, energy, runtime),
  );
}

const runtimeWorking = (
  { settings, stages, hourlyWh, members }: DemandContext,
  stack: Stack,
  energy: StackEnergy,
  { runtimeH, startHour }: Runtime,
) => {
  const demand = requiredRuntimeFigure(settings);
  const endless = !Number.isFinite(runtimeH);
  const leadAcid = stack.chemistry === 'lead-acid';
  const staged = stages.length > 1;
  const drawnW = (energy.usableWh * stack.dischargeEfficiency) / runtimeH - stack.standbyW;
  const meanLoadW = endless
    ? 0
    : staged && !leadAcid
      ? drawnW
      : worstWindow(hourlyWh, runtimeH).energyWh / runtimeH;
  const usable = usableEnergyFigure(stack, energy, settings, 'outage');
  const efficiency = given({
    key: 'unit.dischargeEfficiency',
    label: 'Discharge efficiency',
    value: stack.dischargeEfficiency,
    unit: 'share',
    source: ratingSource(stack, 'efficiency'),
  });
  const standby = given({
    key: 'stack.standby',
    label: 'Stand-by draw',
    value: stack.standbyW,
    unit: 'W',
    source: ratingSource(stack, 'stand-by'),
  });
  const meanLoad = derived({
    key: 'energy.meanLoad',
    label: 'Mean load over those hours',
    value: meanLoadW,
    unit: 'W',
    formula: `worst stretch of the day, starting at ${clock(startHour)}, of {day} a day${staged ? ', less what is shed on the way' : ''}`,
    inputs: {
      day: given({
        key: 'energy.backupSetDay',
        label: 'Energy of the backup set a day',
        value: hourlyWh.reduce((sum, wh) => sum + wh, 0),
        unit: 'Wh',
        source: { kind: 'derived' },
        levers: ['taking a load out of the backup set', 'shorter hours of use'],
      }),
    },
  });
  const linearH = (energy.usableWh * stack.dischargeEfficiency) / (meanLoadW + stack.standbyW);
  const rate = given({
    key: 'battery.rateFactor',
    label: 'Capacity left at this rate (Peukert)',
    value: endless ? 1 : runtimeH / linearH,
    unit: 'share',
    source: { kind: 'published', reference: "Peukert's law, t = H · (C / (I · H))^k" },
  });
  const limit = derived({
    key: 'energy.runtime',
    label: 'Runtime',
    value: runtimeH,
    unit: 'h',
    formula: `{usable} ×${leadAcid ? ' {rate} ×' : ''} {efficiency} ÷ ({meanLoad} + {standby})`,
    inputs: { usable, efficiency, meanLoad, standby, ...(leadAcid ? { rate } : {}) },
    assumptions: [
      'the battery is full when the outage starts',
      `the outage starts at the worst hour of the day, ${clock(startHour)}`,
      'no sun and no generator are counted',
      ...stages
        .slice(1)
        .map(({ fromShare }) => `circuits are shed below ${quantityText(fromShare, 'share')} of the charge`),
    ],
    levers: usable.levers,
  });
  const season = settings.designSeason.value;
  // What is shed on the way is not what ends it.
  const largest = members
    .filter(({ lane, shed }) => lane === 'on' && shed === null)
    .map(({ load }) => ({ load, energyWh: dailyEnergyWh(load, season) }))
    .toSorted((a, b) => b.energyWh - a.energyWh)[0];
  return {
    demand,
    limit,
    culprit: largest ? `${largest.load.name} takes most: ${quantityText(largest.energyWh, 'Wh')} a day` : '',
    cure: 'Add battery energy, or take a load with many kilowatt-hours a day out of the backup set.',
  };
};

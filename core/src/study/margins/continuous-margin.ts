import { runningDemandFigure } from '../demand/power-figures.js';
import { derived, type Figure, given, quantityText } from '../../base/index.js';
import { runningLimitVA, type Stack } from '../../equipment/index.js';
import { runningPowerVA } from '../../house/index.js';
import type { DemandContext } from './demand-context.js';
import { margin, type Margin } from './margin.js';

const continuousFigure = (stack: Stack): Figure => {
  const inverter = given({
    key: 'stack.continuous',
    label: 'Continuous rating of the inverter',
    value: stack.continuousVA,
    unit: 'VA',
    source: { kind: 'catalogue', unit: `${stack.inverterQuantity} × ${stack.inverter.name}` },
    levers: ['another inverter in parallel; an expansion pack adds hours, never watts'],
  });
  if (stack.batteryPowerW >= stack.continuousVA) return inverter;
  return derived({
    key: 'stack.continuousLimit',
    label: 'Continuous limit of the stack',
    value: stack.batteryPowerW,
    unit: 'VA',
    formula: 'the smaller of {inverter} and {battery}',
    inputs: {
      inverter,
      battery: given({
        key: 'stack.batteryPower',
        label: 'Power the batteries can feed',
        value: stack.batteryPowerW,
        unit: 'W',
        source: { kind: 'catalogue', unit: stack.name },
        levers: ['another battery module'],
      }),
    },
  });
};

/** Running demand of the backup set against the continuous limit of inverter and battery. */
export function continuousMargin(context: DemandContext, stack: Stack): Margin {
  const { power, powerSet, settings } = context;
  const demandVA = power.coincident.powerVA;
  const limitVA = runningLimitVA(stack);
  return margin(
    { key: 'continuous', label: 'Continuous power', ratio: demandVA / limitVA, binding: true },
    () => {
      const largest = powerSet
        .map((load) => ({ load, powerVA: load.quantity * runningPowerVA(load) }))
        .toSorted((a, b) => b.powerVA - a.powerVA)[0];
      return {
        demand: runningDemandFigure(power, powerSet, settings),
        limit: continuousFigure(stack),
        culprit: largest ? `${largest.load.name} runs at ${quantityText(largest.powerVA, 'VA')}` : '',
        cure: 'Add an inverter, or take a large load out of the backup set.',
      };
    },
  );
}

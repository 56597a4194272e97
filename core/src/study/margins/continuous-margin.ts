import { batteryDemandFigure, runningDemandFigure } from '../demand/power-figures.js';
import { type Figure, given, quantityText } from '../../base/index.js';
import type { Stack } from '../../equipment/index.js';
import { runningPowerVA } from '../../house/index.js';
import type { DemandContext } from './demand-context.js';
import { margin, type Margin } from './margin.js';

const inverterFigure = (stack: Stack): Figure =>
  given({
    key: 'stack.continuous',
    label: 'Continuous rating of the inverter',
    value: stack.continuousVA,
    unit: 'VA',
    source: { kind: 'catalogue', unit: `${stack.inverterQuantity} × ${stack.inverter.name}` },
    levers: ['another inverter in parallel; an expansion pack adds hours, never watts'],
  });

const batteryFigure = (stack: Stack): Figure =>
  given({
    key: 'stack.batteryPower',
    label: 'Power the batteries can feed',
    value: stack.batteryPowerW,
    unit: 'W',
    source: { kind: 'catalogue', unit: stack.name },
    levers: ['another battery module'],
  });

/**
 * Running demand of the backup set against the continuous limits of the stack, whichever is nearer: volt-amperes against those of
 * its inverters, watts against those of its batteries.
 */
export function continuousMargin(context: DemandContext, stack: Stack): Margin {
  const { power, powerSet, settings } = context;
  const ofInverter = power.coincident.powerVA / stack.continuousVA;
  const ofBattery = power.battery.powerW / stack.batteryPowerW;
  const battery = ofBattery > ofInverter;
  return margin(
    {
      key: 'continuous',
      label: 'Continuous power',
      ratio: Math.max(ofInverter, ofBattery),
      binding: true,
    },
    () => {
      const [largest] = powerSet
        .map(({ name, quantity, ...load }) => ({
          name,
          power: quantity * (battery ? load.runningPowerW : runningPowerVA(load)),
        }))
        .toSorted((a, b) => b.power - a.power);
      return {
        demand: battery
          ? batteryDemandFigure(power, powerSet, settings)
          : runningDemandFigure(power, powerSet, settings),
        limit: battery ? batteryFigure(stack) : inverterFigure(stack),
        culprit: largest
          ? `${largest.name} runs at ${quantityText(largest.power, battery ? 'W' : 'VA')}`
          : '',
        cure: battery
          ? 'Add a battery module, which gives power too, or take a large load out of the backup set.'
          : 'Add an inverter, or take a large load out of the backup set.',
      };
    },
  );
}

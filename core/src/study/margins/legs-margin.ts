import { derived, given, quantityText } from '../../base/index.js';
import { legShare, systemFacts } from '../../electric/index.js';
import type { Stack } from '../../equipment/index.js';
import { runningPowerVA } from '../../house/index.js';
import type { DemandContext } from './demand-context.js';
import { margin, type Margin } from './margin.js';

/**
 * The busiest leg against what one leg carries, and the neutral against its rating; null for a supply of one leg.
 *
 * The neutral is taken at its worst ({@link worstNeutralVA}): one leg alone, or several whose loads lag differently.
 */
export function legsMargin(context: DemandContext, stack: Stack): Margin | null {
  const { plan, power, powerSet } = context;
  const { system } = plan.supply;
  const { legs, legVoltageV } = systemFacts[system];
  if (legs.length === 1) return null;
  const worst = power.byLeg.reduce((a, b) => (b.powerVA > a.powerVA ? b : a));
  const { neutral } = power;
  const isAlone = neutral.powerVA <= neutral.aloneVA * (1 + 1e-9);
  const neutralA = neutral.powerVA / legVoltageV;
  const legRatio = worst.powerVA / stack.perLegVA;
  const neutralRatio = stack.neutralA === null ? 0 : neutralA / stack.neutralA;
  const base = { key: 'legs', label: 'Leg split', binding: true } as const;
  if (neutralRatio > legRatio) {
    return margin({ ...base, ratio: neutralRatio }, () => ({
      demand: derived({
        key: 'legs.neutral',
        label: 'Neutral current at its worst',
        value: neutralA,
        unit: 'A',
        formula: '{load} ÷ {voltage}',
        inputs: {
          load: given({
            key: 'legs.lineNeutral',
            label: isAlone ? `Line-to-neutral loads on ${neutral.leg}` : 'Line-to-neutral loads, as phasors',
            value: neutral.powerVA,
            unit: 'VA',
            source: { kind: 'derived' },
          }),
          voltage: given({
            key: 'supply.legVoltage',
            label: 'Leg voltage',
            value: legVoltageV,
            unit: 'V',
            source: { kind: 'published', reference: 'Nominal voltage, ANSI C84.1 and IEC 60038' },
          }),
        },
        assumptions: [
          isAlone ? 'the other legs are idle' : 'loads on different legs run whose currents lag differently',
        ],
        levers: ['moving loads to another leg'],
      }),
      limit: given({
        key: 'stack.neutral',
        label: 'Neutral rating of the stack',
        value: stack.neutralA!,
        unit: 'A',
        source: { kind: 'catalogue', unit: stack.inverter.name },
      }),
      culprit: isAlone
        ? `${neutral.leg} returns through the neutral alone when the other legs are idle`
        : `${neutral.leg} and another leg return through the neutral together: their loads lag differently`,
      cure: `Move loads off ${neutral.leg}, or add an inverter.`,
    }));
  }
  return margin({ ...base, ratio: legRatio }, () => {
    const largest = powerSet
      .map((load) => ({
        load,
        powerVA: load.quantity * runningPowerVA(load) * legShare(system, load.legs, worst.leg),
      }))
      .toSorted((a, b) => b.powerVA - a.powerVA)[0];
    return {
      demand: derived({
        key: 'legs.worst',
        label: `Running demand on ${worst.leg}`,
        value: worst.powerVA,
        unit: 'VA',
        formula: `${worst.leg} of {legs}`,
        inputs: {
          legs: given({
            key: 'legs.sum',
            label: power.byLeg.map(({ leg, powerVA }) => `${leg} ${quantityText(powerVA, 'VA')}`).join(', '),
            value: power.byLeg.reduce((sum, { powerVA }) => sum + powerVA, 0),
            unit: 'VA',
            source: { kind: 'derived' },
          }),
        },
        assumptions: ['on the same basis as the running demand of the whole set'],
        levers: [`moving a load off ${worst.leg}`],
      }),
      limit: given({
        key: 'stack.perLeg',
        label: 'Rating of one leg',
        value: stack.perLegVA,
        unit: 'VA',
        source: { kind: 'catalogue', unit: stack.name },
      }),
      culprit: largest
        ? `${largest.load.name} puts ${quantityText(largest.powerVA, 'VA')} on ${worst.leg}`
        : '',
      cure: `Move a load off ${worst.leg}, or add an inverter.`,
    };
  });
}

import type { StartCase } from '../../demand/power-demand.js';
import { derived, given, type Figure } from '../../figure/figure.js';
import { overloadLimitVA } from '../../inverter/overload-limit.js';
import { basisSource } from '../../load/basis-source.js';
import { quantityText } from '../../unit/format-quantity.js';
import type { DemandContext } from '../demand-context.js';
import { margin, type Margin } from '../margin.js';
import type { Stack } from '../stack.js';

interface Check {
  readonly ratio: number;
  readonly demand: () => Figure;
  readonly limit: () => Figure;
  readonly culprit: () => string;
}

const startFigure = (start: StartCase): Figure =>
  given({
    key: `start.${start.load.id}`,
    label: `Start of ${start.load.name}`,
    value: start.startVA,
    unit: 'VA',
    source: basisSource(start.load.basis),
    levers: ['a soft starter', 'a motor of a lower code letter'],
  });

const durationFigure = (start: StartCase): Figure =>
  given({
    key: `start.duration.${start.load.id}`,
    label: 'Duration of the start',
    value: start.durationS,
    unit: 's',
    source: basisSource(start.load.basis),
  });

const overloadFigure = (stack: Stack, start: StartCase, label: string, valueVA: number): Figure =>
  derived({
    key: 'stack.overload',
    label,
    value: valueVA,
    unit: 'VA',
    formula: 'overload curve of {continuous}, held for {duration}',
    inputs: {
      continuous: given({
        key: 'stack.continuous',
        label: 'Continuous rating',
        value: stack.continuousVA,
        unit: 'VA',
        source: { kind: 'catalogue', unit: stack.inverter.name },
      }),
      duration: durationFigure(start),
    },
    assumptions: stack.overload.map(
      ({ apparentPowerVA, durationS }) =>
        `${quantityText(apparentPowerVA, 'VA')} for ${quantityText(durationS, 's')}`,
    ),
    levers: ['another inverter in parallel', 'a shorter start'],
  });

const checksFor = (stack: Stack, start: StartCase): Check[] => {
  const allowedVA = overloadLimitVA(stack.continuousVA, stack.overload, start.durationS);
  const allowedLegVA = (allowedVA * stack.perLegVA) / stack.continuousVA;
  const besideLabel = 'Running beside it';
  const checks: Check[] = [
    {
      ratio: start.totalVA / allowedVA,
      culprit: () =>
        `${start.load.name} starts with ${quantityText(start.startVA, 'VA')} on top of ${quantityText(start.besideVA, 'VA')}`,
      demand: () =>
        derived({
          key: 'start.total',
          label: 'Largest start on top of what runs',
          value: start.totalVA,
          unit: 'VA',
          formula: '{start} + {beside}',
          inputs: {
            start: startFigure(start),
            beside: given({
              key: 'start.beside',
              label: besideLabel,
              value: start.besideVA,
              unit: 'VA',
              source: { kind: 'derived' },
            }),
          },
          assumptions: ['volt-amperes are added arithmetically, which is on the safe side'],
          levers: ['a soft starter', 'fewer loads beside it'],
        }),
      limit: () => overloadFigure(stack, start, 'Overload allowed for that long', allowedVA),
    },
    {
      ratio: start.legVA / allowedLegVA,
      culprit: () =>
        `${start.load.name} starts on ${start.leg}, which then carries ${quantityText(start.legVA, 'VA')}`,
      demand: () =>
        derived({
          key: 'start.leg',
          label: `${start.leg} while ${start.load.name} starts`,
          value: start.legVA,
          unit: 'VA',
          formula: '{start} on this leg + {beside}',
          inputs: {
            start: derived({
              key: `start.onLeg.${start.load.id}`,
              label: `Start of ${start.load.name}, share on ${start.leg}`,
              value: start.legVA - start.besideLegVA,
              unit: 'VA',
              formula: `part of {all} on ${start.leg}`,
              inputs: { all: startFigure(start) },
            }),
            beside: given({
              key: 'start.besideLeg',
              label: `Running beside it on ${start.leg}`,
              value: start.besideLegVA,
              unit: 'VA',
              source: { kind: 'derived' },
            }),
          },
          levers: ['a soft starter', 'moving loads to another leg'],
        }),
      limit: () => overloadFigure(stack, start, 'Overload allowed on one leg', allowedLegVA),
    },
  ];
  if (stack.lockedRotorA !== null && start.acrossTheLine) {
    checks.push({
      ratio: start.startA / stack.lockedRotorA,
      culprit: () => `${start.load.name} draws ${quantityText(start.startA, 'A')} with its rotor locked`,
      demand: () =>
        given({
          key: 'start.lockedRotor',
          label: `Locked-rotor current of ${start.load.name}`,
          value: start.startA,
          unit: 'A',
          source: basisSource(start.load.basis),
          levers: ['a soft starter'],
        }),
      limit: () =>
        given({
          key: 'stack.lockedRotor',
          label: 'Largest locked-rotor current the stack starts',
          value: stack.lockedRotorA!,
          unit: 'A',
          source: { kind: 'catalogue', unit: stack.inverter.name },
          levers: ['another inverter in parallel'],
        }),
    });
  }
  return checks;
};

/** The worst start of the backup set against overload curve, leg and locked-rotor limit of the stack. */
export function startingMargin(context: DemandContext, stack: Stack): Margin {
  const worst = context.power.starts
    .flatMap((start) => checksFor(stack, start))
    .reduce<Check | null>((best, check) => (best && best.ratio >= check.ratio ? best : check), null);
  return margin({ key: 'starting', label: 'Starting', ratio: worst?.ratio ?? 0, binding: true }, () =>
    worst
      ? {
          demand: worst.demand(),
          limit: worst.limit(),
          culprit: worst.culprit(),
          cure: 'Fit a soft starter, keep other loads off while it starts, or add an inverter.',
        }
      : {
          demand: given({
            key: 'start.none',
            label: 'Largest start',
            value: 0,
            unit: 'VA',
            source: { kind: 'derived' },
            assumptions: ['no load of the backup set starts with a surge'],
          }),
          limit: given({
            key: 'stack.overloadShortest',
            label: 'Shortest overload',
            value: stack.overload.at(-1)?.apparentPowerVA ?? stack.continuousVA,
            unit: 'VA',
            source: { kind: 'catalogue', unit: stack.inverter.name },
          }),
          culprit: 'No motor in the backup set',
          cure: '',
        },
  );
}

import { derived, type Figure, given, quantityText } from '../../base/index.js';
import {
  type DecisiveMoment,
  legCurve,
  type PowerCurve,
  type Stack,
  startRatio,
  startShare,
  wholeCurve,
} from '../../equipment/index.js';
import { basisSource } from '../../house/index.js';
import type { StartCase } from '../demand/power-demand.js';
import { startLevels } from './start-levels.js';
import type { DemandContext } from './demand-context.js';
import { margin, type Margin } from './margin.js';

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

const overloadFigure = (stack: Stack, start: StartCase, label: string, moment: DecisiveMoment): Figure =>
  derived({
    key: 'stack.overload',
    label,
    value: moment.allowedVA,
    unit: 'VA',
    formula:
      moment.timeS === 0
        ? 'highest overload of {continuous}; the start lasts {duration}'
        : `overload of {continuous} from ${quantityText(moment.timeS, 's')} on; the start lasts {duration}`,
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

/** "On top of what runs", or how long after the start the demand is still that high. */
const whenText = ({ timeS }: DecisiveMoment): string =>
  timeS === 0 ? '' : `, ${quantityText(timeS, 's')} into the start`;

const checksFor = (stack: Stack, start: StartCase): Check[] => {
  const levels = startLevels(start);
  const [ofWhole, ofLeg] = [wholeCurve(stack), legCurve(stack)];
  const whole = startRatio(levels.wholeVA, start.durationS, ofWhole.ratedVA, ofWhole.overload);
  const leg = startRatio(levels.legVA, start.durationS, ofLeg.ratedVA, ofLeg.overload);
  const besideLabel = 'Running beside it';
  const surge = (moment: DecisiveMoment, besideVA: number, on: string): Figure =>
    moment.timeS === 0 && on === ''
      ? startFigure(start)
      : derived({
          key: `start.at.${start.load.id}`,
          label: `Start of ${start.load.name}${on}${whenText(moment)}`,
          value: moment.demandVA - besideVA,
          unit: 'VA',
          formula: on === '' ? 'what is left of {all}' : `part of {all}${on}`,
          inputs: { all: startFigure(start) },
        });
  const checks: Check[] = [
    {
      ratio: whole.ratio,
      culprit: () =>
        `${start.load.name} starts with ${quantityText(start.startVA, 'VA')} on top of ${quantityText(start.besideVA, 'VA')}`,
      demand: () =>
        derived({
          key: 'start.total',
          label: `Largest start on top of what runs${whenText(whole)}`,
          value: whole.demandVA,
          unit: 'VA',
          formula: '{start} + {beside}',
          inputs: {
            start: surge(whole, start.besideVA, ''),
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
      limit: () => overloadFigure(stack, start, 'Overload allowed', whole),
    },
    {
      ratio: leg.ratio,
      culprit: () =>
        `${start.load.name} starts on ${start.leg}, which then carries ${quantityText(start.legVA, 'VA')}`,
      demand: () =>
        derived({
          key: 'start.leg',
          label: `${start.leg} while ${start.load.name} starts${whenText(leg)}`,
          value: leg.demandVA,
          unit: 'VA',
          formula: '{start} + {beside}',
          inputs: {
            start: surge(leg, start.besideLegVA, ` on ${start.leg}`),
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
      limit: () => overloadFigure(stack, start, 'Overload allowed on one leg', leg),
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

/** Demand ÷ allowed of one start: on the whole, on its leg, and by its locked-rotor current. */
function ratioOf({ lockedRotorA }: Stack, ofWhole: PowerCurve, ofLeg: PowerCurve, start: StartCase): number {
  const legSurgeVA = start.legVA - start.besideLegVA;
  const { durationS } = start;
  const whole = startShare(
    start.besideVA,
    start.runsVA,
    start.startVA,
    durationS,
    ofWhole.ratedVA,
    ofWhole.overload,
  );
  const leg = startShare(
    start.besideLegVA,
    start.runsLegVA,
    legSurgeVA,
    durationS,
    ofLeg.ratedVA,
    ofLeg.overload,
  );
  const locked = lockedRotorA !== null && start.acrossTheLine ? start.startA / lockedRotorA : 0;
  return Math.max(whole, leg, locked);
}

/** The worst start of the backup set against overload curve, leg and locked-rotor limit of the stack. */
export function startingMargin(context: DemandContext, stack: Stack): Margin {
  const [ofWhole, ofLeg] = [wholeCurve(stack), legCurve(stack)];
  let worstStart: StartCase | null = null;
  let ratio = 0;
  for (const start of context.power.starts) {
    const of = ratioOf(stack, ofWhole, ofLeg, start);
    if (worstStart === null || of > ratio) {
      worstStart = start;
      ratio = of;
    }
  }
  const found = worstStart;
  return margin({ key: 'starting', label: 'Starting', ratio, binding: true }, () => {
    const worst = found
      ? checksFor(stack, found).reduce((best, check) => (best.ratio >= check.ratio ? best : check))
      : null;
    return worst
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
        };
  });
}

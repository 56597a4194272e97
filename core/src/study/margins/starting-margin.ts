import { derived, type Figure, given, quantityText } from '../../base/index.js';
import type { SupplySystem } from '../../electric/index.js';
import {
  batteryCurve,
  type DecisiveMoment,
  legCurve,
  type PowerCurve,
  type Stack,
  startShare,
  wholeCurve,
} from '../../equipment/index.js';
import { basisSource } from '../../house/index.js';
import type { StartCase } from '../demand/power-demand.js';
import { isLeg, unitOfPart } from '../output/power-part.js';
import { type HeldStart, heldStarts } from './start-parts.js';
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

const limits: Readonly<Record<'whole' | 'leg' | 'battery', string>> = {
  whole: 'Overload allowed',
  leg: 'Overload allowed on one leg',
  battery: 'Peak power of the batteries',
};

const overloadFigure = (stack: Stack, start: StartCase, { part, curve, moment }: HeldStart): Figure => {
  const battery = part === 'battery';
  const unit = unitOfPart(part);
  return derived({
    key: 'stack.overload',
    label: limits[isLeg(part) ? 'leg' : part],
    value: moment.allowedVA,
    unit,
    formula:
      moment.timeS === 0
        ? 'highest overload of {continuous}; the start lasts {duration}'
        : `overload of {continuous} from ${quantityText(moment.timeS, 's')} on; the start lasts {duration}`,
    inputs: {
      continuous: given({
        key: battery ? 'stack.batteryPower' : 'stack.continuous',
        label: battery ? 'Power the batteries can feed' : 'Continuous rating',
        value: battery ? stack.batteryPowerW : stack.continuousVA,
        unit,
        source: { kind: 'catalogue', unit: battery ? stack.name : stack.inverter.name },
      }),
      duration: durationFigure(start),
    },
    assumptions: (battery ? curve : stack).overload.map(
      ({ apparentPowerVA, durationS }) =>
        `${quantityText(apparentPowerVA, unit)} for ${quantityText(durationS, 's')}`,
    ),
    levers: battery
      ? ['another battery module', 'a shorter start']
      : ['another inverter in parallel', 'a shorter start'],
  });
};

/** "On top of what runs", or how long after the start the demand is still that high. */
const whenText = ({ timeS }: DecisiveMoment): string =>
  timeS === 0 ? '' : `, ${quantityText(timeS, 's')} into the start`;

/** What stands in the words of a check, by what it looks at. */
const wordsOf = (start: StartCase, { part, beside, surge }: HeldStart) => {
  const { name } = start.load;
  if (part === 'whole')
    return {
      key: 'start.total',
      label: 'Largest start on top of what runs',
      besideKey: 'start.beside',
      beside: 'Running beside it',
      culprit: `${name} starts with ${quantityText(surge, 'VA')} on top of ${quantityText(beside, 'VA')}`,
      assumption: 'volt-amperes are added arithmetically, which is on the safe side',
      lever: 'fewer loads beside it',
    };
  if (part === 'battery')
    return {
      key: 'start.battery',
      label: 'Largest start, as the batteries feed it',
      besideKey: 'start.besideW',
      beside: 'Running beside it, in watts',
      culprit: `${name} starts with ${quantityText(surge, 'VA')} on top of ${quantityText(beside, 'W')}, which the batteries must feed`,
      assumption: 'how far a starting current lags is not known: all of it is counted as watts',
      lever: 'fewer loads beside it',
    };
  return {
    key: 'start.leg',
    label: `${part} while ${name} starts`,
    besideKey: 'start.besideLeg',
    beside: `Running beside it on ${part}`,
    culprit: `${name} starts on ${part}, which then carries ${quantityText(beside + surge, 'VA')}`,
    assumption: '',
    lever: 'moving loads to another leg',
  };
};

const partCheck = (stack: Stack, start: StartCase, of: HeldStart): Check => {
  const { part, beside, moment } = of;
  const unit = unitOfPart(part);
  const words = wordsOf(start, of);
  const on = isLeg(part) ? ` on ${part}` : '';
  const surge = (): Figure =>
    moment.timeS === 0 && part === 'whole'
      ? startFigure(start)
      : derived({
          key: `start.at.${start.load.id}`,
          label: `Start of ${start.load.name}${on}${whenText(moment)}`,
          value: moment.demandVA - beside,
          unit,
          formula: isLeg(part)
            ? `part of {all}${on}`
            : moment.timeS === 0
              ? '{all}'
              : 'what is left of {all}',
          inputs: { all: startFigure(start) },
        });
  return {
    ratio: moment.ratio,
    culprit: () => words.culprit,
    demand: () =>
      derived({
        key: words.key,
        label: `${words.label}${whenText(moment)}`,
        value: moment.demandVA,
        unit,
        formula: '{start} + {beside}',
        inputs: {
          start: surge(),
          beside: given({
            key: words.besideKey,
            label: words.beside,
            value: beside,
            unit,
            source: { kind: 'derived' },
          }),
        },
        assumptions: words.assumption === '' ? [] : [words.assumption],
        levers: ['a soft starter', words.lever],
      }),
    limit: () => overloadFigure(stack, start, of),
  };
};

const checksFor = (stack: Stack, start: StartCase, system: SupplySystem): Check[] => {
  const checks = heldStarts(start, stack, system).map((of) => partCheck(stack, start, of));
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

/** The curves a start is held against; null where batteries set no limit. */
const curvesOf = (stack: Stack) => ({
  whole: wholeCurve(stack),
  leg: legCurve(stack),
  battery: batteryCurve(stack),
});

/** Locked-rotor current against what the stack starts; 0 where it is not stated or not drawn. */
const lockedRotorShare = ({ lockedRotorA }: Stack, { acrossTheLine, startA }: StartCase): number =>
  lockedRotorA !== null && acrossTheLine ? startA / lockedRotorA : 0;

/** Demand ÷ allowed of one start: of inverters, leg and batteries, and by its locked-rotor current. */
function ratioOf(
  stack: Stack,
  { whole, leg, battery }: ReturnType<typeof curvesOf>,
  start: StartCase,
): number {
  const share = (beside: number, runs: number, surge: number, { ratedVA, overload }: PowerCurve): number =>
    startShare(beside, runs, surge, start.durationS, ratedVA, overload);
  return Math.max(
    share(start.besideVA, start.runsVA, start.startVA, whole),
    share(start.besideLegVA, start.runsLegVA, start.legVA - start.besideLegVA, leg),
    battery ? share(start.besideW, start.runsW, start.startVA, battery) : 0,
    lockedRotorShare(stack, start),
  );
}

/** The worst start of the backup set against overload curve, leg, batteries and locked-rotor limit of the stack. */
export function startingMargin(context: DemandContext, stack: Stack): Margin {
  const curves = curvesOf(stack);
  let worstStart: StartCase | null = null;
  let ratio = 0;
  for (const start of context.power.starts) {
    const of = ratioOf(stack, curves, start);
    if (worstStart === null || of > ratio) {
      worstStart = start;
      ratio = of;
    }
  }
  const found = worstStart;
  const beyondRotor = worstStart !== null && lockedRotorShare(stack, worstStart) > 1;
  // Without an overload rating it is held to what it carries for any time: where that does, it holds.
  const limitNotStated = stack.overload.length === 0 && ratio > 1 && !beyondRotor;
  return margin({ key: 'starting', label: 'Starting', ratio, binding: true, limitNotStated }, () => {
    const worst = found
      ? checksFor(stack, found, context.plan.supply.system).reduce((best, check) =>
          best.ratio >= check.ratio ? best : check,
        )
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

import type { Step } from '../steps/step.js';
import type { Suspect } from './suspects.js';
import type { TrainedStep, TrainingRun } from './training-run.js';

/** What is answered where nothing has to be made safe. */
export const nothingToMakeSafe = 'Nothing: it is noted, and work goes on beside it.';

/** What somebody says in the end. */
export interface TrainingAnswer {
  readonly fault: Suspect;
  /** One of {@link waysToMakeSafe}. */
  readonly makeSafe: string;
}

/** How a training run went. */
export interface TrainingResult {
  readonly fault: Suspect;
  readonly isFaultNamed: boolean;
  readonly isMadeSafe: boolean;
  /** What would have been right. */
  readonly rightMakeSafe: readonly string[];
  /** In words: what was not looked at, or looked at and not seen. */
  readonly overlooked: readonly string[];
  /** In words: where hands went live that need not have. */
  readonly liveNeedlessly: readonly string[];
  /** On the clock of the house, min. */
  readonly houseMin: number;
  readonly stepsDone: number;
}

/** What can be answered to "what is made safe first": that of every step, and nothing. */
export const waysToMakeSafe = (steps: readonly Step[]): string[] => [
  nothingToMakeSafe,
  ...new Set(steps.flatMap(({ makeSafe }) => (makeSafe === '' ? [] : [makeSafe]))),
];

/**
 * Tells how a run went: was the fault named and the right thing made safe; which steps at which it shows were left out; which live work
 * was done before the dead tests were through, twice, or after something was found that had to be made safe first.
 */
export function trainingResult(run: TrainingRun, answer: TrainingAnswer): TrainingResult {
  const needed = run.shows.flatMap(({ step }) => (step.makeSafe === '' ? [] : [step.makeSafe]));
  const rightMakeSafe = needed.length > 0 ? [...new Set(needed)] : [nothingToMakeSafe];
  const isFaultNamed = answer.fault === run.fault;
  return {
    fault: run.fault,
    isFaultNamed,
    isMadeSafe: rightMakeSafe.includes(answer.makeSafe),
    rightMakeSafe,
    overlooked: overlooked(run, isFaultNamed),
    liveNeedlessly: liveNeedlessly(run),
    houseMin: run.minutes,
    stepsDone: run.done.length,
  };
}

function overlooked({ steps, shows, done, fault }: TrainingRun, isFaultNamed: boolean): string[] {
  const did = new Map(done.map((one) => [one.step.id, one]));
  const dead = steps.filter(({ phase }) => phase === 'dead');
  const leftDead = dead.filter(({ id }) => !did.has(id)).length;
  return [
    ...(leftDead > 0
      ? [
          leftDead === dead.length
            ? 'None of the dead tests was done.'
            : `${leftDead} of ${dead.length} dead tests were not done.`,
        ]
      : []),
    ...shows.flatMap(({ step }): string[] => {
      const seen = did.get(step.id);
      if (!seen) return [`It shows at “${step.title}”, which was not done.`];
      return isFaultNamed ? [] : [`It stood at “${step.title}”${likely(seen)}.`];
    }),
    ...(fault === 'none' && !isFaultNamed
      ? ['Every reading was as predicted: a fault was named that nothing shows.']
      : []),
  ];
}

const likely = ({ causes }: TrainedStep): string =>
  causes.length === 0 ? '' : `: ${causes[0]!.charAt(0).toLowerCase()}${causes[0]!.slice(1)}`;

function liveNeedlessly({ steps, done }: TrainingRun): string[] {
  const dead = new Set(steps.flatMap(({ id, phase }) => (phase === 'dead' ? [id] : [])));
  const did = new Map<string, TrainedStep>();
  const found: string[] = [];
  let stopping: TrainedStep | null = null;
  for (const one of done) {
    const { step } = one;
    if (step.care === 'live') {
      const before = did.get(step.id);
      if (dead.size > 0) found.push(`“${step.title}”: live before the dead tests were through.`);
      else if (before?.verdict === 'right') found.push(`“${step.title}”: live twice, though it was right.`);
      else if (stopping && stopping.step.id !== step.id)
        found.push(`“${step.title}”: live, though “${stopping.step.title}” had to be made safe first.`);
    }
    did.set(step.id, one);
    if (one.verdict === 'right') dead.delete(step.id);
    if (one.verdict === 'off' && step.makeSafe !== '') stopping ??= one;
  }
  return found;
}

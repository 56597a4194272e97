import { seededRandom } from '../../base/index.js';
import { simulatedFaultNames, type SimulatedHouse } from '../../simulator/index.js';
import type { OutageHardware } from '../../study/details.js';
import { judgeStep, type StepVerdict } from '../judge/judge-step.js';
import { askHouse } from '../simulated/ask-house.js';
import { commission } from '../simulated/commission.js';
import { stageOutage } from '../simulated/stage-outage.js';
import { usualReading } from '../simulated/usual-reading.js';
import { expectationOf } from '../staged/expectation.js';
import type { Found } from '../staged/found.js';
import type { DesignInHand } from '../steps/design-in-hand.js';
import type { Step } from '../steps/step.js';
import { stepsOf } from '../steps/steps-of.js';
import type { Suspect } from './suspects.js';

/** A house to train on: a design, and it as if it were built. */
export interface TrainingHouse {
  readonly design: DesignInHand;
  readonly islandId: string;
  readonly hardware: OutageHardware;
  /** The same every time. */
  readonly simulate: () => SimulatedHouse;
}

/** A step that was done, in the order in which it was. */
export interface TrainedStep {
  readonly step: Step;
  readonly found: Found;
  readonly verdict: StepVerdict;
  readonly causes: readonly string[];
  /** On the clock of the house since the run began, min. */
  readonly atMin: number;
}

/** A run begins in the forenoon of a day in June, the battery nearly full: everything that may be wrong can show. */
export const trainingStart = { fromMinute: (158 * 24 + 10.5) * 60, charge: 0.93 } as const;

/** How long things take (common practice, no source), min: a reading, a staged outage beside its recording. */
const readingMin = 4;
const outageMin = 240;
/** One house in so many has no fault. */
const healthyOneIn = 8;

/**
 * A simulated house with a fault that the seed decides and nobody is told. Its steps can be done in any order; each takes its time.
 */
export class TrainingRun {
  readonly steps: readonly Step[];
  /** Where the fault shows to whoever does everything. */
  readonly shows: readonly TrainedStep[];
  readonly done: TrainedStep[] = [];
  /** What is wrong; whoever trains is not told before he has named it. */
  readonly fault: Suspect;
  private readonly house: SimulatedHouse;
  private told: ReadonlyMap<string, Found> | null = null;
  private passedMin = 0;

  constructor(
    private readonly of: TrainingHouse,
    readonly seed: number,
  ) {
    const { design, simulate } = of;
    this.steps = stepsOf(design, { added: [] });
    const { fault, shows } = hiddenFault(of, seed);
    this.fault = fault;
    this.shows = shows;
    this.house = simulate();
    if (fault !== 'none') this.house.inject(fault, true);
  }

  /** On the clock of the house since it began, min. */
  get minutes(): number {
    return this.passedMin;
  }

  get hasStaged(): boolean {
    return this.told !== null;
  }

  /** Does a step ask for a staged outage first? */
  waitsForOutage({ phase, probe }: Step): boolean {
    const asksIt = probe !== null && (phase === 'island' || phase === 'back' || probe.show === 'outage');
    return asksIt && this.told === null;
  }

  /** Stages the outage; what it tells is read at its steps. */
  stage(): void {
    if (this.told !== null) return;
    const { design, hardware, islandId } = this.of;
    const expects = expectationOf(design, islandId, hardware)!;
    this.told = stageOutage(design, this.steps, this.house, expects, islandId);
    this.passedMin += outageMin;
  }

  /** Does a step: what was found there; null where the outage it asks for was not staged. */
  measure(stepId: string): TrainedStep | null {
    const step = this.steps.find(({ id }) => id === stepId);
    if (!step || this.waitsForOutage(step)) return null;
    this.passedMin += readingMin;
    const found = this.told?.get(stepId) ?? askHouse(step, this.house) ?? byHand(step);
    const done = { step, found, ...judgeStep(step, found), atMin: this.passedMin };
    this.done.push(done);
    return done;
  }
}

/** What somebody at the place finds where devices cannot tell: there everything is in order. */
const byHand = ({ asks }: Step): Found => ({
  reading: asks.kind === 'measure' ? usualReading(asks) : null,
  isSo: asks.kind === 'so' ? true : null,
  says: '',
});

/** The fault a seed decides on, of those that show in this house. */
function hiddenFault(
  { design, islandId, hardware, simulate }: TrainingHouse,
  seed: number,
): { readonly fault: Suspect; readonly shows: readonly TrainedStep[] } {
  const random = seededRandom(seed);
  if (random() * healthyOneIn < 1) return { fault: 'none', shows: [] };
  const order = simulatedFaultNames
    .map((fault) => ({ fault, place: random() }))
    .toSorted((a, b) => a.place - b.place);
  for (const { fault } of order) {
    const house = simulate();
    house.inject(fault, true);
    const shows = commission(design, house, hardware, islandId).filter(({ verdict }) => verdict === 'off');
    if (shows.length > 0) return { fault, shows: shows.map((one) => ({ ...one, atMin: 0 })) };
  }
  return { fault: 'none', shows: [] };
}

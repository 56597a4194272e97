import type { DesignInHand, Step } from '@levamen/core/commissioning';
import type { TrainedStep, TrainingAnswer, TrainingResult } from '@levamen/core/commissioning/details';
import type { Catalogue } from '@levamen/core/equipment';
import type { OutageStudy } from '@levamen/core/study/details';

/** A step as it stands in a run. */
export interface TrainingStep {
  readonly step: Step;
  /** It asks for a staged outage, and there was none yet. */
  readonly waits: boolean;
}

/** What is answered after everything that is done. */
export interface TrainingStand {
  readonly steps: readonly TrainingStep[];
  /** On the clock of the house, min. */
  readonly minutes: number;
  readonly hasStaged: boolean;
}

/** A simulated house with a hidden fault, in a worker: one at a time. */
export interface TrainingApi {
  /** null where the design cannot be played. */
  begin(
    design: DesignInHand,
    study: OutageStudy,
    catalogue: Catalogue,
    seed: number,
  ): Promise<(TrainingStand & { readonly ways: readonly string[] }) | null>;
  stage(): Promise<TrainingStand | null>;
  measure(
    stepId: string,
  ): Promise<{ readonly done: TrainedStep | null; readonly stand: TrainingStand } | null>;
  finish(answer: TrainingAnswer): Promise<TrainingResult | null>;
}

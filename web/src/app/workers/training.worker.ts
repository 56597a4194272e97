import {
  designedBattery,
  type TrainingHouse,
  trainingResult,
  TrainingRun,
  trainingStart,
  waysToMakeSafe,
} from '@levamen/core/commissioning/details';
import { simulatorOf } from '@levamen/core/simulator';
import { expose } from 'comlink';
import type { TrainingApi, TrainingStand } from './training-api';

let run: TrainingRun | null = null;

const standOf = (of: TrainingRun): TrainingStand => ({
  steps: of.steps.map((step) => ({ step, waits: of.waitsForOutage(step) })),
  minutes: of.minutes,
  hasStaged: of.hasStaged,
});

const api: TrainingApi = {
  begin: async (design, study, catalogue, seed) => {
    const { islandId } = study;
    const at = design.islands.find(({ island }) => island.id === islandId);
    const simulate = simulatorOf(study, catalogue, seed);
    if (!at?.stack || !simulate) return null;
    const house: TrainingHouse = {
      design,
      islandId,
      hardware: designedBattery(design.plan, at.island, at.stack),
      simulate: () => simulate(trainingStart),
    };
    run = new TrainingRun(house, seed);
    return { ...standOf(run), ways: waysToMakeSafe(run.steps) };
  },
  stage: async () => {
    run?.stage();
    return run && standOf(run);
  },
  measure: async (stepId) => {
    if (!run) return null;
    const done = run.measure(stepId);
    return { done, stand: standOf(run) };
  },
  finish: async (answer) => run && trainingResult(run, answer),
};
expose(api);

import * as z from 'zod';
import { countSchema, lineSchema, nameSchema } from '../base/index.js';
import { suspects, type Suspect } from '../commissioning/index.js';

const suspectNames = Object.keys(suspects) as [Suspect, ...Suspect[]];
const suspect = () => z.enum(suspectNames, { error: 'Name one of the faults' });
/** What is told of a run: so many lines of such a length at most. */
export const trainingLines = { most: 400, longest: 400 } as const;
const lines = () =>
  z.array(lineSchema(trainingLines.longest)).max(trainingLines.most, `At most ${trainingLines.most} lines`);

/** How a training run went, as whoever trained sends it. */
export const newTrainingRunSchema = z.strictObject({
  /** The house it was on. */
  house: nameSchema(120),
  seed: countSchema(0, 2 ** 31 - 1),
  fault: suspect(),
  named: suspect(),
  isMadeSafe: z.boolean(),
  overlooked: lines(),
  liveNeedlessly: lines(),
  /** On the clock of the house, min, and on that of whoever trained, s. */
  houseMin: countSchema(0, 100_000),
  tookS: countSchema(0, 1_000_000),
  stepsDone: countSchema(0, 5000),
});
export type NewTrainingRun = z.infer<typeof newTrainingRunSchema>;

export const trainingRunSchema = newTrainingRunSchema.extend({
  id: z.uuid(),
  at: z.iso.datetime(),
  /** Whoever trained, by name; '' = nobody had to sign in, or he was erased. */
  actor: z.string(),
  isMine: z.boolean(),
});
export type KeptTrainingRun = z.infer<typeof trainingRunSchema>;
/** The last ones, newest first. */
export const trainingRunsSchema = z.array(trainingRunSchema);
/** So many are told at most. */
export const mostTrainingRuns = 200;

import { newTrainingRunSchema, trainingRunSchema, trainingRunsSchema } from '@levamen/core/api';

/** Shapes of what is said about training. */
export const trainingSchemas = {
  NewTrainingRun: newTrainingRunSchema,
  TrainingRun: trainingRunSchema,
  TrainingRuns: trainingRunsSchema,
} as const;

interface Writers {
  readonly answer: (description: string, name?: keyof typeof trainingSchemas) => object;
  readonly problem: (description: string) => object;
  readonly body: (name: keyof typeof trainingSchemas) => object;
}

/** Addresses of how people did on simulated houses. */
export const trainingPaths = ({ answer, problem, body }: Writers): Record<string, object> => ({
  '/api/training-runs': {
    get: {
      summary: 'How one did on simulated houses; an owner sees everybody',
      responses: { 200: answer('The last ones, newest first', 'TrainingRuns') },
    },
    post: {
      summary: 'Keeps how a training run went',
      requestBody: body('NewTrainingRun'),
      responses: { 201: answer('Kept', 'TrainingRun'), 400: problem('Not the result of a training run') },
    },
  },
});

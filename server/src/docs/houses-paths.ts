import {
  housesDueSchema,
  housesRunAnswersSchema,
  housesRunListSchema,
  housesRunSchema,
} from '@levamen/core/api';
import { housesQuestionSchema } from '@levamen/core/logbook';

/** Shapes of what is asked of all houses. */
export const housesSchemas = {
  HousesQuestion: housesQuestionSchema,
  HousesRun: housesRunSchema,
  HousesRunList: housesRunListSchema,
  HousesRunAnswers: housesRunAnswersSchema,
  HousesDue: housesDueSchema,
} as const;

interface Writers {
  readonly answer: (description: string, name?: keyof typeof housesSchemas) => object;
  readonly problem: (description: string) => object;
  readonly body: (name: keyof typeof housesSchemas) => object;
}

/** Addresses of what is asked of all houses of a company. */
export const housesPaths = ({ answer, problem, body }: Writers): Record<string, object> => {
  const run = {
    name: 'id',
    in: 'path',
    required: true,
    schema: { type: 'string', format: 'uuid' },
  };
  return {
    '/api/houses/due': {
      get: {
        summary: 'What is due at all houses until a day, the earliest first',
        parameters: [
          { name: 'until', in: 'query', required: true, schema: { type: 'string', format: 'date' } },
        ],
        responses: {
          200: answer('Dates that come back, warranties, what is left to do', 'HousesDue'),
          400: problem('No day'),
        },
      },
    },
    '/api/houses/runs': {
      get: {
        summary: 'Questions that all houses were asked',
        responses: { 200: answer('The last ones, newest first', 'HousesRunList') },
      },
      post: {
        summary: 'Asks all houses how they would go through an outage',
        requestBody: body('HousesQuestion'),
        responses: {
          201: answer('Asked; they answer one after the other', 'HousesRun'),
          400: problem('No such question'),
          422: problem('No house is so far'),
        },
      },
    },
    '/api/houses/runs/{id}': {
      parameters: [run],
      get: {
        summary: 'A question with the answers there are',
        responses: {
          200: answer('The question and its answers', 'HousesRunAnswers'),
          404: problem('No such'),
        },
      },
    },
    '/api/houses/runs/{id}/cancel': {
      parameters: [run],
      post: {
        summary: 'Calls a question off',
        responses: { 204: answer('Called off'), 404: problem('None that goes on') },
      },
    },
  };
};

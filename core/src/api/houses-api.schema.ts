import * as z from 'zod';
import { courseStateNames } from '../house/index.js';
import { causes } from '../study/index.js';
import { dueKinds, housesQuestionSchema } from '../logbook/index.js';

const hours = z.number().min(0);
const share = z.number().min(0).max(1);

/** How one island of a house would go through an outage, over the years it is reckoned with. */
const islandAnswerSchema = z.strictObject({
  name: z.string(),
  years: z.int(),
  /** Of them, those in which it stays lit to the end. */
  held: z.int(),
  meanH: hours,
  leastH: hours,
  /** Why it goes dark first, where it does. */
  cause: z.enum(causes),
  lowestCharge: share,
  startCharge: share,
  usableWh: z.number(),
  wantedWhPerDay: z.number(),
  sunWhPerDay: z.number(),
});
export type IslandAnswer = z.infer<typeof islandAnswerSchema>;

/** What a house answers to a question that all are asked. */
export const houseAnswerSchema = z.strictObject({
  revision: z.int(),
  islands: z.array(islandAnswerSchema),
  /** Why it cannot say; '' = it can. */
  problem: z.string(),
});
export type HouseAnswer = z.infer<typeof houseAnswerSchema>;

/** A question that all houses of a company are asked, and how far it is. */
export const housesRunSchema = z.strictObject({
  id: z.uuid(),
  asked: housesQuestionSchema,
  at: z.iso.datetime(),
  houses: z.int(),
  answered: z.int(),
  isCancelled: z.boolean(),
});
export type HousesRun = z.infer<typeof housesRunSchema>;
export const housesRunListSchema = z.array(housesRunSchema);

/** The same with every answer there is, by the names of the jobs. */
export const housesRunAnswersSchema = z.strictObject({
  run: housesRunSchema,
  answers: z.array(
    z.strictObject({ jobId: z.uuid(), name: z.string(), place: z.string(), answer: houseAnswerSchema }),
  ),
});
export type HousesRunAnswers = z.infer<typeof housesRunAnswersSchema>;

/** Something that is due at a house. */
export const housesDueSchema = z.array(
  z.strictObject({
    jobId: z.uuid(),
    name: z.string(),
    place: z.string(),
    state: z.enum(courseStateNames).nullable(),
    kind: z.enum(dueKinds),
    on: z.iso.date(),
    text: z.string(),
  }),
);
export type HousesDue = z.infer<typeof housesDueSchema>;

import * as z from 'zod';
import { idSchema, nameSchema } from '../base/index.js';
import { designSlices, houseSlices, planProblems } from '../design/index.js';

export const jobFormat = 'levamen-job';
export const jobVersion = 22;

export const maxDesigns = 8;

/** One design over the house. */
export const jobDesignSchema = z.strictObject({ id: idSchema, name: nameSchema(80), ...designSlices });
export type JobDesign = z.infer<typeof jobDesignSchema>;

/** The saved form of a job: one document, the same in the database and in a `.levamen.json` file. */
export const jobSchema = z
  .strictObject({
    format: z.literal(jobFormat),
    version: z.literal(jobVersion),
    name: nameSchema(120),
    ...houseSlices,
    designs: z
      .array(jobDesignSchema)
      .min(1, 'A job holds at least one design')
      .max(maxDesigns, `A job holds at most ${maxDesigns} designs`),
    /** The one that is to be built. */
    chosenDesignId: idSchema,
  })
  .superRefine((job, context) => {
    for (const { path, message } of jobProblems(job)) {
      context.addIssue({ code: 'custom', path: [...path], message });
    }
  });
export type Job = z.infer<typeof jobSchema>;

interface JobProblem {
  readonly path: readonly (string | number)[];
  readonly message: string;
}

/** What the shapes of the slices alone cannot say, by its path in the job. */
export function jobProblems({
  designs,
  chosenDesignId,
  ...house
}: Omit<Job, 'format' | 'version' | 'name'>): JobProblem[] {
  const ids = designs.map(({ id }) => id);
  const problems: JobProblem[] = ids.flatMap((id, index) =>
    ids.indexOf(id) === index
      ? []
      : [{ path: ['designs', index, 'id'], message: `Two designs share the identifier "${id}"` }],
  );
  if (!ids.includes(chosenDesignId))
    problems.push({ path: ['chosenDesignId'], message: 'No design has this identifier; name one there is' });
  const ofPlans = designs.flatMap((design, index) =>
    planProblems({ ...house, ...design }).flatMap(({ path, message }): JobProblem[] => {
      const isOfDesign = String(path[0]) in designSlices;
      if (isOfDesign) return [{ path: ['designs', index, ...path], message }];
      return index === 0 ? [{ path, message }] : [];
    }),
  );
  return [...problems, ...ofPlans];
}

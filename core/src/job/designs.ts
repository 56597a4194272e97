import { type Job, type JobDesign, maxDesigns } from './job.schema.js';
import { designOf } from './plan-of.js';

/** A name no design of the job has. */
const freeName = ({ designs }: Job, name: string): string => {
  const taken = new Set(designs.map((design) => design.name));
  for (let number = 2; ; number += 1) {
    const candidate = `${name.replace(/ \(\d+\)$/, '').slice(0, 74)} (${number})`;
    if (!taken.has(candidate)) return candidate;
  }
};

/** The job with a copy of a design behind it; as it was where it holds as many as it may. */
export function copyDesign(job: Job, designId: string, newId: string): Job {
  if (job.designs.length >= maxDesigns) return job;
  const of = designOf(job, designId);
  const copy: JobDesign = { ...of, id: newId, name: freeName(job, of.name) };
  const place = job.designs.indexOf(of) + 1;
  return { ...job, designs: job.designs.toSpliced(place, 0, copy) };
}

export const renameDesign = (job: Job, designId: string, name: string): Job => ({
  ...job,
  designs: job.designs.map((design) => (design.id === designId ? { ...design, name } : design)),
});

/** The design that is to be built. */
export const chooseDesign = (job: Job, designId: string): Job => ({
  ...job,
  chosenDesignId: designOf(job, designId).id,
});

/** The job without a design; the last one stays. Where the chosen one goes, the first is chosen. */
export function removeDesign(job: Job, designId: string): Job {
  const designs = job.designs.filter(({ id }) => id !== designId);
  if (designs.length === 0 || designs.length === job.designs.length) return job;
  const chosenDesignId = job.chosenDesignId === designId ? designs[0]!.id : job.chosenDesignId;
  return { ...job, designs, chosenDesignId };
}

import { usualGenerator } from '../design/index.js';
import { copyDesign, renameDesign } from './designs.js';
import type { Job } from './job.schema.js';
import { changePlan } from './plan-of.js';

/** A demo job with two more designs beside its own: what the search would take, and its units with a generator. */
export function withDemoDesigns(job: Job): Job {
  const own = job.chosenDesignId;
  const searched = changePlan(
    renameDesign(copyDesign(job, own, 'searched'), 'searched', 'What the search takes'),
    (plan) => ({ ...plan, equipment: { ...plan.equipment, stacks: [] } }),
    'searched',
  );
  return changePlan(
    renameDesign(copyDesign(searched, own, 'generator'), 'generator', 'With a generator at an inlet'),
    (plan) => ({ ...plan, sources: { ...plan.sources, generator: usualGenerator('hand') } }),
    'generator',
  );
}

import { type designSlices, type Plan, settlePlan, withExisting } from '../design/index.js';
import { onlyDesignName } from './identity.js';
import type { Job, JobDesign } from './job.schema.js';
import { settleKept } from './settle-kept.js';

/** A design of a job; the chosen one where there is none of that id. */
export const designOf = ({ designs, chosenDesignId }: Job, designId = chosenDesignId): JobDesign =>
  designs.find(({ id }) => id === designId) ?? designs.find(({ id }) => id === chosenDesignId) ?? designs[0]!;

/** A plan taken apart: what a design says of its own, and the house it is over. */
function takenApart({ backup, sources, equipment, dailyUse, wiring, placement, ...house }: Plan) {
  const own: Pick<Plan, keyof typeof designSlices> = {
    backup,
    sources,
    equipment,
    dailyUse,
    wiring,
    placement,
  };
  return { own, house };
}

const plans = new WeakMap<Job, Map<string, Plan>>();

/** The house of a job with one design over it: what studies and checks take. The same job gives the same plan. */
export function planOf(job: Job, designId = job.chosenDesignId): Plan {
  const design = designOf(job, designId);
  const known = plans.get(job) ?? new Map<string, Plan>();
  plans.set(job, known);
  const before = known.get(design.id);
  if (before) return before;
  const {
    format: _format,
    version: _version,
    name: _name,
    designs: _designs,
    chosenDesignId: _chosen,
    ...house
  } = job;
  const { id: _designId, name: _designName, ...own } = design;
  const plan: Plan = { ...house, ...own };
  known.set(design.id, plan);
  return plan;
}

/** The job with what was done on the plan of one of its designs. */
export function withPlan(job: Job, plan: Plan, designId = job.chosenDesignId): Job {
  const { id } = designOf(job, designId);
  if (plan === plans.get(job)?.get(id)) return job;
  const { own, house } = takenApart(plan);
  return {
    ...job,
    ...house,
    designs: job.designs.map((one) =>
      one.id === id ? { ...one, ...own } : { ...one, sources: withExisting(one.sources, own.sources) },
    ),
  };
}

/** The job with the plan of one of its designs changed. */
export const changePlan = (job: Job, change: (plan: Plan) => Plan, designId = job.chosenDesignId): Job =>
  withPlan(job, change(planOf(job, designId)), designId);

/** The job with every design in line with the house, and no item kept that none of them uses. */
export const settleJob = (job: Job): Job =>
  settleKept(job.designs.reduce((settled, { id }) => changePlan(settled, settlePlan, id), job));

/** A job about a house with one design. */
export function jobOf(head: Pick<Job, 'format' | 'version' | 'name'>, plan: Plan): Job {
  const { own, house } = takenApart(plan);
  return {
    ...head,
    ...house,
    designs: [{ id: 'design', name: onlyDesignName, ...own }],
    chosenDesignId: 'design',
  };
}

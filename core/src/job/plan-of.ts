import type { Plan } from '../design/index.js';
import type { Job, JobDesign } from './job.schema.js';

/** The design of a job that is worked on. */
const designOf = ({ designs }: Job): JobDesign => designs[0]!;

const plans = new WeakMap<Job, Plan>();

/** The house of a job with the design over it: what studies and checks take. The same job gives the same plan. */
export function planOf(job: Job): Plan {
  const known = plans.get(job);
  if (known) return known;
  const { format: _format, version: _version, name: _name, designs: _designs, ...house } = job;
  const { backup, sources, equipment } = designOf(job);
  const plan: Plan = { ...house, backup, sources, equipment };
  plans.set(job, plan);
  return plan;
}

/** The job with what was done on its plan. */
export function withPlan(job: Job, plan: Plan): Job {
  if (plan === plans.get(job)) return job;
  const { backup, sources, equipment, ...house } = plan;
  const design = { ...designOf(job), backup, sources, equipment };
  return { ...job, ...house, designs: job.designs.map((one) => (one.id === design.id ? design : one)) };
}

/** The job with its plan changed. */
export const changePlan = (job: Job, change: (plan: Plan) => Plan): Job => withPlan(job, change(planOf(job)));

/** A job about a house with one design. */
export function jobOf(head: Pick<Job, 'format' | 'version' | 'name'>, plan: Plan): Job {
  const { backup, sources, equipment, ...house } = plan;
  return { ...head, ...house, designs: [{ id: 'design', name: 'Design', backup, sources, equipment }] };
}

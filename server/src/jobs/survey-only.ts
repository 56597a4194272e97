import { sameValue } from '@levamen/core/base';
import type { Job } from '@levamen/core/job';
import { HttpProblem } from '../http/problem.js';

/** What a survey brings home: the house as it is, and what is asked about it. */
const surveyed: ReadonlySet<string> = new Set([
  'name',
  'site',
  'parties',
  'supply',
  'survey',
  'lot',
  'usage',
  'loads',
  'photos',
  'openPoints',
]);
/** Of a design: it follows the house, so that a load that is gone is gone from its circuits. */
const follows: ReadonlySet<string> = new Set(['backup', 'wiring', 'placement']);

/**
 * Refuses a save of a surveyor that changes more than a survey: brief, equipment, rules, money, and what a design chooses.
 *
 * @param before null = it is not known any more
 * @throws HttpProblem 403
 */
export function refuseBeyondSurvey(before: Job | null, after: Job): void {
  const changed = before ? changedBeyond(before, after) : ['everything'];
  if (changed.length === 0) return;
  throw new HttpProblem(
    403,
    'Not allowed',
    `A surveyor enters house, panels, loads, readings and photos; this changes ${changed.join(', ')}, too. A designer has to.`,
  );
}

function changedBeyond(before: Job, after: Job): string[] {
  const own = Object.keys(after).filter(
    (key) =>
      key !== 'designs' &&
      !surveyed.has(key) &&
      !sameValue(before[key as keyof Job], after[key as keyof Job]),
  );
  const known = new Map(before.designs.map((design) => [design.id, design]));
  const designs = after.designs.flatMap((design) => {
    const was = known.get(design.id);
    if (!was) return ['designs'];
    return Object.keys(design).filter(
      (key) =>
        !follows.has(key) && !sameValue(was[key as keyof typeof was], design[key as keyof typeof design]),
    );
  });
  const fewer = before.designs.length > after.designs.length ? ['designs'] : [];
  return [...new Set([...own, ...designs, ...fewer])];
}

import { settleJob } from '../plan-of.js';
import { applyDifference } from '../apply-difference.js';
import { diffJobs, type FieldDifference } from '../diff-jobs.js';
import { nameOf, valueAt } from '../identity.js';
import type { Job } from '../job.schema.js';
import { sameValue } from '../../base/index.js';
import { clashesOf } from './clashes.js';
import { withFollowers, withoutLostFollowers } from './followers.js';
import { mergeTrees, type MergeSide } from './merge-trees.js';

/** Something only a person can decide: both changed it, or what both did does not fit together. */
export interface MergeQuestion {
  /** Names the question; the same in every merge of the same documents. */
  readonly key: string;
  readonly label: string;
  /** undefined = not there. */
  readonly mine: unknown;
  readonly theirs: unknown;
  /** Why changes in different places do not fit together; '' = both changed this field. */
  readonly why: string;
}

export interface JobMerge {
  /** Valid whatever has been answered: until it is, a question leaves what the other side has. */
  readonly job: Job;
  readonly questions: readonly MergeQuestion[];
  /** What came from the other side, as seen from mine. */
  readonly taken: readonly FieldDifference[];
}

/** Everything one side changed about one thing. */
interface ChangeGroup {
  readonly key: string;
  readonly label: string;
  readonly changes: readonly FieldDifference[];
}

const keyOf = (path: readonly string[]): string => path.join('/');

/** How much of a path names the thing a field belongs to. */
function thingOf(path: readonly string[]): readonly string[] {
  if (path[0] === 'survey' && path[1] === 'panels') return path.slice(0, path[3] === 'circuits' ? 5 : 3);
  if (path[0] === 'loads') return path.slice(0, 2);
  if (path[0] === 'designs') return path.slice(0, 5);
  return path.slice(0, path[0] === 'survey' ? 3 : 2);
}

function groupsOf(base: Job, side: Job): ChangeGroup[] {
  const groups = new Map<string, ChangeGroup>();
  for (const change of diffJobs(base, side)) {
    const thing = thingOf(change.path);
    const key = keyOf(thing);
    const known = groups.get(key);
    const label = nameOf(valueAt(side, thing), valueAt(base, thing)) ?? change.label;
    groups.set(key, { key, label, changes: [...(known?.changes ?? []), change] });
  }
  return [...groups.values()];
}

/** The side without what it changed about some things. */
const without = (side: Job, groups: readonly ChangeGroup[]): Job =>
  groups
    .flatMap(({ changes }) => changes)
    .reduce<unknown>((job, { path, mine }) => applyDifference(job, { path, theirs: mine }), side) as Job;

/**
 * Merges two jobs that started from one.
 *
 * What both did in different places is merged. A field that both changed becomes a question, and so does what would make the job
 * invalid: two breakers in one space, a load on a circuit that the other side removed. Nothing either side added is gone unless
 * the other removed it, and then it is asked about.
 *
 * @param base the job both started from
 * @param mine the job here
 * @param theirs the job as the other side saved it
 * @param answers by key of the question
 * @param unanswered which side a field that both changed is taken from until that is answered
 */
export function mergeJobs(
  base: Job,
  mine: Job,
  theirs: Job,
  answers: ReadonlyMap<string, MergeSide> = new Map(),
  unanswered: MergeSide = 'theirs',
): JobMerge {
  const whole = (job: Job): JobMerge => ({ job, questions: [], taken: diffJobs(mine, job) });
  if (sameValue(base, theirs)) return whole(mine);
  if (sameValue(base, mine)) return whole(theirs);
  const merge = (my: Job, their: Job) => {
    const choose = (path: readonly string[]): MergeSide => answers.get(keyOf(path)) ?? unanswered;
    const trees = mergeTrees(base, withFollowers(my, base), withFollowers(their, base), choose);
    return { ...trees, value: withoutLostFollowers(trees.value as Job) };
  };
  const clashing = (merged: Job) => clashesOf(merged, [mine, theirs]);

  const merged = merge(mine, theirs);
  const questions: MergeQuestion[] = merged.contested.map(({ path, label, mine: my, theirs: their }) => ({
    key: keyOf(path),
    label,
    mine: my,
    theirs: their,
    why: '',
  }));
  let fitting = merged.value;
  if (clashing(fitting).length > 0) {
    const solved = solveClashes(
      groupsOf(base, mine),
      groupsOf(base, theirs),
      mine,
      theirs,
      answers,
      (my, their) => clashing(merge(my, their).value),
    );
    questions.push(...solved.questions);
    fitting = merge(solved.my, solved.their).value;
  }
  const job = settleJob(fitting);
  return { job, questions, taken: diffJobs(mine, job) };
}

/**
 * Holds back as few things as it takes for the rest to fit together: mine, unless it was answered that mine counts; then theirs.
 */
function solveClashes(
  myGroups: readonly ChangeGroup[],
  theirGroups: readonly ChangeGroup[],
  mine: Job,
  theirs: Job,
  answers: ReadonlyMap<string, MergeSide>,
  clashing: (my: Job, their: Job) => readonly { readonly message: string }[],
): { my: Job; their: Job; questions: MergeQuestion[] } {
  const questionKey = ({ key }: ChangeGroup): string => `fit/${key}`;
  const heldMine: ChangeGroup[] = [];
  const heldTheirs: ChangeGroup[] = [];
  const questions: MergeQuestion[] = [];
  const insisted = myGroups.filter((group) => answers.get(questionKey(group)) === 'mine');
  const left = (): readonly { readonly message: string }[] =>
    clashing(without(mine, heldMine), without(theirs, heldTheirs));
  const better = (
    groups: readonly ChangeGroup[],
    held: ChangeGroup[],
    count: number,
  ): ChangeGroup | undefined =>
    groups.find((group) => {
      if (held.includes(group)) return false;
      held.push(group);
      const fewer = left().length < count;
      held.pop();
      return fewer;
    });

  for (let problems = left(); problems.length > 0; problems = left()) {
    const free = myGroups.filter((group) => !insisted.includes(group));
    const mineToHold = better(free, heldMine, problems.length);
    const theirsToHold = better(theirGroups, heldTheirs, problems.length);
    const insistedHere = better(insisted, heldMine, problems.length);
    const rival = mineToHold ?? insistedHere;
    if (rival) {
      heldMine.push(rival);
      const still = new Set(left().map(({ message }) => message));
      heldMine.pop();
      const why = problems.find(({ message }) => !still.has(message)) ?? problems[0]!;
      questions.push({
        key: questionKey(rival),
        label: rival.label,
        mine: wordsFor(rival),
        theirs: theirsToHold ? wordsFor(theirsToHold) : undefined,
        why: why.message,
      });
    }
    if (mineToHold) heldMine.push(mineToHold);
    else if (theirsToHold) heldTheirs.push(theirsToHold);
    else {
      // Nothing by itself helps: the other side stands, and everything of mine is asked about.
      heldMine.push(...myGroups.filter((group) => !heldMine.includes(group)));
      heldTheirs.length = 0;
      questions.push({
        key: 'fit/all',
        label: 'all of my changes',
        mine: 'mine',
        theirs: 'theirs',
        why: problems[0]!.message,
      });
      break;
    }
  }
  return { my: without(mine, heldMine), their: without(theirs, heldTheirs), questions };
}

/** What a side did to a thing, in a few words. */
function wordsFor({ label, changes }: ChangeGroup): string {
  const [first] = changes;
  if (changes.length === 1 && first && first.theirs === undefined) return `${label} removed`;
  if (changes.length === 1 && first && first.mine === undefined) return `${label} added`;
  return `${label} changed`;
}

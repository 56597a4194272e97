import {
  type FactName,
  judge,
  type Judgement,
  judgementKey,
  judgementWords,
  packFor,
  ruleNames,
} from '../../rules/packs.js';
import type { PlacementPlan } from '../things/placement-plan.js';
import { overlap } from '../geometry/rect.js';
import { standsOn } from '../holding/hold-of.js';
import { holdingSubjects } from '../subjects/holding-subjects.js';
import { placedSubjects } from '../subjects/placed-subjects.js';
import type { PlacedThing } from '../things/placed-things.js';

/** What of a thing is the same wherever on a wall it is, as long as nothing else hangs there. */
const sameAlongWall: ReadonlySet<string> = new Set<FactName<'placed'>>([
  'name',
  'wall',
  'place',
  'placeName',
  'stores',
  'energyWh',
  'isOutdoors',
  'isLivedIn',
  'asked',
  'needsWorking',
  'freeBeforeM',
  'askedBeforeM',
  'outdoorRated',
  'floodM',
  'snowM',
  'saltAir',
  'sealed',
  'vehicles',
  'impact',
  'detection',
  'behind',
  'board',
  'combustible',
  'bedroomDb',
  'neighbourDb',
  'mounting',
  'gives',
  'ventilated',
]);

const isBroken = ({ verdict }: Judgement): boolean => verdict === 'fails';

/** Says which arrangements on a wall break a rule that they did not break without them. */
export class WallJudge {
  private readonly rules;
  private readonly before: ReadonlySet<string>;
  /** How something is held depends on where along the wall it hangs, not on how high. */
  private readonly held = new Map<string, boolean>();
  /** Things that have been asked about, and whether some rule forbids them wherever they are. */
  private readonly asked = new Map<string, boolean>();

  /** @param fixed what hangs on the wall in any case */
  constructor(
    private readonly plan: PlacementPlan,
    private readonly fixed: readonly PlacedThing[],
  ) {
    const { rules, edition } = packFor(plan);
    const asked = rules.filter(({ severity }) => severity !== 'consider');
    this.rules = {
      placed: { rules: asked.filter(({ on }) => on === 'placed'), edition },
      moving: {
        rules: asked.filter(
          (one) => one.on === 'placed' && ruleNames(one).some((name) => !sameAlongWall.has(name)),
        ),
        edition,
      },
      holding: { rules: asked.filter(({ on }) => on === 'holding'), edition },
    };
    this.before = new Set(this.failing(fixed).map(judgementKey));
  }

  /** Rules that are broken once these things hang there. */
  broken(things: readonly PlacedThing[]): Judgement[] {
    return this.failing([...this.fixed, ...things]).filter(
      (judgement) => !this.before.has(judgementKey(judgement)),
    );
  }

  allows(things: readonly PlacedThing[]): boolean {
    return this.broken(things).length === 0;
  }

  /** The same of a single thing, sooner: what overlaps something is out, and how it is held is asked once for each place along the wall. */
  allowsOne(one: PlacedThing): boolean {
    if (one.wall.openings.some((opening) => overlap(one, opening))) return false;
    const key = `${one.thing.id} ${one.leftM} ${standsOn(one, this.plan.placement)}`;
    let holds = this.held.get(key);
    if (holds === undefined) {
      holds = !judge(this.rules.holding, holdingSubjects(this.plan, [one])).some(isBroken);
      this.held.set(key, holds);
    }
    if (!holds) return false;
    const all = [...this.fixed, one];
    const { id } = one.thing;
    // Rules that say the same all along the wall are asked with the first place.
    const rules = this.asked.has(id) ? this.rules.moving : this.rules.placed;
    const broken = judge(rules, placedSubjects(this.plan, all)).filter(
      (judgement) => isBroken(judgement) && !this.before.has(judgementKey(judgement)),
    );
    if (!this.asked.has(id)) {
      const always = broken.some(({ rule }) => !this.rules.moving.rules.includes(rule));
      this.asked.set(id, always);
    }
    return !this.asked.get(id) && broken.length === 0;
  }

  private failing(all: readonly PlacedThing[]): Judgement[] {
    return [
      ...judge(this.rules.placed, placedSubjects(this.plan, all)),
      ...judge(this.rules.holding, holdingSubjects(this.plan, all)),
    ].filter(isBroken);
  }
}

/** What a judgement says, short. */
export const brokenTitle = (judgement: Judgement): string => judgementWords(judgement).title;

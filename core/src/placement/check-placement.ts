import { type Finding, severities } from '../base/index.js';
import { findingOf, judge, type Judgement, packFor, type Subject } from '../rules/packs.js';
import type { ClimateFacts } from './climate/climate-facts.js';
import { climateSubjects } from './subjects/climate-subjects.js';
import { energySubjects, wholeSubject } from './subjects/energy-subjects.js';
import { holdingSubjects } from './subjects/holding-subjects.js';
import { placedSubjects } from './subjects/placed-subjects.js';
import { type PlacedThing, placedThings } from './things/placed-things.js';
import type { PlacementPlan } from './things/placement-plan.js';
import type { Thing } from './things/thing.js';

/** A finding about a thing that is placed, or to be. */
export interface PlacementFinding extends Finding {
  /** Id of the thing; '' = the placement as a whole. */
  readonly about: string;
}

/** What stands in the margin strip: the worst of the placement and its culprit. */
export interface PlacementMargin {
  readonly verdict: 'holds' | 'tight' | 'fails' | 'unknown';
  readonly failing: number;
  readonly placed: number;
  readonly of: number;
  readonly checked: number;
  readonly culprit: string;
}

/** A placement, judged by the rules of the place. */
export interface CheckedPlacement {
  readonly placed: readonly PlacedThing[];
  /** Worst first. */
  readonly findings: readonly PlacementFinding[];
  readonly margin: PlacementMargin;
}

/** Everything of a placement that rules are asked about. */
export const placementSubjects = (
  plan: PlacementPlan,
  things: readonly Thing[],
  climates: readonly ClimateFacts[],
): Subject[] => subjectsOf(plan, things, placedThings(plan, things), climates);

const subjectsOf = (
  plan: PlacementPlan,
  things: readonly Thing[],
  placed: readonly PlacedThing[],
  climates: readonly ClimateFacts[],
): Subject[] => [
  wholeSubject(plan, things, placed),
  ...placedSubjects(plan, placed),
  ...energySubjects(plan, placed),
  ...holdingSubjects(plan, placed),
  ...climateSubjects(plan, placed, climates),
];

/**
 * Judges a placement by the rules of the place: every thing for itself and beside the others, energy by kind of place, how it is held, and, where that is worked out, sun and temperature.
 *
 * @param climates of the units that are placed, as far as they are known
 */
export function checkPlacement(
  plan: PlacementPlan,
  things: readonly Thing[],
  climates: readonly ClimateFacts[],
): CheckedPlacement {
  const placed = placedThings(plan, things);
  const judged = judge(packFor(plan), subjectsOf(plan, things, placed, climates));
  const findings = judged
    .flatMap((judgement): PlacementFinding[] => {
      const finding = findingOf(judgement);
      return finding && finding.severity !== 'fine' ? [{ ...finding, about: judgement.subject.about }] : [];
    })
    .toSorted((a, b) => severities.indexOf(a.severity) - severities.indexOf(b.severity));
  return { placed, findings, margin: marginOf(judged, findings, things, placed) };
}

function marginOf(
  judged: readonly Judgement[],
  findings: readonly PlacementFinding[],
  things: readonly Thing[],
  placed: readonly PlacedThing[],
): PlacementMargin {
  const failing = findings.filter(({ severity }) => severity === 'stops' || severity === 'must-fix').length;
  const needed = things.filter(({ isOptional }) => !isOptional);
  const isOpen = judged.some(({ rule, verdict }) => verdict === 'unknown' && rule.severity !== 'consider');
  const there = placed.filter(({ thing }) => !thing.isOptional).length;
  const first = findings.find(({ about }) => about !== '' || there > 0);
  return {
    verdict:
      failing > 0
        ? 'fails'
        : there < needed.length || isOpen
          ? 'unknown'
          : findings.length > 0
            ? 'tight'
            : 'holds',
    failing,
    placed: there,
    of: needed.length,
    checked: judged.length,
    culprit: first?.title ?? (there === 0 ? 'Nothing is placed yet' : 'Everything holds where it is'),
  };
}

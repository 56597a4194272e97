import { type Finding, severities } from '../../base/index.js';
import { findingOf } from '../../rules/packs.js';
import type { WiredDesign } from '../check-wiring.js';
import type { WiringVerdict } from '../sizing/wiring-check.js';
import type { Counterexample } from '../states/switch-network.js';

/** A finding with what it is about: a part or place, and a way the switches stand, where it is one. */
export interface WiringFinding extends Finding {
  readonly about: string;
  readonly example: Counterexample | null;
}

/** Everything a wired design gives reason to say, worst first. */
export function wiringFindings({ dangers, checks }: WiredDesign): WiringFinding[] {
  const failing = checks
    .filter(({ verdict }) => verdict !== 'holds')
    .map(({ key, about, name, asks, rule, verdict, advice, cure, figures, missing }): WiringFinding => ({
      key: `wiring.${key}`,
      severity: verdict === 'unknown' || advice ? 'consider' : 'must-fix',
      title: verdict === 'unknown' ? `${name}: not yet known` : `${name}: ${asks}`,
      because: verdict === 'unknown' ? `${asks} (${rule}). Not known: ${missing.join(', ')}.` : `${rule}.`,
      cure,
      figures,
      about,
      example: null,
    }));
  const standings = dangers.flatMap(({ judgement, example }): WiringFinding[] => {
    const finding = findingOf(judgement);
    return finding ? [{ ...finding, about: judgement.subject.about, example }] : [];
  });
  return [...standings, ...failing].toSorted(
    (a, b) => severities.indexOf(a.severity) - severities.indexOf(b.severity),
  );
}

/** What stands in the margin strip: the worst of the wiring and its culprit. */
export interface WiringMargin {
  readonly verdict: WiringVerdict;
  readonly failing: number;
  readonly checked: number;
  readonly culprit: string;
}

/** The worst of a wired design, of which these are the findings, worst first. */
export function wiringMargin({ checks, states }: WiredDesign, found: readonly WiringFinding[]): WiringMargin {
  const failing = found.filter(({ severity }) => severity === 'stops' || severity === 'must-fix').length;
  const asked = checks.filter(({ advice }) => !advice);
  const isOpen = asked.some(({ verdict }) => verdict === 'unknown');
  return {
    verdict: failing > 0 ? 'fails' : isOpen ? 'unknown' : 'holds',
    failing,
    checked: asked.length + states.standings,
    culprit: found[0]?.title ?? 'Every check holds, in every way the switches can stand',
  };
}

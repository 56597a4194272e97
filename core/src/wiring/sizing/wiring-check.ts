import type { Figure } from '../../base/index.js';
import {
  comparedFigures,
  type Judgement,
  judgementKey,
  judgementReference,
  judgementWords,
  missingFacts,
  type RuleVerdict,
} from '../../rules/packs.js';

export type WiringVerdict = RuleVerdict;

/** One thing the rules ask of the wiring, with its working. */
export interface WiringCheck {
  readonly key: string;
  readonly ruleId: string;
  /** The part or place it is about. */
  readonly about: string;
  readonly name: string;
  /** Clause and edition. */
  readonly rule: string;
  readonly asks: string;
  readonly verdict: WiringVerdict;
  /** What is not known, where that decides. */
  readonly missing: readonly string[];
  /** Demand ÷ limit; NaN where nothing is known or nothing is compared. */
  readonly ratio: number;
  /** What is compared: demand, then limit; or nothing. */
  readonly figures: readonly Figure[];
  /** It is advised, not asked: nothing fails the design by it. */
  readonly advice: boolean;
  readonly cure: string;
}

/** What a rule says of a part or place of the wiring, as it is shown beside it. */
export function wiringCheck(judgement: Judgement): WiringCheck {
  const { rule, subject, verdict } = judgement;
  const { title, cure } = judgementWords(judgement);
  const figures = comparedFigures(judgement);
  const [demand, limit] = figures;
  return {
    key: judgementKey(judgement),
    ruleId: rule.id,
    about: subject.about,
    name: subject.name,
    rule: judgementReference(judgement),
    asks: title,
    verdict,
    missing: missingFacts(judgement),
    ratio: demand && limit ? demand.value / limit.value : Number.NaN,
    figures,
    advice: rule.severity === 'consider',
    cure,
  };
}

import type { Catalogue } from '@levamen/core/equipment';
import { islandOf } from '@levamen/core/design';
import { type Pricer, pricer } from '@levamen/core/offer';
import { type DesignVariant, designVariants, stackCandidates } from '@levamen/core/offer/details';
import { type Evaluation, evaluatePlan } from '@levamen/core/study';
import {
  comfortAtMost,
  comfortServed,
  KeptYear,
  type OutageStudy,
  yearObjectives,
} from '@levamen/core/study/details';
import { expose } from 'comlink';
import type { OptionsApi, OptionsAsked } from './options-api';

interface Prepared {
  readonly asked: OptionsAsked;
  readonly catalogue: Catalogue;
  readonly variants: readonly DesignVariant[];
  readonly priceOf: Pricer | null;
  /** The first variant, judged. */
  readonly asItIs: Evaluation;
  /** What has no price in the design as it is. */
  readonly missing: ReadonlySet<string>;
}

let prepared: Prepared | null = null;
let kept: KeptYear | null = null;

const ready = (): Prepared => {
  if (!prepared) throw new Error('Nothing is prepared');
  return prepared;
};
const studyOf = (variant: number, parts: OutageStudy['parts']): OutageStudy => {
  const { asked, variants } = ready();
  return { plan: variants[variant]!.plan, islandId: asked.islandId, parts, weather: asked.weather };
};
const yearOf = ({ plan }: OutageStudy): KeptYear =>
  kept?.seed === plan.outage.seed ? kept : (kept = new KeptYear(plan.outage.seed));

const api: OptionsApi = {
  prepare: (asked, catalogue) => {
    const island = islandOf(asked.plan, asked.islandId);
    if (!island) return;
    const priceOf = asked.book && pricer(asked.items, asked.book);
    const variants = designVariants(asked.plan, island);
    const asItIs = evaluatePlan(asked.plan, catalogue, asked.islandId);
    const first = asItIs.judged[0];
    const missing = new Set(priceOf && first ? priceOf(asked.plan, island, first.stack).missing : []);
    prepared = { asked, catalogue, variants, priceOf, asItIs, missing };
  },
  candidates: (variant) => {
    const { asked, catalogue, variants, priceOf, asItIs, missing } = ready();
    const { key, plan } = variants[variant]!;
    const evaluation = variant === 0 ? asItIs : evaluatePlan(plan, catalogue, asked.islandId);
    const found = stackCandidates(plan, evaluation, priceOf, key, missing);
    return {
      ...found,
      candidates: found.candidates.map(({ stack, price, cost, family, batteryWh, guess }) => ({
        variant,
        name: stack.name,
        parts: stack.parts,
        cost,
        price: price?.afterIncentives ?? null,
        missing: price?.missing ?? [],
        family,
        batteryWh,
        guess,
      })),
      ruledOut: found.ruledOut.map(({ stack, because }) => ({
        name: stack.name,
        why: `${because.label.toLowerCase()} ${because.verdict === 'unknown' ? 'not yet known' : 'fails'}: ${because.culprit}`,
      })),
    };
  },
  play: (variant, parts) => {
    const study = studyOf(variant, parts);
    return yearObjectives(study, ready().catalogue, yearOf(study));
  },
  comfortAtMost: (variant, parts, batteriesWh) => {
    const study = studyOf(variant, parts);
    const most = comfortAtMost(study, ready().catalogue, yearOf(study));
    return most && batteriesWh.map(most);
  },
  comfort: (variant, parts) => {
    const study = studyOf(variant, parts);
    return comfortServed(study, ready().catalogue, yearOf(study));
  },
};
expose(api);

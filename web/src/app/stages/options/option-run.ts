import type { Catalogue, StackPart } from '@levamen/core/equipment';
import { islandOf, type Plan } from '@levamen/core/design';
import { designVariants, frontByBounds, type FrontSoFar } from '@levamen/core/offer/details';
import { runtimeQuestion, type SeasonOutlook } from '@levamen/core/study';
import type { Remote } from 'comlink';
import type { OptionCandidate, OptionsApi, OptionsAsked, OptionsOfVariant } from '../../workers/options-api';
import { comfortFront } from './comfort-front';
import type { FreeHelp, OptionPoint, SearchState } from './search-state';

type Ask = (plan: Plan, parts: readonly StackPart[]) => Promise<SeasonOutlook | null>;

/** One search from its beginning to its end. */
export class OptionRun {
  private readonly began = performance.now();
  private firstMs: number | null = null;
  private readonly variants;
  /** What was simulated, by variant and stack. */
  private readonly played = new Map<string, readonly number[] | null>();
  private readonly comforts = new Map<OptionCandidate, Promise<number | null>>();
  private points: readonly OptionPoint[] = [];

  constructor(
    private readonly workers: readonly Remote<OptionsApi>[],
    private readonly asked: OptionsAsked,
    private readonly isOver: () => boolean,
    private readonly say: (change: Partial<SearchState>) => void,
    /** Units in use; null = none are. */
    private readonly inUse: () => readonly StackPart[] | null,
  ) {
    const island = islandOf(asked.plan, asked.islandId);
    this.variants = island ? designVariants(asked.plan, island) : [];
  }

  /** @param outlook simulates several years */
  async go(catalogue: Catalogue, outlook: Ask): Promise<void> {
    await Promise.all(this.workers.map((there) => there.prepare(this.asked, catalogue)));
    if (this.variants.length === 0) {
      this.say({ phase: 'done' });
      return;
    }
    // The design as it is comes first, so that something stands there soon.
    const own = await this.workers[0]!.candidates(0);
    const { tooDear, unpriced, ruledOut, candidates } = own;
    this.say({ ruledOut, variants: this.variants.length, total: candidates.length });
    await this.front(candidates);
    const found = await this.candidatesOfVariants();
    const all = [...candidates, ...found.flatMap((one) => one.candidates)];
    this.say({
      phase: 'front',
      total: all.length,
      tooDear: found.reduce((sum, one) => sum + one.tooDear, tooDear),
      unpriced: [...new Set([...unpriced, ...found.flatMap((one) => one.unpriced)])],
    });
    const { fronts } = await this.front(all);
    if (this.isOver()) return;
    this.say({ phase: 'years', frontMs: performance.now() - this.began });
    this.points = pointsOf(fronts, this.variants);
    await this.refine(this.points, outlook);
    await this.forNothing(outlook);
    await this.comfort(all, outlook);
    if (!this.isOver()) this.say({ phase: 'done' });
  }

  private async candidatesOfVariants(): Promise<OptionsOfVariant[]> {
    const found: OptionsOfVariant[] = [];
    await Promise.all(
      this.workers.map(async (there, worker) => {
        for (let variant = 1; variant < this.variants.length; variant += 1) {
          if (this.isOver()) return;
          if (variant % this.workers.length === worker) found.push(await there.candidates(variant));
        }
      }),
    );
    return found;
  }

  private front(candidates: readonly OptionCandidate[]): Promise<FrontSoFar<OptionCandidate>> {
    const { followedMin } = runtimeQuestion({ ...this.asked, parts: [] });
    return frontByBounds(candidates, {
      best: [followedMin / 60, 1],
      atOnce: this.workers.length,
      isOver: this.isOver,
      play: (candidate) => this.play(candidate),
      tell: ({ fronts, simulated, pruned, left }) =>
        this.say({
          points: pointsOf(fronts, this.variants),
          simulated,
          pruned,
          left,
          firstMs: (this.firstMs ??= performance.now() - this.began),
        }),
    });
  }

  private async play({ variant, parts, name }: OptionCandidate): Promise<readonly number[] | null> {
    const key = `${variant} ${name}`;
    const known = this.played.get(key);
    if (known !== undefined) return known;
    const value = await this.workerOf(variant).play(variant, parts);
    this.played.set(key, value);
    return value;
  }

  /** The same worker for a variant: it keeps what it knows of its loads. */
  private workerOf(variant: number): Remote<OptionsApi> {
    return this.workers[variant % this.workers.length]!;
  }

  private comfortOf(candidate: OptionCandidate): Promise<number | null> {
    const { variant, parts } = candidate;
    const share = this.comforts.get(candidate) ?? this.workerOf(variant).comfort(variant, parts);
    this.comforts.set(candidate, share);
    return share;
  }

  /** Searches for comfort too, and adds what lies on its front alone. */
  private async comfort(all: readonly OptionCandidate[], outlook: Ask): Promise<void> {
    if (this.isOver()) return;
    this.say({ phase: 'comfort' });
    const front = await comfortFront(all, this.workers, {
      isOver: this.isOver,
      comfortOf: (candidate) => this.comfortOf(candidate),
      tell: ({ simulated, left }) => this.say({ comfort: { simulated, left } }),
    });
    for (const candidate of front) {
      if (this.isOver()) return;
      if (this.points.some((point) => point.candidate === candidate)) continue;
      const value = await this.play(candidate);
      if (value === null) continue;
      const point = pointOf(candidate, value, this.variants);
      this.points = inOrder([...this.points, point]);
      await this.refine([point], outlook);
    }
  }

  /** What the household could do with the design as it is. */
  private async forNothing(outlook: Ask): Promise<void> {
    const parts = this.inUse();
    if (!parts || this.isOver()) return;
    const { plan } = this.asked;
    const free: FreeHelp[] = [];
    const ask = async (label: string, of: Plan): Promise<void> => {
      const found = await outlook(of, parts);
      if (found) free.push({ label, outlook: found });
      this.say({ free: [...free] });
    };
    await ask('As it is', plan);
    const { outage, brief } = plan;
    const saving: Plan = { ...plan, outage: { ...outage, household: 'saving' } };
    if (outage.household !== 'saving')
      await ask('The household saves: comfort stays off, half of what it should have', saving);
    if (brief.handsOn === true) return;
    const byHand = (of: Plan): Plan => ({ ...of, brief: { ...of.brief, handsOn: true } });
    await ask('Somebody is home, switches off by hand and resets what has tripped', byHand(plan));
    if (outage.household !== 'saving') await ask('Both', byHand(saving));
  }

  /** What lies on a front is played over several years, and asked for its comfort. */
  private async refine(points: readonly OptionPoint[], outlook: Ask): Promise<void> {
    for (const point of points) {
      if (this.isOver()) return;
      const { candidate } = point;
      const [years, comfort] = await Promise.all([
        outlook(point.variant.plan, candidate.parts),
        this.comfortOf(candidate),
      ]);
      this.points = this.points.map((one) =>
        one.candidate === candidate ? { ...one, outlook: years, comfort: comfort ?? undefined } : one,
      );
      this.say({ points: this.points });
    }
  }
}

type Variants = readonly OptionPoint['variant'][];

const inOrder = (points: readonly OptionPoint[]): OptionPoint[] =>
  points.toSorted((a, b) => a.candidate.cost - b.candidate.cost);

const pointOf = (candidate: OptionCandidate, value: readonly number[], variants: Variants): OptionPoint => ({
  candidate,
  variant: variants[candidate.variant]!,
  hoursH: value[0]!,
  chance: value[1]!,
  outlook: null,
  comfort: null,
});

/** The points of all fronts, each once, cheapest first. */
function pointsOf(fronts: FrontSoFar<OptionCandidate>['fronts'], variants: Variants): OptionPoint[] {
  const points = new Map<OptionCandidate, OptionPoint>();
  for (const { candidate, value } of fronts.flat())
    points.set(candidate, pointOf(candidate, value, variants));
  return inOrder([...points.values()]);
}

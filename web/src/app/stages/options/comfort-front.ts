import { frontByBounds, type FrontSoFar } from '@levamen/core/offer/details';
import type { Remote } from 'comlink';
import type { OptionCandidate, OptionsApi } from '../../workers/options-api';

export interface ComfortRun {
  readonly isOver: () => boolean;
  /** Share of comfort that a candidate serves; null = it has none. */
  readonly comfortOf: (candidate: OptionCandidate) => Promise<number | null>;
  readonly tell: (front: FrontSoFar<OptionCandidate>) => void;
}

/**
 * The front of cost against comfort over all candidates. More battery may serve less of it (what is shed by charge is shed sooner while a larger
 * battery is still filling), so nothing is passed over but by what it could serve at most.
 *
 * @returns none where the house has nothing of comfort
 */
export async function comfortFront(
  candidates: readonly OptionCandidate[],
  workers: readonly Remote<OptionsApi>[],
  { isOver, comfortOf, tell }: ComfortRun,
): Promise<readonly OptionCandidate[]> {
  const most = new Map<OptionCandidate, number>();
  const variants = [...new Set(candidates.map(({ variant }) => variant))];
  await Promise.all(
    variants.map(async (variant) => {
      const ofVariant = candidates.filter((one) => one.variant === variant);
      const worker = workers[variant % workers.length]!;
      const batteriesWh = ofVariant.map(({ batteryWh }) => batteryWh);
      const shares = await worker.comfortAtMost(variant, ofVariant[0]!.parts, batteriesWh);
      for (const [index, share] of (shares ?? []).entries()) most.set(ofVariant[index]!, share);
    }),
  );
  if (most.size === 0 || isOver()) return [];
  const { fronts } = await frontByBounds(
    candidates.map((one) => ({ ...one, guess: Math.min(1, one.guess) * (most.get(one) ?? 0), of: one })),
    {
      best: [1],
      atMost: ({ of }) => [most.get(of) ?? 0],
      eachAlone: true,
      atOnce: workers.length,
      isOver,
      play: async ({ of }) => {
        const share = await comfortOf(of);
        return share === null ? null : [share];
      },
      tell,
    },
  );
  return (fronts[0] ?? []).map(({ candidate: { of } }) => of);
}

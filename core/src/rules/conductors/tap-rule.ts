import { ampsText } from '../amps-text.js';

/** Shares of the device ahead that a tap must carry, by its length: 240.21(B)(1) and (2) (recalled). */
export const tapRules = [
  { clause: '240.21(B)(1)', upToM: 3.048, share: 1 / 10, name: '10 ft' },
  { clause: '240.21(B)(2)', upToM: 7.62, share: 1 / 3, name: '25 ft' },
] as const;

export interface TapJudgement {
  readonly clause: string;
  /** What the tap must carry at least, A. */
  readonly leastA: number;
  readonly holds: boolean;
  readonly working: string;
}

/**
 * May a conductor be tapped from a feeder? It must carry its load and the device it ends in, nothing rounded up, and a share of what is ahead:
 * a third where sources feed the feeder too (705.12(A)(3)), of all of them together.
 *
 * @param sourcesA devices of sources on the same feeder, A
 */
export function judgeTap(of: {
  readonly carriesA: number;
  readonly lengthM: number;
  readonly aheadA: number;
  readonly endsInA: number;
  readonly sourcesA?: number;
}): TapJudgement {
  const { carriesA, lengthM, aheadA, endsInA, sourcesA = 0 } = of;
  const rule = tapRules.find(({ upToM }) => lengthM <= upToM + 1e-9);
  if (!rule)
    return {
      clause: '240.21(B)',
      leastA: Infinity,
      holds: false,
      working: `${Math.round(lengthM * 10) / 10} m is longer than 25 ft`,
    };
  const share = sourcesA > 0 ? Math.max(rule.share, 1 / 3) : rule.share;
  const leastA = Math.max(endsInA, share * (aheadA + sourcesA));
  const ahead = sourcesA > 0 ? `${ampsText(aheadA)} + ${ampsText(sourcesA)}` : ampsText(aheadA);
  return {
    clause: sourcesA > 0 ? '705.12(A)(3)' : rule.clause,
    leastA,
    holds: carriesA >= leastA - 1e-9,
    working: `carries ${ampsText(carriesA)}; at least ${ampsText(endsInA)} it ends in, and ${ampsText(share * (aheadA + sourcesA))}, a share of ${ahead}`,
  };
}

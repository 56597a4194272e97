import { allows, everyStanding } from './every-standing.js';
import { NetworkInNumbers } from './network-in-numbers.js';
import { reduceNetwork } from './reduce-network.js';
import {
  type Counterexample,
  type Hazard,
  type Situation,
  situationsOf,
  type SwitchNetwork,
} from './switch-network.js';

export interface StateCheck {
  /** Each thing that can go wrong once, with the standing that needs the fewest handles moved. */
  readonly found: readonly Counterexample[];
  readonly handles: number;
  /** Handles that had to be tried. */
  readonly tried: number;
  /** Standings that were judged, over all situations. */
  readonly standings: number;
}

export const hazardKey = ({ kind, concerns }: Hazard): string => [kind, ...concerns].join(' ');

/**
 * Looks at every way the handles of a house can stand that their interlocks allow, in every situation, and tells what is dangerous. Handles that cannot
 * matter are left out first ({@link reduceNetwork}); a property test holds the answer to that of trying all.
 */
export function dangerousStandings(network: SwitchNetwork): StateCheck {
  const { network: reduced, left } = reduceNetwork(network);
  const numbers = new NetworkInNumbers(reduced);
  const best = new Map<string, { hazard: Hazard; situation: Situation; standing: number[]; moved: number }>();
  let standings = 0;
  for (const situation of situationsOf(network))
    everyStanding(reduced, (standing) => {
      standings += 1;
      const hazards = numbers.hazards(standing, situation);
      if (hazards.length === 0) return;
      const moved = standing.reduce((sum, position) => sum + (position === 0 ? 0 : 1), 0);
      for (const hazard of hazards) {
        const key = hazardKey(hazard);
        if (moved < (best.get(key)?.moved ?? Infinity))
          best.set(key, { hazard, situation, standing: [...standing], moved });
      }
    });
  const whole = new NetworkInNumbers(network);
  const found = [...best.values()].map(({ hazard, situation, standing }): Counterexample => {
    const named = new Map(left.map(({ handle, position }) => [handle, position]));
    for (const [index, { id, positions }] of reduced.handles.entries())
      named.set(id, positions[standing[index]!]!);
    const fewest = asUsualAsCanBe(network, whole, hazard, situation, Object.fromEntries(named));
    return {
      ...hazard,
      situation,
      standing: fewest,
      moved: network.handles.filter(({ id, positions }) => fewest[id] !== positions[0]).map(({ id }) => id),
    };
  });
  return { found, handles: network.handles.length, tried: reduced.handles.length, standings };
}

/** Puts handles back to where they usually stand, as long as the hazard stays. */
function asUsualAsCanBe(
  network: SwitchNetwork,
  numbers: NetworkInNumbers,
  hazard: Hazard,
  situation: Situation,
  from: Readonly<Record<string, string>>,
): Readonly<Record<string, string>> {
  const key = hazardKey(hazard);
  let standing = from;
  for (const { id, positions } of network.handles) {
    if (standing[id] === positions[0]) continue;
    const back = { ...standing, [id]: positions[0] };
    if (!allows(network.interlocks, back)) continue;
    if (numbers.hazards(numbers.inOrder(back), situation).some((one) => hazardKey(one) === key))
      standing = back;
  }
  return standing;
}

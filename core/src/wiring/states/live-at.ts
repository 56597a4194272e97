import { NetworkInNumbers } from './network-in-numbers.js';
import type { Situation, SourceKind, SwitchNetwork } from './switch-network.js';

/**
 * Which kind of source leads at each live place while the handles stand so; what is dead is not there.
 *
 * @param standing position of each handle; one that is not named stands as usual
 */
export const liveAt = (
  network: SwitchNetwork,
  standing: Readonly<Record<string, string>>,
  situation: Situation,
): ReadonlyMap<string, SourceKind> => new NetworkInNumbers(network).live(standing, situation);

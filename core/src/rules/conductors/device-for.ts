import { continuousFactor } from './size-conductor.js';
import { standardDeviceA } from './standard-device.js';

/**
 * The smallest standard device for a current, A: 125 % of continuous and all other current where the code says so (NEC 210.20, 215.3,
 * 705.30, recalled), the design current itself elsewhere (IEC 60364-4-43: Ib ≤ In).
 *
 * @example deviceForA({ continuousA: 32, otherA: 0 }, true) // 40
 */
export const deviceForA = (
  { continuousA, otherA }: { readonly continuousA: number; readonly otherA: number },
  american: boolean,
): number => standardDeviceA((american ? continuousFactor : 1) * continuousA + otherA, american);

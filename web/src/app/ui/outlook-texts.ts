import { quantityText, type UnitSystem } from '@levamen/core/base';

/** Hours that outages reach; at least so many where they were followed no longer. */
export const reachedText = (hoursH: number, followedH: number, system: UnitSystem = 'metric'): string =>
  `${hoursH >= followedH ? '≥ ' : ''}${quantityText(hoursH, 'h', system)}`;

/** A share to a tenth of a hundredth: "97.4 %". */
export const shareText = (share: number): string => `${(share * 100).toFixed(1)} %`;

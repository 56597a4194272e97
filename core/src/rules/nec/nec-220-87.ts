/**
 * Existing load of a dwelling by measurement: 125 % of the highest demand of a year, NEC 2023, 220.87 (recalled).
 *
 * @param highestW highest mean over a quarter of an hour, W
 * @returns calculated load, W
 */
export const existingLoadW = (highestW: number): number => 1.25 * highestW;

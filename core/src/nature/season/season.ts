/** The parts of a year that a house is designed for. */
export const seasons = ['winter', 'shoulder', 'summer'] as const;
export type Season = (typeof seasons)[number];

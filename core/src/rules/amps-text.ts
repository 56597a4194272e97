/** Amperes in a working, to a tenth. */
export const ampsText = (amps: number): string => `${Math.round(amps * 10) / 10} A`;

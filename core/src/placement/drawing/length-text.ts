import { feetInchesText, plainQuantityText, type UnitSystem } from '../../base/index.js';

/** A length as it stands on a drawing: millimetres, or feet and inches to an eighth. */
export const drawnLength = (metres: number, units: UnitSystem): string =>
  units === 'metric' ? String(Math.round(metres * 1000)) : feetInchesText(metres);

/** A length with its unit, in a sentence. */
export const lengthText = (metres: number, units: UnitSystem): string =>
  units === 'imperial' ? feetInchesText(metres) : plainQuantityText(metres, 'm', units);

import { strokePath } from '../../house/index.js';

/** A drawn signature as a picture: lines in thousandths of its width, three times as wide as it is high. */
export function signatureSvg(strokes: readonly (readonly number[])[]): string {
  const paths = strokes.map((numbers) => `<path d="${strokePath(numbers)}"/>`);
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 1000 334" fill="none" stroke="#26221c" stroke-width="5" stroke-linecap="round" stroke-linejoin="round">${paths.join('')}</svg>`;
}

import { signLines } from '../../rules/details.js';
import type { WiringSign } from '../../wiring/index.js';

/** Colours a rule may ask for; anything else is black on white. */
const looks: Readonly<Record<string, { readonly ground: string; readonly letters: string }>> = {
  'white on red': { ground: '#b3261e', letters: '#ffffff' },
  'black on yellow': { ground: '#f6c700', letters: '#000000' },
};
const plain = { ground: '#ffffff', letters: '#000000' };

const escaped = (text: string): string => text.replace(/[&<>"]/g, (one) => `&#${one.charCodeAt(0)};`);
const number = (value: number): string => String(Math.round(value * 100) / 100);

/** Height of a line, as a share of the height of its capitals; capitals of a plain face are so much of its size. */
const lineShare = 1.6;
const capitalShare = 0.71;

/**
 * A sign at its size, in the colours its rule asks for; 1 unit = 1 mm.
 *
 * @param at where its upper left corner is on a larger sheet, mm
 */
export function signShapes(sign: WiringSign, at: readonly [x: number, y: number], font: string): string {
  const { ground, letters } = looks[sign.look] ?? plain;
  const { widthMm, heightMm } = sign.size;
  const lines = signLines(sign.text);
  const step = sign.letterMm * lineShare;
  const top = at[1] + (heightMm - (lines.length - 1) * step - sign.letterMm) / 2 + sign.letterMm;
  const frame = `<rect x="${number(at[0])}" y="${number(at[1])}" width="${number(widthMm)}" height="${number(heightMm)}" fill="${ground}" stroke="#000000" stroke-width="0.3"/>`;
  const words = lines.map(
    (line, index) =>
      `<text x="${number(at[0] + widthMm / 2)}" y="${number(top + index * step)}" font-family="${escaped(font)}" font-weight="bold" font-size="${number(sign.letterMm / capitalShare)}" text-anchor="middle" fill="${letters}">${escaped(line.toUpperCase())}</text>`,
  );
  return `${frame}${words.join('')}`;
}

/** A sheet of signs, or one alone, as an SVG of its own. */
export const signSvg = (widthMm: number, heightMm: number, shapes: string): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" width="${number(widthMm)}mm" height="${number(heightMm)}mm" viewBox="0 0 ${number(widthMm)} ${number(heightMm)}">${shapes}</svg>`;

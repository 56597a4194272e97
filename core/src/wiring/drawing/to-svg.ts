import { groupBy } from '../../base/index.js';
import { dashMm, type Drawing, type DrawingItem, type DrawingText } from './drawing.schema.js';
import { textsLast } from './items.js';

const escaped = (text: string): string => text.replace(/[&<>"]/g, (sign) => `&#${sign.charCodeAt(0)};`);
const number = (value: number): string => String(Math.round(value * 1000) / 1000);

/** How a text is set: its letters, and the family that has them. */
export type SetText = (text: string) => { readonly text: string; readonly face: string };

/** Paper behind a text, so that no line runs through its letters; mm. Letters are taken half as wide as high: no more of the lines is covered than has to be. */
function paperBehind({ at: [x, y], text, heightMm, anchor }: DrawingText): string {
  const width = text.trimEnd().length * 0.5 * heightMm;
  const left = anchor === 'middle' ? x - width / 2 : x;
  return `<rect x="${number(left)}" y="${number(y - 0.8 * heightMm)}" width="${number(width)}" height="${number(heightMm)}" fill="#fff" stroke="none"/>`;
}

function svgItem(item: DrawingItem, setText: SetText | null): string {
  switch (item.kind) {
    case 'line': {
      const points = item.points.map(([x, y]) => `${number(x)},${number(y)}`).join(' ');
      const shape = item.closed ? 'polygon' : 'polyline';
      return `<${shape} points="${points}" stroke-width="${number(item.widthMm)}"${item.dashed ? ` stroke-dasharray="${dashMm(item)}"` : ''}/>`;
    }
    case 'circle':
      return `<circle cx="${number(item.centre[0])}" cy="${number(item.centre[1])}" r="${number(item.radiusMm)}" stroke-width="0.5"${item.filled ? ' fill="#000"' : ''}/>`;
    case 'text': {
      const set = setText?.(item.text) ?? { text: item.text, face: '' };
      const family = set.face === '' ? '' : ` font-family="${escaped(set.face)}"`;
      return `${paperBehind(item)}<text x="${number(item.at[0])}" y="${number(item.at[1])}" font-size="${number(item.heightMm)}" text-anchor="${item.anchor}" fill="#000" stroke="none"${family}>${escaped(set.text)}</text>`;
    }
  }
}

/**
 * A drawing as SVG, 1 unit = 1 mm, one group for each layer, its texts in one of their own: they lie above all lines.
 *
 * @param font family of the texts
 * @param setText for families that lack letters: how each text is set
 */
export function drawingSvg(
  { widthMm, heightMm, items }: Drawing,
  font = 'monospace',
  setText: SetText | null = null,
): string {
  const groups = groupBy(textsLast(items), ({ layer, kind }) => (kind === 'text' ? `${layer}-texts` : layer));
  const drawn = [...groups].map(
    ([id, some]) => `<g id="${id}">${some.map((item) => svgItem(item, setText)).join('')}</g>`,
  );
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${number(widthMm)}mm" height="${number(heightMm)}mm" viewBox="0 0 ${number(widthMm)} ${number(heightMm)}" fill="none" stroke="#000" font-family="${escaped(font)}">${drawn.join('')}</svg>`;
}

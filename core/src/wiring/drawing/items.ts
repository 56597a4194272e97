import type { DrawingItem, DrawingLine, DrawingText } from './drawing.schema.js';

/** A line; one of a symbol, 0.5 mm wide and open, unless said otherwise. */
export const lineItem = (
  about: string,
  points: DrawingLine['points'],
  more: Partial<DrawingLine> = {},
): DrawingLine => ({
  kind: 'line',
  layer: 'symbols',
  about,
  place: about,
  points,
  widthMm: 0.5,
  dashed: false,
  closed: false,
  ...more,
});

/** A line of text that starts at a point, or has its middle there; heightMm is that of its letters. */
export const textItem = (
  about: string,
  at: readonly [number, number],
  text: string,
  heightMm: number,
  layer: DrawingItem['layer'] = 'text',
  anchor: DrawingText['anchor'] = 'start',
): DrawingItem => ({ kind: 'text', layer, about, place: '', at, text, heightMm, anchor });

/** The corners of a frame, in the order they are drawn. */
export const cornersOf = (
  left: number,
  top: number,
  right: number,
  bottom: number,
): readonly (readonly [number, number])[] => [
  [left, top],
  [right, top],
  [right, bottom],
  [left, bottom],
];

/** Items with the words last: they lie above every line. */
export const textsLast = (items: readonly DrawingItem[]): DrawingItem[] => [
  ...items.filter(({ kind }) => kind !== 'text'),
  ...items.filter(({ kind }) => kind === 'text'),
];

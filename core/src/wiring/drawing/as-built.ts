import { type Drawing, type DrawingItem, textWidthMm } from './drawing.schema.js';
import { lineItem, textItem } from './items.js';

/** What is said of a thing of a drawing as it was built. */
export interface AsBuiltNote {
  /** The part or place of the drawing; '' = none of them. */
  readonly about: string;
  readonly text: string;
}

const textMm = 2.5;
const rowMm = 4.2;
/** The sign of a revision: a triangle with its number (common practice, no source), so high and wide. */
const markMm = 5;
const gapMm = 2.5;

/** A drawing with a numbered mark at everything that was built otherwise, and what each means in a list below it. */
export function withAsBuilt(
  drawing: Drawing,
  notes: readonly AsBuiltNote[],
  rows: readonly string[],
): Drawing {
  if (notes.length === 0 && rows.length === 0) return drawing;
  const top = drawing.heightMm + gapMm;
  const lines = ['As built', ...notes.map(({ text }, index) => `${index + 1}  ${text}`), ...rows].map(
    (line) => line.slice(0, 200),
  );
  const list = lines.map((line, index) =>
    textItem('', [gapMm, top + (index + 1) * rowMm], line, index === 0 ? textMm * 1.15 : textMm),
  );
  const perThing = new Map<string, number>();
  const marks = notes.flatMap(({ about }, index) => {
    const at = about === '' ? null : besideOf(drawing, about);
    if (!at) return [];
    const before = perThing.get(about) ?? 0;
    perThing.set(about, before + 1);
    return markItems(about, at[0] + before * (markMm + 0.5), at[1], index + 1);
  });
  const widest = Math.max(...lines.map((line) => textWidthMm(line, textMm))) + 2 * gapMm;
  return {
    widthMm: Math.max(drawing.widthMm, widest),
    heightMm: top + (lines.length + 0.5) * rowMm,
    items: [...drawing.items, ...marks, ...list],
  };
}

/** Where a mark of a thing stands: right of its first text. */
function besideOf({ items }: Drawing, about: string): readonly [number, number] | null {
  const text = items.find((item) => item.kind === 'text' && item.about === about && item.layer === 'text');
  if (!text || text.kind !== 'text') return null;
  const width = textWidthMm(text.text, text.heightMm);
  return [text.at[0] + (text.anchor === 'start' ? width : width / 2) + gapMm, text.at[1]];
}

function markItems(about: string, x: number, y: number, number: number): DrawingItem[] {
  return [
    lineItem(
      about,
      [
        [x, y],
        [x + markMm, y],
        [x + markMm / 2, y - markMm],
      ],
      { layer: 'text', widthMm: 0.3, closed: true },
    ),
    textItem(about, [x + markMm / 2, y - 0.7], String(number), textMm * 0.9, 'text', 'middle'),
  ];
}

import { quantityText } from '../../base/index.js';
import type { WiringSign } from '../../wiring/index.js';
import type { Block, Missing, PaperPart } from '../document/paper.js';
import { sheets, type SheetSize } from '../document/paper-request.schema.js';
import type { DesignStudy } from '../study/design-study.js';
import { packSigns } from './pack-signs.js';
import { signShapes, signSvg } from './sign-svg.js';

/** Room for text and pictures on a sheet: beside margins, head and foot, mm. */
export const roomMm = (sheet: SheetSize): readonly [width: number, height: number] => {
  const [width, height] = sheets[sheet];
  return [width - 2 * 15, height - 22 - 24];
};

/** The signs of a design: what hangs where, and each at its size, to be cut out. */
export function labelsPaper(
  study: DesignStudy,
  signs: readonly WiringSign[],
  sheet: SheetSize,
): { readonly parts: readonly PaperPart[]; readonly missing: readonly Missing[] } {
  const { units } = study.plan.site;
  const [width, height] = roomMm(sheet);
  const small = signs.filter(({ size }) => size.widthMm <= width);
  const large = signs.filter(({ size }) => size.widthMm > width);
  const upright = packSigns(small, width, height);
  // What is too wide lies: a sheet turned.
  const lying = packSigns(large, height, width - 10);
  const picture = (
    placed: (typeof upright.sheets)[number],
    size: readonly [number, number],
    turned: boolean,
  ): Block => ({
    kind: 'picture',
    widthMm: size[0],
    heightMm: size[1],
    turned,
    svg: signSvg(size[0], size[1], placed.map(({ sign, at }) => signShapes(sign, at, 'Roboto')).join('')),
    texts: placed.map(({ sign }) => sign.text),
  });
  const tooLarge = lying.tooLarge.map(({ where }) => where);
  return {
    missing:
      signs.length === 0
        ? [{ what: 'Units and wiring that ask for labels', at: 'sources', place: 'Sources' }]
        : [],
    parts: [
      {
        id: 'list',
        blocks:
          signs.length === 0
            ? []
            : [
                {
                  kind: 'paragraph',
                  text: 'Each label at its size on the sheets that follow: print them at 100 %, on material that lasts where it hangs. Wording is recalled; verify it against the adopted edition.',
                },
                {
                  kind: 'table',
                  columns: [
                    { head: 'Where it hangs', wide: true },
                    { head: 'Words', wide: true },
                    { head: 'Size', align: 'right' },
                    { head: 'Rule' },
                  ],
                  rows: signs.map(({ where, text, size, look, rule }) => [
                    where,
                    look === '' ? text : `${text} (${look})`,
                    `${quantityText(size.widthMm, 'mm', units)} × ${quantityText(size.heightMm, 'mm', units)}`,
                    { text: rule, tone: 'soft' },
                  ]),
                },
                ...(tooLarge.length > 0
                  ? [
                      {
                        kind: 'box' as const,
                        tone: 'missing' as const,
                        title: 'Larger than a sheet: have these made from the SVG',
                        lines: tooLarge,
                      },
                    ]
                  : []),
              ],
      },
      {
        id: 'sheets',
        blocks: [
          ...upright.sheets.map((placed) => picture(placed, [width, height], false)),
          ...lying.sheets.map((placed) => picture(placed, [height, width - 10], true)),
        ],
      },
    ],
  };
}

import { groupBy, quantityText } from '../../base/index.js';
import { type Item } from '../../equipment/index.js';
import { type PriceBook, taskLabels } from '../../offer/index.js';
import { conductorAreaMm2 } from '../../rules/details.js';
import { materialKindNames, wiringMaterial } from '../../wiring/index.js';
import type { Block, Missing, PaperPart, TableCell } from '../document/paper.js';
import type { DesignStudy } from '../study/design-study.js';
import type { InLanguage } from '../words/in-language.js';
import { type BoughtLine, partsLines } from './parts-lines.js';
import { placesOfUse } from './place-of-use.js';

export const groupNames: Readonly<Record<BoughtLine['group'], string>> = {
  units: 'Units and what stands beside them',
  ...materialKindNames,
};

/** The parts of a parts list: what is bought, by kind with prices, by supplier, and by place of use; and the work. */
export function partsPaper(
  study: DesignStudy,
  items: readonly Item[],
  book: PriceBook | null,
  written: InLanguage,
): { readonly parts: readonly PaperPart[]; readonly missing: readonly Missing[] } {
  const list = partsLines(study, items, book);
  const { units } = study.plan.site;
  const amount = (value: string | null): string =>
    value === null || list.currency === null ? 'no price' : written.money(value, list.currency);
  const quantity = ({ quantity: value, unit }: BoughtLine): string =>
    unit === 'm' ? quantityText(value, 'm', units, 1) : String(value);
  const columns = [
    { head: 'What', wide: true },
    { head: 'In the company’s list', wide: true },
    { head: 'Quantity', align: 'right' as const },
    { head: 'Supplier' },
    { head: 'Net', align: 'right' as const },
    { head: 'For', wide: true },
  ];
  const rowOf = (line: BoughtLine): TableCell[] => [
    line.name,
    line.item === '' ? '–' : line.articleNumber === '' ? line.item : `${line.item} (${line.articleNumber})`,
    quantity(line),
    line.supplier || '–',
    line.amount === null ? { text: 'no price', tone: 'strong' } : amount(line.amount),
    { text: line.where.join('; '), tone: 'soft' },
  ];
  const ofGroups = (wanted: (group: BoughtLine['group']) => boolean): Block[] =>
    [
      ...groupBy(
        list.lines.filter(({ group }) => wanted(group)),
        ({ group }) => group,
      ),
    ].flatMap(([group, lines]): Block[] => [
      { kind: 'heading', level: 2, text: groupNames[group] },
      { kind: 'table', size: 'small' as const, columns, rows: lines.map(rowOf) },
    ]);
  const bySupplier = [
    ...groupBy(
      list.lines.filter(({ supplier }) => supplier !== ''),
      ({ supplier }) => supplier,
    ),
  ];
  const { wired } = study;
  const byPlace = placesOfUse(wired, (graph) =>
    wiringMaterial({ graph, cables: wired.cables }, conductorAreaMm2, 0),
  );
  const missing: Missing[] = [
    ...(list.missing.length > 0
      ? [
          {
            what: `Prices of ${list.missing.length} lines, not in the total: ${list.missing.join('; ')}`,
            at: '/equipment/prices',
            place: 'Prices',
          },
        ]
      : []),
    ...(study.islands.every(({ stack }) => stack === null)
      ? [{ what: 'Units for the design', at: 'sources', place: 'Sources' }]
      : []),
  ];
  return {
    missing,
    parts: [
      {
        id: 'units',
        blocks: list.lines.some(({ group }) => group === 'units')
          ? [
              { kind: 'heading', level: 1, text: 'By kind' },
              ...(list.missing.length > 0
                ? [
                    {
                      kind: 'box' as const,
                      tone: 'missing' as const,
                      title: `${list.missing.length} lines have no price and are not in the total`,
                      lines: [list.missing.join('; ')],
                    },
                  ]
                : []),
              ...ofGroups((group) => group === 'units'),
            ]
          : [],
      },
      {
        id: 'wiring',
        blocks: [
          ...ofGroups((group) => group !== 'units'),
          ...(list.total === null || list.lines.length === 0
            ? []
            : [
                {
                  kind: 'facts' as const,
                  rows: [['Goods, net, after discount', amount(list.total)]] as const,
                },
              ]),
          ...(bySupplier.length > 0
            ? [
                { kind: 'heading' as const, level: 1 as const, text: 'By supplier' },
                ...bySupplier.flatMap(([supplier, lines]): Block[] => [
                  { kind: 'heading', level: 2, text: supplier },
                  {
                    kind: 'table',
                    size: 'small' as const,
                    columns: [
                      { head: 'Article' },
                      { head: 'Item', wide: true },
                      { head: 'Quantity', align: 'right' },
                      { head: 'Net', align: 'right' },
                    ],
                    rows: lines.map((line) => [
                      line.articleNumber || '–',
                      line.item,
                      quantity(line),
                      amount(line.amount),
                    ]),
                  },
                ]),
              ]
            : []),
          ...(byPlace.length > 0
            ? [
                { kind: 'heading' as const, level: 1 as const, text: 'By place of use' },
                {
                  kind: 'table' as const,
                  size: 'small' as const,
                  columns: [
                    { head: 'Run or place', wide: true },
                    { head: 'What', wide: true },
                    { head: 'Quantity', align: 'right' as const },
                  ],
                  rows: byPlace.flatMap(({ place, lines }) =>
                    lines.map((line, index): TableCell[] => [
                      index === 0 ? { text: place, tone: 'strong' } : '',
                      line.name,
                      line.unit === 'm' ? quantityText(line.quantity, 'm', units, 1) : String(line.quantity),
                    ]),
                  ),
                  note: 'Lengths are those of the runs, as entered or taken for granted: cuttings and bends come on top.',
                },
              ]
            : []),
        ],
      },
      {
        id: 'work',
        blocks:
          list.work.length === 0
            ? []
            : [
                { kind: 'heading', level: 1, text: 'Work' },
                {
                  kind: 'table',
                  size: 'small' as const,
                  columns: [
                    { head: 'Work', wide: true },
                    { head: 'Times', align: 'right' },
                    { head: 'Hours', align: 'right' },
                    { head: 'For', wide: true },
                  ],
                  rows: list.work.map(({ task, count, why }) => {
                    const hours = (book?.labour.find((one) => one.task === task)?.hours ?? 0) * count;
                    return [
                      taskLabels[task],
                      String(Number(count.toFixed(1))),
                      hours > 0 ? String(Number(hours.toFixed(2))) : '–',
                      { text: why, tone: 'soft' },
                    ];
                  }),
                },
              ],
      },
    ],
  };
}

import { fieldFacts, shownFieldText } from '../../base/index.js';
import { assumedRatings, catalogueOf, type Item, itemKinds } from '../../equipment/index.js';
import type { Block } from '../document/paper.js';
import { assumedMark, type PacketOf } from './packet-of.js';

/** What is known of an item, label and value; fields that nobody has filled in are left out. */
function ratingRows(item: Item): (readonly [string, string])[] {
  const ratings: Readonly<Record<string, unknown>> = item.ratings;
  return itemKinds[item.kind].groups.flatMap(({ fields }) =>
    Object.entries(fields).flatMap(([name, schema]): (readonly [string, string])[] => {
      const text = shownFieldText(schema, ratings[name]);
      return text === '' ? [] : [[fieldFacts.get(schema)?.label ?? name, text]];
    }),
  );
}

/** Ratings of every unit of the design, as its data sheet says. */
export function equipmentPart(of: PacketOf): Block[] {
  const counts = new Map<string, number>();
  for (const { stack } of of.study.islands)
    for (const { unitId, quantity } of stack?.parts ?? [])
      counts.set(unitId, (counts.get(unitId) ?? 0) + quantity);
  const used = of.items.filter(({ id }) => counts.has(id));
  if (used.length === 0) return [];
  const units = new Map(catalogueOf(used).map((unit) => [unit.id, unit]));
  const assumedOf = (item: Item): (readonly [string, string])[] => {
    const unit = units.get(item.id);
    return unit ? assumedRatings(unit).map(({ label, text }) => [`${label}${assumedMark}`, text]) : [];
  };
  return [
    { kind: 'heading', level: 1, text: 'Equipment ratings' },
    ...used.flatMap((item): Block[] => [
      { kind: 'heading', level: 2, text: `${counts.get(item.id)} × ${item.name}` },
      {
        kind: 'facts',
        columns: 2,
        rows: [
          ['Kind', itemKinds[item.kind].label],
          ...(item.dataSheet === '' ? [] : [['Data sheet', item.dataSheet] as const]),
          ...ratingRows(item),
          ...assumedOf(item),
        ],
      },
    ]),
    ...(used.some((item) => assumedOf(item).length > 0)
      ? [
          {
            kind: 'paragraph' as const,
            tone: 'soft' as const,
            text: `${assumedMark} assumed: the data sheet does not say it, what is usual stands in.`,
          },
        ]
      : []),
  ];
}

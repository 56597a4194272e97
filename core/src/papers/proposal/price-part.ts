import { partsLines } from '../material/parts-lines.js';
import type { Block, TableCell } from '../document/paper.js';
import { fillWords } from '../words/fill-words.js';
import { householdPrice } from './offer-lines.js';
import type { ProposalOf } from './proposal-of.js';

/** What it costs, what is in that, and what it rests on. */
export function pricePart({ studies, items, written, words }: ProposalOf): Block[] {
  const priced = studies.flatMap((study) =>
    study.price ? [{ study, price: householdPrice(study.price) }] : [],
  );
  if (priced.length === 0) return [];
  const labelled = (of: 'fees' | 'taxes' | 'incentives'): string[] => [
    ...new Set(priced.flatMap(({ price }) => price[of].map(({ name }) => name))),
  ];
  const row = (
    label: string,
    amount: (price: (typeof priced)[number]['price']) => string | undefined,
  ): TableCell[] => [
    label,
    ...priced.map(({ price }) => {
      const value = amount(price);
      return value === undefined ? '–' : written.money(value, price.currency);
    }),
  ];
  const rows = (of: 'fees' | 'taxes' | 'incentives'): TableCell[][] =>
    labelled(of).map((label) => row(label, (price) => price[of].find(({ name }) => name === label)?.amount));
  const total = (label: string, of: 'total' | 'after'): TableCell[] =>
    row(label, (price) => price[of]).map((cell) => ({
      text: typeof cell === 'string' ? cell : cell.text,
      tone: 'strong',
    }));
  const incentives = rows('incentives');
  const goods = priced.map(({ study }) => {
    const units = partsLines(study, items, null).lines.filter(({ group }) => group === 'units');
    const names = units.map(({ quantity, name }) => (quantity === 1 ? name : `${quantity} × ${name}`));
    const text = fillWords(words.systemNote, { names: written.list(names) });
    return priced.length > 1 ? `${study.name}. ${text}` : text;
  });
  return [
    { kind: 'heading', level: 1, text: words.price },
    {
      kind: 'table',
      columns: [
        { head: words.priceItem, wide: true },
        ...priced.map(({ study }) => ({ head: study.name, align: 'right' as const })),
      ],
      rows: [
        row(words.system, ({ system }) => system),
        ...rows('fees'),
        ...rows('taxes'),
        total(words.total, 'total'),
        ...incentives,
        ...(incentives.length > 0 ? [total(words.after, 'after')] : []),
      ],
    },
    { kind: 'list', items: goods },
    ...(priced.some(({ price }) => price.estimated)
      ? [{ kind: 'paragraph' as const, tone: 'soft' as const, text: words.estimated }]
      : []),
    ...(incentives.length > 0
      ? [{ kind: 'paragraph' as const, tone: 'soft' as const, text: words.incentiveNote }]
      : []),
  ];
}

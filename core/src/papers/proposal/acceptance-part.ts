import type { Block } from '../document/paper.js';
import { fillWords } from '../words/fill-words.js';
import type { ProposalOf } from './proposal-of.js';

/** Payment, terms, and the lines to sign on. */
export function acceptancePart({ studies, company, written, day, words }: ProposalOf): Block[] {
  const until =
    company.validDays === null
      ? null
      : new Date(Date.parse(`${day}T00:00:00Z`) + company.validDays * 86_400_000).toISOString().slice(0, 10);
  const choices = studies.map(({ name, price }) =>
    price
      ? fillWords(words.acceptWhich, {
          design: name,
          price: written.money(price.afterIncentives, price.currency),
        })
      : name,
  );
  return [
    ...(company.payments.length > 0
      ? [
          { kind: 'heading' as const, level: 2 as const, text: words.payments },
          {
            kind: 'table' as const,
            columns: [
              { head: '', wide: true },
              { head: '', align: 'right' as const },
            ],
            rows: company.payments.map(({ when, share }) => [when, written.share(share)]),
          },
        ]
      : []),
    ...(company.terms.trim() === ''
      ? []
      : [
          { kind: 'heading' as const, level: 2 as const, text: words.terms },
          ...company.terms
            .split(/\n+/)
            .filter((line) => line.trim() !== '')
            .map((text) => ({ kind: 'paragraph' as const, text })),
        ]),
    {
      kind: 'together',
      blocks: [
        { kind: 'heading', level: 1, text: words.acceptance },
        ...(until === null
          ? []
          : [{ kind: 'paragraph' as const, text: fillWords(words.valid, { day: written.day(until) }) }]),
        { kind: 'paragraph', text: words.acceptText },
        { kind: 'ticks', items: choices },
        {
          kind: 'signatures',
          lines: [
            words.place,
            words.signature,
            ...(company.name === '' ? [] : [fillWords(words.forCompany, { company: company.name })]),
          ],
        },
      ],
    },
  ];
}

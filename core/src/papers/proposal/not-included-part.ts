import type { Block } from '../document/paper.js';
import type { ProposalOf } from './proposal-of.js';

/** What is not included: what every proposal says, and what the company adds. */
export function notIncludedPart({ studies, company, words }: ProposalOf): Block[] {
  const { plan } = studies[0]!;
  return [
    { kind: 'heading', level: 1, text: words.notIncluded },
    {
      kind: 'list',
      items: [
        ...(plan.sources.arrays.some(({ existing }) => existing) ? [words.notNewArray] : []),
        words.notUtility,
        words.notRepairs,
        ...company.notIncluded
          .split('\n')
          .map((line) => line.trim())
          .filter((line) => line !== ''),
      ],
    },
  ];
}

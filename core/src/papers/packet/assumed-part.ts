import { listPoints, openPoints } from '../../checks/index.js';
import type { Block } from '../document/paper.js';
import type { PacketOf } from './packet-of.js';

/** What nobody has confirmed yet and the figures rest on, with how it is found out; what was settled is left out. */
export function assumedPart({ study: { plan } }: PacketOf): Block[] {
  const open = listPoints(openPoints(plan), plan.openPoints, new Map()).filter(({ done }) => !done);
  if (open.length === 0) return [];
  const isGiven = open.some(({ who }) => who !== '');
  return [
    { kind: 'heading', level: 1, text: 'Assumed, to be confirmed' },
    {
      kind: 'table',
      size: 'small',
      columns: [
        { head: 'What the figures rest on', wide: true },
        { head: 'How it is found out', wide: true },
        ...(isGiven ? [{ head: 'Who' }] : []),
      ],
      rows: open.map(({ text, find, who }) => [text, find, ...(isGiven ? [who] : [])]),
    },
  ];
}

import type { Block } from '../document/paper.js';
import type { PacketOf } from './packet-of.js';

const amps = (value: number): string => (Number.isFinite(value) ? `${Number(value.toFixed(1))} A` : '–');

/** Every busbar that a source feeds: what is on it, and the ways that are judged, with their sums. */
export function busbarPart(of: PacketOf): Block[] {
  const { busbars } = of.study.wired;
  if (busbars.length === 0) return [];
  return [
    { kind: 'heading', level: 1, text: 'Busbars' },
    {
      kind: 'paragraph',
      tone: 'soft',
      text: `One way that holds is enough. ${of.edition}, 705.12 and 705.13, recalled; verify against the adopted edition.`,
    },
    ...busbars.flatMap(({ place, of: bus, ways }): Block[] => {
      const holding = ways.find(({ holds }) => holds);
      return [
        { kind: 'heading', level: 2, text: `${of.tagOf(place.id)} ${place.name}`.trim() },
        {
          kind: 'facts',
          columns: 2,
          rows: [
            ['Bus rating', amps(bus.busA)],
            ['Protected from the supply by', amps(bus.mainA)],
            ['Output of the sources', bus.sourcesA.map(amps).join(' + ')],
            ['Breakers of the sources', bus.sourceBreakersA.map(amps).join(' + ')],
            ['All other breakers', amps(bus.loadBreakersA.reduce((sum, one) => sum + one, 0))],
            ['Holds by', holding ? `${holding.clause}: ${holding.what}` : 'none of the ways'],
          ],
        },
        {
          kind: 'table',
          size: 'small',
          columns: [
            { head: 'Clause' },
            { head: 'Way', wide: true },
            { head: 'Reckoned', wide: true },
            { head: 'Verdict' },
          ],
          rows: ways.map(({ clause, what, working, holds }) => [
            clause,
            what,
            working,
            { text: holds ? 'holds' : 'does not hold', tone: holds ? 'strong' : 'soft' },
          ]),
          ...(holding && holding.asks !== '' ? { note: holding.asks } : {}),
        },
      ];
    }),
  ];
}

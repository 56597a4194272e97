import { type Standing, situationText, wiringNames } from '../../wiring/index.js';
import type { Block } from '../document/paper.js';
import type { PacketOf } from './packet-of.js';

/** The signs the wiring asks for, with where they go. */
export function signsPart(of: PacketOf): Block[] {
  const { signs } = of.safety;
  if (signs.length === 0) return [];
  return [
    { kind: 'heading', level: 1, text: 'Labels' },
    {
      kind: 'table',
      size: 'small',
      columns: [
        { head: 'Where', wide: true },
        { head: 'Words', wide: true },
        { head: 'Letters', align: 'right' },
        { head: 'Rule' },
      ],
      rows: signs.map(({ where, text, letterMm, look, rule }) => [
        where,
        of.words(look === '' ? text : `${text} (${look})`),
        of.quantity(letterMm, 'mm'),
        rule,
      ]),
    },
  ];
}

/** What was found by going through every way the switches can stand, and how each thing is made dead. */
export function statesPart(of: PacketOf): Block[] {
  const { wired } = of.study;
  const { states, dangers, graph } = wired;
  const names = wiringNames(graph);
  const handles = new Map(graph.handles.map(({ id, name }) => [id, name]));
  const stand = ({ handle, position }: Standing): string => `${handles.get(handle) ?? handle}: ${position}`;
  const bad = dangers.flatMap(({ judgement, example }) =>
    judgement.verdict === 'fails' && judgement.rule.severity !== 'consider' ? [{ judgement, example }] : [],
  );
  return [
    { kind: 'heading', level: 1, text: 'State check' },
    {
      kind: 'paragraph',
      text: `Every way the ${states.handles} handles can stand that their interlocks allow was gone through, with and without grid, generator and battery: ${states.standings.toLocaleString('en')} standings. ${
        bad.length === 0
          ? 'In none of them does the house feed a dead grid, do two sources meet that are not made to run together, or is neutral and earth bonded twice.'
          : `${bad.length} dangers were found.`
      }`,
    },
    ...(bad.length > 0
      ? [
          {
            kind: 'box' as const,
            tone: 'missing' as const,
            title: 'Open: these standings endanger somebody',
            lines: bad.map(({ judgement, example }) =>
              of.words(
                `${judgement.rule.name}: ${example ? `${situationText(example.situation)}; ${example.moved.map((handle) => stand({ handle, position: example.standing[handle]! })).join(', ') || 'handles as usual'}` : judgement.subject.name}`,
              ),
            ),
          },
        ]
      : []),
    { kind: 'heading', level: 2, text: 'To make dead' },
    {
      kind: 'table',
      size: 'small',
      columns: [
        { head: 'To work on', wide: true },
        { head: 'Open and lock, in this order', wide: true },
      ],
      rows: of.safety.isolation.map(({ place, moved, order }) => [
        `${of.tagOf(place)} ${names.get(place) ?? place}`.trim(),
        moved === null
          ? 'nothing in the house makes it dead: the utility does'
          : (order?.there ?? moved).map(stand).join('; ') || 'it is dead',
      ]),
      note: 'The fewest handles, from every source. Lock them, and prove dead before touching anything.',
    },
  ];
}

import { drawnLength, elevationDrawing, lotDrawing } from '../../placement/details.js';
import type { Block } from '../document/paper.js';
import { framed } from './drawing-parts.js';
import { assumedMark, type PacketOf } from './packet-of.js';

/** Every wall that equipment hangs on, to scale, with the room each thing needs and what breaks a rule. */
export function elevationPart(of: PacketOf): Block[] {
  const { placed, findings } = of.placement;
  const walls = of.study.plan.lot.walls.filter((wall) => placed.some((one) => one.wall.id === wall.id));
  if (walls.length === 0) return [];
  const bad = findings.filter(({ severity }) => severity === 'stops' || severity === 'must-fix');
  const length = (m: number): string => drawnLength(m, of.units);
  return [
    { kind: 'heading', level: 1, text: 'Clearances and places' },
    {
      kind: 'table',
      columns: [
        { head: 'Thing', wide: true },
        { head: 'Wall' },
        { head: 'From its left end', align: 'right' },
        { head: 'Underside above ground', align: 'right' },
        { head: 'Width', align: 'right' },
        { head: 'Height', align: 'right' },
      ],
      rows: placed.map(({ thing, wall, leftM, bottomM, widthM, heightM }) => [
        thing.name,
        wall.name,
        ...[leftM, bottomM, widthM, heightM].map(length),
      ]),
    },
    bad.length === 0
      ? {
          kind: 'paragraph',
          text: `${placed.length} things are placed; no rule of the place that is known is broken.`,
        }
      : {
          kind: 'box',
          tone: 'missing',
          title: 'Open: these break a rule',
          lines: bad.map(({ title, because }) => of.words(`${title}. ${because}`)),
        },
    ...walls.map((wall): Block => {
      const { drawing, frame } = elevationDrawing({
        wall,
        placed: placed.filter((one) => one.wall.id === wall.id),
        findings: [],
        units: of.units,
        chosen: '',
      });
      return {
        kind: 'drawing',
        on: 'sheet',
        title: `Elevation, wall ${wall.name}`,
        drawing: framed(of, `Elevation, wall ${wall.name}`, `1:${frame.scale}`, drawing),
      };
    }),
  ];
}

/** The lot from above, with disconnects and how far they are along the cables. */
export function sitePlanPart(of: PacketOf): Block[] {
  const { placed } = of.placement;
  const { plan } = of.study;
  const drawing = lotDrawing(plan.lot, placed, of.units);
  const { disconnects } = of.safety;
  return [
    ...(drawing
      ? [
          {
            kind: 'drawing' as const,
            on: 'sheet' as const,
            title: 'Site plan',
            drawing: framed(of, 'Site plan', 'as drawn', drawing),
          },
        ]
      : []),
    ...(disconnects.length > 0
      ? [
          { kind: 'heading' as const, level: 1 as const, text: 'Disconnects' },
          {
            kind: 'table' as const,
            columns: [
              { head: 'Tag' },
              { head: 'Disconnect', wide: true },
              { head: 'Along the cables from the meter', align: 'right' as const },
            ],
            rows: disconnects.map(({ part, name, cableM, assumed }) => [
              of.tagOf(part),
              name,
              cableM === null
                ? 'no cable leads there'
                : `${of.quantity(cableM, 'm')}${assumed ? assumedMark : ''}`,
            ]),
            note: `${assumedMark} a length on the way was taken for granted.`,
          },
        ]
      : []),
  ];
}

import type { Plan } from '../../design/index.js';
import { unitsNow } from '../../logbook/index.js';
import type { Block } from '../document/paper.js';

/** What really hangs on the wall: units with their serial numbers, and what was built otherwise than designed. */
export function builtBlocks({ logbook }: Pick<Plan, 'logbook'>): Block[] {
  const units = unitsNow(logbook);
  const { deviations } = logbook;
  return [
    ...(units.length > 0
      ? [
          { kind: 'heading' as const, level: 1 as const, text: 'As built' },
          {
            kind: 'table' as const,
            size: 'small' as const,
            columns: [
              { head: 'Unit', wide: true },
              { head: 'Serial number' },
              { head: 'Firmware' },
              { head: 'Built in' },
            ],
            rows: units.map(({ unit, serial, firmware }) => [
              unit.name,
              serial,
              firmware,
              unit.builtInOn ?? '',
            ]),
          },
        ]
      : []),
    ...(deviations.length > 0
      ? [
          { kind: 'heading' as const, level: 2 as const, text: 'Built otherwise than designed' },
          {
            kind: 'table' as const,
            size: 'small' as const,
            columns: [
              { head: '', align: 'right' as const },
              { head: 'What' },
              { head: 'As designed', wide: true },
              { head: 'As built', wide: true },
              { head: 'Why', wide: true },
            ],
            rows: deviations.map(({ what, designed, built, why }, index) => [
              String(index + 1),
              what,
              designed,
              built,
              why,
            ]),
          },
        ]
      : []),
  ];
}

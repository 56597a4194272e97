import type { Panel } from '../../house/index.js';
import { plannedPanels } from '../../wiring/index.js';
import { panelSchedule, printedColumns, scheduleColumns, wideColumns } from '../../present/index.js';
import type { Block } from '../document/paper.js';
import type { PacketOf } from './packet-of.js';

/** The half of a space stands with its number. */
const printed = printedColumns.filter((name) => name !== 'Half');
const right: readonly string[] = ['Breaker A', 'Poles', 'Connected VA'];

function scheduleBlocks(of: PacketOf, panel: Panel, title: string): Block[] {
  const columns = printed.map((name) => scheduleColumns.indexOf(name));
  const half = scheduleColumns.indexOf('Half');
  const { facts, rows } = panelSchedule({ ...of.study.plan, name: of.jobName }, panel);
  return [
    { kind: 'heading', level: 2, text: title },
    { kind: 'facts', columns: 2, rows: facts },
    {
      kind: 'table',
      size: 'small' as const,
      columns: printed.map((head) => ({
        head,
        wide: wideColumns.includes(head),
        align: right.includes(head) ? ('right' as const) : ('left' as const),
      })),
      rows: rows.map((row) =>
        columns.map((column, index) => (index === 0 ? `${row[column]}${row[half]}` : String(row[column]))),
      ),
    },
  ];
}

/** Panel schedules as surveyed, and as they will be. Panels that stay as they are stand once. */
export function schedulePart(of: PacketOf): Block[] {
  const { plan } = of.study;
  if (plan.survey.panels.length === 0) return [];
  const { old, added } = plannedPanels(plan);
  const changed = new Set(old.filter(({ freed }) => freed.length > 0).map(({ panel }) => panel.id));
  const moved = added.flatMap(({ panel: to, moved: breakers }) =>
    breakers.map(({ circuit, from, to: spaces, otherLegs }) => [
      circuit.name || `Space ${circuit.spaces.join(', ')}`,
      `${from.name}, ${circuit.spaces.join(', ')}`,
      spaces.length === 0 ? `${to.name}: no room` : `${to.name}, ${spaces.join(', ')}`,
      otherLegs ? 'on other legs' : '',
    ]),
  );
  return [
    { kind: 'heading', level: 1, text: 'Panel schedules' },
    ...plan.survey.panels.flatMap((panel) =>
      scheduleBlocks(of, panel, changed.has(panel.id) ? `${panel.name}, before` : panel.name),
    ),
    ...old
      .filter(({ panel }) => changed.has(panel.id))
      .flatMap(({ panel }) => scheduleBlocks(of, panel, `${panel.name}, after`)),
    ...added.flatMap(({ panel }) => scheduleBlocks(of, panel, `${panel.name}, new`)),
    ...(moved.length > 0
      ? [
          { kind: 'heading' as const, level: 2 as const, text: 'Breakers that move' },
          {
            kind: 'table' as const,
            size: 'small' as const,
            columns: [
              { head: 'Circuit', wide: true },
              { head: 'From', wide: true },
              { head: 'To', wide: true },
              { head: '' },
            ],
            rows: moved,
          },
        ]
      : []),
  ];
}

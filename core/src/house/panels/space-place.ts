import { type Leg, type SupplySystem, systemFacts } from '../../electric/index.js';
import type { Panel } from './panel.schema.js';

type Numbered = Pick<Panel, 'layout' | 'spaces'>;

export interface SpacePlace {
  /** 0 = left, 1 = right. */
  readonly column: number;
  /** From the top, or from the left in a panel of one row; 0 is the first. */
  readonly row: number;
}

/** Rows of the longer column. */
export const panelRows = ({ layout, spaces }: Numbered): number =>
  layout === 'one-row' ? spaces : Math.ceil(spaces / 2);

/** Where a space is. Spaces are numbered from 1. */
export function spacePlace(panel: Numbered, space: number): SpacePlace {
  const index = space - 1;
  if (panel.layout === 'one-row') return { column: 0, row: index };
  if (panel.layout === 'odd-even') return { column: index % 2, row: Math.floor(index / 2) };
  const rows = panelRows(panel);
  return { column: Math.floor(index / rows), row: index % rows };
}

/** The number of the space at a place; null where the panel has none. */
export function spaceAt(panel: Numbered, { column, row }: SpacePlace): number | null {
  const rows = panelRows(panel);
  if (row < 0 || row >= rows || column < 0 || column > (panel.layout === 'one-row' ? 0 : 1)) return null;
  const space =
    panel.layout === 'one-row'
      ? row + 1
      : panel.layout === 'odd-even'
        ? row * 2 + column + 1
        : column * rows + row + 1;
  return space <= panel.spaces ? space : null;
}

/**
 * The leg a space sits on: legs follow the rows, two alternate, three rotate.
 *
 * In a panel of one row the legs follow the ways of a comb bus bar; a single-phase supply has one leg only.
 */
export function spaceLeg(panel: Numbered & Pick<Panel, 'topLeg'>, space: number, system: SupplySystem): Leg {
  const { legs } = systemFacts[system];
  const first = Math.max(0, legs.indexOf(panel.topLeg));
  return legs[(first + spacePlace(panel, space).row) % legs.length]!;
}

/** The spaces a breaker of so many poles takes when its first pole sits in `space`: down its own column. */
export function spacesFrom(panel: Numbered, space: number, poles: number): number[] | null {
  const { column, row } = spacePlace(panel, space);
  const taken: number[] = [];
  for (let pole = 0; pole < poles; pole += 1) {
    const at = spaceAt(panel, { column, row: row + pole });
    if (at === null) return null;
    taken.push(at);
  }
  return taken;
}

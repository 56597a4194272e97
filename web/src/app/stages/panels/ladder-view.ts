import type { Leg } from '@levamen/core/electric';
import {
  type Circuit,
  type Panel,
  panelFedBy,
  panelRows,
  spaceAt,
  spaceLeg,
  spacePlace,
} from '@levamen/core/house';
import { breakersIn, circuitEntryText } from '@levamen/core/house/details';
import type { Plan } from '@levamen/core/design';

/** One breaker as the ladder shows it. */
export interface BreakerView {
  readonly circuit: Circuit;
  readonly rating: string;
  readonly name: string;
  /** What hangs on it, in a few words. */
  readonly loads: string;
  readonly faulty: boolean;
}

/** One place of the ladder: a space, or the space a breaker of more poles begins in. */
export interface PlaceView {
  readonly space: number;
  readonly rowSpan: number;
  readonly breakers: readonly BreakerView[];
  /** Number of the space the breaker here begins in, where that is another one. */
  readonly poleOf: number | null;
  /** What is typed to get this. */
  readonly entry: string;
}

/** One row of the ladder. A place that a breaker above reaches into is missing. */
export interface LadderRow {
  readonly row: number;
  readonly leg: Leg;
  readonly left: PlaceView | null;
  readonly leftSpace: number | null;
  readonly right: PlaceView | null;
  readonly rightSpace: number | null;
}

const loadsText = (plan: Plan, circuit: Circuit): string => {
  const feeds = panelFedBy(plan, circuit.id);
  if (feeds) return `feeds ${feeds.name}`;
  const names = plan.loads.filter(({ circuitId }) => circuitId === circuit.id).map(({ name }) => name);
  if (names.length === 0) return circuit.use === 'spare' ? '' : circuit.backFeeds ? 'feeds back' : 'no load';
  return names.length === 1 ? names[0]! : `${names.length} loads`;
};

/** A panel as rows of its legend. */
export function ladderView(plan: Plan, panel: Panel, faulty: ReadonlySet<string>): LadderRow[] {
  const viewOf = (circuit: Circuit): BreakerView => ({
    circuit,
    rating: circuit.ratingA === null ? '?' : String(circuit.ratingA),
    name: circuit.name || (circuit.use === 'spare' ? 'spare' : 'not named'),
    loads: loadsText(plan, circuit),
    faulty: faulty.has(circuit.id),
  });
  /** Rows a breaker fills from a space on, straight down its column. */
  const reach = (circuit: Circuit, space: number): number => {
    const { column, row } = spacePlace(panel, space);
    let rows = 1;
    while (
      circuit.half === null &&
      rows < circuit.spaces.length &&
      circuit.spaces[rows] === spaceAt(panel, { column, row: row + rows })
    )
      rows += 1;
    return rows;
  };
  const covered = new Set<number>();
  const placeAt = (space: number | null): PlaceView | null => {
    if (space === null || covered.has(space)) return null;
    const here = breakersIn(panel, space);
    const begins = here.filter(({ spaces }) => spaces[0] === space);
    const first = begins[0];
    const rowSpan = here.length === 1 && first ? reach(first, space) : 1;
    const { column, row } = spacePlace(panel, space);
    for (let below = 1; below < rowSpan; below += 1)
      covered.add(spaceAt(panel, { column, row: row + below })!);
    return {
      space,
      rowSpan,
      breakers: (begins.length > 0 ? begins : here).map(viewOf),
      poleOf: begins.length === 0 && here[0] ? here[0].spaces[0]! : null,
      entry: begins.map(circuitEntryText).join(' | '),
    };
  };
  return Array.from({ length: panelRows(panel) }, (_, row) => {
    const leftSpace = spaceAt(panel, { column: 0, row });
    const rightSpace = spaceAt(panel, { column: 1, row });
    return {
      row,
      leg: spaceLeg(panel, leftSpace ?? rightSpace!, plan.supply.system),
      left: placeAt(leftSpace),
      leftSpace,
      right: placeAt(rightSpace),
      rightSpace,
    };
  });
}

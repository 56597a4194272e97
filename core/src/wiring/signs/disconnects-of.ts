import type { WiringGraph, WiringPart } from '../graph/wiring-graph.js';

/** Somewhere a person can open something. */
export interface Disconnect {
  readonly part: string;
  readonly name: string;
  /** Metres of cable from where the grid comes in, or from the nearest place that the grid reaches; null = no cable leads there. */
  readonly cableM: number | null;
  /** A length on the way was taken for granted. */
  readonly assumed: boolean;
}

interface Way {
  readonly cableM: number;
  readonly assumed: boolean;
}

/** Shortest ways along the cables from the meters, by place (Dijkstra, 1959). */
function waysFromGrid({ places, parts }: WiringGraph): Map<string, Way> {
  const ways = new Map<string, Way>(
    places.flatMap(({ id, kind }) =>
      kind === 'meter' ? [[id, { cableM: 0, assumed: false }] as const] : [],
    ),
  );
  const open = new Set(ways.keys());
  while (open.size > 0) {
    const nearest = [...open].reduce((a, b) => (ways.get(b)!.cableM < ways.get(a)!.cableM ? b : a));
    open.delete(nearest);
    const here = ways.get(nearest)!;
    for (const { from, to, cable } of parts) {
      const next = from === nearest ? to : to === nearest ? from : null;
      if (next === null || cable?.isUtility) continue;
      const way = {
        cableM: here.cableM + (cable?.lengthM.value ?? 0),
        assumed: here.assumed || (cable?.lengthM.assumed ?? false),
      };
      const known = ways.get(next);
      if (known && known.cableM <= way.cableM) continue;
      ways.set(next, way);
      open.add(next);
    }
  }
  return ways;
}

const kinds: readonly string[] = ['main', 'disconnect', 'bypass'];
const uses: readonly string[] = ['source', 'array', 'generator', 'battery'];

/** Can somebody open it, and is it there for that, or cuts a source off? */
const isDisconnect = ({ device, cable }: WiringPart): boolean =>
  Boolean(device?.handle) && (kinds.includes(device!.kind) || (cable !== null && uses.includes(cable.use)));

/** Mains, disconnects, bypasses, and the breakers by which a source is cut off, nearest to the meter first. */
export function disconnectsOf(graph: WiringGraph): Disconnect[] {
  const ways = waysFromGrid(graph);
  // Two contacts of one handle are one disconnect.
  const byHandle = new Map(
    graph.parts.filter(isDisconnect).map((part) => [part.device!.handle!.id, part] as const),
  );
  return [...byHandle.values()]
    .map(({ id, device, from }): Disconnect => ({
      part: id,
      name: device!.name,
      cableM: ways.get(from)?.cableM ?? null,
      assumed: ways.get(from)?.assumed ?? false,
    }))
    .toSorted((a, b) => (a.cableM ?? Infinity) - (b.cableM ?? Infinity));
}

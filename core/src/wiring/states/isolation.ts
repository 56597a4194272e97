import { groupBy } from '../../base/index.js';
import { allows } from './every-standing.js';
import type { Link, Standing, SwitchNetwork } from './switch-network.js';

/** More handles than this nobody moves to work on one thing. */
const mostHandles = 6;

type Moved = ReadonlyMap<string, string>;

/** Handles in their order, then positions in theirs: of several ways with as few handles the first is told. */
const compared = (a: readonly number[], b: readonly number[]): number => {
  const at = a.findIndex((value, index) => value !== b[index]);
  return at < 0 ? 0 : a[at]! - b[at]!;
};

/**
 * The fewest handles that must be moved, and to where, so that no source reaches a place, whatever the devices do that open and close by
 * themselves; the place's own source does not count.
 *
 * As long as a way is left from a source to the place, one of the handles on it must be moved: only these are tried, one after the other.
 *
 * @returns null where no set of {@link mostHandles} does it: only the utility, or a maker's own switch
 */
export function isolationOf(network: SwitchNetwork, placeId: string): readonly Standing[] | null {
  if (!network.nodes.some(({ id }) => id === placeId)) return null;
  const sources = new Set(network.sources.flatMap(({ at }) => (at === placeId ? [] : [at])));
  const links = network.links.filter(({ layer }) => layer === 'line');
  const atNode = groupBy(
    links.flatMap((link) => [
      { link, here: link.from, there: link.to },
      { link, here: link.to, there: link.from },
    ]),
    ({ here }) => here,
  );
  const places = new Map(
    network.handles.map(({ id, positions }, index) => [id, { index, positions }] as const),
  );
  /** One that was not moved may stand anywhere. */
  const isClosed = ({ closedBy }: Link, moved: Moved): boolean =>
    closedBy.every((closing) => {
      if (closing.kind !== 'handle') return true;
      const stands = moved.get(closing.handle);
      return stands === undefined || closing.positions.includes(stands);
    });
  /** Links of a way from a source to the place with the fewest links; null = it is dead. */
  const wayIn = (moved: Moved): readonly Link[] | null => {
    const cameBy = new Map<string, { readonly link: Link; readonly from: string } | null>([[placeId, null]]);
    for (const node of cameBy.keys()) {
      if (sources.has(node)) {
        const way: Link[] = [];
        for (let step = cameBy.get(node); step; step = cameBy.get(step.from)) way.push(step.link);
        return way;
      }
      for (const { link, there } of atNode.get(node) ?? [])
        if (!cameBy.has(there) && isClosed(link, moved)) cameBy.set(there, { link, from: node });
    }
    return null;
  };
  /** Positions that open something of a way, of handles that were not moved yet. */
  const opening = (way: readonly Link[], moved: Moved): (readonly [handle: string, position: string])[] =>
    way.flatMap(({ closedBy }) =>
      closedBy.flatMap((closing) =>
        closing.kind !== 'handle' || moved.has(closing.handle)
          ? []
          : places
              .get(closing.handle)!
              .positions.filter((position) => !closing.positions.includes(position))
              .map((position) => [closing.handle, position] as const),
      ),
    );
  const inOrder = (moved: Moved): readonly number[] =>
    [...moved]
      .map(([handle, position]) => {
        const { index, positions } = places.get(handle)!;
        return [index, positions.indexOf(position)] as const;
      })
      .toSorted(([a], [b]) => a - b)
      .flat();
  const found: { readonly moved: Moved; readonly order: readonly number[] }[] = [];
  const seen = new Set<string>();
  const search = (moved: Moved, left: number): void => {
    const order = inOrder(moved);
    const key = order.join();
    // The same handles in another order.
    if (seen.has(key)) return;
    seen.add(key);
    // What an interlock forbids stays forbidden, whatever else is moved.
    if (!allows(network.interlocks, Object.fromEntries(moved))) return;
    const way = wayIn(moved);
    if (way === null) {
      found.push({ moved, order });
      return;
    }
    if (left === 0) return;
    for (const [handle, position] of opening(way, moved))
      search(new Map([...moved, [handle, position]]), left - 1);
  };
  for (
    let count = 0;
    count <= Math.min(mostHandles, network.handles.length) && found.length === 0;
    count += 1
  ) {
    seen.clear();
    search(new Map(), count);
  }
  const [first] = found.toSorted((a, b) => compared(a.order, b.order));
  return first
    ? [...first.moved]
        .toSorted(([a], [b]) => places.get(a)!.index - places.get(b)!.index)
        .map(([handle, position]) => ({ handle, position }))
    : null;
}

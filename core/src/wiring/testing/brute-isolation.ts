import { allows } from '../states/every-standing.js';
import type { Standing, SwitchNetwork } from '../states/switch-network.js';
import { UnionFind } from '../states/union-find.js';

/** More handles than this nobody moves to work on one thing. */
const mostHandles = 6;

/** The same as `isolationOf` by trying every set of handles, in their order. */
export function bruteIsolation(network: SwitchNetwork, placeId: string): readonly Standing[] | null {
  const index = new Map(network.nodes.map(({ id }, at) => [id, at]));
  const target = index.get(placeId);
  if (target === undefined) return null;
  const sources = network.sources.flatMap(({ at }) => (at === placeId ? [] : [index.get(at)!]));
  const links = network.links.filter(({ layer }) => layer === 'line');
  const joined = new UnionFind(network.nodes.length);
  const isDead = (moved: Readonly<Record<string, string>>): boolean => {
    joined.clear();
    for (const { from, to, closedBy } of links) {
      const isClosed = closedBy.every((closing) => {
        if (closing.kind !== 'handle') return true;
        const stands = moved[closing.handle];
        // One that was not moved may stand anywhere.
        return stands === undefined || closing.positions.includes(stands);
      });
      if (isClosed) joined.join(index.get(from)!, index.get(to)!);
    }
    const root = joined.root(target);
    return sources.every((at) => joined.root(at) !== root);
  };
  const opens = (handle: string, position: string): boolean =>
    links.some(({ closedBy }) =>
      closedBy.some(
        (closing) =>
          closing.kind === 'handle' && closing.handle === handle && !closing.positions.includes(position),
      ),
    );
  const search = (
    from: number,
    left: number,
    moved: Readonly<Record<string, string>>,
  ): Readonly<Record<string, string>> | null => {
    if (left === 0) return isDead(moved) && allows(network.interlocks, moved) ? moved : null;
    for (let at = from; at < network.handles.length; at += 1) {
      const { id, positions } = network.handles[at]!;
      for (const position of positions.filter((one) => opens(id, one))) {
        const found = search(at + 1, left - 1, { ...moved, [id]: position });
        if (found) return found;
      }
    }
    return null;
  };
  for (let count = 0; count <= Math.min(mostHandles, network.handles.length); count += 1) {
    const found = search(0, count, {});
    if (found) return Object.entries(found).map(([handle, position]) => ({ handle, position }));
  }
  return null;
}

import type { Closing, Link, Standing, SwitchNetwork } from './switch-network.js';

/** A network with fewer handles, in which the same things can happen, and where the handles stand that it leaves out. */
export interface ReducedNetwork {
  readonly network: SwitchNetwork;
  readonly left: readonly Standing[];
}

const keyOf = (closing: Closing): string => JSON.stringify(closing);

/**
 * Leaves out what cannot matter: conductors that lead to nothing that feeds, bonds, watches or asks; and of handles in series one stands closed for
 * good, since the other opens the same path. No interlock may name what is left out.
 */
export function reduceNetwork(network: SwitchNetwork): ReducedNetwork {
  const terminals = terminalsOf(network);
  let links: readonly Link[] = network.links.map((link) => ({ ...link, closedBy: unique(link.closedBy) }));
  for (;;) {
    const next = joinSeries(cutEnds(links, terminals), terminals);
    if (next.length === links.length) break;
    links = next;
  }
  const locked = new Set(network.interlocks.flatMap(({ forbids }) => forbids.map(({ handle }) => handle)));
  const left: Standing[] = [];
  let handles = network.handles;
  const drop = (handle: string, position: string): void => {
    left.push({ handle, position });
    handles = handles.filter(({ id }) => id !== handle);
  };
  for (const { id, positions } of network.handles) {
    if (locked.has(id)) continue;
    const mine = linksWith(links, id);
    if (mine.length === 0) {
      drop(id, positions[0]);
      continue;
    }
    // Every path it switches is switched by another handle too, always in the same way.
    const partner = handles.find(
      (other) =>
        other.id !== id &&
        // One that an interlock holds may not be free to open.
        !locked.has(other.id) &&
        linksWith(links, other.id).length === mine.length &&
        mine.every((link) => conditionOf(link, other.id) !== undefined) &&
        sameEverywhere(mine, id) &&
        sameEverywhere(mine, other.id),
    );
    if (!partner) continue;
    const { positions: closed } = conditionOf(mine[0]!, id)!;
    drop(id, closed.includes(positions[0]) ? positions[0] : closed[0]!);
    links = links.map((link) => ({
      ...link,
      closedBy: link.closedBy.filter((closing) => closing.kind !== 'handle' || closing.handle !== id),
    }));
  }
  return { network: { ...network, links, handles }, left };
}

const linksWith = (links: readonly Link[], handle: string): readonly Link[] =>
  links.filter((link) => conditionOf(link, handle) !== undefined);

type OfHandle = Extract<Closing, { kind: 'handle' }>;

const conditionOf = ({ closedBy }: Link, handle: string): OfHandle | undefined =>
  closedBy.find((closing): closing is OfHandle => closing.kind === 'handle' && closing.handle === handle);

const sameEverywhere = (links: readonly Link[], handle: string): boolean =>
  new Set(links.map((link) => keyOf(conditionOf(link, handle)!))).size === 1;

/** The same condition once; a handle that must be in two sets of positions must be in both. */
function unique(closedBy: readonly Closing[]): Closing[] {
  const found: Closing[] = [];
  for (const closing of closedBy) {
    if (closing.kind === 'always') continue;
    const same = found.findIndex((other) =>
      closing.kind === 'handle'
        ? other.kind === 'handle' && other.handle === closing.handle
        : keyOf(other) === keyOf(closing),
    );
    if (same < 0) {
      found.push(closing);
      continue;
    }
    const other = found[same]!;
    if (closing.kind === 'handle' && other.kind === 'handle')
      found[same] = { ...other, positions: other.positions.filter((one) => closing.positions.includes(one)) };
  }
  return found;
}

/** Places that count for themselves, by layer. */
function terminalsOf(network: SwitchNetwork): Record<Link['layer'], ReadonlySet<string>> {
  const { sources, devices, bonds, nodes, neutralFormers } = network;
  const arrays = sources.some(({ kind, parallelGroup }) => kind === 'generator' && parallelGroup === null);
  const asks = sources.some(({ formsNeutral, kind }) => !formsNeutral && kind !== 'array');
  const leads = sources.filter(({ kind }) => kind !== 'array');
  return {
    line: new Set([
      ...sources.filter(({ kind }) => kind !== 'array' || arrays).map(({ at }) => at),
      ...devices.map(({ watches }) => watches),
      ...(asks ? nodes.filter(({ needsNeutral }) => needsNeutral).map(({ id }) => id) : []),
      ...(asks ? neutralFormers.map(({ at }) => at) : []),
    ]),
    neutral: new Set([...leads, ...bonds].map(({ at }) => at)),
  };
}

type Terminals = ReturnType<typeof terminalsOf>;

const endsAt = (links: readonly Link[], layer: Link['layer']): ReadonlyMap<string, number> => {
  const count = new Map<string, number>();
  for (const link of links)
    if (link.layer === layer)
      for (const place of [link.from, link.to]) count.set(place, (count.get(place) ?? 0) + 1);
  return count;
};

/** Without what leads to nothing, and what no position closes. */
function cutEnds(links: readonly Link[], terminals: Terminals): Link[] {
  const isNever = ({ closedBy }: Link): boolean =>
    closedBy.some((closing) => closing.kind === 'handle' && closing.positions.length === 0);
  let kept = links.filter((link) => link.from !== link.to && !isNever(link));
  for (;;) {
    const ends = { line: endsAt(kept, 'line'), neutral: endsAt(kept, 'neutral') };
    const isDead = ({ layer }: Link, place: string): boolean =>
      ends[layer].get(place) === 1 && !terminals[layer].has(place);
    const next = kept.filter((link) => !isDead(link, link.from) && !isDead(link, link.to));
    if (next.length === kept.length) return next;
    kept = next;
  }
}

/** Two conductors that meet where nothing else is are one. */
function joinSeries(links: readonly Link[], terminals: Terminals): Link[] {
  for (const layer of ['line', 'neutral'] as const)
    for (const [place, count] of endsAt(links, layer)) {
      if (count !== 2 || terminals[layer].has(place)) continue;
      const [one, two] = links.filter(
        (link) => link.layer === layer && (link.from === place || link.to === place),
      );
      if (!one || !two) continue;
      const far = (link: Link): string => (link.from === place ? link.to : link.from);
      const joined: Link = {
        id: `${one.id}+${two.id}`,
        from: far(one),
        to: far(two),
        layer,
        closedBy: unique([...one.closedBy, ...two.closedBy]),
      };
      return [...links.filter((link) => link !== one && link !== two), joined];
    }
  return [...links];
}

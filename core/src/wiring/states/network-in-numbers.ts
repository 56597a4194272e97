import type {
  Closing,
  Hazard,
  NetworkSource,
  Situation,
  SourceKind,
  SwitchNetwork,
} from './switch-network.js';
import { UnionFind } from './union-find.js';

interface NumberedLink {
  readonly from: number;
  readonly to: number;
  /** [handle, positions as bits], both must be true of it. */
  readonly handles: readonly (readonly [handle: number, positions: number])[];
  readonly devices: readonly number[];
  readonly unlessGenerator: boolean;
}

/**
 * A network as numbers, so that hundreds of thousands of standings can be judged. One standing is judged by the definition: isolating devices
 * close one after the other where what they watch is live; what leads is then known, and what each leading source reaches.
 */
export class NetworkInNumbers {
  private readonly lines: readonly NumberedLink[];
  private readonly neutrals: readonly NumberedLink[];
  private readonly place = new Map<string, number>();
  private readonly deviceIndex = new Map<string, number>();
  private readonly line: UnionFind;
  private readonly neutral: UnionFind;
  private readonly closed: Uint8Array;

  constructor(readonly network: SwitchNetwork) {
    for (const [index, { id }] of network.nodes.entries()) this.place.set(id, index);
    for (const [index, { id }] of network.devices.entries()) this.deviceIndex.set(id, index);
    const handleIndex = new Map(network.handles.map(({ id }, index) => [id, index]));
    const numbered = (layer: 'line' | 'neutral'): NumberedLink[] =>
      network.links
        .filter((link) => link.layer === layer)
        .map(({ from, to, closedBy }) => ({
          from: this.at(from),
          to: this.at(to),
          handles: closedBy.flatMap((closing: Closing) => {
            if (closing.kind !== 'handle') return [];
            const index = handleIndex.get(closing.handle);
            if (index === undefined) throw new Error(`No handle ${closing.handle}`);
            const { positions } = network.handles[index]!;
            const bits = closing.positions.reduce((sum, one) => sum | (1 << positions.indexOf(one)), 0);
            return [[index, bits] as const];
          }),
          devices: closedBy.flatMap((closing) =>
            closing.kind === 'isolating' ? [this.deviceIndex.get(closing.device)!] : [],
          ),
          unlessGenerator: closedBy.some(({ kind }) => kind === 'unless-generator'),
        }));
    this.lines = numbered('line');
    this.neutrals = numbered('neutral');
    this.line = new UnionFind(network.nodes.length);
    this.neutral = new UnionFind(network.nodes.length);
    this.closed = new Uint8Array(network.devices.length);
  }

  private at(id: string): number {
    const found = this.place.get(id);
    if (found === undefined) throw new Error(`No place ${id}`);
    return found;
  }

  /** @param standing index of the position of each handle */
  private connect(
    into: UnionFind,
    links: readonly NumberedLink[],
    standing: Int32Array,
    generator: boolean,
  ): void {
    into.clear();
    next: for (const link of links) {
      if (link.unlessGenerator && generator) continue;
      for (const [handle, bits] of link.handles) if (((bits >> standing[handle]!) & 1) === 0) continue next;
      for (const device of link.devices) if (this.closed[device] === 0) continue next;
      into.join(link.from, link.to);
    }
  }

  /** Lets isolating devices close and sources lead; line and neutral are connected as they stand afterwards. */
  private settle(
    standing: Int32Array,
    situation: Situation,
  ): { readonly leading: readonly NetworkSource[]; readonly isOpen: (device: string | null) => boolean } {
    const { network, line, neutral, closed } = this;
    const { sources, devices } = network;
    closed.fill(0);
    const outside = sources.filter(
      ({ kind }) => (kind === 'grid' && situation.grid) || (kind === 'generator' && situation.generator),
    );
    for (;;) {
      this.connect(line, this.lines, standing, situation.generator);
      const live = new Set(outside.map(({ at }) => line.root(this.at(at))));
      let changed = false;
      for (const [index, { watches }] of devices.entries()) {
        if (closed[index] === 1 || !live.has(line.root(this.at(watches)))) continue;
        closed[index] = 1;
        changed = true;
      }
      if (!changed) break;
    }
    this.connect(neutral, this.neutrals, standing, situation.generator);
    const isOpen = (device: string | null): boolean =>
      device === null || closed[this.deviceIndex.get(device)!] === 0;
    const leading = sources.filter(
      (source) =>
        outside.includes(source) ||
        (source.kind === 'inverter' && situation.battery && isOpen(source.device)),
    );
    return { leading, isOpen };
  }

  /** The kind of source that leads at each live place, by its id; what is dead is not there. */
  live(standing: Readonly<Record<string, string>>, situation: Situation): ReadonlyMap<string, SourceKind> {
    const { network, line } = this;
    const { leading } = this.settle(this.inOrder(standing), situation);
    const kinds = new Map(leading.map(({ at, kind }) => [line.root(this.at(at)), kind]));
    return new Map(
      network.nodes.flatMap(({ id }) => {
        const kind = kinds.get(line.root(this.at(id)));
        return kind ? [[id, kind] as const] : [];
      }),
    );
  }

  /** Positions by name as their indices, in the order of the handles; where a name is missing, as usual. */
  inOrder(standing: Readonly<Record<string, string>>): Int32Array {
    return Int32Array.from(this.network.handles, ({ id, positions }) =>
      Math.max(0, positions.indexOf(standing[id] ?? positions[0])),
    );
  }

  /** What is dangerous while the handles stand so. */
  hazards(standing: Int32Array, situation: Situation): Hazard[] {
    const { network, line, neutral } = this;
    const { sources, bonds, nodes, neutralFormers } = network;
    const { leading, isOpen } = this.settle(standing, situation);
    const found: Hazard[] = [];
    const add = (kind: Hazard['kind'], ...concerns: string[]): void => {
      found.push({ kind, concerns });
    };
    const rootOf = (id: string): number => line.root(this.at(id));
    for (const [index, source] of leading.entries()) {
      const root = rootOf(source.at);
      if (source.kind !== 'grid' && !situation.grid)
        for (const grid of sources)
          if (grid.kind === 'grid' && rootOf(grid.at) === root) add('back-feed', source.id, grid.id);
      for (const other of leading.slice(index + 1)) {
        // Two grids of one house are one utility.
        if (rootOf(other.at) !== root || (source.kind === 'grid' && other.kind === 'grid')) continue;
        if (source.parallelGroup !== null && source.parallelGroup === other.parallelGroup) continue;
        add('parallel', source.id, other.id);
      }
      if (source.kind === 'generator' && source.parallelGroup === null)
        for (const array of sources)
          if (array.kind === 'array' && rootOf(array.at) === root)
            add('solar-generator', array.id, source.id);
      const earthed = neutral.root(this.at(source.at));
      const mine = bonds.filter(
        ({ at, when }) =>
          neutral.root(this.at(at)) === earthed &&
          (when.kind === 'always' || (isOpen(when.device) && leading.some(({ id }) => id === when.inverter))),
      );
      const groups = new Set(mine.map(({ group }) => group));
      if (groups.size === 0) add('no-bond', source.id);
      if (groups.size > 1) add('two-bonds', source.id, ...mine.map(({ id }) => id).toSorted());
      if (source.formsNeutral) continue;
      const formed =
        neutralFormers.some(({ at }) => rootOf(at) === root) ||
        leading.some((other) => other.formsNeutral && rootOf(other.at) === root);
      const needs = nodes.find((node) => node.needsNeutral && rootOf(node.id) === root);
      if (!formed && needs) add('no-neutral', source.id);
    }
    return found;
  }
}

import type { Plan } from '../design/index.js';
import type { WiredDesign } from './check-wiring.js';
import { networkOf } from './graph/network-of.js';
import type { WiringPart } from './graph/wiring-graph.js';
import { type Disconnect, disconnectsOf } from './signs/disconnects-of.js';
import { signsOf, type WiringSign } from './signs/signs-of.js';
import { isolationOf } from './states/isolation.js';
import { liveAt } from './states/live-at.js';
import type { SourceKind, Standing } from './states/switch-network.js';
import { type SwitchingOrder, switchingOrder } from './states/switching-order.js';

/** What people who work on the wiring must know. */
export interface WiringSafety {
  /** For each busbar and source: what makes it dead; null = nothing in the house does. */
  readonly isolation: readonly {
    readonly place: string;
    readonly moved: readonly Standing[] | null;
    /** In which order, and back; null = nothing is moved. */
    readonly order: SwitchingOrder | null;
  }[];
  /** How the house is put on a bypass, and taken off it. */
  readonly bypasses: readonly (SwitchingOrder & { readonly handle: string })[];
  /** For each main: what stays live when it is opened with the grid there. */
  readonly afterMain: readonly {
    readonly handle: string;
    readonly live: readonly { readonly place: string; readonly from: SourceKind }[];
  }[];
  /** Where something can be opened, nearest to the meter first. */
  readonly disconnects: readonly Disconnect[];
  readonly signs: readonly WiringSign[];
}

/** Sources first, as is usual: what feeds in, then the battery behind it, what distributes, and the mains last (common practice, no source). */
function earliness(part: WiringPart | undefined): number {
  const uses = ['generator', 'array', 'source', 'battery', 'feeder'];
  if (part?.device?.kind === 'main' || part?.id.startsWith('emergency:')) return uses.length + 1;
  const at = uses.indexOf(part?.cable?.use ?? '');
  return at < 0 ? uses.length : at;
}

export function safetyOf(plan: Plan, wired: WiredDesign): WiringSafety {
  const { graph } = wired;
  const network = networkOf(graph);
  const worked = graph.places.filter(
    ({ kind }) => kind !== 'grid' && kind !== 'terminals' && kind !== 'battery',
  );
  const mains = graph.parts.flatMap(({ id, device }) =>
    device?.handle && (device.kind === 'main' || id.startsWith('emergency:')) ? [device.handle.id] : [],
  );
  const partOf = new Map(
    graph.parts.flatMap((part) => (part.device?.handle ? [[part.device.handle.id, part] as const] : [])),
  );
  const early = (handle: string): number => earliness(partOf.get(handle));
  const outputs = [...partOf].flatMap(([handle, { cable, to }]): Standing[] =>
    cable?.use === 'source' && graph.sources.some(({ at }) => at === to)
      ? [{ handle, position: 'open' }]
      : [],
  );
  const present = {
    grid: true,
    generator: false,
    battery: graph.sources.some(({ kind }) => kind === 'inverter'),
  };
  return {
    isolation: worked.map(({ id }) => {
      const moved = isolationOf(network, id);
      return {
        place: id,
        moved,
        order: moved && moved.length > 0 ? switchingOrder(network, moved, early) : null,
      };
    }),
    bypasses: graph.handles
      .filter(({ id }) => id.startsWith('bypass:'))
      .map(({ id, positions }) => ({
        handle: id,
        ...switchingOrder(
          network,
          [...outputs, { handle: id, position: positions.find((one) => one !== positions[0])! }],
          early,
        ),
      })),
    afterMain: mains.map((handle) => {
      const kinds = liveAt(network, { [handle]: 'open' }, present);
      return {
        handle,
        live: graph.places.flatMap(({ id, kind }) => {
          const from = kinds.get(id);
          return kind === 'bus' && from ? [{ place: id, from }] : [];
        }),
      };
    }),
    disconnects: disconnectsOf(graph),
    signs: signsOf(plan, wired),
  };
}

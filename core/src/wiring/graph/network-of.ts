import type { Closing, Link, SwitchNetwork } from '../states/switch-network.js';
import type { WiringGraph, WiringPart } from './wiring-graph.js';

/** Lines and neutrals of a wiring with everything that switches them; a bus of a split-phase house needs a neutral. */
export const networkOf = ({
  places,
  parts,
  handles,
  interlocks,
  devices,
  sources,
  bonds,
  neutralFormers,
}: WiringGraph): SwitchNetwork => ({
  nodes: places.map(({ id, kind }) => ({ id, needsNeutral: kind === 'bus' })),
  links: parts.flatMap(linksOf),
  handles,
  interlocks,
  devices,
  sources,
  bonds,
  neutralFormers,
});

function linksOf({ id, from, to, device, neutral }: WiringPart): Link[] {
  const closings: Closing[] = [];
  if (device?.handle)
    closings.push({ kind: 'handle', handle: device.handle.id, positions: device.handle.closedIn });
  if (device?.automatic === 'unless-generator') closings.push({ kind: 'unless-generator' });
  else if (device?.automatic) closings.push({ kind: 'isolating', device: device.automatic.device });
  const link = (layer: Link['layer'], closedBy: readonly Closing[]): Link => ({
    id: `${id}.${layer}`,
    from,
    to,
    layer,
    closedBy: closedBy.length > 0 ? closedBy : [{ kind: 'always' }],
  });
  return [
    link('line', closings),
    ...(neutral ? [link('neutral', device?.switchesNeutral ? closings : [])] : []),
  ];
}

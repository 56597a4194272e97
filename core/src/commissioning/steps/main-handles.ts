import type { WiredDesign } from '../../wiring/index.js';

/** Names of the mains that have a handle: where the grid can be taken away. */
export const mainHandles = ({ graph }: Pick<WiredDesign, 'graph'>): string[] =>
  graph.parts.flatMap(({ device }) => (device?.kind === 'main' && device.handle ? [device.name] : []));

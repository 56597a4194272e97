import type { WiringCable, WiringGraph } from './wiring-graph.js';

/** Parts between a source and the cable that carries its current: a disconnect, terminals. */
const mostSteps = 4;

/** The cable a source hangs on, which knows what the source gives; null where there is none. */
export function sourceCable({ parts }: Pick<WiringGraph, 'parts'>, at: string): WiringCable | null {
  let place = at;
  for (let step = 0; step < mostSteps; step += 1) {
    const part = parts.find(({ to }) => to === place);
    if (!part) return null;
    if (part.cable && part.cable.continuousA > 0) return part.cable;
    place = part.from;
  }
  return null;
}

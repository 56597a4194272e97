import type { WiringGraph, WiringPart } from './wiring-graph.js';

/** What feeds a place, and the place ahead of it. */
export interface Feeder {
  readonly part: WiringPart;
  readonly from: string;
}

export type Feeders = ReadonlyMap<string, Feeder>;

/** What feeds a place, then what feeds that, up to the grid. */
export function* towardsGrid(fedBy: Feeders, place: string): Generator<Feeder> {
  for (let feeder = fedBy.get(place); feeder; feeder = fedBy.get(feeder.from)) yield feeder;
}

/**
 * What feeds each place from the side of the grid, nearest to the grid first: by a walk that begins at the grids and takes neither a bypass nor the way
 * of a generator.
 */
export function feedersFromGrid({ places, parts }: WiringGraph): Feeders {
  const fedBy = new Map<string, Feeder>();
  const reached = new Set(places.filter(({ kind }) => kind === 'grid').map(({ id }) => id));
  const waiting = [...reached];
  for (let from = waiting.shift(); from !== undefined; from = waiting.shift())
    for (const part of parts) {
      const to = part.from === from ? part.to : part.to === from ? part.from : null;
      if (to === null || reached.has(to) || part.device?.kind === 'bypass' || to.startsWith('generator'))
        continue;
      reached.add(to);
      fedBy.set(to, { part, from });
      waiting.push(to);
    }
  return fedBy;
}

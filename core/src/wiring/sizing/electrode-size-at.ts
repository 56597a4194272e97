import type { AmericanSize } from '../../electric/index.js';
import type { WiringGraph } from '../graph/wiring-graph.js';
import type { SizedCable } from './size-cable.js';

/**
 * Size of the copper conductor from a place of service equipment to the electrodes: by the largest service conductor that comes into its box.
 *
 * @returns null = no service conductor of known size comes there
 */
export function electrodeSizeAt(
  { places }: Pick<WiringGraph, 'places'>,
  cables: ReadonlyMap<string, SizedCable>,
  placeId: string,
): AmericanSize | null {
  const boxOf = (id: string): string | undefined => places.find((place) => place.id === id)?.enclosure;
  const box = boxOf(placeId);
  for (const { part, electrode } of cables.values())
    if (electrode !== null && [part.from, part.to].some((end) => boxOf(end) === box)) return electrode;
  return null;
}

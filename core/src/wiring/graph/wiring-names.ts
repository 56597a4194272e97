import type { WiringGraph } from './wiring-graph.js';

/** What everything of a wiring is called, by id. */
export const wiringNames = ({
  places,
  parts,
  accessories,
  links,
}: Pick<WiringGraph, 'places' | 'parts' | 'accessories' | 'links'>): ReadonlyMap<string, string> =>
  new Map([...places, ...parts, ...accessories, ...links].map(({ id, name }) => [id, name]));

import type { Site } from './site.schema.js';

/** Does the house stand south of the equator? Not where nobody has said. */
export const isSouthern = ({ latitudeDeg }: Pick<Site, 'latitudeDeg'>): boolean =>
  latitudeDeg !== null && latitudeDeg < 0;

/**
 * A value of a map, worked out where it is not there yet; it is the newest then, and the oldest go.
 *
 * @param most values that are kept
 */
export function keepNewest<T>(map: Map<string, T>, key: string, most: number, make: () => T): T {
  const value = map.get(key) ?? make();
  map.delete(key);
  map.set(key, value);
  for (const oldest of map.keys()) {
    if (map.size <= most) break;
    map.delete(oldest);
  }
  return value;
}

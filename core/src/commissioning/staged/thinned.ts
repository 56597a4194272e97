/** So many evenly chosen values at most, as they were: what is short is not smoothed away where it fits. */
export function thinned<T>(values: readonly T[], most: number): readonly T[] {
  if (values.length <= most) return values;
  const every = values.length / most;
  return Array.from({ length: most }, (_, place) => values[Math.floor(place * every)]!);
}

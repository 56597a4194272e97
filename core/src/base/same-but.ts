/** Are two versions of a thing the same, part by part, but for some of its parts? Parts are compared by identity. */
export const sameBut = <Thing extends object>(
  one: Thing,
  other: Thing,
  but: readonly (keyof Thing)[],
): boolean =>
  (Object.keys(one) as (keyof Thing)[]).every((key) => but.includes(key) || one[key] === other[key]);

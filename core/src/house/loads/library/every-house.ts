/** Entries of the library that nearly every house has. */
export const everyHouse = [
  'fridge',
  'lights-living',
  'lights-kitchen',
  'lights-bed',
  'router',
  'phones',
  'laptop',
  'tv',
  'outlets',
  'microwave',
  'coffee',
  'vacuum',
] as const;

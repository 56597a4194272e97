/** What is asked for on the telephone: entries of the load library, by where they are in the house. */
export const askedGroups: readonly { readonly name: string; readonly ids: readonly string[] }[] = [
  {
    name: 'Every day',
    ids: [
      'fridge',
      'freezer-chest',
      'lights-living',
      'lights-kitchen',
      'router',
      'phones',
      'laptop',
      'tv',
      'outlets',
    ],
  },
  { name: 'Kitchen', ids: ['microwave', 'coffee', 'kettle', 'gas-range', 'range-electric', 'dishwasher'] },
  {
    name: 'Heat and air',
    ids: [
      'boiler-gas',
      'circulator',
      'furnace-blower',
      'heat-pump-ductless',
      'heat-pump-ducted',
      'ac-room',
      'ac-central',
      'ventilation',
    ],
  },
  {
    name: 'Water',
    ids: ['well-pump-small', 'sump-pump', 'septic-aerator', 'water-heater-heat-pump', 'water-heater-tank'],
  },
  {
    name: 'Other',
    ids: ['garage-door', 'cpap', 'washer-cold', 'dryer-electric', 'car-fast', 'car-plug'],
  },
];

export const tickedAtFirst: readonly string[] = [
  'fridge',
  'lights-living',
  'lights-kitchen',
  'router',
  'phones',
];

import { everyHouse } from './every-house.js';

/** A typical house to start from: entries of the load library. */
export interface StarterSet {
  readonly id: string;
  readonly name: string;
  readonly summary: string;
  readonly loadIds: readonly string[];
}

export const starterSets: readonly StarterSet[] = [
  {
    id: 'country-boiler',
    name: 'Country house with well and oil boiler',
    summary: 'Own water and septic, oil heating, electric range and dryer',
    loadIds: [
      ...everyHouse,
      'freezer-chest',
      'boiler-oil',
      'circulator',
      'well-pump-small',
      'sump-pump',
      'septic-aerator',
      'garage-door',
      'range-electric',
      'dishwasher',
      'washer-cold',
      'dryer-electric',
      'water-heater-tank',
    ],
  },
  {
    id: 'suburb-gas',
    name: 'Suburban house with gas furnace',
    summary: 'Gas heat, range and water; central air conditioning',
    loadIds: [
      ...everyHouse,
      'freezer-upright',
      'furnace-blower',
      'sump-pump',
      'garage-door',
      'gas-range',
      'range-hood',
      'dishwasher',
      'washer-cold',
      'dryer-gas',
      'ac-central',
      'ceiling-fans',
      'bath-fan',
    ],
  },
  {
    id: 'all-electric',
    name: 'All-electric house with heat pump',
    summary: 'Central heat pump with backup heat, heat-pump water heater, car charging',
    loadIds: [
      ...everyHouse,
      'ventilation',
      'garage-door',
      'cooktop-induction',
      'oven',
      'dishwasher',
      'washer-cold',
      'dryer-heat-pump',
      'heat-pump-central',
      'backup-heat',
      'water-heater-heat-pump',
      'car-fast',
    ],
  },
  {
    id: 'row-house',
    name: 'Row house with hydronic heat pump',
    summary: 'Inverter-driven heat pump, induction cooking, ventilation, car charging',
    loadIds: [
      ...everyHouse,
      'kettle',
      'ventilation',
      'circulator',
      'heat-pump-hydronic',
      'cooktop-induction',
      'oven',
      'dishwasher',
      'washer-heats',
      'dryer-heat-pump',
      'car-three',
    ],
  },
  {
    id: 'essentials',
    name: 'Essentials only',
    summary: 'What nearly every household asks for first',
    loadIds: [
      'fridge',
      'freezer-chest',
      'lights-living',
      'lights-kitchen',
      'router',
      'phones',
      'boiler-gas',
      'circulator',
    ],
  },
];

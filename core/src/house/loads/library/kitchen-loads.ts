import { allDay, always, times, typical } from './typical-load.js';

const meals = (morningH: number, dayH: number, eveningH: number) => always([0, morningH, dayH, eveningH]);

// One load a line reads as the table it is.
// prettier-ignore
export const kitchenLoads = [
  typical({ id: 'fridge', name: 'Refrigerator, efficient', kind: 'refrigeration', powerW: 120, pf: 0.85, duty: 0.45, start: times(6), use: always(allDay), tier: 'must' }),
  typical({ id: 'fridge-older', name: 'Refrigerator, older', kind: 'refrigeration', powerW: 190, pf: 0.8, duty: 0.5, start: times(6.5), use: always(allDay), tier: 'must' }),
  typical({ id: 'fridge-defrost', name: 'Defrost heater of a refrigerator', kind: 'refrigeration', powerW: 450, use: always([0.15, 0.1, 0.1, 0.1]), tier: 'must' }),
  typical({ id: 'freezer-chest', name: 'Chest freezer', kind: 'refrigeration', powerW: 110, pf: 0.8, duty: 0.4, start: times(6), use: always(allDay), tier: 'must' }),
  typical({ id: 'freezer-upright', name: 'Upright freezer', kind: 'refrigeration', powerW: 150, pf: 0.82, duty: 0.42, start: times(6), use: always(allDay), tier: 'must' }),
  typical({ id: 'wine-cooler', name: 'Wine cooler', kind: 'refrigeration', powerW: 85, pf: 0.8, duty: 0.35, start: times(5), use: always(allDay), tier: 'never' }),
  typical({ id: 'microwave', name: 'Microwave oven', kind: 'small-appliance', powerW: 1450, pf: 0.95, use: meals(0.1, 0.1, 0.15), tier: 'should' }),
  typical({ id: 'coffee', name: 'Coffee maker', kind: 'small-appliance', powerW: 950, use: meals(0.3, 0.1, 0), tier: 'may' }),
  typical({ id: 'kettle', name: 'Electric kettle', kind: 'small-appliance', powerW: 1500, use: meals(0.1, 0.1, 0.1), tier: 'may' }),
  typical({ id: 'toaster', name: 'Toaster', kind: 'small-appliance', powerW: 1000, use: meals(0.15, 0, 0), tier: 'may' }),
  typical({ id: 'air-fryer', name: 'Toaster oven or hot-air fryer', kind: 'small-appliance', powerW: 1500, duty: 0.7, use: meals(0, 0.2, 0.5), tier: 'may' }),
  typical({ id: 'induction-plate', name: 'Portable induction plate', kind: 'small-appliance', powerW: 1800, duty: 0.6, pf: 0.97, use: meals(0.2, 0.2, 0.5), tier: 'may' }),
  typical({ id: 'slow-cooker', name: 'Slow cooker', kind: 'small-appliance', powerW: 220, use: meals(0, 5, 0), tier: 'may' }),
  typical({ id: 'rice-cooker', name: 'Rice cooker', kind: 'small-appliance', powerW: 500, use: meals(0, 0, 0.6), tier: 'may' }),
  typical({ id: 'range-electric', name: 'Electric range', kind: 'range', powerW: 11_000, duty: 0.2, use: meals(0.2, 0.2, 0.8), tier: 'never', wiring: 'three' }),
  typical({ id: 'oven', name: 'Wall oven', kind: 'range', powerW: 4500, duty: 0.5, use: meals(0, 0.1, 0.7), tier: 'never', wiring: 'line' }),
  typical({ id: 'cooktop-induction', name: 'Induction cooktop', kind: 'range', powerW: 7200, duty: 0.3, pf: 0.98, use: meals(0.1, 0.2, 0.6), tier: 'never', wiring: 'three' }),
  typical({ id: 'gas-range', name: 'Gas range, ignition and oven igniter', kind: 'small-appliance', powerW: 380, use: meals(0.1, 0.1, 0.6), tier: 'must' }),
  typical({ id: 'range-hood', name: 'Range hood', kind: 'fan', powerW: 120, pf: 0.85, start: times(2.5, 0.3), use: meals(0.2, 0.2, 0.6), tier: 'may' }),
  typical({ id: 'dishwasher', name: 'Dishwasher', kind: 'dishwasher', powerW: 1200, pf: 0.98, duty: 0.55, start: times(1.3, 0.3), use: meals(0, 0, 1.6), tier: 'never' }),
] as const;

/** What a load is; decides how the code calculations count it and which cautions apply. */
export const loadKinds = [
  'lighting',
  'outlets',
  'electronics',
  'network',
  'refrigeration',
  'small-appliance',
  'dishwasher',
  'range',
  'laundry',
  'dryer',
  'water-heater',
  'heating-appliance',
  'space-heating',
  'heat-pump',
  'backup-heat',
  'cooling',
  'fan',
  'pump',
  'pool',
  'door',
  'medical',
  'vehicle',
  'workshop',
  'other',
] as const;
export type LoadKind = (typeof loadKinds)[number];

/** How NEC Article 220 counts a kind of load (recalled; verify against the adopted edition). */
export type CodeClass =
  /** Carried by the volt-amperes per floor area and the small-appliance and laundry circuits. */
  | 'by-area'
  | 'fastened'
  | 'range'
  | 'dryer'
  | 'vehicle'
  | 'heat-pump'
  | 'backup-heat'
  | 'space-heating'
  | 'cooling';

interface KindFacts {
  readonly label: string;
  readonly codeClass: CodeClass;
}

export const kindFacts: Readonly<Record<LoadKind, KindFacts>> = {
  lighting: { label: 'Lighting', codeClass: 'by-area' },
  outlets: { label: 'Outlets', codeClass: 'by-area' },
  electronics: { label: 'Electronics', codeClass: 'by-area' },
  network: { label: 'Internet and network', codeClass: 'by-area' },
  refrigeration: { label: 'Refrigeration', codeClass: 'by-area' },
  'small-appliance': { label: 'Plug-in kitchen appliance', codeClass: 'by-area' },
  dishwasher: { label: 'Dishwasher', codeClass: 'fastened' },
  range: { label: 'Range or oven', codeClass: 'range' },
  laundry: { label: 'Washing machine', codeClass: 'by-area' },
  dryer: { label: 'Clothes dryer', codeClass: 'dryer' },
  'water-heater': { label: 'Water heater', codeClass: 'fastened' },
  'heating-appliance': { label: 'Boiler or furnace', codeClass: 'fastened' },
  'space-heating': { label: 'Resistance heating', codeClass: 'space-heating' },
  'heat-pump': { label: 'Heat pump', codeClass: 'heat-pump' },
  'backup-heat': { label: 'Backup heat of a heat pump', codeClass: 'backup-heat' },
  cooling: { label: 'Air conditioning', codeClass: 'cooling' },
  fan: { label: 'Fan or ventilation', codeClass: 'fastened' },
  pump: { label: 'Pump', codeClass: 'fastened' },
  pool: { label: 'Pool, hot tub or sauna', codeClass: 'fastened' },
  door: { label: 'Door or gate', codeClass: 'fastened' },
  medical: { label: 'Medical', codeClass: 'by-area' },
  vehicle: { label: 'Car charging', codeClass: 'vehicle' },
  workshop: { label: 'Workshop', codeClass: 'by-area' },
  other: { label: 'Other', codeClass: 'fastened' },
};

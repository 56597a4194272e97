import type { PublishedTable } from '../../base/index.js';
import type { LoadKind } from '../../house/index.js';

/** Loads that count as continuous whatever their hours are, and the section that says so. */
export const continuousLoads: PublishedTable<Partial<Record<LoadKind, string>>> = {
  title: 'Loads that count as continuous',
  clause: '422.13, 424.4(B), 625.41',
  edition: 'NEC 2023',
  source: 'recalled',
  values: {
    'water-heater': '422.13',
    'space-heating': '424.4(B)',
    'backup-heat': '424.4(B)',
    vehicle: '625.41',
  },
};

/**
 * The section by which a kind of load is continuous; null where none says so.
 *
 * @example continuousClause('vehicle') // '625.41'
 */
export const continuousClause = (kind: LoadKind): string | null => continuousLoads.values[kind] ?? null;

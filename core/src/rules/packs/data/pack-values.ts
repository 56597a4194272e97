import { clauses2023 } from '../../busbar/busbar-705-12.js';
import type { PackId, PackValues } from '../pack.js';

const american: PackValues = {
  sizes: 'american',
  continuousFactor: 1.25,
  continuousClause: '705.28, 210.20, 215.3',
  busbarClauses: clauses2023,
  conductorTable: 'Table 310.16',
  resistanceTable: 'Chapter 9, Table 8',
  // 6 AWG copper, 4 AWG aluminium.
  supplySideLeast: { copperMm2: 13.3, aluminiumMm2: 21.1, clause: '705.11' },
  usualInterruptsA: 10_000,
  signs: 'nec',
  bonds: 'house',
};
const metric: PackValues = {
  sizes: 'metric',
  continuousFactor: 1,
  continuousClause: '433.1',
  busbarClauses: null,
  conductorTable: 'Tables B.52.2 and B.52.4',
  resistanceTable: 'IEC 60228',
  supplySideLeast: null,
  usualInterruptsA: 6000,
  signs: 'bs',
  bonds: 'supplier',
};

/** What calculations ask of a code, by pack. */
export const packValues: Readonly<Record<PackId, PackValues>> = {
  'us-2023': american,
  'us-2020': {
    ...american,
    busbarClauses: {
      sum: '705.12(B)(3)(1)',
      'far-end': '705.12(B)(3)(2)',
      'all-breakers': '705.12(B)(3)(3)',
      middle: '705.12(B)(3)(4)',
      supervised: '705.12(B)(3)(5)',
      'feed-through': '705.12(B)(3)(6)',
      controlled: '705.13',
    },
  },
  uk: { ...metric, conductorTable: 'Appendix 4' },
  'au-nz': {
    ...metric,
    conductorTable: 'AS/NZS 3008.1.1 (IEC tables stand in for it)',
    // Multiple earthed neutral.
    bonds: 'house',
  },
  iec: metric,
};

/** Names and editions, by pack. */
export const packNames: Readonly<
  Record<
    PackId,
    { readonly name: string; readonly place: string; readonly edition: string; readonly lacks: string }
  >
> = {
  'us-2023': {
    name: 'National Electrical Code, 2023',
    place: 'United States',
    edition: 'NEC 2023',
    lacks: 'Amendments of states and cities, the fire and residential codes, and what the utility adds.',
  },
  'us-2020': {
    name: 'National Electrical Code, 2020',
    place: 'United States',
    edition: 'NEC 2020',
    lacks: 'Amendments of states and cities, the fire and residential codes, and what the utility adds.',
  },
  uk: {
    name: 'BS 7671:2018 with amendments, engineering recommendations G98 and G99',
    place: 'United Kingdom',
    edition: 'BS 7671:2018+A2',
    lacks: 'Building regulations, guidance on fire, and the conditions of the network operator.',
  },
  'au-nz': {
    name: 'AS/NZS 3000, 4777.1 and 5139',
    place: 'Australia and New Zealand',
    edition: 'AS/NZS 3000:2018',
    lacks:
      'Service rules of the network, state regulations, and the cable tables of AS/NZS 3008, for which those of the IEC stand in.',
  },
  iec: {
    name: 'IEC 60364, generic',
    place: 'elsewhere',
    edition: 'IEC 60364',
    lacks: 'Every national deviation: compare with the code of the country.',
  },
};

import { type Item, itemSchema } from '../../equipment/index.js';
import { emptyHead } from '../../equipment/details.js';
import { emptyPriceBook, type PriceBook } from '../prices/price-book.schema.js';

const item = (id: string, name: string, of: object): Item =>
  itemSchema.parse({ ...emptyHead, line: 'Demo', id, name, ...of });

const largeParts: readonly Item[] = [
  item('bramble-63', 'Bramble 63', {
    kind: 'isolating-device',
    summary: 'Contactor for an island of one service',
    massKg: 2.6,
    ratings: {
      form: 'contactor',
      ratedA: 63,
      poles: 4,
      automatic: true,
      switchGapMs: 27,
      bypass: false,
      solarPortA: null,
      generatorPortA: null,
      loadPortA: null,
      interruptsA: 10_000,
    },
  }),
  item('bramble-190', 'Bramble 190', {
    kind: 'isolating-device',
    summary: 'Contactor ahead of a whole service',
    massKg: 7.9,
    ratings: {
      form: 'contactor',
      ratedA: 190,
      poles: 2,
      automatic: true,
      switchGapMs: 33,
      bypass: true,
      solarPortA: null,
      generatorPortA: null,
      loadPortA: null,
      interruptsA: 22_000,
    },
  }),
  item('bramble-225', 'Bramble 225', {
    kind: 'isolating-device',
    summary: 'Contactor ahead of a large service',
    massKg: 9.1,
    ratings: {
      form: 'contactor',
      ratedA: 225,
      poles: 2,
      automatic: true,
      switchGapMs: 36,
      bypass: true,
      solarPortA: null,
      generatorPortA: null,
      loadPortA: null,
      interruptsA: 22_000,
    },
  }),
  item('hazel-panel', 'Hazel panel', {
    kind: 'panel',
    summary: 'Loads panel of 24 spaces',
    massKg: 9.4,
    ratings: { spaces: 24, busA: 125, mainA: null, family: null, tandemSpaces: 8 },
  }),
  item('clary-12', 'Clary 12', {
    kind: 'load-controller',
    summary: 'Sheds twelve circuits by relays',
    massKg: 4.3,
    ratings: { circuits: 12, circuitA: 27, responseS: 0.6, ownDrawW: 9 },
  }),
  item('vetch-20', 'Vetch 20', {
    kind: 'soft-starter',
    summary: 'Two poles, for pumps and compressors',
    massKg: 0.9,
    ratings: { softRunningA: 20, softPoles: 2 },
  }),
  item('dock-52', 'Dock 52', {
    kind: 'generator',
    summary: 'Portable, started by hand',
    massKg: 74,
    ratings: {
      generatorW: 5200,
      generatorLegs: 2,
      fuel: 'petrol',
      fuelAtFullLPerH: 2.9,
      fuelAtHalfLPerH: 1.8,
      selfStarts: false,
    },
  }),
  item('dock-88', 'Dock 88', {
    kind: 'generator',
    summary: 'On a pad, starts by itself',
    massKg: 196,
    ratings: {
      generatorW: 8800,
      generatorLegs: 2,
      fuel: 'propane',
      fuelAtFullLPerH: 4.7,
      fuelAtHalfLPerH: 3.1,
      selfStarts: true,
    },
  }),
];

/** Wire, conduit and small parts: name, kind, ratings, net price of a piece or a metre. */
const smallParts: readonly (readonly [id: string, name: string, of: object, net: string])[] = [
  ...(
    [
      ['14 AWG', '0.62'],
      ['12 AWG', '0.88'],
      ['10 AWG', '1.35'],
      ['8 AWG', '2.30'],
      ['6 AWG', '3.45'],
      ['4 AWG', '5.40'],
      ['2 AWG', '8.10'],
      ['4 mm²', '1.15'],
      ['6 mm²', '1.70'],
      ['10 mm²', '2.95'],
      ['16 mm²', '4.60'],
    ] as const
  ).map(
    ([size, net]) =>
      [
        `wire-${size.replaceAll(/[^a-z0-9]/gi, '').toLowerCase()}`,
        `Rush wire, ${size} Cu`,
        { kind: 'conductor', ratings: { size, metal: 'copper', cores: 1, insulationC: 90, soldByM: null } },
        net,
      ] as const,
  ),
  ...(
    [
      ['½ in', '9.80'],
      ['¾ in', '14.20'],
      ['1 in', '22.50'],
    ] as const
  ).map(
    ([tradeSize, net], index) =>
      [
        `tube-${index + 1}`,
        `Rush tube, ${tradeSize}`,
        { kind: 'conduit', ratings: { tradeSize, material: 'steel', pieceM: 3 } },
        net,
      ] as const,
  ),
  ...(
    [
      [15, 2, '19.50'],
      [25, 2, '23.50'],
      [45, 2, '36.00'],
      [60, 2, '41.00'],
      [25, 3, '68.00'],
      [35, 3, '74.00'],
    ] as const
  ).map(
    ([breakerA, breakerPoles, net]) =>
      [
        `breaker-${breakerA}-${breakerPoles}`,
        `Rue breaker, ${breakerA} A, ${breakerPoles} poles`,
        {
          kind: 'breaker',
          ratings: { breakerA, breakerPoles, family: null, curve: null, protects: null, interruptsA: 10_000 },
        },
        net,
      ] as const,
  ),
  ...(
    [
      ['Conduit connector, ½ in', '1.95'],
      ['Conduit connector, ¾ in', '2.70'],
      ['Conduit connector, 1 in', '4.40'],
      ['Conduit coupling, ½ in', '1.60'],
      ['Conduit coupling, ¾ in', '2.25'],
      ['Conduit coupling, 1 in', '3.70'],
      ['Signs, as listed', '7.80'],
    ] as const
  ).map(([name, net], index) => [`fitting-${index + 1}`, name, { kind: 'other', ratings: {} }, net] as const),
  [
    'rue-sensor',
    'Rue sensor',
    { kind: 'metering', ratings: { channels: 1, sensorA: 210, revenueGrade: null } },
    '46.00',
  ],
  ['rue-cable', 'Rue cable, shielded pairs', { kind: 'communication', ratings: {} }, '1.90'],
];

/** What the invented company of the demo sells beside the sample line. */
export const demoItems: readonly Item[] = [
  ...largeParts,
  ...smallParts.map(([id, name, of]) => item(id, name, of)),
];

/** Net prices of the invented suppliers; orders of size of the trade, no source. */
const northern: readonly (readonly [itemId: string, net: string])[] = [
  ['madder-47', '9850'],
  ['madder-pack', '6240'],
  ['woad-93', '6900'],
  ['woad-module', '3180'],
  ['yarrow-79', '17400'],
  ['yarrow-pack', '13900'],
  ['teasel-56', '4300'],
  ['teasel-bank', '5600'],
  ['sorrel-34', '6150'],
  ['sorrel-pack', '4380'],
  ['weld-57', '3900'],
  ['weld-module', '2460'],
  ['bracken-96', '6480'],
  ['bracken-141', '8720'],
  ['bracken-module', '3690'],
];
const fittings: readonly (readonly [itemId: string, net: string])[] = [
  ['bramble-63', '640'],
  ['bramble-190', '1980'],
  ['bramble-225', '2340'],
  ['hazel-panel', '385'],
  ['clary-12', '2450'],
  ['vetch-20', '295'],
  ['dock-52', '1380'],
  ['dock-88', '6900'],
  ...smallParts.map(([id, , , net]) => [id, net] as const),
];
const pricesOf = (list: typeof northern) => list.map(([itemId, net]) => ({ itemId, net }));

/** The prices of the demo; the company, its suppliers and the grant are invented. */
export const demoBook: PriceBook = {
  ...emptyPriceBook('CAD'),
  lists: [
    {
      id: 'northern',
      supplier: 'Northern Storage Supply (invented)',
      dated: '2026-10-01',
      currency: null,
      rate: '1',
      discount: 0.12,
      delivery: '420',
      deliveryFreeFrom: '60000',
      leadDays: 21,
      prices: pricesOf(northern),
    },
    {
      id: 'fittings',
      supplier: 'Quay Fittings (invented)',
      dated: '2026-09-15',
      currency: null,
      rate: '1',
      discount: 0.3,
      delivery: '60',
      deliveryFreeFrom: '1500',
      leadDays: 5,
      prices: pricesOf(fittings),
    },
  ],
  hourlyRate: '105',
  labour: [
    { task: 'unit-hung', hours: 3.5 },
    { task: 'device-mounted', hours: 3 },
    { task: 'panel-set', hours: 5 },
    { task: 'circuit-moved', hours: 0.6 },
    { task: 'circuit-controlled', hours: 0.4 },
    { task: 'wire-metre', hours: 0.4 },
    { task: 'generator-set', hours: 7 },
    { task: 'soft-starter-set', hours: 1.5 },
    { task: 'commissioning', hours: 6 },
  ],
  wirePerM: '34',
  solarPerKW: '1650',
  fees: [{ id: 'permit', name: 'Permit and inspection', amount: '380' }],
  taxes: [{ id: 'sales', name: 'Sales tax', rate: 0.15, on: ['goods', 'labour', 'fees'] }],
  contingency: 0.04,
  profit: { kind: 'markup', share: 0.22 },
  incentives: [
    {
      id: 'grant',
      name: 'Storage grant (invented)',
      who: 'the owner of the house',
      by: {
        kind: 'energy',
        steps: [
          { upToKWh: 20, perKWh: '220' },
          { upToKWh: null, perKWh: '60' },
        ],
      },
      cap: '5000',
      leastKWh: 5,
    },
  ],
};

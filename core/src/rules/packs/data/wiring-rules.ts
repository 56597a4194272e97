import { placeWord, type Severity } from '../../../base/index.js';
import { rule } from '../rule.schema.js';

const earth = placeWord('earth');

/** Ways the switches can stand that endanger somebody: what each is, and what cures it (common practice, no source). */
const dangers: readonly (readonly [
  kind: string,
  severity: Severity & ('stops' | 'must-fix'),
  name: string,
  title: string,
  danger: string,
  cure: string,
])[] = [
  [
    'back-feed',
    'stops',
    'Nothing of the house feeds into the grid while it is away',
    '{one} feeds into the grid while it is away',
    'Whoever works on a line that is taken for dead can be killed.',
    'An interlock between the two devices, or a transfer switch that cannot stand in both positions.',
  ],
  [
    'parallel',
    'stops',
    'Sources that are not in step never meet on a busbar',
    '{one} and {other} on one busbar, out of step',
    'Two sources that are not in step destroy each other, and what is between them.',
    'An interlock, or a switch of which one position excludes the other.',
  ],
  [
    'solar-generator',
    'must-fix',
    'Solar never feeds a generator',
    '{one} feeds {other}',
    'A generator that is driven by solar power runs away or trips.',
    'Keep solar off while the generator runs, or bring the generator in through the inverter.',
  ],
  [
    'no-bond',
    'stops',
    `Every source that feeds has a bond of neutral and ${earth}`,
    `No bond of neutral and ${earth} while {one} feeds`,
    `A fault to ${earth} opens no breaker: cases stay live.`,
    'A bond relay where the source is, one that stays with it; or leave the neutral to the service solid.',
  ],
  [
    'two-bonds',
    'must-fix',
    `No source that feeds has two bonds of neutral and ${earth}`,
    `Several bonds of neutral and ${earth} while {one} feeds`,
    `Neutral current flows in ${placeWord('earth-conductors')} and cases, and residual-current devices trip.`,
    `Take out the bond that is not at the service or the source: separate neutrals and ${placeWord('earths')} there; or switch the neutral.`,
  ],
  [
    'no-neutral',
    'stops',
    'A neutral is formed before loads between leg and neutral are fed',
    '{one} feeds two legs without a neutral',
    'Loads between leg and neutral get anything between nothing and the whole voltage.',
    'An autotransformer, or an inverter that forms the neutral, before any such load is connected.',
  ],
];

/** What is asked of the wiring of a design. */
export const wiringRules = [
  ...dangers.map(([kind, severity, name, title, danger, cure]) =>
    rule({
      id: `state.${kind}`,
      on: 'standing',
      name,
      when: `danger == '${kind}'`,
      holds: '!found',
      severity,
      says: [title, `{how}.${kind === 'two-bonds' ? ' {others}.' : ''} ${danger}`, cure],
    }),
  ),
  ...(['source', 'battery'] as const).map((of) =>
    rule({
      id: `${of}.device`,
      on: 'source-device',
      name: `The ${of === 'source' ? 'device of a source' : 'fuse of a battery'} carries what the ${of} gives`,
      when: `use ${of === 'source' ? '!=' : '=='} 'battery'`,
      holds: 'neededA <= deviceA',
      severity: 'must-fix',
      says: [
        'carries what the source gives',
        '',
        'Take the next larger standard device, and a conductor it protects.',
      ],
      figures: ['neededA', 'deviceA'],
    }),
  ),
  rule({
    id: 'cable.conductor',
    on: 'cable',
    name: 'A conductor carries what flows in it, and its device protects it',
    holds: 'conductorHolds',
    severity: 'must-fix',
    says: ['{why}', '', '{smallest}'],
    fine: ['{why}', '', '{smallest}'],
    figures: ['neededA', 'carriesA'],
  }),
  rule({
    id: 'source.drop',
    on: 'cable',
    name: 'The voltage along the cable of a source does not trip it',
    when: 'known(dropShare) && isRise',
    holds: 'dropShare <= dropLimit',
    severity: 'consider',
    says: ['voltage rise that does not trip the source', '', 'A larger conductor, or a shorter way.'],
    figures: ['dropShare', 'dropLimit'],
  }),
  rule({
    id: 'cable.drop',
    on: 'cable',
    name: 'Voltage drop as advised',
    when: 'known(dropShare) && !isRise',
    holds: 'dropShare <= dropLimit',
    severity: 'consider',
    says: ['voltage drop as advised', '', 'A larger conductor, or a shorter way.'],
    figures: ['dropShare', 'dropLimit'],
  }),
  rule({
    id: 'isolating.rating',
    on: 'isolating',
    name: 'An isolating device carries what the device ahead of it lets through',
    holds: 'aheadA <= ratingA',
    severity: 'must-fix',
    says: [
      'carries what the device ahead of it lets through',
      '',
      'A device of at least that rating, or a smaller breaker ahead of it.',
    ],
    figures: ['aheadA', 'ratingA'],
  }),
  rule({
    id: 'bus.fault',
    on: 'bus',
    name: 'Breakers interrupt the fault current where they are',
    holds: 'faultA <= interruptsA',
    severity: 'must-fix',
    says: [
      'breakers that interrupt the fault current',
      '',
      'Breakers of a higher interrupting rating, or a series-rated combination.',
    ],
    figures: ['faultA', 'interruptsA'],
  }),
];

/** American codes only: busbars that sources feed. */
export const busbarRules = [
  rule({
    id: 'busbar.busbar',
    on: 'busbar',
    name: 'One of the ways to connect sources to a busbar holds',
    clause: '{wayClause}',
    holds: 'holds',
    severity: 'must-fix',
    says: [
      'no way of 705.12 holds',
      '',
      'Fewer amperes on this bus, a smaller main breaker, a connection ahead of it, or a power control system.',
    ],
    fine: [
      '{way}',
      '',
      'Fewer amperes on this bus, a smaller main breaker, a connection ahead of it, or a power control system.',
    ],
    figures: ['countedA', 'allowedA'],
  }),
];

/** Codes of the IEC family: faults in an island. */
export const islandFaultRules = [
  rule({
    id: 'island.island-fault',
    on: 'island',
    name: 'A fault is cleared at once while the inverters feed alone',
    clause: '411.3.2',
    holds: 'opensWithA <= givesA',
    severity: 'must-fix',
    says: [
      'a fault that is cleared at once while the inverter feeds alone',
      '',
      'Residual-current protection of 30 mA on every circuit of the island, bidirectional behind sources, with the bond upstream of it; or an inverter that shuts down by itself.',
    ],
    figures: ['opensWithA', 'givesA'],
  }),
];

import { rule } from '../rule.schema.js';

/** Everywhere: strings of modules and the equipment of a service. */
export const sourceRules = [
  rule({
    id: 'string.cold',
    on: 'string',
    name: 'A string of modules stays within its input at the coldest hour',
    holds: 'coldV <= inputMaxV',
    severity: 'must-fix',
    says: [
      'a voltage at {coldestC} that its input takes',
      '',
      'Fewer modules in series, or an input that takes more.',
    ],
    open: [
      'a voltage at the coldest hour that its input takes',
      '',
      'Enter modules, voltages and the coldest hour.',
    ],
    figures: ['coldV', 'inputMaxV'],
  }),
  rule({
    id: 'parallel.even',
    on: 'parallel',
    name: 'Battery strings side by side share their current evenly',
    holds: 'mostA <= borneA',
    severity: 'consider',
    says: [
      'strings that share their current evenly',
      '',
      'Cables of one length and size for every string; from a busbar, not from one string to the next.',
    ],
    figures: ['mostA', 'borneA'],
  }),
  rule({
    id: 'controllers.enough',
    on: 'controllers',
    name: 'Charge controllers take the arrays that hang on them',
    holds: 'arrayW <= takesW',
    severity: 'consider',
    says: [
      'charge controllers for the whole of the arrays',
      '',
      '{needed} of them instead of {count}, larger ones, or fewer modules: what is beyond is clipped in full sun.',
    ],
    figures: ['arrayW', 'takesW'],
  }),
];

/** American codes. */
export const americanServiceRules = [
  rule({
    id: 'panel.bond-behind',
    on: 'panel',
    name: 'Neutral and ground are bonded at the service disconnect, not in a panel behind it',
    when: 'bonded && !surplusBond',
    holds: '!behindDisconnect',
    severity: 'consider',
    says: [
      'Bonded behind the service disconnect',
      '{name} is bonded, and a service disconnect is ahead of it in another box ({rule}).',
      'Bond at the disconnect, separate neutrals and grounds here, and move the grounding electrode conductor; or correct where the disconnect is.',
    ],
  }),
  rule({
    id: 'moved.arc-fault',
    on: 'moved',
    name: 'A circuit of living rooms that is extended has arc-fault protection',
    when: 'ratingA <= 20 && voltageV <= 120 && (!known(extendedM) || extendedM > 1.83)',
    holds: 'hasArcFault',
    severity: 'consider',
    says: [
      'no arc-fault protection though it is extended',
      '',
      'An arc-fault breaker in the new panel, unless it feeds only bathrooms, garages or outdoors, or is extended by 6 ft or less without an outlet.',
    ],
  }),
  rule({
    id: 'moved.ground-fault',
    on: 'moved',
    name: 'What stands where it is wet has ground-fault protection',
    when: 'isWet && ratingA <= 50',
    holds: 'hasResidual',
    severity: 'consider',
    says: [
      'no ground-fault protection though it feeds what stands where it is wet',
      '',
      'A ground-fault breaker in the new panel, or a receptacle that has it; look for one before.',
    ],
  }),
  rule({
    id: 'equipment.surge',
    on: 'equipment',
    name: 'Service equipment that is rebuilt has surge protection',
    when: 'isWorkedOn',
    holds: 'hasSurge',
    severity: 'must-fix',
    says: [
      'no surge protection at rebuilt service equipment',
      '',
      'A type 1 or 2 device in or directly beside it (type 2 on the load side only).',
    ],
    open: [
      'surge protection at rebuilt service equipment',
      '',
      'Look, and say in “Rests on” whether there is one; else add a type 1 or 2 device.',
    ],
  }),
  rule({
    id: 'equipment.emergency',
    on: 'equipment',
    name: 'Service equipment that is rebuilt has an emergency disconnect outdoors',
    when: 'isWorkedOn',
    holds: 'hasEmergency',
    severity: 'consider',
    says: [
      'no emergency disconnect outdoors is entered',
      '',
      'Add one ahead of the panel in Panels, unless the main or the meter disconnect is outdoors and marked as it.',
    ],
  }),
  rule({
    id: 'service-load.charging',
    on: 'service-load',
    name: 'The service carries the house and the battery that charges',
    when: '!isHeld',
    holds: 'totalVA <= serviceVA',
    severity: 'must-fix',
    says: [
      'charging at full power is more than the service takes beside the house',
      '',
      'A power control system that holds the sum to the service, less charging power from the grid, or charging from the sun only.',
    ],
    open: [
      'room for charging beside the house',
      '',
      'Enter the rating of the service; where several services share the loads, add up what hangs on each.',
    ],
    figures: ['totalVA', 'serviceVA'],
  }),
  rule({
    id: 'cable.tap',
    on: 'cable',
    name: 'A tap carries what it ends in, and its share of the device ahead of it',
    clause: '{tapClause}',
    when: 'isTap',
    holds: 'tapCarriesA >= tapLeastA',
    severity: 'must-fix',
    says: [
      'a tap that carries its share of the device ahead of it',
      '',
      'A thicker conductor, a shorter tap (10 ft: a tenth, 25 ft: a third), or a device at its beginning.',
    ],
    figures: ['tapLeastA', 'tapCarriesA'],
  }),
];

/** Residual-current protection of what is extended, as far as the code of a place asks for it. */
const residualRule = (name: string, when: string) =>
  rule({
    id: 'moved.residual',
    on: 'moved',
    name,
    when,
    holds: 'hasResidual',
    severity: 'must-fix',
    says: [
      'no residual-current protection though it is extended',
      '',
      'An RCBO of 30 mA in the new board, or a residual-current device ahead of it.',
    ],
  });
export const iecResidualRules = [
  residualRule(
    'A circuit of socket-outlets that is extended has residual-current protection of 30 mA',
    'ratingA <= 32 && feedsSockets',
  ),
];

/** Codes of the IEC family. */
export const iecServiceRules = [
  rule({
    id: 'equipment.surge',
    on: 'equipment',
    name: 'Rebuilt service equipment has surge protection, or somebody decided against it',
    when: 'isWorkedOn',
    holds: 'hasSurge',
    severity: 'consider',
    says: [
      'no surge protection at rebuilt service equipment',
      '',
      'A type 2 device (type 1 with outside lightning protection or an overhead line), or the risk assessed.',
    ],
    open: ['surge protection at rebuilt service equipment', '', 'Look, and say in “Rests on”.'],
  }),
  rule({
    id: 'cable.tap',
    on: 'cable',
    name: 'A conductor without a device at its beginning is short, and carries its share',
    clause: '433.2.2, 434.2.1',
    when: 'isTap',
    holds: 'lengthM <= 3',
    severity: 'must-fix',
    says: [
      'at most 3 m without a device at its beginning',
      '',
      'Move the device to the beginning, or shorten the conductor.',
    ],
  }),
];

/** United Kingdom: notice and application by G98 and G99 (recalled). */
export const ukRules = [
  residualRule(
    'A circuit of socket-outlets or lights that is extended has residual-current protection of 30 mA',
    'ratingA <= 32 && (feedsSockets || feedsLights)',
  ),
  rule({
    id: 'connection.notice',
    on: 'connection',
    name: 'Up to 16 A a phase the network operator is told afterwards (G98); above, it is asked before (G99)',
    clause: 'G98, G99',
    holds: 'perPhaseA <= 16',
    severity: 'consider',
    says: [
      '{perPhaseA} a phase: ask the network operator before (G99)',
      '',
      'Apply with the particulars of every source, old and new; a limit scheme (G100) where the network wants one.',
    ],
  }),
  rule({
    id: 'moved.arc-fault',
    on: 'moved',
    name: 'Arc-fault detection is advised on circuits that feed socket-outlets',
    clause: '421.1.7',
    when: 'ratingA <= 32 && feedsSockets',
    holds: 'hasArcFault',
    severity: 'consider',
    says: ['arc-fault detection is advised', '', 'An AFDD in the new board where sockets hang on it.'],
  }),
];

/** Australia and New Zealand: rules of the networks, to be changed to those of the network (common practice). */
export const auNzRules = [
  residualRule('A final circuit that is altered has residual-current protection of 30 mA', 'ratingA <= 32'),
  rule({
    id: 'connection.balance',
    on: 'connection',
    name: 'Inverters of a house differ by at most 20 A between the phases',
    clause: '4777.1',
    when: 'phases > 1',
    holds: 'unevenA <= 20',
    severity: 'must-fix',
    says: [
      'at most 20 A between the phases',
      '',
      'Spread the inverters over the phases, or take a three-phase one.',
    ],
  }),
  rule({
    id: 'connection.limit',
    on: 'connection',
    name: 'Most networks let 5 kVA a phase feed in without a study',
    holds: 'perPhaseA * 230 <= 5000 + 1',
    severity: 'consider',
    says: [
      '{perPhaseA} a phase: more than most networks let feed in without a study',
      '',
      'An export limit, or an application with a study; write the rule of the network as an own rule.',
    ],
  }),
];

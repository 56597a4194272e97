import type { FigureUnit } from '../../base/index.js';
import type { ExpressionType } from './expression.js';

/** What a fact is: its name for people, and its type or unit. Things count by their number. */
export interface FactKind {
  readonly label: string;
  readonly is: FigureUnit | 'yes or no' | 'text' | 'things';
}

const fact = (label: string, is: FactKind['is']): FactKind => ({ label, is });
const A = (label: string): FactKind => fact(label, 'A');
const yes = (label: string): FactKind => fact(label, 'yes or no');
const text = (label: string): FactKind => fact(label, 'text');
const things = (label: string): FactKind => fact(label, 'things');
const m = (label: string): FactKind => fact(label, 'm');
const count = (label: string): FactKind => fact(label, 'count');

const conductor = {
  circuit: things('Circuit it belongs to'),
  what: text('What it is'),
  size: text('Conductor'),
  isMetric: yes('Its size is metric'),
  ratingA: A('Breaker ahead'),
  inTable: yes('The table has it'),
  takesA: A('Largest breaker for it'),
  isGuess: yes('Nobody has looked at the marks of terminals and cable'),
  takesMarkedA: A('Largest breaker if cable and terminals are marked 75 °C'),
  column: text('How it was looked up'),
} as const;

/** Everything rules can be about, and what is known of it. The names are those of expressions and texts. */
export const subjectKinds = {
  panel: {
    label: 'a panel',
    facts: {
      name: text('Name'),
      spaces: count('Spaces'),
      beyond: things('Circuits in spaces it does not have'),
      crowded: things('Circuits that overlap'),
      family: text('Family of breakers it is listed for'),
      strangers: things('Breakers of another family'),
      atService: yes('It hangs on the service'),
      busA: A('Rating of its bus'),
      protectingA: A('Breaker that protects its bus'),
      mainA: A('Its main breaker'),
      serviceA: A('Rating of the service'),
      idle: things('Circuits without a load'),
      feeder: things('Circuit that feeds it'),
      anyLoad: yes('Some load of the house is entered'),
      bonded: yes('Neutral and earth are bonded in it'),
      behindDisconnect: yes('A service disconnect in another box is ahead of it'),
      surplusBond: yes('It is bonded below another bond of its service'),
      bondedPanels: text('Bonded panels of its service'),
      noneBonded: yes('No panel of its service is bonded (said of the first)'),
    },
  },
  circuit: {
    label: 'a circuit',
    facts: {
      name: text('Name'),
      circuit: things('The circuit itself'),
      poles: count('Poles of its breaker'),
      reached: count('Legs its breaker reaches'),
      reachedLegs: text('These legs'),
      severalLegs: yes('The house has several legs'),
      ratingA: A('Breaker'),
      narrow: things('Loads that need more poles'),
      legs: text('Legs of the circuit'),
      heavy: things('Heavy loads on it'),
      heavyA: A('What they draw together'),
      voltageV: fact('Voltage', 'V'),
    },
  },
  'circuit-conductor': { label: 'the conductor of a circuit', facts: conductor },
  'feeder-conductor': { label: 'the feeder of a panel', facts: conductor },
  neutral: {
    label: 'a shared neutral',
    facts: {
      mark: text('Its mark'),
      circuits: things('Circuits that share it'),
      sameLeg: yes('Two of them are on one leg'),
      opensTogether: yes('Their breakers open together'),
    },
  },
  load: {
    label: 'a load and its breaker',
    facts: {
      name: text('Load'),
      circuit: things('Circuit'),
      drawnA: A('Current it draws'),
      neededA: A('What its breaker needs for it'),
      ratingA: A('Breaker'),
      isContinuous: yes('It counts as continuous'),
      clause: text('Why it counts as continuous'),
    },
  },
  backup: {
    label: 'how a service is backed up',
    facts: {
      service: text('Service'),
      school: text('Way of backing up'),
      covers: text('What is isolated'),
      kept: things('Circuits that stay on'),
      dark: things('Circuits that stay dark'),
      controlled: things('Circuits shed by a device'),
      controlTakes: count('Circuits the load control takes'),
      device: text('Isolating device'),
      deviceA: A('Rating of the isolating device'),
      aheadA: A('What is ahead of it'),
      ahead: text('What that is'),
      serviceA: A('Rating of the service'),
      hasConsent: yes('The utility consents'),
      mains: things('Panels that hang on the service'),
      subPanels: things('Sub-panels'),
      hasSubPanel: yes('A sub-panel is chosen'),
      subPanel: text('Sub-panel whose feeder is cut'),
      keptOutside: things('Circuits that stay on and do not hang on it'),
      darkInside: things('Circuits that stay dark and hang on it'),
      moved: things('Circuits that move'),
      movedPoles: count('Their poles'),
      newSpaces: count('Spaces of the new panel'),
      hasDistance: yes('The distance to the new panel is entered'),
      extend: text('Cable to extend them'),
      partly: things('Sub-panels that move with dark circuits'),
      runningA: A('What hangs on the pass-through, all running, on a leg'),
      isAmerican: yes('Legs of 120 V'),
      hasStack: yes('Units are chosen'),
      isAutomatic: yes('It is transferred automatically'),
      transferredVA: fact('Load transferred', 'VA'),
      transferredHow: text('How that was found'),
      sourceVA: fact('Continuous output of the source', 'VA'),
      solarDead: things('Existing solar on the grid side'),
      solarLive: things('Existing solar on the island side'),
      bondAt: text('Where neutral and earth are bonded while islanded'),
      bonded: things('Bonded panels'),
      bondUnseen: things('Panels nobody has looked into'),
      joinedTo: text('Service it shares its source with'),
    },
  },
  'source-device': {
    label: 'the device at the beginning of a source’s cable',
    facts: {
      name: text('Name'),
      use: text('What its cable carries'),
      neededA: A('What the source is counted for'),
      deviceA: A('Its rating'),
    },
  },
  cable: {
    label: 'a cable of the wiring',
    facts: {
      name: text('Name'),
      use: text('What it carries'),
      isRise: yes('Its voltage is a rise that trips the source'),
      isMetric: yes('Its size is metric'),
      neededA: A('What it is sized for'),
      carriesA: A('What its conductor carries, or the device it is for'),
      conductorHolds: yes('Its conductor carries the current and is protected'),
      why: text('What of it does not hold'),
      smallest: text('The smallest that holds'),
      dropShare: fact('Voltage lost along it', 'share'),
      dropLimit: fact('Voltage lost at most', 'share'),
      lengthM: fact('Length', 'm'),
      areaMm2: count('Its cross-section, mm²'),
      isAluminium: yes('It is of aluminium'),
      isSupplySide: yes('Nothing protects it from the side of the grid'),
      isTap: yes('It is a tap'),
      tapCarriesA: A('What the tap carries'),
      tapLeastA: A('What a tap of its length must carry'),
      tapClause: text('Clause of that'),
    },
  },
  moved: {
    label: 'a circuit that moves',
    facts: {
      name: text('Circuit'),
      ratingA: A('Breaker'),
      voltageV: fact('Voltage', 'V'),
      extendedM: fact('By how much it is extended', 'm'),
      protection: text('Protection it has'),
      hasArcFault: yes('It has arc-fault protection'),
      hasResidual: yes('It has residual-current (ground-fault) protection'),
      isWet: yes('It feeds what stands in wet places'),
      feedsSockets: yes('It feeds what is plugged in'),
      feedsLights: yes('It feeds lights'),
    },
  },
  equipment: {
    label: 'the service equipment of a house',
    facts: {
      service: text('Service'),
      isWorkedOn: yes('The whole service is backed up: its equipment is replaced or rebuilt'),
      hasSurge: yes('There is surge protection'),
      hasEmergency: yes('There is an emergency disconnect outdoors'),
      hasStorage: yes('There is a battery'),
    },
  },
  'service-load': {
    label: 'a service with a battery that charges',
    facts: {
      service: text('Service'),
      loadsVA: fact('Loads as the code counts them', 'VA'),
      chargeVA: fact('Charging from the grid', 'VA'),
      totalVA: fact('Together, charging as continuous', 'VA'),
      serviceVA: fact('What the service carries', 'VA'),
      isHeld: yes('A power control system holds the sum'),
    },
  },
  connection: {
    label: 'what a house connects to the grid',
    facts: {
      service: text('Service'),
      perPhaseA: A('Output of all sources on the phase with most'),
      unevenA: A('Difference between the phases'),
      totalVA: fact('Output of all sources', 'VA'),
      phases: count('Phases'),
    },
  },
  string: {
    label: 'a string of modules',
    facts: {
      name: text('Array'),
      inSeries: count('Modules in series'),
      coldestC: text('Coldest hour'),
      coldV: fact('Open-circuit voltage then', 'V'),
      inputMaxV: fact('What the input takes', 'V'),
    },
  },
  parallel: {
    label: 'battery strings side by side',
    facts: {
      name: text('Strings'),
      mostA: A('What the most loaded carries'),
      borneA: A('An even share, and a tenth more'),
    },
  },
  controllers: {
    label: 'charge controllers',
    facts: {
      name: text('Charge controllers'),
      count: count('How many there are'),
      needed: count('How many the arrays take, rounded up'),
      arrayW: fact('Arrays on direct current', 'W'),
      takesW: fact('What controllers and inputs take', 'W'),
    },
  },
  isolating: {
    label: 'an isolating device',
    facts: {
      name: text('Name'),
      aheadA: A('What the device ahead of it lets through'),
      ratingA: A('Its rating'),
    },
  },
  busbar: {
    label: 'a busbar that sources feed',
    facts: {
      name: text('Name'),
      holds: yes('A way to connect the sources holds'),
      countedA: A('What that way counts'),
      allowedA: A('What it allows'),
      way: text('That way'),
      wayClause: text('Its clause'),
      busA: A('Rating of the bus'),
      sourcesA: A('Output of the sources on it'),
    },
  },
  bus: {
    label: 'a busbar, for faults',
    facts: {
      name: text('Name'),
      faultA: A('Fault current there'),
      interruptsA: A('What its breakers interrupt'),
    },
  },
  island: {
    label: 'an island that inverters feed',
    facts: {
      name: text('Name'),
      opensWithA: A('What opens its largest bare breaker at once'),
      givesA: A('What the inverters give into a short'),
      breaker: text('That breaker'),
    },
  },
  standing: {
    label: 'a way the switches can stand',
    facts: {
      danger: text('Kind of danger'),
      found: yes('There is such a standing'),
      one: text('What it concerns'),
      other: text('What else it concerns'),
      others: text('All it concerns but the first'),
      how: text('How the switches stand'),
    },
  },
  placed: {
    label: 'a thing on its wall',
    facts: {
      name: text('Name'),
      wall: text('Wall'),
      place: text('Kind of place, as an id'),
      placeName: text('Kind of place'),
      stores: yes('It stores energy'),
      energyWh: fact('Energy it holds', 'Wh'),
      isOutdoors: yes('It is outdoors'),
      isLivedIn: yes('People live in that place'),
      beyond: yes('It reaches beyond the wall'),
      covers: things('What it overlaps'),
      crowded: things('What stands in the room its maker asks for'),
      asked: text('The room its maker asks for'),
      aroundTo: text('What is nearest of doors and windows that open'),
      doorM: m('To the nearest door, or window that opens'),
      ventTo: text('Nearest vent, intake or flue'),
      ventM: m('To the nearest vent, intake or flue'),
      gasM: m('To the nearest gas meter or regulator'),
      meterM: m('To the electric meter'),
      applianceM: m('To the nearest heater or other appliance'),
      aboveTo: text('Exit, window, vent or appliance above it'),
      aboveM: m('Up to it'),
      nextUnit: text('Nearest other unit that stores energy'),
      nextUnitM: m('To that unit'),
      testedM: m('Between two of them, as their fire test allows'),
      workingBlocked: things('What stands in its working space'),
      needsWorking: yes('It is worked on while it is live'),
      freeBeforeM: m('Free before the wall'),
      askedBeforeM: m('The maker asks before it'),
      outdoorRated: yes('It is made for outdoors'),
      topM: m('Its top above the ground'),
      bottomM: m('Its bottom above the ground'),
      handleM: m('The middle of what is operated, above the ground'),
      floodM: m('Flood level'),
      snowM: m('Snow that lies'),
      saltAir: yes('Salt air'),
      sealed: yes('Its ingress class keeps out salt and spray'),
      vehicles: yes('Vehicles reach the wall'),
      impact: text('Protection from vehicles'),
      detection: yes('An alarm is there'),
      behind: text('What lies behind, as an id'),
      board: yes('A board that does not burn is behind it'),
      combustible: yes('The face of the wall burns'),
      bedroomDb: fact('Noise at the nearest bedroom', 'dB'),
      neighbourDb: fact('Noise at a neighbour’s window', 'dB'),
      mounting: text('How it is mounted'),
      hangs: yes('It hangs'),
      gives: yes('It gives off hydrogen while it charges'),
      ventilated: yes('The place is ventilated'),
    },
  },
  holding: {
    label: 'how a thing is held',
    facts: {
      name: text('Name'),
      wall: text('Wall'),
      massKg: fact('Mass', 'kg'),
      madeOf: text('What the wall is made of'),
      hangs: yes('It hangs'),
      studs: count('Studs behind it'),
      needsStuds: count('Studs it needs'),
      plywood: yes('Plywood spreads its load'),
      fixings: count('Fixings'),
      pullN: fact('Pull on a fixing', 'N'),
      holdsN: fact('What a fixing holds in withdrawal', 'N'),
      shearN: fact('Shear on a fixing', 'N'),
      bearsN: fact('What a fixing bears in shear', 'N'),
      use: fact('Share of what its fixings hold', 'share'),
      people: count('People to lift it by hand'),
      seismic: yes('Earthquake country'),
      tied: yes('It stands, and ties keep it from tipping'),
    },
  },
  'placed-climate': {
    label: 'sun and temperature where a unit is',
    facts: {
      name: text('Name'),
      wall: text('Wall'),
      sunH: fact('Direct sun a day in the sunniest summer month', 'h'),
      shade: yes('It has a shade of its own'),
      hottestC: fact('Hottest hour of the cabinet', '°C'),
      coldestC: fact('Coldest hour of the cabinet', '°C'),
      bearsC: fact('It works up to', '°C'),
      worksFromC: fact('It works from', '°C'),
      coldH: fact('Hours of the year below freezing', 'h'),
      heater: yes('It has a heater'),
      lithium: yes('It is lithium'),
      hotH: fact('Hours of the year above where it derates', 'h'),
      powerLeft: fact('Power left in the hottest hour', 'share'),
    },
  },
  'place-energy': {
    label: 'the energy stored in one kind of place',
    facts: {
      place: text('Kind of place, as an id'),
      placeName: text('Kind of place'),
      units: things('Units'),
      energyWh: fact('Energy', 'Wh'),
      largestWh: fact('Energy of the largest unit', 'Wh'),
    },
  },
  placement: {
    label: 'the placement as a whole',
    facts: {
      walls: count('Walls'),
      unplaced: things('What is not placed yet'),
      energyWh: fact('Energy of all units', 'Wh'),
      altitudeM: m('Altitude'),
    },
  },
} as const satisfies Readonly<
  Record<string, { readonly label: string; readonly facts: Readonly<Record<string, FactKind>> }>
>;

export type SubjectKind = keyof typeof subjectKinds;
export type FactName<Kind extends SubjectKind> = keyof (typeof subjectKinds)[Kind]['facts'] & string;

/** What is known of a fact by its name; undefined = there is none. */
export function factKind(kind: SubjectKind, name: string): FactKind | undefined {
  const { facts }: { readonly facts: Readonly<Record<string, FactKind>> } = subjectKinds[kind];
  return Object.hasOwn(facts, name) ? facts[name] : undefined;
}

/** The type of a fact in expressions. */
export function factType(kind: SubjectKind, name: string): ExpressionType | undefined {
  const is = factKind(kind, name)?.is;
  return is === undefined || is === 'text' || is === 'yes or no' ? is : 'number';
}

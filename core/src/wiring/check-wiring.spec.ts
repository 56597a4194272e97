import { describe, expect, it } from 'vitest';
import { demoPlans, islandWiring, type Plan, usualArray, type Wiring } from '../design/index.js';
import { bruteStandings, walkedHazards } from './testing/brute-standings.js';
import { aWiredHouse, device, wired, withGenerator, withSubPanel } from './testing/wired.js';
import { networkOf } from './graph/network-of.js';
import { dangerousStandings, hazardKey } from './states/dangerous-standings.js';
import type { HazardKind, Situation } from './states/switch-network.js';
import { liveAt } from './states/live-at.js';
import { wiringFindings } from './findings/wiring-findings.js';

const hazardsOf = (plan: Plan): HazardKind[] => [
  ...new Set(wired(plan).states.found.map(({ kind }) => kind)),
];
const saying = (plan: Plan, wiring: Partial<Wiring>): Plan => ({
  ...plan,
  wiring: { ...plan.wiring, ...wiring },
});
const away: Situation = { grid: false, generator: false, battery: true };

/** The source comes in ahead of what hangs behind the isolating device. */
const ahead: Wiring['islands'] = [{ ...islandWiring({ islands: [] }, 's'), joins: 'enclosure' }];

/** An array whose inverters come down on both circuits of the house. */
const twoCircuits = (plan: Plan): Plan => ({
  ...plan,
  sources: {
    ...plan.sources,
    arrays: [
      {
        ...usualArray(plan, 'roof', 'Roof'),
        circuitId: 's-1',
        moreCircuits: [{ circuitId: 's-2' }],
        coupling: 'ac',
        inverterW: 7680,
      },
    ],
  },
});

/** Two demo houses, and those that a new user would try. */
const houses: readonly (readonly [string, Plan])[] = [
  ...demoPlans.map(({ name, plan }) => [name, plan] as const),
  ['a whole house behind one device', aWiredHouse()],
  [
    'an inlet on a back-fed breaker',
    withGenerator(aWiredHouse({ between: [device('generator-inlet', 30)] })),
  ],
  ['a transfer switch', withGenerator(aWiredHouse({ between: [device('transfer-switch', 200)] }))],
  ['a sub-panel behind a transfer switch', withGenerator(withSubPanel(aWiredHouse()))],
  ['a generator ahead of the device', withGenerator(aWiredHouse(), { connection: 'through', start: 'auto' })],
  ['an array on two circuits', twoCircuits(aWiredHouse())],
  ['a generator beside the inverter', withGenerator(aWiredHouse(), { start: 'auto' })],
];

describe('a wired house', () => {
  it('has a circuit for each that an array comes down on, with its share of the current', () => {
    const { graph } = wired(twoCircuits(aWiredHouse()));
    const feeds = graph.parts.filter(({ id }) => id.startsWith('array-feed:'));
    expect(feeds.map(({ cable }) => cable!.continuousA)).toEqual([16, 16]);
    expect(graph.sources.filter(({ kind }) => kind === 'array')).toHaveLength(2);
  });

  it('opens as many conductors as hang on a device: one of a source on one leg, all of a main', () => {
    const one = twoCircuits(aWiredHouse());
    const [array] = one.sources.arrays;
    const { graph } = wired({ ...one, sources: { ...one.sources, arrays: [{ ...array!, legs: 'L1' }] } });
    const poles = (start: string): number[] =>
      graph.parts.flatMap(({ id, device }) => (device && id.startsWith(start) ? [device.poles] : []));
    expect(poles('array-feed:')).toEqual([1, 1]);
    expect(poles('array-switch:')).toEqual([1, 1]);
    expect(poles('panel-main:')).toEqual([2]);
    expect(poles('output:')).toEqual([2, 2]);
  });

  it.each(houses)('%s: what the state check says is what walking through every standing says', (_, plan) => {
    const network = networkOf(wired(plan).graph);
    // Bounded: a second implementation tries all of them one by one.
    const combinations = network.handles.reduce((product, { positions }) => product * positions.length, 1);
    expect(combinations).toBeLessThan(5000);
    expect(new Set(dangerousStandings(network).found.map(hazardKey))).toEqual(bruteStandings(network));
  });

  it.each(houses)(
    '%s: while the grid is away, nothing of it is live as everything usually stands',
    (_, plan) => {
      const { graph } = wired(plan);
      const places = liveAt(networkOf(graph), {}, away);
      for (const { id, kind } of graph.places)
        if (kind === 'grid' || kind === 'meter') expect(places.has(id)).toBe(false);
      expect([...places.values()]).toContain('inverter');
    },
  );

  it.each(houses)(
    '%s: every part begins and ends at a place, and every handle switches something',
    (_, plan) => {
      const { places, parts, handles, sources, bonds } = wired(plan).graph;
      const known = new Set(places.map(({ id }) => id));
      for (const { from, to } of parts) expect([known.has(from), known.has(to)]).toEqual([true, true]);
      for (const { at } of [...sources, ...bonds]) expect(known.has(at)).toBe(true);
      for (const { id } of handles)
        expect(parts.some(({ device: one }) => one?.handle?.id === id)).toBe(true);
      expect(new Set(parts.map(({ id }) => id)).size).toBe(parts.length);
    },
  );

  // From each house every bond, interlock, device that opens by itself, and switch of a neutral is taken out in turn.
  it.each(houses.slice(0, 6))('%s: whatever is taken out of it, what that endangers is found', (_, plan) => {
    const network = networkOf(wired(plan).graph);
    const without = <T>(list: readonly T[], one: T): T[] => list.filter((other) => other !== one);
    const always = [{ kind: 'always' as const }];
    const lesser = [
      ...network.bonds.map((bond) => ({ ...network, bonds: without(network.bonds, bond) })),
      ...network.interlocks.map((lock) => ({
        ...network,
        interlocks: without(network.interlocks, lock),
      })),
      // The line stays closed where a device was; the neutral is left solid where it was switched.
      ...network.links
        .filter(({ closedBy }) => closedBy.some(({ kind }) => kind !== 'always'))
        .map((link) => ({
          ...network,
          links: network.links.map((one) => (one === link ? { ...link, closedBy: always } : one)),
        })),
    ];
    expect(lesser.length).toBeGreaterThan(2);
    let worse = 0;
    const before = bruteStandings(network);
    for (const one of lesser) {
      const dangers = bruteStandings(one);
      if ([...dangers].some((danger) => !before.has(danger))) worse += 1;
      expect(new Set(dangerousStandings(one).found.map(hazardKey))).toEqual(dangers);
    }
    // A device that isolates, at the least, endangers somebody when it is gone.
    expect(worse).toBeGreaterThan(0);
  });

  it('a plain one is safe in every standing', () => {
    expect(hazardsOf(aWiredHouse())).toEqual([]);
  });
});

// Common practice, and NEC 250.20(B), 250.30, 702.11 (recalled).
describe('a portable generator at a transfer switch', () => {
  const house = withGenerator(withSubPanel(aWiredHouse()));
  const bondsOf = (
    generatorNeutral: 'bonded' | 'floating',
    transferNeutral: 'switched' | 'solid',
  ): number => {
    const { graph } = wired(saying(house, { generatorNeutral, transferNeutral }));
    const network = networkOf(graph);
    const standing = { 'xfer:sub': 'generator' };
    const hazards = walkedHazards(network, standing, { grid: false, generator: true, battery: false });
    const of = (kind: HazardKind) =>
      hazards.find((one) => one.kind === kind && one.concerns[0] === 'generator');
    if (of('no-bond')) return 0;
    return of('two-bonds') ? of('two-bonds')!.concerns.length - 1 : 1;
  };
  it.each([
    ['bonded', 'solid', 2],
    ['bonded', 'switched', 1],
    ['floating', 'solid', 1],
    ['floating', 'switched', 0],
  ] as const)('%s, neutral %s: %i effective bonds', (neutral, transfer, bonds) => {
    expect(bondsOf(neutral, transfer)).toBe(bonds);
  });
  it('that is right is safe in every standing', () => {
    expect(hazardsOf(saying(house, { generatorNeutral: 'floating', transferNeutral: 'solid' }))).toEqual([]);
    expect(hazardsOf(saying(house, { generatorNeutral: 'bonded', transferNeutral: 'switched' }))).toEqual([]);
  });
});

describe('what is dangerous is found', () => {
  it('an inlet without an interlock feeds the grid, and is cured by one', () => {
    const plain = withGenerator(
      aWiredHouse({ between: [device('generator-inlet', 30)] }, { school: 'none' }),
    );
    const house = saying(plain, { generatorNeutral: 'floating' });
    expect(hazardsOf(house)).toEqual(expect.arrayContaining(['back-feed', 'parallel']));
    const lock = {
      id: 'lock',
      forbids: [
        { handle: 'inlet:panel-s', position: 'closed' },
        { handle: 'panel-main:panel-s', position: 'closed' },
      ],
    };
    expect(hazardsOf(saying(house, { interlocks: [lock] }))).toEqual([]);
  });

  it('a transfer switch ahead of a panel into which the inverter feeds: generator and inverter meet there', () => {
    const house = saying(withGenerator(aWiredHouse({ between: [device('transfer-switch', 200)] })), {
      generatorNeutral: 'floating',
      transferNeutral: 'solid',
    });
    expect(hazardsOf(house)).toEqual(['parallel']);
    expect(hazardsOf(saying(house, { islands: ahead }))).toEqual([]);
  });

  it('a sub-panel with a second bond, as things usually stand', () => {
    const { plan } = demoPlans[0]!;
    const found = wired(plan).states.found.filter(({ kind }) => kind === 'two-bonds');
    expect(found.length).toBeGreaterThan(0);
    for (const { concerns, moved } of found) {
      expect(concerns).toEqual(expect.arrayContaining(['bond:barn', 'bond:cellar']));
      expect(moved).toEqual([]);
    }
    const panels = plan.survey.panels.map((panel) =>
      panel.id === 'barn' ? { ...panel, bonded: false } : panel,
    );
    expect(hazardsOf({ ...plan, survey: { ...plan.survey, panels } })).toEqual([]);
  });

  it('solar on a bus that a generator feeds, unless it is locked out', () => {
    const house = withSubPanel(aWiredHouse());
    const array = { ...usualArray(house, 'roof', 'Roof'), circuitId: 'sub-1' };
    const sunny = { ...house, sources: { ...house.sources, arrays: [array] } };
    const safe = { generatorNeutral: 'floating', transferNeutral: 'solid' } as const;
    expect(hazardsOf(saying(withGenerator(sunny, { locksSolarOut: false }), safe))).toContain(
      'solar-generator',
    );
    expect(hazardsOf(saying(withGenerator(sunny, { locksSolarOut: true }), safe))).toEqual([]);
  });

  it('a bypass switch of its own feeds the grid; one handle for both does not', () => {
    const island = islandWiring({ islands: [] }, 's');
    const house = aWiredHouse();
    expect(hazardsOf(saying(house, { islands: [{ ...island, bypass: 'separate' }] }))).toContain('back-feed');
    expect(hazardsOf(saying(house, { islands: [{ ...island, bypass: 'interlocked' }] }))).toEqual([]);
  });

  it('an island whose only bond stays behind: the main of a consumer unit opens the neutral', () => {
    const { plan } = demoPlans[1]!;
    const found = wired(plan, [{ unitId: 'bracken-141', quantity: 1 }]).states.found;
    expect(found).toEqual([
      expect.objectContaining({ kind: 'no-bond', moved: ['panel-main:hall'], situation: away }),
    ]);
    const services = plan.backup.services.map((one) => ({ ...one, bondWhileIslanded: 'inverter' as const }));
    expect(hazardsOf({ ...plan, backup: { ...plan.backup, services } })).toEqual([]);
  });

  it('every bond that is taken away, and every interlock, where it endangers somebody', () => {
    for (const [name, plan] of houses) {
      const network = networkOf(wired(plan).graph);
      const before = new Map(dangerousStandings(network).found.map((one) => [hazardKey(one), one]));
      for (const { id } of network.bonds) {
        const without = { ...network, bonds: network.bonds.filter((bond) => bond.id !== id) };
        const after = dangerousStandings(without).found;
        // It was the only one of somebody, or one too many.
        const mattered = after.some(
          (one) =>
            one.kind === 'no-bond' &&
            one.moved.length < (before.get(hazardKey(one))?.moved.length ?? Infinity),
        );
        const cured = [...before.keys()].some((key) => key.includes(id));
        expect(mattered || cured, `${name}: ${id}`).toBe(true);
      }
      for (const { id } of network.interlocks) {
        const without = { ...network, interlocks: network.interlocks.filter((lock) => lock.id !== id) };
        expect(dangerousStandings(without).found.length, `${name}: ${id}`).toBeGreaterThan(before.size);
      }
    }
  });
});

describe('what stands in the strip', () => {
  it('names the worst and its cure', () => {
    const [first] = wiringFindings(wired(demoPlans[0]!.plan));
    expect(first).toMatchObject({ severity: 'must-fix' });
    expect(first!.title).toContain('Several bonds');
    expect(wiringFindings(wired(aWiredHouse())).filter(({ severity }) => severity === 'stops')).toEqual([]);
  });
});

import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { supplySystems } from '../../electric/index.js';
import { circuitsById, circuitText, type Panel, spacesFrom } from '../../house/index.js';
import {
  entryByName,
  libraryFor,
  loadFromLibrary,
  loadsFromCircuits,
  newCircuit,
  newPanel,
  newService,
  readCircuit,
} from '../../house/details.js';
import { addLoads } from '../backup/kept-loads.js';
import { moveToLane } from '../backup/move-to-lane.js';
import { isValid } from '../testing/is-valid.js';
import { circuitsFromLoads } from './circuits-from-loads.js';
import { emptyPlan } from './empty-plan.js';
import type { Plan } from './plan.js';
import { settlePlan } from './settle-plan.js';

let next = 0;
const newId = (): string => `n${next++}`;

/** A panel with one circuit a line: rating, poles and name, each in the first free space. */
function surveyed(lines: readonly (readonly [number, number, string])[], name = 'Main panel'): Panel {
  const panel = newPanel(newId(), name, 'split-120-240', { kind: 'service', serviceId: 's' });
  const taken = new Set<number>();
  return {
    ...panel,
    circuits: lines.map(([ratingA, poles, label]) => {
      const first = Array.from({ length: panel.spaces }, (_, i) => i + 1).find((space) =>
        spacesFrom(panel, space, poles)?.every((one) => !taken.has(one)),
      )!;
      const spaces = spacesFrom(panel, first, poles)!;
      for (const space of spaces) taken.add(space);
      return { ...newCircuit(newId(), spaces, label), ratingA };
    }),
  };
}
const withPanels = (panels: readonly Panel[]): Plan => ({
  ...emptyPlan(),
  survey: { ...emptyPlan().survey, services: [newService('s', 'Service 1')], panels: [...panels] },
});

describe('loads made from the legend', () => {
  it('are the typical ones of each name, on their circuits and their legs', () => {
    const plan = withPanels([
      surveyed([
        [50, 2, 'Range'],
        [20, 1, 'Kitchen counter'],
        [60, 2, 'EV charger'],
        [15, 1, 'Fridge'],
        [30, 2, 'Kiln'],
      ]),
    ]);
    const { loads, unknown } = loadsFromCircuits(plan, newId);
    expect(loads.map(({ name, kind, runningPowerW, legs }) => [name, kind, runningPowerW, legs])).toEqual([
      ['Range', 'range', 11_000, 'L1-L2'],
      ['Kitchen counter', 'outlets', 60, 'L1'],
      // 80 % of 60 A at 240 V.
      ['EV charger', 'vehicle', 11_520, 'L1-L2'],
      // Space 5, in the third row.
      ['Fridge', 'refrigeration', 120, 'L1'],
    ]);
    expect(unknown).toEqual(['Kiln']);
    const placed = settlePlan(addLoads(plan, loads));
    expect(isValid(placed)).toBe(true);
    for (const load of placed.loads)
      expect(circuitText(circuitsById(placed.survey).get(load.circuitId!)!)).toContain(load.name);
    // Once they are there, none is missing.
    expect(loadsFromCircuits(placed, newId).loads).toEqual([]);
  });

  it('knows what legends usually say (common practice, no source)', () => {
    const of = (name: string, poles: number) => entryByName(name, poles, 'split-120-240')?.id;
    expect(of('WATER HEATER', 2)).toBe('water-heater-tank');
    expect(of('A/C condenser', 2)).toBe('ac-central');
    expect(of('Sump', 1)).toBe('sump-pump');
    expect(of('Master bedroom', 1)).toBe('outlets');
    expect(of('Range hood', 1)).toBe('range-hood');
    expect(of('Living room lights', 1)).toBe('lights-living');
    expect(of('Shed subpanel', 2)).toBeUndefined();
  });
});

describe('circuits made from loads', () => {
  it('give every load one of its own that it fits on, and all can be shed', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...supplySystems),
        fc.uniqueArray(fc.nat(60), { minLength: 1, maxLength: 25 }),
        (system, picks) => {
          const library = libraryFor(system);
          const bare = emptyPlan(system);
          const loads = picks.map((at, i) =>
            loadFromLibrary(library[at % library.length]!, `l${i}`, system, []),
          );
          const plan = settlePlan(circuitsFromLoads(addLoads(bare, loads), newId));
          expect(isValid(plan)).toBe(true);
          const circuits = plan.loads.map(({ circuitId }) => circuitId);
          expect(new Set(circuits).size).toBe(loads.length);
          expect(circuits).not.toContain(null);
          const shed = moveToLane(plan, { circuitIds: circuits.map((id) => id!), loadIds: [] }, 'auto');
          expect(isValid(settlePlan(shed))).toBe(true);
        },
      ),
      { numRuns: 60 },
    );
  });

  it('get the breaker that carries 125 % of what they draw', () => {
    const breakerOf = (system: 'single-230' | 'split-120-240', amps: number, volts: number) => {
      const load = { ...loadFromLibrary(libraryFor(system)[0]!, 'a', system, []), quantity: 1 };
      const drawing = {
        ...load,
        runningPowerW: amps * volts,
        powerFactor: 1,
        voltageV: volts,
        legs: 'L1' as const,
      };
      return circuitsFromLoads(addLoads(emptyPlan(system), [drawing]), newId).survey.panels[0]!.circuits[0]!
        .ratingA;
    };
    // Preferred ratings of IEC 60898-1, recalled: 12.8 A × 1.25 are 16 A, and so on.
    const metric = [12.8, 12.9, 16.1, 20.1, 25.6, 25.7, 32.1, 40.1, 50.4, 50.5, 64.1, 80.1];
    expect(metric.map((amps) => breakerOf('single-230', amps, 230))).toEqual([
      16, 20, 25, 32, 32, 40, 50, 63, 63, 80, 100, 125,
    ]);
    // NEC 210.3 and 240.6(A), recalled: none below 15 A.
    const american = [2, 12, 12.1, 16.1, 20.1, 24.1];
    expect(american.map((amps) => breakerOf('split-120-240', amps, 120))).toEqual([15, 15, 20, 25, 30, 35]);
  });

  it('leaves what is placed where it is, and a house without loads alone', () => {
    const bare = emptyPlan();
    expect(circuitsFromLoads(bare, newId)).toBe(bare);
    const made = circuitsFromLoads(
      addLoads(bare, [loadFromLibrary(libraryFor('split-120-240')[0]!, 'a', 'split-120-240', [])]),
      newId,
    );
    expect(circuitsFromLoads(made, newId)).toBe(made);
  });
});

describe('a circuit that is typed', () => {
  const main = surveyed([
    [20, 1, 'Kitchen'],
    [15, 1, 'Hall'],
    [15, 1, 'Hall lights'],
    [50, 2, 'Range'],
  ]);
  const barn = surveyed([[20, 1, 'Bench']], 'Barn');
  const { survey } = withPanels([main, barn]);
  const nameOf = (text: string): string | null => {
    const read = readCircuit(text, survey);
    if (!read.ok) return read.message;
    return read.circuitId === null ? null : circuitsById(survey).get(read.circuitId)!.circuit.name;
  };

  it.each([
    ['1', 'Kitchen'],
    [' 2 ', 'Hall'],
    // A pole of a wider breaker.
    ['6', 'Range'],
    ['barn 1', 'Bench'],
    ['kitch', 'Kitchen'],
    ['Hall', 'Hall'],
    ['-', null],
    ['', null],
  ])('“%s” is %s', (text, name) => {
    expect(nameOf(text)).toBe(name);
  });

  it.each(['99', 'H', 'nowhere'])('“%s” is refused in words', (text) => {
    expect(nameOf(text)).toMatch(/No circuit is there|circuits are called so/);
  });

  it('never throws', () => {
    fc.assert(fc.property(fc.string(), (text) => typeof readCircuit(text, survey).ok === 'boolean'));
  });
});

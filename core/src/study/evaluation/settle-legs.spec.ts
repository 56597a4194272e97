import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type LegSet, legsOf, type SupplySystem, systemFacts } from '../../electric/index.js';
import { builtInCatalogue } from '../../equipment/index.js';
import {
  circuitLegs,
  circuitLegSets,
  circuitsById,
  legsOnCircuit,
  type Load,
  settleLegs,
  emptySurvey,
} from '../../house/index.js';
import { newCircuit, newPanel } from '../../house/details.js';
import { demoPlans, type Plan } from '../../design/index.js';
import { evaluatePlan } from './evaluate-plan.js';
import { aPlan } from '../../design/testing/plan.js';
import { aLoad, arbitraryLoad, arbitrarySystem } from '../../house/testing/loads.js';

const panel = newPanel('p', 'Panel', 'split-120-240', { kind: 'unknown' });
const placed = (spaces: number[]) => ({ panel, circuit: newCircuit('c', spaces, 'Circuit') });

describe('a load on a circuit', () => {
  const guess = (legs: LegSet) => ({ legs, legsAssumed: true });
  const said = (legs: LegSet) => ({ legs, legsAssumed: false });
  const split = 'split-120-240';

  it('has the leg of a one-pole circuit, which is known then', () => {
    expect(legsOnCircuit(guess('L1'), placed([3]), split)).toEqual(said('L2'));
    expect(legsOnCircuit(said('L1'), placed([3]), split)).toEqual(said('L2'));
  });

  it('sits on all of a wider circuit unless somebody has said otherwise, and a guess stays one', () => {
    expect(legsOnCircuit(guess('L2'), placed([2, 4]), split)).toEqual(guess('L1-L2'));
    expect(legsOnCircuit(said('L2'), placed([2, 4]), split)).toEqual(said('L2'));
    expect(legsOnCircuit(said('L1-L2'), placed([2, 4]), split)).toEqual(said('L1-L2'));
    expect(legsOnCircuit(said('L3'), placed([1, 3]), 'three-230-400')).toEqual(guess('L1-L2'));
  });

  it('keeps more legs than its circuit has, for a finding to speak of', () => {
    expect(legsOnCircuit(said('L1-L2'), placed([1]), split)).toEqual(said('L1-L2'));
  });

  // 9.6 kW are 80 A at 120 V and 40 A at 240 V.
  it('is not guessed onto one leg of 120 V where it is large', () => {
    const charger = aLoad({ runningPowerW: 9600, legs: 'L1', legsAssumed: true });
    const legsOn = (load: Load, system: SupplySystem) =>
      settleLegs({ ...aPlan([load]), supply: { ...aPlan([]).supply, system } }).loads[0]!;
    expect(legsOn(charger, split)).toMatchObject(guess('L1-L2'));
    expect(legsOn({ ...charger, legsAssumed: false }, split)).toMatchObject(said('L1'));
    expect(legsOn({ ...charger, runningPowerW: 1800 }, split)).toMatchObject(guess('L1'));
    expect(legsOn(charger, 'single-230')).toMatchObject(guess('L1'));
  });
});

const arbitraryHouse = arbitrarySystem.chain((system) =>
  fc
    .tuple(
      fc.uniqueArray(arbitraryLoad(system), { maxLength: 6, selector: ({ id }) => id }),
      fc.array(fc.integer({ min: 0, max: 7 }), { minLength: 6, maxLength: 6 }),
    )
    .map(([loads, places]): Plan => {
      const wide = { ...newPanel('p', 'Panel', system, { kind: 'unknown' as const }), spaces: 20 };
      const circuits = [1, 3, 5, 7, 9, 11]
        .map((space) => newCircuit(`c${space}`, [space]))
        .concat(newCircuit('two', [2, 4]), newCircuit('three', [6, 8, 10]));
      return {
        ...aPlan([], { supply: { system, frequencyHz: 50, serviceRatingA: null } }),
        survey: { ...emptySurvey(), panels: [{ ...wide, layout: 'odd-even', circuits }] },
        loads: loads.map((load, i) => ({ ...load, circuitId: circuits[places[i]!]!.id })),
      };
    }),
);

describe('a job whose legs are settled', () => {
  it('is settled once and for all', () => {
    fc.assert(
      fc.property(arbitraryHouse, (plan) => {
        const settled = settleLegs(plan);
        expect(settleLegs(settled)).toBe(settled);
      }),
    );
  });

  it('has every placed load on legs of the supply, and of its circuit where that has enough', () => {
    fc.assert(
      fc.property(arbitraryHouse, (plan) => {
        const settled = settleLegs(plan);
        const circuits = circuitsById(settled.survey);
        for (const load of settled.loads) {
          const on = circuits.get(load.circuitId!)!;
          const has = circuitLegs(on.panel, on.circuit, settled.supply.system);
          expect(systemFacts[settled.supply.system].legSets).toContain(load.legs);
          if (has.length === 1 && legsOf(load.legs).length === 1) expect(load.legsAssumed).toBe(false);
          if (legsOf(load.legs).length <= has.length)
            expect(legsOf(load.legs).every((leg) => has.includes(leg))).toBe(true);
        }
      }),
    );
  });

  it('offers each load the legs its circuit has', () => {
    fc.assert(
      fc.property(arbitraryHouse, (plan) => {
        const settled = settleLegs(plan);
        const sets = circuitLegSets(settled);
        const circuits = circuitsById(settled.survey);
        for (const load of settled.loads) {
          const on = circuits.get(load.circuitId!)!;
          const has = circuitLegs(on.panel, on.circuit, settled.supply.system);
          expect(sets.get(load.id)!.length).toBeGreaterThan(0);
          for (const set of sets.get(load.id)!)
            expect(legsOf(set).every((leg) => has.includes(leg))).toBe(true);
        }
      }),
    );
  });

  it('offers nothing special to a load on no circuit', () => {
    expect(circuitLegSets(aPlan([aLoad()])).size).toBe(0);
  });
});

describe('margins', () => {
  it('rest on circuits: a breaker moved to the other leg moves its loads in the leg split', () => {
    const { plan } = demoPlans[0]!;
    const [cellar, barn] = plan.survey.panels;
    const moved = settleLegs({
      ...plan,
      survey: {
        ...plan.survey,
        panels: [
          {
            ...cellar!,
            circuits: cellar!.circuits.map((circuit) =>
              circuit.name === 'Kitchen counter, left' ? { ...circuit, spaces: [31] } : circuit,
            ),
          },
          barn!,
        ],
      },
    });
    const legs = (one: Plan) =>
      evaluatePlan(one, builtInCatalogue).margins.find(({ key }) => key === 'legs')!;
    expect(legs(plan).culprit).toContain('Microwave oven');
    expect(legs(plan).culprit).toContain('L1');
    expect(legs(moved).culprit).toContain('L2');
  });

  it('rest on measured values where there are any', () => {
    const { plan } = demoPlans[0]!;
    const runtime = (one: Plan) =>
      evaluatePlan(one, builtInCatalogue).margins.find(({ key }) => key === 'runtime')!.ratio;
    const measured = {
      ...plan,
      loads: plan.loads.map((load) =>
        load.id === 'boiler-oil'
          ? { ...load, basis: 'measured' as const, measuredOn: '2026-01-06', runningPowerW: 500 }
          : load,
      ),
    };
    expect(runtime(measured)).toBeGreaterThan(runtime(plan));
  });
});

import { describe, expect, it } from 'vitest';
import { builtInCatalogue } from '../../equipment/index.js';
import { demoPlans, settlePlan, setSoftStarter, softStarted, withSoftStarts } from '../../design/index.js';
import { isValid } from '../../design/testing/is-valid.js';
import { suggestBackup } from '../backup-set/suggestion.js';
import { substitutesFor, withSubstitute } from '../backup-set/substitutes.js';
import { evaluatePlan } from '../evaluation/evaluate-plan.js';
import { runningPowerVA } from '../../house/index.js';

const { plan: farm } = demoPlans[0]!;
const pump = farm.loads.find(({ name }) => name.startsWith('Well pump'))!;
const started = setSoftStarter(farm, pump.id, true);
const startOf = (plan: typeof farm): number =>
  evaluatePlan(plan, builtInCatalogue).margins.find(({ key }) => key === 'starting')!.ratio;

describe('a soft starter of a design', () => {
  it('makes the start gentler wherever it counts, and leaves the load as it is', () => {
    expect(startOf(started)).toBeLessThan(startOf(farm) - 0.1);
    expect(started.loads).toBe(farm.loads);
    const soft = withSoftStarts(started).loads.find(({ id }) => id === pump.id)!;
    // Two and a half times the running power, by its own start: worked by hand.
    expect(soft.start).toEqual({ how: 'soft', multiple: 2.5, durationS: 1.2 });
    expect(runningPowerVA(soft)).toBe(runningPowerVA(pump));
    expect(withSoftStarts(started)).toBe(withSoftStarts(started));
    expect(withSoftStarts(withSoftStarts(started))).toBe(withSoftStarts(started));
    expect(setSoftStarter(started, pump.id, false)).toEqual(farm);
  });

  it('is what the substitute takes, is offered once, and goes with its load', () => {
    const offered = substitutesFor(farm).find(({ softStarter }) => softStarter)!;
    expect(offered.loadId).toBe(pump.id);
    const taken = withSubstitute(farm, offered);
    expect([...softStarted(taken)]).toEqual([pump.id]);
    expect(isValid(taken)).toBe(true);
    const again = substitutesFor(taken).filter(({ softStarter }) => softStarter);
    expect(again.map(({ loadId }) => loadId)).not.toContain(pump.id);
    const gone = settlePlan({ ...taken, loads: taken.loads.filter(({ id }) => id !== pump.id) });
    expect(gone.backup.softStarters).toEqual([]);
  });

  it('counts in the search for the best set', () => {
    const parts = farm.equipment.stacks[0]!.parts;
    const of = (plan: typeof farm) => suggestBackup(plan, builtInCatalogue, 'farm', parts)!;
    // The same stack carries at least as much beside a pump that starts softly.
    expect(of(started).worth).toBeGreaterThan(of(farm).worth);
  });
});

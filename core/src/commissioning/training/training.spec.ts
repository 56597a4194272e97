import { describe, expect, it } from 'vitest';
import { demoPlans } from '../../design/index.js';
import { type SimulatedFault, simulatedFaultNames } from '../../simulator/index.js';
import { builtHouse } from '../simulated/built-house.js';
import { nothingToMakeSafe, trainingResult, waysToMakeSafe } from './training-result.js';
import { TrainingRun, trainingStart } from './training-run.js';

const { design, islandId, hardware, simulate } = builtHouse(demoPlans[0]!.plan);
const house = {
  design,
  islandId,
  hardware,
  simulate: () => simulate(3, trainingStart.fromMinute, trainingStart.charge),
};
/** A run in the order of the steps, as somebody who knows his trade does it. */
function throughAll(run: TrainingRun): void {
  for (const step of run.steps) {
    if (run.waitsForOutage(step)) run.stage();
    run.measure(step.id);
  }
}
const runs = Array.from({ length: 120 }, (_, seed) => new TrainingRun(house, seed));

describe('a training run', () => {
  it('hides every kind of fault by its seed, now and then none, and the same one again', () => {
    const hidden = new Set(runs.map(({ fault }) => fault));
    // The farmhouse has no generator that could stay silent.
    const possible = simulatedFaultNames.filter((fault) => fault !== 'generator-silent');
    expect([...hidden].toSorted()).toEqual([...possible, 'none'].toSorted());
    expect(new TrainingRun(house, 7).fault).toBe(runs[7]!.fault);
  });

  it('shows its fault to whoever does every step, and nothing else: he is right, overlooked nothing, touched nothing needlessly', () => {
    const seen = new Set<string>();
    for (const run of runs) {
      if (seen.has(run.fault)) continue;
      seen.add(run.fault);
      throughAll(run);
      const off = run.done.filter(({ verdict }) => verdict === 'off').map(({ step }) => step.id);
      expect(off.toSorted(), run.fault).toEqual(run.shows.map(({ step }) => step.id).toSorted());
      const makeSafe = run.shows.find(({ step }) => step.makeSafe !== '')?.step.makeSafe ?? nothingToMakeSafe;
      const result = trainingResult(run, { fault: run.fault, makeSafe });
      expect(result).toMatchObject({ isFaultNamed: true, isMadeSafe: true, overlooked: [] });
      if (makeSafe === nothingToMakeSafe) expect(result.liveNeedlessly, run.fault).toEqual([]);
      expect(waysToMakeSafe(run.steps)).toEqual(expect.arrayContaining([...result.rightMakeSafe]));
      expect(result.houseMin).toBeGreaterThan(240);
    }
  });

  const runOf = (fault: SimulatedFault | 'none'): TrainingRun =>
    new TrainingRun(
      house,
      runs.findIndex((run) => run.fault === fault),
    );

  it('tells who names a fault without looking what he overlooked', () => {
    const run = runOf('battery-missing');
    const result = trainingResult(run, { fault: 'clock-off', makeSafe: nothingToMakeSafe });
    expect(result.isFaultNamed).toBe(false);
    expect(result.overlooked[0]).toBe('None of the dead tests was done.');
    expect(result.overlooked.join(' ')).toContain('Batteries that answer');
    expect(result.stepsDone).toBe(0);
  });

  it('tells where hands went live that need not have: before the dead tests, twice, past what had to be made safe', () => {
    const early = runOf('none');
    const live = early.steps.find(({ care }) => care === 'live')!;
    early.measure(live.id);
    expect(trainingResult(early, { fault: 'none', makeSafe: nothingToMakeSafe }).liveNeedlessly).toEqual([
      `“${live.title}”: live before the dead tests were through.`,
    ]);
    const twice = runOf('none');
    for (const { id, phase } of twice.steps) if (phase === 'dead') twice.measure(id);
    twice.measure(live.id);
    twice.measure(live.id);
    expect(trainingResult(twice, { fault: 'none', makeSafe: nothingToMakeSafe }).liveNeedlessly).toEqual([
      `“${live.title}”: live twice, though it was right.`,
    ]);
    const past = runOf('neutral-open');
    throughAll(past);
    const again = past.steps.findLast(
      ({ care, id }) => care === 'live' && !past.shows.some(({ step }) => step.id === id),
    )!;
    past.measure(again.id);
    const { liveNeedlessly } = trainingResult(past, { fault: 'neutral-open', makeSafe: nothingToMakeSafe });
    expect(liveNeedlessly.length).toBeGreaterThan(0);
  });

  it('answers nothing of an outage before it is staged, nor of a step it does not have', () => {
    const run = runOf('none');
    const gap = run.steps.find(({ id }) => id.startsWith('gap:'))!;
    expect(run.waitsForOutage(gap)).toBe(true);
    expect(run.measure(gap.id)).toBeNull();
    expect(run.measure('nothing')).toBeNull();
    run.stage();
    expect(run.measure(gap.id)?.verdict).toBe('right');
  });
});

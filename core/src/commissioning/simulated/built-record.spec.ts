import { describe, expect, it } from 'vitest';
import { demoPlans } from '../../design/index.js';
import { commissioningSchema } from '../../house/index.js';
import { standOfSteps } from '../judge/stand-of-steps.js';
import { stagedOutageReport } from '../staged/staged-outage-report.js';
import { expectationOf } from '../staged/expectation.js';
import { stepsOf } from '../steps/steps-of.js';
import { builtHouse } from './built-house.js';
import { builtRecord } from './built-record.js';

describe('the farmhouse as it was built', () => {
  const { design, islandId, hardware, simulate } = builtHouse(demoPlans[0]!.plan);
  const by = { by: 'J. Marlow', on: '2023-10-17', host: '127.0.0.1', recordingId: crypto.randomUUID() };
  const { record, samples } = builtRecord(
    design,
    islandId,
    hardware,
    (from, charge) => simulate(5, from, charge),
    by,
  );

  it('is a record that can be saved, with every step right', () => {
    expect(commissioningSchema.parse(record)).toEqual(record);
    const stand = standOfSteps(stepsOf(design, record), record);
    expect(
      stand.steps.filter(({ verdict }) => verdict !== 'right').map(({ step, entry }) => [step.title, entry]),
    ).toEqual([]);
    expect(record.punch.filter(({ doneOn }) => doneOn === null)).toHaveLength(2);
  });

  it('has an outage that tells what the battery is', () => {
    const { measured, events } = stagedOutageReport(
      samples,
      expectationOf(design, islandId, hardware)!,
      hardware,
    );
    expect(events.map(({ kind }) => kind)).toEqual(
      expect.arrayContaining(['grid-away', 'island', 'solar-back', 'on-grid']),
    );
    const truth = simulate(5, 0, 1).usableWh;
    expect(Math.abs(measured!.usableWh.value / truth - 1)).toBeLessThan(0.03);
  });
});

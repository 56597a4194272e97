import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { stagedRuntime, type DrainStage } from './staged-runtime.js';
import { worstRuntime } from './worst-runtime.js';

const profile = fc.array(fc.double({ min: 10, max: 5000, noNaN: true }), { minLength: 24, maxLength: 24 });
const energy = fc.double({ min: 100, max: 60_000, noNaN: true });

/** Second, simple implementation: many starts, small steps, none of them across a full hour. */
const stepped = (stages: readonly DrainStage[], startH: number): number => {
  let hours = 0;
  let stage = 0;
  let left = stages[0]!.energyWh;
  while (stage < stages.length && hours < 5000) {
    const clockH = startH + hours + 1e-9;
    const rate = stages[stage]!.drainWh[Math.floor(clockH % 24)]!;
    const stepH = Math.min(1 / 120, Math.floor(clockH) + 1 - clockH + 1e-9);
    if (left > rate * stepH) {
      left -= rate * stepH;
      hours += stepH;
      continue;
    }
    hours += rate > 0 ? left / rate : 0;
    stage += 1;
    left = stages[stage]?.energyWh ?? 0;
  }
  return hours;
};

describe('the runtime where loads are shed on the way', () => {
  it('is that of one profile where there is one stage', () => {
    fc.assert(
      fc.property(profile, energy, (drainWh, energyWh) => {
        const staged = stagedRuntime([{ drainWh, energyWh }]).runtimeH;
        expect(staged).toBeCloseTo(worstRuntime(drainWh, energyWh).runtimeH, 6);
      }),
    );
  });

  it('is worked out by hand for flat loads: 5 kWh at 1 kW, then 5 kWh at 250 W', () => {
    const flat = (watts: number) => new Array<number>(24).fill(watts);
    const { runtimeH } = stagedRuntime([
      { drainWh: flat(1000), energyWh: 5000 },
      { drainWh: flat(250), energyWh: 5000 },
    ]);
    expect(runtimeH).toBeCloseTo(25, 9);
  });

  it('is the shortest of all starts, as a second implementation finds it', () => {
    fc.assert(
      fc.property(
        profile,
        energy,
        energy,
        fc.double({ min: 0, max: 1, noNaN: true }),
        (drainWh, a, b, part) => {
          const stages = [
            { drainWh, energyWh: a },
            { drainWh: drainWh.map((wh) => wh * part + 60), energyWh: b },
          ];
          const { runtimeH, startHour } = stagedRuntime(stages);
          for (const start of [0, 3.3, 7, 11.75, 16, 20.5]) {
            expect(runtimeH).toBeLessThanOrEqual(stepped(stages, start) * (1 + 1e-6) + 0.06);
          }
          expect(stepped(stages, startHour)).toBeGreaterThan(runtimeH - 0.05 * (1 + runtimeH / 24));
          expect(stepped(stages, startHour)).toBeLessThan(runtimeH + 0.05 * (1 + runtimeH / 24));
        },
      ),
      { numRuns: 25 },
    );
  });

  it('never gets shorter when less is drawn or more is there', () => {
    fc.assert(
      fc.property(
        profile,
        profile,
        energy,
        energy,
        fc.double({ min: 0, max: 1, noNaN: true }),
        (x, y, a, b, cut) => {
          const run = (scale: number, more: number): number =>
            stagedRuntime([
              { drainWh: x.map((wh) => wh * scale), energyWh: a + more },
              { drainWh: y.map((wh) => wh * scale), energyWh: b },
            ]).runtimeH;
          expect(run(cut, 0)).toBeGreaterThanOrEqual(run(1, 0) - 1e-9);
          expect(run(1, 1000)).toBeGreaterThanOrEqual(run(1, 0) - 1e-9);
        },
      ),
    );
  });

  it('lasts for ever where a stage draws nothing', () => {
    const nothing = new Array<number>(24).fill(0);
    const some = new Array<number>(24).fill(100);
    expect(
      stagedRuntime([
        { drainWh: some, energyWh: 1000 },
        { drainWh: nothing, energyWh: 1 },
      ]).runtimeH,
    ).toBe(Infinity);
  });
});

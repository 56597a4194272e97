import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { deviceForA } from '../conductors/device-for.js';
import { fedBusbar } from '../testing/fed-busbar.js';
import { type BusbarWay, busbarWays, type FedBusbar } from './busbar-705-12.js';

const way = (of: FedBusbar, clause: string): BusbarWay =>
  busbarWays(of).find((one) => one.clause === clause)!;
const farEnd = '705.12(B)(2)';

describe('a busbar that sources feed (NEC 2023, 705.12(B), recalled)', () => {
  // Worked examples, common practice: allowance in amperes of breaker, and of output.
  it.each([
    [200, 200, 40, 32],
    [225, 200, 70, 56],
    [200, 175, 65, 52],
    [125, 100, 50, 40],
    [100, 100, 20, 16],
  ])('bus %i A, main %i A: %i A at 125 %%, %f A of output', (busA, mainA, countedA, outputA) => {
    const { roomA } = way(fedBusbar(busA, mainA), farEnd);
    expect(roomA).toBeCloseTo(outputA);
    expect(roomA! * 1.25).toBeCloseTo(countedA);
    expect(way(fedBusbar(busA, mainA, { sourcesA: [outputA] }), farEnd).holds).toBe(true);
    expect(way(fedBusbar(busA, mainA, { sourcesA: [outputA + 1] }), farEnd).holds).toBe(false);
  });

  it('counts the current, not the breaker: 52 A behind a 70 A breaker hold on a 200 A bus with a 175 A main', () => {
    expect(deviceForA({ continuousA: 52, otherA: 0 }, true)).toBe(70);
    const of = fedBusbar(200, 175, { sourcesA: [52], sourceBreakersA: [70] });
    expect(way(of, farEnd).holds).toBe(true);
    // 7.68 kW at 240 V are 32 A.
    expect(way(fedBusbar(200, 200, { sourcesA: [7680 / 240] }), farEnd).holds).toBe(true);
  });

  it('not at the far end, or fed in the middle, the 120 % do not hold; in the middle one source may', () => {
    const near = fedBusbar(200, 200, { sourcesA: [32], atFarEnd: false });
    expect(way(near, farEnd).holds).toBe(false);
    const centre = fedBusbar(200, 200, { sourcesA: [32], centreFed: true });
    expect(way(centre, farEnd).holds).toBe(false);
    expect(way(centre, '705.12(B)(4)').holds).toBe(true);
    expect(way({ ...centre, sourcesA: [16, 16] }, '705.12(B)(4)').holds).toBe(false);
  });

  it('lugs that feed conductors on without a device leave the sum of main and sources only; a device there leaves every way', () => {
    const open = fedBusbar(200, 100, { sourcesA: [48], sourceBreakersA: [60], feedThrough: 'open' });
    const holding = (of: FedBusbar) => busbarWays(of).filter(({ holds }) => holds);
    // 1.25 × 48 + 100 = 160 A of 200 A.
    expect(holding(open).map(({ clause }) => clause)).toEqual(['705.12(B)(5)']);
    expect(holding(open)[0]!.asks).toContain('160 A at least');
    // 120 % would allow 1.25 × 32 + 200 = 240 A, were the bus to end there.
    expect(holding({ ...open, mainA: 200, sourcesA: [32] })).toEqual([]);
    expect(way({ ...open, mainA: 200, sourcesA: [32], feedThrough: 'breaker' }, farEnd).holds).toBe(true);
    expect(way(fedBusbar(200, 100, { sourcesA: [48] }), '705.12(B)(5)').holds).toBe(false);
  });

  it('somebody who stands for the design may connect otherwise', () => {
    const of = fedBusbar(200, 200, { sourcesA: [80], sourceBreakersA: [100], loadBreakersA: [110] });
    expect(busbarWays(of).some(({ holds }) => holds)).toBe(false);
    const supervised = busbarWays({ ...of, engineer: 'A. Marl, PE' }).filter(({ holds }) => holds);
    expect(supervised.map(({ clause }) => clause)).toEqual(['705.12(B)(6)']);
  });

  it('a combiner: the sum of its breakers within the bus; a control system: its setting within the bus', () => {
    const combiner = fedBusbar(125, 125, { sourcesA: [32, 32], sourceBreakersA: [40, 40] });
    expect(way(combiner, '705.12(B)(3)').holds).toBe(true);
    expect(way({ ...combiner, loadBreakersA: [50] }, '705.12(B)(3)').holds).toBe(false);
    expect(way({ ...combiner, heldToA: 125 }, '705.13').holds).toBe(true);
    expect(way({ ...combiner, heldToA: 150 }, '705.13').holds).toBe(false);
  });

  it('more source never makes a way hold; a larger bus never breaks one', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 5, max: 80 }), { maxLength: 4 }),
        fc.constantFrom(100, 125, 200, 225, 400),
        fc.constantFrom(60, 100, 175, 200, 400),
        fc.integer({ min: 1, max: 50 }),
        (sourcesA, busA, mainA, moreA) => {
          const of = fedBusbar(busA, mainA, { sourcesA, sourceBreakersA: sourcesA });
          const now = busbarWays(of);
          const larger = busbarWays({ ...of, busA: busA + moreA });
          const fuller = busbarWays({
            ...of,
            sourcesA: [...sourcesA, moreA],
            sourceBreakersA: [...sourcesA, moreA],
          });
          for (const [index, { holds }] of now.entries()) {
            if (holds) expect(larger[index]!.holds).toBe(true);
            if (!holds) expect(fuller[index]!.holds).toBe(false);
          }
        },
      ),
    );
  });
});

import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { startRatio } from './start-ratio.js';
import { startRoomVA } from './start-room.js';
import { startShare } from './start-share.js';

const overload = [
  { apparentPowerVA: 7000, durationS: 60 },
  { apparentPowerVA: 9000, durationS: 2 },
  { apparentPowerVA: 12_000, durationS: 0.3 },
];
const va = fc.double({ min: 1, max: 9000, noNaN: true });
const starts = fc.record({
  runsVA: va,
  addedVA: va,
  durationS: fc.double({ min: 0.05, max: 90, noNaN: true }),
});

describe('the room beside a start', () => {
  it('is what makes the start just hold, by both ways of judging one', () => {
    fc.assert(
      fc.property(starts, ({ runsVA, addedVA, durationS }) => {
        const surgeVA = runsVA + addedVA;
        const roomVA = startRoomVA(runsVA, surgeVA, durationS, 6000, overload);
        const share = startShare(roomVA, runsVA, surgeVA, durationS, 6000, overload);
        expect(share).toBeCloseTo(1, 9);
        const more = startShare(roomVA + 1, runsVA, surgeVA, durationS, 6000, overload);
        expect(more).toBeGreaterThan(1);
      }),
    );
  });

  it('is what the overload leaves for a start that does not fall', () => {
    // 2 kVA for longer than 2 s: after that only 7 kVA may be drawn, and 6 kVA never decides within a minute.
    expect(startRoomVA(2000, 2000, 10, 6000, overload)).toBeCloseTo(5000, 9);
    expect(startRatio(() => 7000, 10, 6000, overload).ratio).toBeCloseTo(1, 9);
  });
});

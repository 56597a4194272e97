import { builtInCatalogue } from '@levamen/core/equipment';
import { demoPlans } from '@levamen/core/design';
import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { comparisonsOf } from './comparisons';
import { horizonText, readHorizon, readShade, shadeText } from './conditions/read-points';
import { windowAround } from './cut-run';
import { endsOf, meansOf, stepOf } from './day-picture';
import { clockText, dateOfDay, dayOfDate, dayText, lengthText, momentText } from './moment-text';
import { eventText } from './outage-words';

describe('moments', () => {
  it('are read off the year', () => {
    expect(momentText(0)).toBe('1 Jan 00:00');
    expect(momentText(364 * 1440 + 1439)).toBe('31 Dec 23:59');
    expect(momentText(365 * 1440 + 61)).toBe('1 Jan 01:01');
    expect(momentText(-60)).toBe('31 Dec 23:00');
    expect(dayText(59)).toBe('1 Mar');
    expect(clockText(125.9)).toBe('02:05');
    expect([12, 60, 95, 1440, 3000].map(lengthText)).toEqual([
      '12 min',
      '1 h',
      '1 h 35 min',
      '1 d',
      '2 d 2 h',
    ]);
  });
  it('go to a date and back', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 364 }), (day) => {
        expect(dayOfDate(dateOfDay(day))).toBe(day);
      }),
    );
    expect(dayOfDate('2028-02-29')).toBe(58);
    expect(dayOfDate('soon')).toBeNull();
  });
});

describe('the picture', () => {
  it('shows means and ends of steps, and no more points than can be seen', () => {
    expect(meansOf([1, 3, 5, 7, 9], 2)).toEqual([2, 6, 9]);
    expect(endsOf([1, 3, 5, 7, 9], 2)).toEqual([3, 7, 9]);
    expect(stepOf(60)).toBe(1);
    expect(10_080 / stepOf(10_080)).toBeLessThanOrEqual(720);
  });
});

describe('zooming in', () => {
  it('keeps the moment in the window, and the window in the outage', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 4319 }), fc.constantFrom(60, 360, 1440), (at, width) => {
        const [from, to] = windowAround(at, width, 4320);
        expect(to - from).toBe(width);
        expect(from).toBeGreaterThanOrEqual(0);
        expect(to).toBeLessThanOrEqual(4320);
        expect(at >= from && at < to).toBe(true);
      }),
    );
    expect(windowAround(10, 1440, 600)).toEqual([0, 600]);
  });
});

describe('horizon and shade', () => {
  it('are read as they are typed, and written the same', () => {
    expect(readHorizon('90:12, 180 5.5;')).toEqual({
      ok: true,
      horizon: [
        { azimuthDeg: 90, elevationDeg: 12 },
        { azimuthDeg: 180, elevationDeg: 5.5 },
      ],
    });
    const read = readShade('7-10 60, 16 100');
    expect(read.ok && shadeText(read.shadeByHour)).toBe('7-10 60, 16 100');
    expect(readShade('  ')).toEqual({ ok: true, shadeByHour: null });
    expect(horizonText([])).toBe('');
  });
  it.each(['east:12', '90', '400:5', '90:95'])('%s is refused as a horizon', (text) => {
    const read = readHorizon(text);
    expect(read.ok ? '' : read.message).toContain(text);
  });
  it.each(['morning', '9-7 50', '7-30 50', '7 150'])('%s is refused as shade', (text) => {
    const read = readShade(text);
    expect(read.ok ? '' : read.message).toContain(text);
  });
});

describe('comparisons and words', () => {
  it('offers what can be taken away and every change, and alters nothing but that', () => {
    const { plan } = demoPlans[0]!;
    const study = { plan, islandId: '', parts: plan.equipment.stacks[0]!.parts, weather: null };
    const offered = comparisonsOf(study, builtInCatalogue);
    const of = (id: string) => offered.find((one) => one.id === id)!.study;
    expect(new Set(offered.map(({ id }) => id)).size).toBe(offered.length);
    expect(offered.map(({ id }) => id)).not.toContain('no-generator');
    expect(of('no-sun').plan.sources).toEqual({ ...plan.sources, arrays: [] });
    expect(of('half-full').plan.outage.startCharge).toBe(0.5);
    expect(of('unit.madder-pack').parts.find(({ unitId }) => unitId === 'madder-pack')!.quantity).toBe(3);
  });
  it('words events', () => {
    expect(eventText({ kind: 'trip', what: 'overload-l1' })).toBe('Trip: overload on L1');
    expect(eventText({ kind: 'shed', what: 'Dishwasher' })).toBe('Shed: Dishwasher');
    expect(eventText({ kind: 'full', what: '' })).toBe('Battery full');
  });
});

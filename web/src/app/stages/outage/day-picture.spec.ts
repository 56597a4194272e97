import { builtInCatalogue } from '@levamen/core/equipment';
import { demoPlans, type Plan, usualGenerator } from '@levamen/core/design';
import { type OutageRun, playOutage, studyYear } from '@levamen/core/study/details';

import { describe, expect, it } from 'vitest';
import { chartInk } from '../../ui/chart-ink';
import { cutRun } from './cut-run';
import { dayPicture } from './day-picture';

const { plan } = demoPlans[0]!;
const runOf = (changed: Plan, day: number, hours: number): OutageRun => {
  const study = { plan: changed, islandId: '', parts: plan.equipment.stacks[0]!.parts, weather: null };
  return playOutage(studyYear(study, builtInCatalogue)!, day * 1440 + 720, hours * 60);
};
const winter = runOf(plan, 10, 48);
const summer = runOf(plan, 195, 48);
const picture = (run: OutageRun, other: OutageRun | null = null) =>
  dayPicture(run, other, chartInk(false), false, 0) as {
    series: { name: string; data: number[]; stack?: string }[];
    grid: unknown[];
    xAxis: { data: string[] }[];
  };
const names = (run: OutageRun, other: OutageRun | null = null): string[] =>
  picture(run, other).series.map(({ name }) => name);

describe('the picture of an outage', () => {
  it('stacks what is served, and draws what there is', () => {
    expect(names(winter)).toEqual(
      expect.arrayContaining(['must', 'should', 'may', 'sun there is', 'charge']),
    );
    expect(names(winter)).not.toContain('generator');
    expect(names(winter)).not.toContain('charge, compared');
    const withGenerator = runOf(
      { ...plan, sources: { ...plan.sources, arrays: [], generator: usualGenerator('auto') } },
      10,
      48,
    );
    expect(names(withGenerator)).toContain('generator');
    expect(names(withGenerator)).not.toContain('sun there is');
    expect(names(winter, summer)).toContain('charge, compared');
  });

  it('shows the frequency only where sun is held back', () => {
    expect(picture(summer).grid).toHaveLength(3);
    expect(names(summer)).toContain('frequency');
    const dark = runOf({ ...plan, sources: { ...plan.sources, arrays: [] } }, 10, 24);
    expect(picture(dark).grid).toHaveLength(2);
  });

  it('keeps the energy: the stack of served power is what the run says', () => {
    const { series, xAxis } = picture(winter);
    const stacked = series.filter(({ stack, name }) => stack === 'demand' && name !== 'not served');
    const meanKw =
      stacked.reduce((sum, { data }) => sum + data.reduce((a, b) => a + b, 0), 0) / xAxis[0]!.data.length;
    const servedWh = winter.tiers.reduce((sum, tier) => sum + tier.servedWh, 0);
    // The last step may be shorter than the others.
    expect(meanKw / (servedWh / (winter.minutes / 60) / 1000)).toBeCloseTo(1, 1);
  });

  it('labels full hours, with the day at midnight', () => {
    const { xAxis } = dayPicture(cutRun(winter, 0, 1440), null, chartInk(false), false, 0) as unknown as {
      xAxis: {
        data: string[];
        axisLabel: { interval: (i: number) => boolean; formatter: (v: string, i: number) => string };
      }[];
    };
    const last = xAxis.at(-1)!;
    const labels = last.data.flatMap((_, i) =>
      last.axisLabel.interval(i) ? [last.axisLabel.formatter('', i)] : [],
    );
    expect(labels.length).toBeGreaterThan(4);
    expect(labels.length).toBeLessThan(12);
    for (const label of labels) expect(label).toMatch(/^\d\d:00/);
    expect(labels.some((label) => label === '00:00\n12 Jan')).toBe(true);
  });

  it('a stretch is cut out of every line', () => {
    const cut = cutRun(winter, 100, 160);
    expect(cut.minutes).toBe(60);
    expect(cut.fromMinute).toBe(winter.fromMinute + 100);
    expect([...cut.charge]).toEqual([...winter.charge.slice(100, 160)]);
    expect(cut.servedW.must).toHaveLength(60);
    expect(cutRun(winter, 0, winter.minutes)).toBe(winter);
  });
});

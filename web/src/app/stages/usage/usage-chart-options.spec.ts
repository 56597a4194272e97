import { analyseReadings, type UsageAnalysis } from '@levamen/core/house/details';
import { describe, expect, it } from 'vitest';
import { chartInk, powerLabel } from '../../ui/chart-ink';
import {
  durationOptions,
  exportOptions,
  heatOptions,
  monthOptions,
  weekOptions,
} from './usage-chart-options';

const startS = Date.UTC(2026, 0, 5) / 1000;
const analysis: UsageAnalysis = analyseReadings(
  {
    startS,
    intervalS: 3600,
    count: 24 * 14,
    channels: [
      {
        name: 'Import',
        role: 'import',
        quantity: 'power',
        milli: Int32Array.from(
          { length: 24 * 14 },
          (_, i) => (Math.floor(i / 24) % 7 >= 5 ? 900_000 : 300_000) + (i % 24) * 1000,
        ),
      },
    ],
  },
  'UTC',
);
interface Series {
  readonly data: readonly unknown[];
}
const seriesOf = (options: { series?: unknown }): readonly Series[] => options.series as readonly Series[];

describe('pictures of meter data', () => {
  it('hold what the analysis holds', () => {
    const ink = chartInk(false);
    expect(seriesOf(heatOptions(analysis, ink))[0]!.data).toHaveLength(24);
    expect(seriesOf(durationOptions(analysis, ink))[0]!.data).toEqual(analysis.duration);
    const [work, weekend] = seriesOf(weekOptions(analysis, ink));
    expect(Number(work!.data[0])).toBeCloseTo(300, 6);
    expect(Number(weekend!.data[0])).toBeCloseTo(900, 6);
    expect(seriesOf(monthOptions(analysis, ink)).map(({ data }) => data.length)).toEqual([1, 1, 1]);
    expect(seriesOf(exportOptions([1, 2, 3], ink))[0]!.data).toEqual([1, 2, 3]);
  });

  it('have inks of their own in the dark', () => {
    expect(chartInk(true)).not.toEqual(chartInk(false));
    expect([powerLabel(950), powerLabel(1500), powerLabel(-2000)]).toEqual(['950 W', '1.5 kW', '-2 kW']);
  });
});

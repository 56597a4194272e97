import type { OutageSample, RecordedEvent } from '@levamen/core/commissioning/details';
import { clockText, houseW, recordedEvents, thinned } from '@levamen/core/commissioning/details';
import type { ChartOptions } from '../../ui/chart-engine';
import { axisText, chartBase, type ChartInk, pointerText, powerLabel } from '../../ui/chart-ink';

/** More points than this are not seen. */
const mostPoints = 900;

/** Distances of marks on the clock, s. */
const clockSteps = [10, 30, 60, 300, 600, 1800, 3600, 7200] as const;

/** What was recorded, one strip under the other: powers, charge, voltages of the legs, frequency; what happened as lines across. */
export function outageStrip(
  all: readonly OutageSample[],
  events: readonly RecordedEvent[],
  ink: ChartInk,
  nominalHz: number,
): ChartOptions {
  const samples = thinned(all, mostPoints);
  const nominalV = samples.reduce((most, { gridV, legV }) => Math.max(most, gridV ?? 0, legV[0] ?? 0), 0);
  const legs = Math.max(1, ...samples.map(({ legV }) => legV.length));
  const grids = [
    { top: 26, height: 118 },
    { top: 166, height: 54 },
    { top: 242, height: 54 },
    { top: 318, height: 46 },
  ];
  const last = Math.max(60, all.at(-1)?.second ?? 60);
  const line = (
    name: string,
    place: number,
    value: (sample: OutageSample) => number | null,
    color: string,
    type: 'solid' | 'dashed' | 'dotted',
  ) => ({
    name,
    type: 'line' as const,
    xAxisIndex: place,
    yAxisIndex: place,
    showSymbol: false,
    connectNulls: false,
    lineStyle: { width: 1.4, color, type },
    itemStyle: { color },
    data: samples.map((sample) => [sample.second, value(sample)]),
  });
  const axes: readonly {
    readonly name: string;
    readonly label: (value: number) => string;
    readonly scale: boolean;
  }[] = [
    { name: 'power', label: powerLabel, scale: false },
    { name: 'charge', label: (value) => `${Number((value * 100).toFixed(1))} %`, scale: true },
    { name: 'V', label: (value) => `${value} V`, scale: true },
    { name: 'Hz', label: (value) => `${value.toFixed(1)} Hz`, scale: true },
  ];
  const dashes = ['solid', 'dashed', 'dotted'] as const;
  return {
    ...chartBase(ink),
    grid: grids.map((grid) => ({ ...grid, left: 62, right: 12 })),
    legend: {
      top: 0,
      left: 56,
      itemHeight: 8,
      textStyle: { color: ink.ink, fontSize: 11 },
      data: ['battery', 'sun', 'grid', 'house'],
    },
    tooltip: { trigger: 'axis', ...pointerText(ink) },
    axisPointer: { link: [{ xAxisIndex: 'all' }] },
    xAxis: grids.map((_, place) => ({
      type: 'value' as const,
      gridIndex: place,
      min: 0,
      max: last,
      interval: clockSteps.find((step) => last / step <= 8) ?? clockSteps.at(-1)!,
      axisLabel: {
        ...axisText(ink),
        show: place === grids.length - 1,
        formatter: (second: number) => clockText(second),
      },
      axisLine: { lineStyle: { color: ink.soft } },
      splitLine: { show: false },
    })),
    yAxis: grids.map((_, place) => ({
      type: 'value' as const,
      gridIndex: place,
      scale: axes[place]!.scale,
      splitNumber: place === 0 ? 4 : 2,
      ...(place === 2
        ? {
            min: ({ min }: { min: number }) => Math.floor(Math.min(min, 0.9 * nominalV)),
            max: ({ max }: { max: number }) => Math.ceil(Math.max(max, 1.1 * nominalV)),
          }
        : {}),
      ...(place === 3 ? { min: nominalHz - 1, max: nominalHz + 2 } : {}),
      axisLabel: { ...axisText(ink), formatter: axes[place]!.label },
      splitLine: { lineStyle: { color: ink.rule } },
    })),
    series: [
      {
        ...line('battery', 0, ({ batteryW }) => batteryW, ink.accent, 'solid'),
        markLine: {
          silent: true,
          symbol: 'none',
          label: { show: false },
          lineStyle: { color: ink.soft, type: 'solid' as const, width: 1 },
          data: events
            .filter(({ kind }) => kind !== 'shed')
            .map(({ second, kind }) => ({ xAxis: second, name: recordedEvents[kind] })),
        },
      },
      line('sun', 0, ({ solarW }) => solarW, ink.sun, 'dashed'),
      line('grid', 0, ({ gridW }) => gridW, ink.soft, 'dotted'),
      line('house', 0, houseW, ink.ink, 'solid'),
      line('charge', 1, ({ charge }) => charge, ink.accent, 'solid'),
      ...Array.from({ length: legs }, (_, leg) =>
        line(`L${leg + 1}`, 2, ({ legV }) => legV[leg] ?? null, ink.ink, dashes[leg]!),
      ),
      line('frequency', 3, ({ frequencyHz }) => (frequencyHz === 0 ? null : frequencyHz), ink.ink, 'solid'),
    ],
  };
}

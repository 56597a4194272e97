import type { CapacityForecast, CapacityPoint, OutageReplay } from '@levamen/core/logbook/details';
import type { ChartOptions } from '../../ui/chart-engine';
import { axisText, chartBase, type ChartInk, pointerText } from '../../ui/chart-ink';

/** More points than this are not seen. */
const mostPoints = 500;

const percentLabel = (share: number): string => `${Math.round(share * 100)} %`;

/** Charge through an outage: as predicted, as what is known of it gives, and as it was. */
export function chargePicture(
  { predictedCharge, knownCharge }: OutageReplay,
  chargeWas: Float32Array | null,
  untilMin: number,
  ink: ChartInk,
): ChartOptions {
  const until = Math.min(untilMin, predictedCharge.length);
  const every = Math.max(1, Math.ceil(until / mostPoints));
  const line = (
    name: string,
    series: Float32Array,
    color: string,
    type: 'solid' | 'dashed' | 'dotted',
    width: number,
  ) => ({
    name,
    type: 'line' as const,
    showSymbol: false,
    connectNulls: false,
    lineStyle: { color, type, width },
    itemStyle: { color },
    data: Array.from({ length: Math.ceil(Math.min(until, series.length) / every) }, (_, index) => {
      const value = series[index * every]!;
      return [(index * every) / 60, Number.isNaN(value) ? null : value];
    }),
  });
  return {
    ...chartBase(ink),
    grid: { left: 8, right: 16, top: 34, bottom: 4, containLabel: true },
    legend: { top: 0, left: 0, itemHeight: 8, textStyle: { color: ink.ink, fontSize: 12 } },
    tooltip: {
      ...pointerText(ink),
      trigger: 'axis',
      valueFormatter: (value: unknown) => (typeof value === 'number' ? percentLabel(value) : '–'),
    },
    xAxis: {
      type: 'value',
      min: 0,
      max: until / 60,
      axisLabel: { ...axisText(ink), formatter: (value: number) => `${Number(value.toFixed(1))} h` },
      axisLine: { lineStyle: { color: ink.soft } },
      splitLine: { show: false },
    },
    yAxis: {
      type: 'value',
      min: 0,
      max: 1,
      axisLabel: { ...axisText(ink), formatter: percentLabel },
      splitLine: { lineStyle: { color: ink.rule } },
    },
    series: [
      line('predicted', predictedCharge, ink.soft, 'dashed', 1.6),
      line('replayed with what is known', knownCharge, ink.accent, 'dotted', 2),
      ...(chargeWas ? [line('as it was', chargeWas, ink.ink, 'solid', 1.8)] : []),
    ],
  };
}

/** Capacity over the years: measured, the forecast with its band, and what is warranted. */
export function capacityPicture(
  { years }: CapacityForecast,
  points: readonly CapacityPoint[],
  newWh: number,
  ink: ChartInk,
): ChartOptions {
  const curve = (name: string, of: (year: CapacityForecast['years'][number]) => number) => ({
    name,
    type: 'line' as const,
    showSymbol: false,
    data: years.map((year) => [year.years, of(year)]),
  });
  const shares = points.map(({ years: age, usableWh, errorWh }) => ({
    age,
    share: usableWh / newWh,
    error: errorWh / newWh,
  }));
  const least = Math.min(...years.map(({ least: low, warranted }) => Math.min(low, warranted)));
  return {
    ...chartBase(ink),
    grid: { left: 8, right: 16, top: 34, bottom: 4, containLabel: true },
    legend: {
      top: 0,
      left: 0,
      itemHeight: 8,
      data: ['measured', 'forecast', 'warranted'],
      textStyle: { color: ink.ink, fontSize: 12 },
    },
    tooltip: {
      ...pointerText(ink),
      trigger: 'axis',
      valueFormatter: (value: unknown) => (typeof value === 'number' ? percentLabel(value) : '–'),
    },
    xAxis: {
      type: 'value',
      min: 0,
      max: years.at(-1)?.years ?? 10,
      axisLabel: { ...axisText(ink), formatter: (value: number) => `${value} yr` },
      axisLine: { lineStyle: { color: ink.soft } },
      splitLine: { show: false },
    },
    yAxis: {
      type: 'value',
      min: Math.floor(least * 10) / 10,
      max: 1.1,
      axisLabel: { ...axisText(ink), formatter: percentLabel },
      splitLine: { lineStyle: { color: ink.rule } },
    },
    series: [
      {
        ...curve('lowest of nine in ten', ({ least: low }) => low),
        stack: 'band',
        lineStyle: { opacity: 0 },
      },
      {
        ...curve('highest of nine in ten', ({ least: low, most }) => most - low),
        stack: 'band',
        lineStyle: { opacity: 0 },
        areaStyle: { color: ink.accent, opacity: 0.16 },
        tooltip: { show: false },
      },
      {
        ...curve('forecast', ({ share }) => share),
        lineStyle: { color: ink.accent, width: 1.8 },
        itemStyle: { color: ink.accent },
      },
      {
        ...curve('warranted', ({ warranted }) => warranted),
        lineStyle: { color: ink.soft, type: 'dashed' as const, width: 1.6 },
        itemStyle: { color: ink.soft },
      },
      ...shares.map(({ age, share, error }) => ({
        name: 'error',
        type: 'line' as const,
        showSymbol: true,
        symbol: 'rect',
        symbolSize: [9, 2],
        lineStyle: { color: ink.ink, width: 1.2 },
        itemStyle: { color: ink.ink },
        data: [
          [age, share - 1.96 * error],
          [age, share + 1.96 * error],
        ],
        tooltip: { show: false },
      })),
      {
        name: 'measured',
        type: 'line' as const,
        showSymbol: true,
        symbolSize: 9,
        lineStyle: { opacity: 0 },
        itemStyle: { color: ink.ink },
        data: shares.map(({ age, share }) => [age, share]),
      },
    ],
  };
}

import type { ChartOptions } from '../../ui/chart-engine';
import { axisText, chartBase, type ChartInk, pointerText } from '../../ui/chart-ink';
import type { cutRun } from './cut-run';
import { clockText, dayText, momentText } from './moment-text';

/** More points than this are not seen. */
const mostPoints = 720;

type Series = ArrayLike<number>;

/** Means of so many minutes. */
export function meansOf(values: Series, step: number): number[] {
  const means: number[] = [];
  for (let from = 0; from < values.length; from += step) {
    const to = Math.min(values.length, from + step);
    let sum = 0;
    for (let i = from; i < to; i += 1) sum += values[i]!;
    means.push(sum / (to - from));
  }
  return means;
}

/** What happens to the charge: the value at the end of each step. */
export function endsOf(values: Series, step: number): number[] {
  const ends: number[] = [];
  for (let to = Math.min(step, values.length); ; to = Math.min(values.length, to + step)) {
    ends.push(values[to - 1]!);
    if (to >= values.length) return ends;
  }
}

/** Steps that fill an hour, so that labels stand on full hours. */
const steps = [1, 2, 3, 4, 5, 6, 10, 12, 15];
const labelHours = [1, 2, 3, 6, 12, 24];

export const stepOf = (minutes: number): number =>
  steps.find((step) => minutes / step <= mostPoints + 1) ?? steps.at(-1)!;

const round = (values: number[], digits = 0): number[] => {
  const factor = 10 ** digits;
  return values.map((value) => Math.round(value * factor) / factor);
};

/** Marks and colours of what feeds and what takes; state is told by dash and name, too. */
const inkOf = ({ ink, soft, accent, sun }: ChartInk, dark: boolean) => ({
  must: ink,
  should: dark ? '#8f9bdd' : '#6473c8',
  may: dark ? '#c9a150' : '#b08a3c',
  dark: soft,
  sun,
  generator: dark ? '#ff9d94' : '#a3231f',
  charge: accent,
});

/** The outage as a picture: demand by tier with what feeds it, the charge below, and the frequency while sun is held back. */
export function dayPicture(
  run: ReturnType<typeof cutRun>,
  other: ReturnType<typeof cutRun> | null,
  colours: ChartInk,
  dark: boolean,
  atMinute: number,
): ChartOptions {
  const step = stepOf(run.minutes);
  const inks = inkOf(colours, dark);
  const times = meansOf(run.charge, step).map((_, index) => momentText(run.fromMinute + index * step));
  const kw = (values: Series): number[] =>
    round(
      meansOf(values, step).map((w) => w / 1000),
      3,
    );
  const shifts = run.frequencyHz.some((hz) => hz > 0 && hz > Math.min(...nominal(run)) + 0.01);
  const unserved = new Float32Array(run.minutes);
  for (const of of Object.values(run.unservedW)) of.forEach((w, i) => (unserved[i]! += w));
  const grids = shifts
    ? [
        [30, '46%'],
        ['58%', '24%'],
        ['88%', '7%'],
      ]
    : [
        [30, '52%'],
        ['66%', '26%'],
      ];
  const area = (name: string, values: Series, color: string, opacity: number) => ({
    name,
    type: 'line' as const,
    stack: 'demand',
    symbol: 'none',
    lineStyle: { width: 0 },
    itemStyle: { color },
    areaStyle: { color, opacity },
    data: kw(values),
  });
  const line = (
    name: string,
    values: number[],
    color: string,
    type: 'solid' | 'dashed' | 'dotted',
    grid = 0,
  ) => ({
    name,
    type: 'line' as const,
    symbol: 'none',
    xAxisIndex: grid,
    yAxisIndex: grid,
    lineStyle: { color, width: 2, type },
    itemStyle: { color },
    data: values,
  });
  const labelEvery = labelHours.find((hours) => run.minutes / (hours * 60) <= 10) ?? 24;
  const here = Math.min(times.length - 1, Math.floor(atMinute / step));
  const mark = {
    silent: true,
    symbol: 'none',
    label: { show: false },
    lineStyle: { color: colours.ink, width: 1.5, type: 'solid' as const },
    data: [{ xAxis: here }],
  };
  const xAxis = (grid: number) => ({
    type: 'category' as const,
    gridIndex: grid,
    data: times,
    axisLine: { lineStyle: { color: colours.soft } },
    axisTick: { show: false },
    axisLabel: {
      ...axisText(colours),
      lineHeight: 14,
      show: grid === grids.length - 1,
      interval: (index: number) => {
        const minute = run.fromMinute + index * step;
        return minute % (labelEvery * 60) < step;
      },
      formatter: (_: string, index: number) => {
        const minute = run.fromMinute + index * step;
        const clock = clockText(minute - (minute % 60));
        return minute % 1440 < labelEvery * 60 || index < (labelEvery * 60) / step
          ? `${clock}\n${dayText(Math.floor(minute / 1440))}`
          : clock;
      },
    },
  });
  const yAxis = (grid: number, unit: string, extra: object = {}) => ({
    type: 'value' as const,
    gridIndex: grid,
    name: unit,
    nameGap: 6,
    nameTextStyle: { ...axisText(colours), align: 'left' as const },
    axisLabel: { ...axisText(colours), showMaxLabel: false },
    splitLine: { lineStyle: { color: colours.rule } },
    ...extra,
  });
  const low = Math.floor(Math.min(...nominal(run)));
  return {
    ...chartBase(colours),
    grid: grids.map(([top, height]) => ({ left: 46, right: 10, top: top!, height: height! })),
    legend: {
      top: 0,
      left: 0,
      itemWidth: 16,
      itemHeight: 8,
      itemGap: 8,
      textStyle: { color: colours.ink, fontSize: 11 },
    },
    axisPointer: { link: [{ xAxisIndex: 'all' }] },
    tooltip: { ...pointerText(colours), trigger: 'axis' },
    dataZoom: [{ type: 'inside', xAxisIndex: grids.map((_, index) => index), filterMode: 'none' }],
    xAxis: grids.map((_, index) => xAxis(index)),
    yAxis: [
      yAxis(0, 'kW'),
      yAxis(1, '% charge', { min: 0, max: 100, interval: 50 }),
      ...(shifts ? [yAxis(2, 'Hz', { min: low, max: low + 2, interval: 1 })] : []),
    ],
    series: [
      { ...area('must', run.servedW.must, inks.must, 0.75), markLine: mark },
      area('should', run.servedW.should, inks.should, 0.7),
      area('may', addOf(run.servedW.may, run.servedW.never), inks.may, 0.7),
      ...(unserved.some((w) => w > 0) ? [area('not served', unserved, inks.dark, 0.18)] : []),
      ...(run.sunWh > 0
        ? [
            line('sun there is', kw(run.sunW), inks.sun, 'solid'),
            line('sun used', kw(run.sunUsedW), inks.sun, 'dotted'),
          ]
        : []),
      {
        ...line('battery gives', kw(run.batteryW), inks.charge, 'dashed'),
        lineStyle: { color: inks.charge, width: 1.2, type: 'dashed' as const },
      },
      ...(run.generatorWh > 0 ? [line('generator', kw(run.generatorW), inks.generator, 'dashed')] : []),
      {
        ...line(
          'charge',
          round(
            endsOf(run.charge, step).map((share) => share * 100),
            1,
          ),
          inks.charge,
          'solid',
          1,
        ),
        areaStyle: { color: inks.charge, opacity: 0.12 },
        markLine: mark,
      },
      ...(other
        ? [
            line(
              'charge, compared',
              round(
                endsOf(other.charge, step).map((share) => share * 100),
                1,
              ),
              inks.generator,
              'dashed',
              1,
            ),
          ]
        : []),
      ...(shifts
        ? [
            line(
              'frequency',
              round(
                meansOf(run.frequencyHz, step).map((hz) => Math.max(hz, low)),
                2,
              ),
              colours.ink,
              'solid',
              2,
            ),
          ]
        : []),
    ],
  };
}

/** The island's frequency without curtailment, as one value in a list; nothing where it was never up. */
function nominal(run: ReturnType<typeof cutRun>): number[] {
  let least = Infinity;
  for (const hz of run.frequencyHz) if (hz > 0 && hz < least) least = hz;
  return Number.isFinite(least) ? [least] : [60];
}

const addOf = (one: Float32Array, other: Float32Array): Float32Array => one.map((w, i) => w + other[i]!);

import { type OutageRun, servedTiers } from '@levamen/core/study/details';
import type { ChartOptions } from '../ui/chart-engine';
import { axisText, chartBase, type ChartInk, pointerText } from '../ui/chart-ink';

/** Minutes of one point: a quarter of an hour. */
const step = 15;

const means = (values: ArrayLike<number>, minutes: number): number[] =>
  Array.from({ length: Math.floor(minutes / step) }, (_, place) => {
    let sum = 0;
    for (let m = place * step; m < (place + 1) * step; m += 1) sum += values[m] ?? 0;
    return sum / step;
  });

/** What the house gets, W, minute by minute. */
function servedOf({ servedW, minutes }: OutageRun): Float32Array {
  const sum = new Float32Array(minutes);
  for (const tier of servedTiers) servedW[tier].forEach((w, m) => (sum[m]! += w));
  return sum;
}

/** One outage of two designs: what the house gets above, the charge below; the second is dashed. */
export function pictureOfTwo(
  runs: readonly [OutageRun, OutageRun],
  names: readonly [string, string],
  ink: ChartInk,
): ChartOptions {
  const minutes = Math.min(...runs.map((run) => run.outageMinutes));
  const hours = Array.from({ length: Math.floor(minutes / step) }, (_, place) =>
    String(Math.round((place * step) / 6) / 10),
  );
  const line = (name: string, data: number[], grid: number, second: boolean) => ({
    type: 'line' as const,
    name,
    xAxisIndex: grid,
    yAxisIndex: grid,
    showSymbol: false,
    data,
    lineStyle: {
      color: second ? ink.accent : ink.ink,
      width: 2,
      type: second ? ('dashed' as const) : ('solid' as const),
    },
    itemStyle: { color: second ? ink.accent : ink.ink },
  });
  const x = (grid: number) => ({
    type: 'category' as const,
    gridIndex: grid,
    data: hours,
    name: grid === 1 ? 'hours' : '',
    nameLocation: 'middle' as const,
    nameGap: 22,
    axisLabel: { ...axisText(ink), interval: (6 * 60) / step - 1, show: grid === 1 },
    axisTick: { show: false },
    axisLine: { lineStyle: { color: ink.soft } },
  });
  const y = (grid: number, name: string) => ({
    type: 'value' as const,
    gridIndex: grid,
    name,
    min: 0,
    ...(grid === 1 ? { max: 100 } : {}),
    axisLabel: axisText(ink),
    splitLine: { lineStyle: { color: ink.rule } },
  });
  return {
    ...chartBase(ink),
    legend: { top: 0, left: 0, itemWidth: 26, textStyle: { color: ink.ink, fontSize: 12 } },
    tooltip: { ...pointerText(ink), trigger: 'axis' },
    grid: [
      { left: 44, right: 12, top: 44, height: '34%' },
      { left: 44, right: 12, top: '62%', bottom: 36 },
    ],
    xAxis: [x(0), x(1)],
    yAxis: [y(0, 'kW'), y(1, '% charge')],
    series: runs.flatMap((run, index) => {
      const kilowatts = means(servedOf(run), minutes).map((w) => Math.round(w) / 1000);
      const charge = means(run.charge, minutes).map((share) => Math.round(share * 1000) / 10);
      return [line(names[index]!, kilowatts, 0, index === 1), line(names[index]!, charge, 1, index === 1)];
    }),
  };
}

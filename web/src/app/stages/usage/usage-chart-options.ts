import type { UsageAnalysis } from '@levamen/core/house/details';
import type { ChartOptions } from '../../ui/chart-engine';
import {
  axisText,
  categoryAxis,
  chartBase,
  type ChartInk,
  clockHours,
  pointerText,
  powerLabel,
} from '../../ui/chart-ink';
import { monthNames } from '../../ui/month-names';

export const weekdayNames: readonly string[] = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'];
const powerAxis = (ink: ChartInk) => ({
  type: 'value' as const,
  axisLabel: { ...axisText(ink), formatter: powerLabel },
  splitLine: { lineStyle: { color: ink.rule } },
});
const watts = (value: unknown): string => `${Math.round(Number(value))} W`;

/** Mean demand by month and hour. */
export function heatOptions({ heat }: UsageAnalysis, ink: ChartInk): ChartOptions {
  const cells = heat.flatMap((row, month) =>
    row.flatMap((value, hour) => (value === null ? [] : [[hour, month, Math.round(value)]])),
  );
  const most = Math.max(1, ...cells.map((cell) => cell[2]!));
  return {
    ...chartBase(ink),
    grid: { left: 8, right: 8, top: 8, bottom: 40, containLabel: true },
    tooltip: { ...pointerText(ink), valueFormatter: watts },
    xAxis: categoryAxis(ink, clockHours, 2),
    yAxis: { ...categoryAxis(ink, monthNames), inverse: true },
    visualMap: {
      min: 0,
      max: most,
      orient: 'horizontal',
      left: 'center',
      bottom: 0,
      itemHeight: 120,
      itemWidth: 10,
      textStyle: axisText(ink),
      formatter: (value: unknown) => powerLabel(Math.round(Number(value))),
      inRange: { color: [...ink.scale] },
    },
    series: [{ type: 'heatmap', name: 'Mean demand', data: cells }],
  };
}

/** Demand passed for a share of the time. */
export function durationOptions({ duration, baseW }: UsageAnalysis, ink: ChartInk): ChartOptions {
  return {
    ...chartBase(ink),
    tooltip: { ...pointerText(ink), trigger: 'axis', valueFormatter: watts },
    xAxis: categoryAxis(
      ink,
      duration.map((_, percent) => `${percent} %`),
      19,
    ),
    yAxis: powerAxis(ink),
    series: [
      {
        type: 'line',
        name: 'Passed for that share of the time',
        data: [...duration],
        showSymbol: false,
        lineStyle: { color: ink.ink, width: 2 },
        itemStyle: { color: ink.ink },
        areaStyle: { color: ink.rule },
        markLine: {
          symbol: 'none',
          lineStyle: { color: ink.accent, type: 'dashed' },
          label: { formatter: 'base load', color: ink.accent, position: 'insideEndTop' },
          data: [{ yAxis: baseW }],
        },
      },
    ],
  };
}

/** Mean day of working days and of the weekend. */
export function weekOptions({ week }: UsageAnalysis, ink: ChartInk): ChartOptions {
  const mean = (days: readonly number[]): (number | null)[] =>
    clockHours.map((_, hour) => {
      const values = days.flatMap((day) => week[day]![hour] ?? []);
      return values.length === 0 ? null : values.reduce((sum, value) => sum + value, 0) / values.length;
    });
  const line = (name: string, days: readonly number[], dashed: boolean) => ({
    type: 'line' as const,
    name,
    data: mean(days),
    showSymbol: false,
    lineStyle: {
      color: dashed ? ink.accent : ink.ink,
      width: 2,
      type: dashed ? ('dashed' as const) : ('solid' as const),
    },
    itemStyle: { color: dashed ? ink.accent : ink.ink },
  });
  return {
    ...chartBase(ink),
    grid: { left: 8, right: 12, top: 30, bottom: 4, containLabel: true },
    legend: { top: 0, left: 0, textStyle: { color: ink.ink, fontSize: 12 } },
    tooltip: { ...pointerText(ink), trigger: 'axis', valueFormatter: watts },
    xAxis: categoryAxis(ink, clockHours, 2),
    yAxis: powerAxis(ink),
    series: [line('Monday to Friday', [0, 1, 2, 3, 4], false), line('Saturday, Sunday', [5, 6], true)],
  };
}

/** Highest, mean and lowest day of each month. */
export function monthOptions({ months: list }: UsageAnalysis, ink: ChartInk): ChartOptions {
  const kWh = (wh: number): number => Math.round(wh / 100) / 10;
  const bar = (name: string, data: number[], color: string) => ({
    type: 'bar' as const,
    name,
    data,
    itemStyle: { color },
  });
  return {
    ...chartBase(ink),
    grid: { left: 8, right: 12, top: 30, bottom: 4, containLabel: true },
    legend: { top: 0, left: 0, itemWidth: 14, itemHeight: 9, textStyle: { color: ink.ink, fontSize: 12 } },
    tooltip: { ...pointerText(ink), trigger: 'axis', valueFormatter: (value) => `${Number(value)} kWh` },
    xAxis: categoryAxis(
      ink,
      list.map(({ month }) => monthNames[Number(month.slice(5)) - 1]!),
    ),
    yAxis: {
      type: 'value',
      axisLabel: { ...axisText(ink), formatter: (value: number) => `${value} kWh` },
      splitLine: { lineStyle: { color: ink.rule } },
    },
    series: [
      bar(
        'Lowest day',
        list.map(({ lowestDayWh }) => kWh(lowestDayWh)),
        ink.rule,
      ),
      bar(
        'Mean day',
        list.map(({ energyWh, days }) => kWh(energyWh / days)),
        ink.soft,
      ),
      bar(
        'Highest day',
        list.map(({ highestDayWh }) => kWh(highestDayWh)),
        ink.ink,
      ),
    ],
  };
}

/** What is sent to the grid in each hour of a mean day. */
export function exportOptions(exportByHourWh: readonly number[], ink: ChartInk): ChartOptions {
  return {
    ...chartBase(ink),
    tooltip: {
      ...pointerText(ink),
      trigger: 'axis',
      valueFormatter: (value) => `${Math.round(Number(value))} Wh`,
    },
    xAxis: categoryAxis(ink, clockHours, 2),
    yAxis: {
      type: 'value',
      axisLabel: { ...axisText(ink), formatter: (value: number) => `${value} Wh` },
      splitLine: { lineStyle: { color: ink.rule } },
    },
    series: [
      {
        type: 'bar',
        name: 'Sent to the grid',
        data: [...exportByHourWh],
        barCategoryGap: '15%',
        itemStyle: { color: ink.accent },
      },
    ],
  };
}

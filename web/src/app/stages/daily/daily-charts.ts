import type { DailyCase } from '@levamen/core/study/details';
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

const kWh = (wh: number): number => Math.round(wh / 100) / 10;

/** Bought and sent out by month, before and with the design. */
export function monthsChart(before: DailyCase, design: DailyCase, ink: ChartInk): ChartOptions {
  const bar = (
    name: string,
    of: DailyCase,
    key: 'importWh' | 'exportWh',
    stack: string,
    color: string,
    hatched: boolean,
  ) => ({
    type: 'bar' as const,
    name,
    stack,
    data: of.months.map((month) => (key === 'importWh' ? kWh(month.importWh) : -kWh(month.exportWh))),
    itemStyle: {
      color,
      borderColor: ink.ink,
      borderWidth: 1,
      ...(hatched
        ? {
            decal: { symbol: 'rect', dashArrayX: [1, 0], dashArrayY: [2, 3], rotation: 0.7, color: ink.soft },
          }
        : {}),
    },
  });
  return {
    ...chartBase(ink),
    grid: { left: 8, right: 12, top: 64, bottom: 4, containLabel: true },
    legend: { top: 0, left: 0, textStyle: { color: ink.ink, fontSize: 12 } },
    tooltip: {
      ...pointerText(ink),
      trigger: 'axis',
      valueFormatter: (value: unknown) => `${Math.abs(Number(value))} kWh`,
    },
    xAxis: categoryAxis(ink, monthNames),
    yAxis: {
      type: 'value',
      name: 'kWh',
      axisLabel: axisText(ink),
      splitLine: { lineStyle: { color: ink.rule } },
    },
    series: [
      bar('Bought before', before, 'importWh', 'before', ink.paper, false),
      bar('Sent out before', before, 'exportWh', 'before', ink.paper, true),
      bar('Bought with the design', design, 'importWh', 'design', ink.accent, false),
      bar('Sent out with the design', design, 'exportWh', 'design', ink.rule, true),
    ],
  };
}

/** The mean day of a month: house, sun, battery and grid by clock hour. */
export function dayChart({ pictures }: DailyCase, month: number, ink: ChartInk): ChartOptions {
  const line = (
    name: string,
    of: Float64Array,
    color: string,
    type: 'solid' | 'dashed' | 'dotted',
    width = 2,
  ) => ({
    type: 'line' as const,
    name,
    step: 'middle' as const,
    showSymbol: false,
    data: [...of.subarray(month * 24, month * 24 + 24)].map(Math.round),
    lineStyle: { color, width, type },
    itemStyle: { color },
  });
  return {
    ...chartBase(ink),
    grid: { left: 8, right: 12, top: 64, bottom: 4, containLabel: true },
    legend: { top: 0, left: 0, itemWidth: 26, textStyle: { color: ink.ink, fontSize: 12 } },
    tooltip: {
      ...pointerText(ink),
      trigger: 'axis',
      valueFormatter: (value: unknown) => `${Math.round(Number(value))} W`,
    },
    xAxis: categoryAxis(ink, clockHours, 2),
    yAxis: {
      type: 'value',
      axisLabel: { ...axisText(ink), formatter: powerLabel },
      splitLine: { lineStyle: { color: ink.rule } },
    },
    series: [
      line('House', pictures.loadW, ink.ink, 'solid', 2.5),
      line('Sun', pictures.sunW, ink.soft, 'dashed'),
      line('Battery (below 0: charging)', pictures.batteryW, ink.accent, 'solid'),
      line('Grid (below 0: sent out)', pictures.gridW, ink.accent, 'dotted'),
    ],
  };
}

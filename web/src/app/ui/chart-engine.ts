import { BarChart, type BarSeriesOption } from 'echarts/charts';
import {
  AriaComponent,
  GridComponent,
  LegendComponent,
  TooltipComponent,
  type GridComponentOption,
  type LegendComponentOption,
  type TooltipComponentOption,
} from 'echarts/components';
import { init, use, type ComposeOption, type EChartsType } from 'echarts/core';
import { SVGRenderer } from 'echarts/renderers';

use([BarChart, GridComponent, LegendComponent, TooltipComponent, AriaComponent, SVGRenderer]);

export type Chart = EChartsType;
export type ChartOptions = ComposeOption<
  BarSeriesOption | GridComponentOption | LegendComponentOption | TooltipComponentOption
>;

export const makeChart = (place: HTMLElement): Chart => init(place, null, { renderer: 'svg' });

/** Colours of charts in the light and the dark scheme. */
export interface ChartInk {
  readonly ink: string;
  readonly soft: string;
  readonly rule: string;
  readonly paper: string;
  readonly accent: string;
  /** What the sun gives. */
  readonly sun: string;
  /** From little to much. */
  readonly scale: readonly string[];
}

export const chartInk = (dark: boolean): ChartInk =>
  dark
    ? {
        ink: '#efe7d6',
        soft: '#b9ae99',
        rule: '#443d32',
        paper: '#211e19',
        accent: '#aab6ff',
        sun: '#f2dca0',
        scale: ['#211e19', '#3b3f66', '#6a75bd', '#c9a150', '#f2dca0'],
      }
    : {
        ink: '#26221c',
        soft: '#5d5547',
        rule: '#d8cdb6',
        paper: '#fcf9f1',
        accent: '#2f3f9e',
        sun: '#8a5a00',
        scale: ['#fcf9f1', '#d5d7ea', '#8b97d4', '#3f4fae', '#26221c'],
      };

/** What all charts share. */
export const chartBase = ({ ink }: ChartInk) => ({
  animation: false,
  textStyle: { fontFamily: 'Commissioner Variable', color: ink },
  grid: { left: 8, right: 12, top: 16, bottom: 4, containLabel: true },
});

/** What stands at the pointer, drawn like the chart itself: the content security policy lets no markup bring styles of its own. */
export const pointerText = ({ ink, paper, rule }: ChartInk) => ({
  renderMode: 'richText' as const,
  confine: true,
  backgroundColor: paper,
  borderColor: rule,
  textStyle: { color: ink, fontSize: 12 },
});

/** A value on an axis of power. */
export const kiloLabel =
  (unit: 'VA' | 'W') =>
  (value: number): string =>
    Math.abs(value) >= 1000 ? `${value / 1000} k${unit}` : `${value} ${unit}`;

export const powerLabel = kiloLabel('W');

export const axisText = ({ soft }: ChartInk) => ({ color: soft, fontSize: 11 });

/** An axis of names, all of them written or each of several. */
export const categoryAxis = (ink: ChartInk, data: readonly string[], interval = 0) => ({
  type: 'category' as const,
  data: [...data],
  axisLabel: { ...axisText(ink), interval },
  axisLine: { lineStyle: { color: ink.soft } },
  axisTick: { show: false },
});

/** The hours of a day, as an axis names them. */
export const clockHours: readonly string[] = Array.from({ length: 24 }, (_, hour) => String(hour));

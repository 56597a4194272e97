import { quantityText } from '../../base/index.js';
import { houseW, type OutageSample, thinned } from '../../commissioning/details.js';

const widthPx = 1000;
const heightPx = 300;
const inkPx = 46;
const mostPoints = 500;
const lines = [
  { dash: '', of: houseW },
  { dash: '2 6', of: ({ solarW }: OutageSample) => solarW },
  { dash: '12 6', of: ({ batteryW }: OutageSample) => batteryW },
] as const;

/** Between which powers all lines lie, W. */
function rangeW(samples: readonly OutageSample[]): readonly [least: number, most: number] {
  const powers = samples.flatMap((sample) => lines.map(({ of }) => of(sample) ?? 0));
  return powers.reduce<[number, number]>(
    ([least, most], watts) => [Math.min(least, watts), Math.max(most, watts)],
    [0, 0],
  );
}

/** Powers of a recorded outage over time, and the charge above them, as a picture in black: lines are told apart by their dashes. */
export function outageSvg(samples: readonly OutageSample[]): string {
  const shown = thinned(samples, mostPoints);
  const lastS = Math.max(1, samples.at(-1)?.second ?? 1);
  const powers = lines.map(({ of }) => shown.map((sample) => of(sample) ?? 0));
  const [least, highest] = rangeW(samples);
  // Where nothing flows at all there is a line, all the same.
  const most = Math.max(1, highest);
  const x = (second: number): string => ((widthPx * second) / lastS).toFixed(1);
  const y = (share: number, from: number, height: number): string => (from + height * (1 - share)).toFixed(1);
  const chargeHeight = 0.28 * heightPx;
  const top = chargeHeight + inkPx;
  const path = (ys: readonly string[], dash: string, width: number): string =>
    `<polyline points="${shown.map(({ second }, index) => `${x(second)},${ys[index]}`).join(' ')}" stroke-width="${width}"${dash === '' ? '' : ` stroke-dasharray="${dash}"`}/>`;
  const charge = path(
    shown.map((sample) => y(sample.charge ?? 0, 0, chargeHeight)),
    '',
    3,
  );
  const drawn = powers.map((watts, index) =>
    path(
      watts.map((value) => y((value - least) / (most - least), top, heightPx - top)),
      lines[index]!.dash,
      2,
    ),
  );
  const zero = y(-least / (most - least), top, heightPx - top);
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${widthPx} ${heightPx}" fill="none" stroke="#26221c"><line x1="0" x2="${widthPx}" y1="${zero}" y2="${zero}" stroke-width="1"/><rect x="0" y="0" width="${widthPx}" height="${chargeHeight}" stroke-width="1"/>${charge}${drawn.join('')}</svg>`;
}

/** What the lines of the picture are, and how far they go. */
export function outageSvgSays(samples: readonly OutageSample[]): string {
  const [least, most] = rangeW(samples);
  return `Above: charge, from empty to full. Below, from ${quantityText(least, 'W')} to ${quantityText(most, 'W')}: power of the house (line), of the sun (dots), of the battery (dashes; above the thin line it gives, below it takes).`;
}

import type { SolarArray } from '@levamen/core/design';

type Horizon = SolarArray['horizon'];

export type ReadHorizon =
  { readonly ok: true; readonly horizon: Horizon } | { readonly ok: false; readonly message: string };

/** Reads a horizon line as it is typed: "90:12, 180:5" is 12° high in the east and 5° in the south. */
export function readHorizon(text: string): ReadHorizon {
  const horizon: Horizon = [];
  for (const part of text.split(/[,;\n]/)) {
    if (part.trim() === '') continue;
    const point = /^\s*(\d+(?:\.\d+)?)\s*[: ]\s*(\d+(?:\.\d+)?)\s*$/.exec(part);
    if (!point)
      return { ok: false, message: `"${part.trim()}" is no point; write direction:height, as in 90:12` };
    const [azimuthDeg, elevationDeg] = [Number(point[1]), Number(point[2])];
    if (azimuthDeg > 360 || elevationDeg > 90) {
      return { ok: false, message: `"${part.trim()}": directions go to 360°, heights to 90°` };
    }
    horizon.push({ azimuthDeg, elevationDeg });
  }
  if (horizon.length > 36) return { ok: false, message: 'Use at most 36 points' };
  return { ok: true, horizon };
}

export const horizonText = (horizon: Horizon): string =>
  horizon.map(({ azimuthDeg, elevationDeg }) => `${azimuthDeg}:${elevationDeg}`).join(', ');

export type ReadShade =
  | { readonly ok: true; readonly shadeByHour: number[] | null }
  | { readonly ok: false; readonly message: string };

/** Reads shading by clock hour: "7-10 60, 16 100" shades 60 % from 7 to 10 and all from 16 to 17. */
export function readShade(text: string): ReadShade {
  if (text.trim() === '') return { ok: true, shadeByHour: null };
  const shadeByHour = new Array<number>(24).fill(0);
  for (const part of text.split(/[,;\n]/)) {
    if (part.trim() === '') continue;
    const said = /^\s*(\d{1,2})(?:\s*[-–]\s*(\d{1,2}))?\s*[: ]\s*(\d+(?:\.\d+)?)\s*%?\s*$/.exec(part);
    if (!said)
      return {
        ok: false,
        message: `"${part.trim()}" cannot be read; write hours and per cent, as in 7-10 60`,
      };
    const from = Number(said[1]);
    const to = said[2] === undefined ? from + 1 : Number(said[2]);
    const percent = Number(said[3]);
    if (from > 23 || to > 24 || to <= from || percent > 100) {
      return { ok: false, message: `"${part.trim()}": hours go from 0 to 24, shares to 100 %` };
    }
    shadeByHour.fill(percent / 100, from, to);
  }
  return { ok: true, shadeByHour };
}

/** The same written out again. */
export function shadeText(shadeByHour: readonly number[] | null): string {
  if (shadeByHour === null) return '';
  const parts: string[] = [];
  for (let from = 0; from < 24;) {
    let to = from + 1;
    while (to < 24 && shadeByHour[to] === shadeByHour[from]) to += 1;
    const percent = Math.round(shadeByHour[from]! * 1000) / 10;
    if (percent > 0) parts.push(to === from + 1 ? `${from} ${percent}` : `${from}-${to} ${percent}`);
    from = to;
  }
  return parts.join(', ');
}

const two = (value: number): string => String(value).padStart(2, '0');

/** Seconds of a recording as a clock that began with it: "0:05:07". */
export function clockOf(second: number): string {
  const whole = Math.max(0, Math.round(second));
  return `${Math.floor(whole / 3600)}:${two(Math.floor(whole / 60) % 60)}:${two(whole % 60)}`;
}

import type { Item, StackPart } from '@levamen/core/equipment';

/**
 * How a year of daily use wears the batteries, in words: full cycles, and when the throughput of the warranty is used up.
 *
 * @param drawnWh what leaves the cells in a year
 */
export function batteryWear(
  drawnWh: number,
  nameplateWh: number,
  items: readonly Item[],
  parts: readonly StackPart[],
): string {
  if (nameplateWh === 0) return '';
  const cycles = `${Math.round(drawnWh / nameplateWh)} full cycles a year (what leaves the cells ÷ nameplate)`;
  let throughputWh = 0;
  const years = new Set<number>();
  let isKnown = true;
  for (const { unitId, quantity } of parts) {
    const item = items.find(({ id }) => id === unitId);
    if (!item) continue;
    if (item.warrantyYears !== null) years.add(item.warrantyYears);
    if (item.warrantyThroughputWh === null) {
      if ('nameplateWh' in item.ratings) isKnown = false;
    } else throughputWh += quantity * item.warrantyThroughputWh;
  }
  if (!isKnown || throughputWh === 0) return `${cycles}. The throughput of the warranty is not known.`;
  const lasts = throughputWh / drawnWh;
  const warranty = years.size > 0 ? Math.min(...years) : null;
  const word =
    warranty === null
      ? ''
      : lasts >= warranty
        ? `, beyond its ${warranty} years`
        : `, before its ${warranty} years`;
  return `${cycles}. At that the throughput of the warranty is used up after ${lasts.toFixed(1)} years${word}.`;
}

import type { Commissioning } from '../../house/index.js';
import type { Visit } from './commissioning-record.schema.js';

/** Whoever writes nothing for so long has left, h: shorter than a night, longer than a meal. */
const awayH = 6;

/** When somebody was there to put the system into service, in order: from the moments of what was found. */
export function visitsOf({ entries }: Pick<Commissioning, 'entries'>): Visit[] {
  const found = entries
    .flatMap(({ at, by }) => (at === null ? [] : [{ at, by, ms: Date.parse(at) }]))
    .toSorted((a, b) => a.ms - b.ms);
  const visits: { from: string; to: string; by: string[]; steps: number }[] = [];
  let lastMs = -Infinity;
  for (const { at, by, ms } of found) {
    const visit = visits.at(-1);
    if (!visit || ms - lastMs > awayH * 3_600_000)
      visits.push({ from: at, to: at, by: by === '' ? [] : [by], steps: 1 });
    else {
      visit.to = at;
      visit.steps += 1;
      if (by !== '' && !visit.by.includes(by)) visit.by.push(by);
    }
    lastMs = ms;
  }
  return visits;
}

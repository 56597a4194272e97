import type { Commissioning, Course, Logbook } from '../../house/index.js';

/** What is known of the day on which the units were put into service. */
interface PutIntoService {
  readonly logbook: Logbook;
  readonly course: Course;
  readonly commissioning: Commissioning;
}

const yearMs = 365.25 * 86_400_000;

/** The day on which the battery was put into service: as commissioned, else as signed, else as the first unit was built in; null = nobody said. */
export function inServiceSince({ logbook, course, commissioning }: PutIntoService): string | null {
  const commissioned = course.steps.find(({ id }) => id === 'commissioned')?.on;
  if (commissioned) return commissioned;
  const signed = commissioning.signatures.map(({ at }) => at.slice(0, 10)).toSorted()[0];
  if (signed !== undefined) return signed;
  const builtIn = logbook.units.flatMap(({ builtInOn }) => (builtInOn === null ? [] : [builtInOn]));
  return builtIn.toSorted()[0] ?? null;
}

/** Years between two days or moments, ISO; never negative. */
export const yearsBetween = (from: string, to: string): number =>
  Math.max(0, (Date.parse(to) - Date.parse(from)) / yearMs);

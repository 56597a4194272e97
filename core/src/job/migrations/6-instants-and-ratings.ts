import { tzOffset } from '@date-fns/tz';
import { isRecord, mapRecords, type Saved, textOf } from './saved.js';

/** The moment at which the clock of a zone shows a time; one that it never showed is put an hour on. No zone is UTC. */
const instantOf = (clock: string, zone: string): string => {
  const wallMs = Date.parse(`${clock}Z`);
  if (Number.isNaN(wallMs)) return clock;
  const offsetMs = (ms: number): number => (tzOffset(zone, new Date(ms)) || 0) * 60_000;
  const guessMs = wallMs - offsetMs(wallMs);
  const utcMs = wallMs - offsetMs(guessMs);
  return `${new Date(utcMs).toISOString().slice(0, 19)}Z`;
};

const withRating = (entry: Saved): Saved =>
  isRecord(entry['conductor']) ? { ...entry, conductor: { ...entry['conductor'], ratedC: null } } : entry;

/** Conductors say for how many degrees cable and terminals are rated: nobody has looked. */
const withRatings = (survey: unknown): unknown =>
  isRecord(survey)
    ? {
        ...survey,
        panels: mapRecords(survey['panels'], (panel) => ({
          ...panel,
          feeder: isRecord(panel['feeder']) ? withRating(panel['feeder']) : panel['feeder'],
          circuits: mapRecords(panel['circuits'], withRating),
        })),
      }
    : survey;

/** Version 7 keeps moments in UTC: the starts of outages and the moment of the highest demand, which were on the clock of the house. */
export const toInstantsAndRatings = (saved: Saved): Saved => {
  const { site, usage } = saved;
  const zone = (isRecord(site) && textOf(site['timeZone'])) || 'UTC';
  const moved = (entry: Saved, key: string): Saved => ({
    ...entry,
    [key]: instantOf(textOf(entry[key]), zone),
  });
  return {
    ...saved,
    version: 7,
    survey: withRatings(saved['survey']),
    usage: isRecord(usage)
      ? {
          ...usage,
          outages: mapRecords(usage['outages'], (outage) => moved(outage, 'start')),
          measurement: isRecord(usage['measurement'])
            ? moved(usage['measurement'], 'highestAt')
            : usage['measurement'],
        }
      : usage,
  };
};

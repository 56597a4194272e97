import { quantityText } from '../../base/index.js';
import type { OutageExpectation } from './expectation.js';
import type { RecordedEvent, RecordedEventKind } from './recognise-events.js';

/** A line of the script: what is done, or waited for, and how it stands. */
export interface ScriptLine {
  readonly id: string;
  readonly text: string;
  /** do = somebody does it; wait = it happens by itself; ask = the people in the house are asked. */
  readonly kind: 'do' | 'wait' | 'ask';
  readonly state: 'done' | 'left out' | 'now' | 'later' | 'late';
  /** When it was done, or is expected, second of the recording; null = nobody can say yet. */
  readonly second: number | null;
}

/** Everything as usual before the grid goes: what it gave and took before is compared with later, s. */
const beforeS = 120;
/** With heaters on, with nothing on: so long, s. */
const heatedS = 3600;
const idleS = 2 * 3600;
/** What comes by itself may take so much longer, s. */
const patienceS = 180;

interface Planned {
  readonly id: string;
  readonly kind: ScriptLine['kind'];
  readonly text: string;
  /** Expected so long after the line before it that is done, s. */
  readonly afterS: number;
  /** It is done when this is seen; null = when its time has passed. */
  readonly seen: RecordedEventKind | null;
}

function planned(expects: OutageExpectation, mainName: string, hadSun: boolean): Planned[] {
  const heatersW = Math.round((0.5 * expects.carriesW) / 100) * 100;
  return [
    {
      id: 'before',
      kind: 'wait',
      text: 'Everything as usual: what the house takes now is what it is compared with',
      afterS: beforeS,
      seen: null,
    },
    {
      id: 'away',
      kind: 'do',
      text: `Take the grid away${mainName === '' ? '' : ` at ${mainName}`}; somebody stays at it`,
      afterS: 0,
      seen: 'grid-away',
    },
    { id: 'island', kind: 'wait', text: 'The house is fed from the island', afterS: 1, seen: 'island' },
    {
      id: 'people',
      kind: 'ask',
      text: 'Ask around: did lights flicker, did router, clocks, computers start anew? Note it',
      afterS: 60,
      seen: null,
    },
    ...(hadSun && expects.solarWaitsS !== null
      ? [
          {
            id: 'solar',
            kind: 'wait' as const,
            text: 'Solar feeds the island',
            afterS: expects.solarWaitsS,
            seen: 'solar-back' as const,
          },
        ]
      : []),
    {
      id: 'heated',
      kind: 'do',
      text: `Switch on what is large, or heaters of about ${quantityText(heatersW, 'W')}, for an hour`,
      afterS: heatedS,
      seen: null,
    },
    {
      id: 'idle',
      kind: 'do',
      text: 'Switch everything off for two hours: what still flows is what the system itself takes',
      afterS: idleS,
      seen: null,
    },
    {
      id: 'again',
      kind: 'do',
      text: 'Switch the same on again for half an hour',
      afterS: heatedS / 2,
      seen: null,
    },
    { id: 'back', kind: 'do', text: 'Give the grid back', afterS: 0, seen: 'grid-back' },
    {
      id: 'return',
      kind: 'wait',
      text: 'The grid is watched, then the house returns to it',
      afterS: expects.watchesS,
      seen: 'on-grid',
    },
    {
      id: 'after',
      kind: 'wait',
      text: 'It charges again: half an hour of it tells what comes back',
      afterS: heatedS / 2,
      seen: null,
    },
  ];
}

/**
 * The script of a staged outage by the clock, as far as it has come: what was seen moves it on by itself.
 *
 * @param second the recording has reached
 * @param hadSun solar fed before the grid went
 */
export function outageScript(
  expects: OutageExpectation,
  events: readonly RecordedEvent[],
  second: number,
  mainName: string,
  hadSun: boolean,
): ScriptLine[] {
  const lines = planned(expects, mainName, hadSun);
  const awayAt = events.find(({ kind }) => kind === 'grid-away')?.second ?? Infinity;
  const seenOf = ({ seen }: Planned): RecordedEvent | null =>
    seen === null ? null : (events.find((one) => one.kind === seen && one.second >= awayAt) ?? null);
  // What happened later ends the wait for what comes before it, done or not.
  const overtakenUntil = lines.findLastIndex((line) => seenOf(line) !== null);
  const overtakenAt = (place: number): number =>
    Math.min(...lines.slice(place + 1).flatMap((line) => seenOf(line)?.second ?? []));
  let doneAt: number | null = 0;
  return lines.map((line, place): ScriptLine => {
    const { id, kind, text, afterS, seen } = line;
    const from: number | null = doneAt;
    const event = seenOf(line);
    const due: number | null = from === null ? null : from + afterS;
    const isOvertaken = place < overtakenUntil;
    const byTime =
      seen === null && due !== null && second >= due && (!isOvertaken || due <= overtakenAt(place));
    const isDone: boolean = byTime || event !== null;
    if (isDone) doneAt = event?.second ?? due;
    else if (!isOvertaken) doneAt = null;
    const isLate = !isDone && kind === 'wait' && due !== null && second > due + patienceS;
    return {
      id,
      kind,
      text,
      state: isDone ? 'done' : isOvertaken ? 'left out' : from === null ? 'later' : isLate ? 'late' : 'now',
      second: isDone ? doneAt : isOvertaken ? null : due,
    };
  });
}

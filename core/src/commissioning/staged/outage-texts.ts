import { quantityText } from '../../base/index.js';
import type { StagedOutage } from '../../house/index.js';
import type { HoursCompared } from './hours-at.js';
import type { DesignedBattery, Measured, MeasuredBattery } from './measured-battery.js';
import { type RecordedEvent, recordedEvents } from './recognise-events.js';

const two = (value: number): string => String(value).padStart(2, '0');

/** Seconds of a recording as a clock that began with it: "0:05:07". */
export function clockText(second: number): string {
  const whole = Math.max(0, Math.round(second));
  return `${Math.floor(whole / 3600)}:${two(Math.floor(whole / 60) % 60)}:${two(whole % 60)}`;
}

/** Something that happened in a recording, in words. */
const eventText = ({ kind, amount }: RecordedEvent): string =>
  `${recordedEvents[kind]}${amount === null ? '' : ` (${quantityText(amount, kind === 'silent' ? 's' : 'W')})`}`;

/** Something that happened, or that somebody said. */
export interface Told {
  readonly id: string;
  readonly second: number;
  readonly text: string;
  readonly isSaid: boolean;
}

/** What happened in a recording and what people said, in the order of time. */
export function toldInOrder(events: readonly RecordedEvent[], marks: StagedOutage['marks']): Told[] {
  const happened = events.map((event, place): Told => ({
    id: `${place}-${event.kind}`,
    second: event.second,
    text: eventText(event),
    isSaid: false,
  }));
  return [...happened, ...marks.map((mark): Told => ({ ...mark, isSaid: true }))].toSorted(
    (a, b) => a.second - b.second,
  );
}

/** A value with twice its deviation: the truth lies inside 19 times of 20. */
const about = ({ value, error }: Measured, unit: 'Wh' | 'W' | 'share' | 'h'): string =>
  `${quantityText(value, unit)} ± ${quantityText(2 * error, unit)}`;

/** What was measured of a battery beside what was predicted of it as new. */
export const measuredRows = (
  { usableWh, standbyW, roundTrip }: MeasuredBattery,
  designed: DesignedBattery,
): { readonly what: string; readonly predicted: string; readonly found: string }[] => [
  {
    what: 'Usable energy',
    predicted: quantityText(designed.usableWh, 'Wh'),
    found: about(usableWh, 'Wh'),
  },
  {
    what: 'What the system itself takes',
    predicted: quantityText(designed.standbyW, 'W'),
    found: standbyW === null ? 'not told: leave nothing on for two hours' : about(standbyW, 'W'),
  },
  {
    what: 'What comes back of what went in',
    predicted: '',
    found: roundTrip === null ? 'not told: record its charging too' : about(roundTrip, 'share'),
  },
];

const differenceWords = { capacity: 'Its capacity', 'stand-by': 'What the system itself takes' } as const;

/** How long it lasts as measured, and each reason why that is not what was predicted. */
export function hoursTexts({ powerW, predictedH, measuredH, errorH, differences }: HoursCompared): {
  readonly says: string;
  readonly differences: readonly string[];
} {
  return {
    says: `At ${quantityText(powerW, 'W')}, as in this outage, it lasts ${about({ value: measuredH, error: errorH }, 'h')}; predicted ${quantityText(predictedH, 'h')} on its first day.`,
    differences: differences.map(
      ({ what, hours }) =>
        `${differenceWords[what]}: ${hours < 0 ? '−' : '+'}${quantityText(Math.abs(hours), 'h')}`,
    ),
  };
}

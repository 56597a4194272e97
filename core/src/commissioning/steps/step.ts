import type { Figure } from '../../base/index.js';

/** In which order a system is put into service (common practice, no source). */
export const phases = {
  dead: 'Dead tests',
  energise: 'Energising',
  talk: 'What speaks to what',
  settings: 'Settings',
  island: 'Staged outage',
  back: 'Back to the grid',
  close: 'Before the covers close',
  own: 'Steps of your own',
} as const;
export type Phase = keyof typeof phases;
export const phaseNames = Object.keys(phases) as readonly Phase[];

export type ReadingUnit = Extract<
  Figure['unit'],
  'V' | 'Ω' | 'Hz' | 'ms' | 's' | 'A' | 'W' | 'count' | 'share'
>;

/** What is likely where a reading lies between two values. */
export interface LikelyCause {
  readonly from: number;
  readonly to: number;
  readonly text: string;
}

/** A measurement, what the design predicts of it, and how far it may be off. */
export interface Measure {
  readonly kind: 'measure';
  readonly unit: ReadingUnit;
  /** null = nothing is predicted: only a bound is held to. */
  readonly predicted: Figure | null;
  readonly least: number | null;
  readonly most: number | null;
  /** Where the bounds come from, with the edition of what is recalled. */
  readonly bounds: string;
  readonly causes: readonly LikelyCause[];
}

/** Something that is so, or is not. */
export interface Question {
  readonly kind: 'so';
  /** What is likely where it is not so. */
  readonly causes: readonly string[];
}

/** One step on the way into service. */
export interface Step {
  /** Stays the same while the design has what it is about. */
  readonly id: string;
  readonly phase: Phase;
  readonly title: string;
  readonly how: string;
  readonly why: string;
  /** Hands go where it is proved dead, or where it is live; null = neither. */
  readonly care: 'dead' | 'live' | null;
  readonly asks: Measure | Question;
  /** What is made safe first where it is off, before anything else is done; '' = work goes on beside it. */
  readonly makeSafe: string;
}

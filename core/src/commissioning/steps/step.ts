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

/** What of a recorded outage answers a step. */
export type OutageAspect =
  'goes-on' | 'gap' | 'solar-back' | 'backs-off' | 'generator' | 'carries' | 'return' | 'smooth';

/** Where the devices of a system themselves show what a step asks for. */
export type Probe =
  /** Two conductors of the supply, as "L1-N" or "L1-L2", on the grid's side or where the inverter feeds. */
  | { readonly show: 'voltage'; readonly side: 'grid' | 'house'; readonly pair: string }
  | { readonly show: 'frequency' }
  /** How much a leg of the service rises from before to now. */
  | { readonly show: 'rise'; readonly leg: string; readonly loadId: string }
  | { readonly show: 'batteries' | 'spread' | 'answers' | 'clock' }
  | { readonly show: 'outage'; readonly aspect: OutageAspect };

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
  /** null = only somebody at the place can tell. */
  readonly probe: Probe | null;
}

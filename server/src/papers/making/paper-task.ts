import type { WeatherHours } from '@levamen/core/api';
import type { Item } from '@levamen/core/equipment';
import type { Job } from '@levamen/core/job';
import type { PriceBook } from '@levamen/core/offer';
import type { OrderFormat } from '@levamen/core/api';
import type { CompanySheet, Paper, PaperRequest } from '@levamen/core/papers';
import type { RecordedOutage } from '@levamen/core/papers/details';
import type { Stamp } from '../pdf/paper-pdf.js';

/** Everything a paper is made from, as it is sent to the worker that makes it. */
export interface PaperTask {
  readonly request: PaperRequest;
  readonly format: OrderFormat;
  readonly job: Job;
  readonly items: readonly Item[];
  readonly book: PriceBook | null;
  readonly weather: WeatherHours | null;
  readonly company: CompanySheet;
  readonly recordings: readonly RecordedOutage[];
  /** The mark, as a data URL; null = none. */
  readonly logo: string | null;
  /** "2026-11-28". */
  readonly day: string;
  readonly jobRevision: number;
  /** null = a draft. */
  readonly issued: Omit<NonNullable<Stamp['issued']>, 'day'> | null;
  readonly changes: Stamp['changes'];
}

/** How far a paper is. */
export interface PaperProgress {
  readonly share: number;
  readonly says: string;
}

export interface MadePaper {
  readonly bytes: Uint8Array;
  readonly title: string;
  readonly missing: Paper['missing'];
  /** What a household may read by a link; null where it is no paper for it. */
  readonly content: Paper | null;
}

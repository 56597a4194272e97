import type { ChannelRole, ReadingProblem } from '@levamen/core/house';
import type {
  CsvOptions,
  CsvShape,
  MeasuredUse,
  MeasuredYear,
  UsageAnalysis,
} from '@levamen/core/house/details';
import type { SavedReadingSet } from '@levamen/core/api';

/** What is known of a file before it is read. */
export type FilePreview =
  | {
      readonly kind: 'csv';
      readonly shape: CsvShape;
      readonly delimiter: string;
      readonly rows: readonly (readonly string[])[];
    }
  | { readonly kind: 'espi' }
  | { readonly kind: 'unknown'; readonly why: string };

export interface ReadFile {
  readonly rows: number;
  readonly values: number;
  readonly problemCount: number;
  /** The first of them. */
  readonly problems: readonly ReadingProblem[];
  /** Why nothing could be read; '' where something was. */
  readonly why: string;
  readonly tookMs: number;
}

/** Share done, 0 to 1. */
export type Progress = (share: number) => void;

/** Meter data in a worker: it reads files, keeps the values, analyses them, and exchanges them with the server. */
export interface ReadingsApi {
  preview(file: Blob, name: string, dayFirst: boolean): Promise<FilePreview>;
  readCsv(
    file: Blob,
    shape: CsvShape,
    delimiter: string,
    options: CsvOptions,
    progress: Progress,
  ): Promise<ReadFile>;
  readEspi(file: Blob, progress: Progress): Promise<ReadFile>;
  /** Ends what is under way; it answers with `why: 'cancelled'`. */
  cancel(): void;
  /** Keeps the values of the worker with a job. */
  save(jobId: string, name: string, zone: string, progress: Progress): Promise<SavedReadingSet>;
  /** Fetches the values of a set. */
  load(jobId: string, set: SavedReadingSet, progress: Progress): Promise<void>;
  analyse(zone: string, feedBack: readonly string[]): Promise<UsageAnalysis>;
  /** Turns the sign of a channel. */
  flip(channel: string): void;
  setRole(channel: string, role: ChannelRole): void;
  /** The readings as a year of 365 days; null where they know circuits only. */
  year(zone: string, calendarYear: number): MeasuredYear | null;
  measuredUse(channel: string, zone: string, southern: boolean): MeasuredUse | null;
}

import { type RecordingRow, rowOfSample, type SystemEvent, systemNowSchema } from '@levamen/core/api';
import type { SystemAddress } from '@levamen/core/house';
import { SystemLink } from './system-link.js';

/** It is asked once a second. */
const everyMs = 1000;
/** Nobody answers: asked again after these, s; the last one from then on. */
const backOffS = [1, 2, 4, 8, 15, 30] as const;
/** After so many readings without a word of it all, it is connected anew. */
const mostFailed = 3;

/** A recording that goes on. */
export interface Recorded {
  readonly id: string;
  readonly beganMs: number;
  /** The last second that is kept; -1 = none. */
  readonly untilS: number;
}

interface Told {
  /** Of every reading and every silence. */
  readonly tell: (event: SystemEvent) => void;
  /** The recording that goes on; null = none. */
  readonly recording: () => Recorded | null;
  /** A second of it. */
  readonly keep: (row: RecordingRow) => void;
}

/** Asks the devices of a system second by second until it is told to stop, whatever they answer. */
export class SystemWatch {
  private isOver = false;
  private wake: (() => void) | null = null;
  private readonly begun = Date.now();
  /** The last second that was kept. */
  private last = -1;
  /** Where seconds are counted from: of this recording, at this moment and count. */
  private origin: {
    readonly id: string;
    readonly second: number;
    readonly at: number;
    readonly countS: number | null;
  } | null = null;

  constructor(
    readonly address: SystemAddress,
    private readonly told: Told,
  ) {
    void this.run();
  }

  stop(): void {
    this.isOver = true;
    this.wake?.();
  }

  private async run(): Promise<void> {
    let failed = 0;
    while (!this.isOver) {
      const link = new SystemLink(this.address);
      try {
        await link.find();
        failed = 0;
        await this.follow(link);
      } catch (error) {
        const againInS = backOffS[Math.min(failed, backOffS.length - 1)]!;
        failed += 1;
        if (!this.isOver)
          this.told.tell({
            kind: 'silent',
            says: error instanceof Error ? error.message : String(error),
            againInS,
          });
        link.close();
        await this.sleep(againInS * 1000);
      }
      link.close();
    }
  }

  /** @throws Error where it does not answer any more */
  private async follow(link: SystemLink): Promise<void> {
    let missed = 0;
    while (!this.isOver) {
      const at = Date.now();
      try {
        const { now: shown, countS, problems } = await link.read();
        missed = 0;
        if (this.isOver) return;
        const recording = this.told.recording();
        const now = { ...shown, second: this.secondOf(at, countS, recording) };
        if (recording && now.second > this.last) {
          this.last = now.second;
          this.told.keep(rowOfSample(now));
        }
        this.told.tell({
          kind: 'now',
          at: new Date(at).toISOString(),
          recordingId: recording?.id ?? null,
          now: systemNowSchema.parse(now),
          problems: [...problems],
        });
      } catch (error) {
        missed += 1;
        if (!link.isConnected || missed >= mostFailed) throw error;
      }
      await this.sleep(Math.max(0, everyMs - (Date.now() - at)));
    }
  }

  /** Seconds since the recording began, or since it is watched; where a system counts its own seconds, those. */
  private secondOf(at: number, countS: number | null, recording: Recorded | null): number {
    const id = recording?.id ?? '';
    if (this.origin?.id !== id) {
      // What was recorded before the server ended comes before.
      this.last = recording?.untilS ?? -1;
      const passedS = Math.floor((at - (recording?.beganMs ?? this.begun)) / 1000);
      this.origin = { id, second: Math.max(passedS, this.last + 1), at, countS };
    }
    const { second, at: from, countS: first } = this.origin;
    const isCounted = countS !== null && first !== null && countS >= first;
    return second + (isCounted ? countS - first : Math.floor((at - from) / 1000));
  }

  private sleep(ms: number): Promise<void> {
    if (this.isOver) return Promise.resolve();
    return new Promise((resolve) => {
      const timer = setTimeout(resolve, ms);
      this.wake = () => {
        clearTimeout(timer);
        resolve();
      };
    });
  }
}

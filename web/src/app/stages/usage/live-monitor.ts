import { HttpClient } from '@angular/common/http';
import { computed, inject, Injectable, signal } from '@angular/core';
import { takeUntilDestroyed, toObservable } from '@angular/core/rxjs-interop';
import type { PowerSample } from '@levamen/core/house/details';
import { type LiveSample, liveSampleSchema } from '@levamen/core/api';
import { catchError, EMPTY, exhaustMap, map, of, switchMap, tap, timer } from 'rxjs';

const everyMs = 1000;
/** Samples kept of each channel: two minutes. */
const kept = 120;

/** Reads a circuit monitor once a second while it is switched on. */
@Injectable()
export class LiveMonitor {
  private readonly http = inject(HttpClient);

  readonly address = signal('/api/monitor/1');
  readonly running = signal(false);
  readonly problem = signal('');
  readonly sample = signal<LiveSample | null>(null);
  private readonly history = signal<ReadonlyMap<string, readonly PowerSample[]>>(new Map());
  readonly channels = computed(() => this.sample()?.channels ?? []);

  constructor() {
    toObservable(this.running)
      .pipe(
        switchMap((running) => (running ? timer(0, everyMs) : EMPTY)),
        exhaustMap(() => this.read()),
        takeUntilDestroyed(),
      )
      .subscribe();
  }

  /** The last samples of a channel, from a moment on. */
  samplesOf(channel: string, fromS = 0): readonly PowerSample[] {
    return (this.history().get(channel) ?? []).filter(({ atS }) => atS >= fromS);
  }

  /** Throws a switch of the simulated house. */
  throwSwitch(channel: string, on: boolean): void {
    this.http
      .put(`${this.address()}/switch`, { channel, on })
      .pipe(catchError(() => this.fail('This monitor has no switches to throw.')))
      .subscribe();
  }

  private read() {
    return this.http.get(`${this.address()}/live.json`).pipe(
      map((body) => liveSampleSchema.parse(body)),
      tap((sample) => {
        this.problem.set('');
        this.sample.set(sample);
        this.history.update((history) => {
          const next = new Map(history);
          for (const { name, powerW, peakW } of sample.channels) {
            next.set(name, [...(history.get(name) ?? []), { atS: sample.atS, powerW, peakW }].slice(-kept));
          }
          return next;
        });
      }),
      catchError(() => this.fail(`No monitor answers at ${this.address()}.`)),
    );
  }

  private fail(message: string) {
    this.problem.set(message);
    return of(null);
  }
}

import { computed, inject, Injectable, signal } from '@angular/core';
import { filter, firstValueFrom, fromEvent, last, takeUntil, takeWhile, timer } from 'rxjs';
import { Road } from '../field/road';
import { DraftStore } from './draft-store';
import { Identity } from './identity';
import { JobSaver, type SaveStatus } from './job-saver';
import { JobsApi } from './jobs-api';
import { Typing } from '../ui/typing';

/** How often it is looked whether everything is through, ms. */
const lookMs = 30;
const stuck: readonly SaveStatus[] = ['conflict', 'refused', 'failing', 'retrying'];

/** The savers of all jobs that were opened in this page; a job that is left is saved to its end. */
@Injectable({ providedIn: 'root' })
export class Savers {
  private readonly api = inject(JobsApi);
  private readonly drafts = inject(DraftStore);
  private readonly typing = inject(Typing);
  private readonly road = inject(Road);
  private readonly identity = inject(Identity);
  /** Jobs that a page shows now. */
  private readonly shown = new Set<string>();
  private readonly all = signal<ReadonlyMap<string, JobSaver>>(new Map());

  /** Jobs of this page whose last edits are not on the server. */
  readonly behind = computed(
    () => [...this.all().values()].filter((saver) => saver.status() !== 'saved').length,
  );
  private readonly moving = computed(
    () =>
      [...this.all().values()].filter(
        (saver) => saver.status() !== 'saved' && !stuck.includes(saver.status()),
      ).length,
  );

  constructor() {
    const each = (act: (saver: JobSaver) => void): void => {
      for (const saver of this.all().values()) act(saver);
    };
    fromEvent(document, 'visibilitychange')
      .pipe(filter(() => document.visibilityState === 'hidden'))
      .subscribe(() => {
        this.typing.finish();
        each((saver) => saver.flush());
      });
    fromEvent(window, 'pagehide').subscribe(() => {
      this.typing.finish();
      each((saver) => saver.part());
    });
    fromEvent<BeforeUnloadEvent>(window, 'beforeunload').subscribe((event) => {
      if ([...this.all().values()].some((saver) => saver.isAtRisk())) event.preventDefault();
    });
  }

  /** A saver for a job that is shown now; an earlier one must have settled. */
  open(id: string): JobSaver {
    this.shown.add(id);
    return this.make(id);
  }

  /** A saver for edits that wait, of a job that nobody looks at in this page. */
  sendUnseen(id: string): JobSaver {
    return this.make(id);
  }

  /** The saver of a job, where there is one. */
  of(id: string): JobSaver | null {
    return this.all().get(id) ?? null;
  }

  isShown(id: string): boolean {
    return this.shown.has(id);
  }

  private make(id: string): JobSaver {
    this.all().get(id)?.end();
    const saver = new JobSaver(
      id,
      this.api,
      this.drafts,
      (revision, document) =>
        // A device that keeps nothing shows it all the same.
        void this.road
          .keep({ id, revision, updatedAt: new Date().toISOString(), ...this.identity.who(), document })
          .catch(() => undefined),
    );
    this.all.update((all) => new Map(all).set(id, saver));
    return saver;
  }

  /** The job is left: sends at once what waits. */
  leave(id: string): void {
    this.shown.delete(id);
    this.all().get(id)?.flush();
  }

  /** Sends what waits, and answers when that is through or does not get through for now; true = everything is on the server. */
  async settled(atMostMs = 4000): Promise<boolean> {
    for (const saver of this.all().values()) saver.flush();
    await firstValueFrom(
      timer(0, lookMs).pipe(
        takeWhile(() => this.moving() > 0),
        takeUntil(timer(atMostMs)),
        last(null, 0),
      ),
    );
    return this.behind() === 0;
  }
}

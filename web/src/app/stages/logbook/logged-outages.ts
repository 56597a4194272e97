import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { quantityText } from '@levamen/core/base';
import { houseClock, type LoggedOutage, newLoggedOutage } from '@levamen/core/house';
import { effectText, outagesInSamples, outcomeText, reasonNames } from '@levamen/core/logbook/details';
import { Button } from 'primeng/button';
import { firstValueFrom } from 'rxjs';
import { JobSession } from '../../data/job-session';
import { problemText } from '../../data/jobs-api';
import { SystemsApi } from '../../data/systems-api';
import { LogbookState } from './logbook-state';
import { LogbookStudy } from './logbook-study';
import { OutageDetail } from './outage-detail';

/** A reason that did less is none: h, share. */
const leastEffect = { hours: 0.2, charge: 0.005 } as const;

/** Outages that happened, each beside what was predicted for it, and why they differ. */
@Component({
  selector: 'lv-logged-outages',
  imports: [Button, OutageDetail],
  templateUrl: './logged-outages.html',
  styleUrls: ['./cards.css', './logged-outages.css'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LoggedOutages {
  protected readonly state = inject(LogbookState);
  protected readonly study = inject(LogbookStudy);
  private readonly session = inject(JobSession);
  private readonly api = inject(SystemsApi);
  protected readonly says = signal('');

  /** The last one first. */
  private readonly outages = computed(() =>
    this.state.logbook().outages.toSorted((a, b) => b.from.localeCompare(a.from)),
  );
  protected readonly shown = computed(
    () => this.outages().find(({ id }) => id === this.state.chosenId()) ?? this.outages()[0] ?? null,
  );
  protected readonly rows = computed(() =>
    this.outages().map((outage) => {
      const { id, name, from, lastedH } = outage;
      const told = this.study.told().get(id);
      const replay = told?.told.replay;
      const first = replay?.reasons[0];
      return {
        id,
        name,
        when: houseClock(from, this.state.zone()).slice(0, 10),
        lasted: quantityText(lastedH, 'h'),
        isShown: id === this.shown()?.id,
        isOld: told !== undefined && told.of !== outage,
        predicted: replay ? outcomeText(replay.outcome, replay.predicted.mean) : '…',
        was: replay ? (replay.was === null ? 'not known' : outcomeText(replay.outcome, replay.was)) : '',
        about: replay ? (replay.outcome === 'hours' ? 'until empty' : 'left') : '',
        mostly:
          replay && first && replay.was !== null && Math.abs(first.effect) >= leastEffect[replay.outcome]
            ? `${reasonNames[first.reason].toLowerCase()} ${effectText(replay.outcome, first.effect)}`
            : '',
        isEmpty: outage.emptyAfterH !== null,
      };
    }),
  );

  /** Recordings that are no outage of the logbook yet. */
  protected readonly recordings = computed(() => {
    const logged = new Set(this.state.logbook().outages.map(({ recordingId }) => recordingId));
    const staged = new Set((this.session.plan()?.commissioning.outages ?? []).map(({ id }) => id));
    return (this.study.recordings() ?? [])
      .filter(({ id, endedAt }) => endedAt !== null && !logged.has(id) && !staged.has(id))
      .map(({ id, name, beganAt }) => ({ id, name, beganAt, when: new Date(beganAt).toLocaleString() }));
  });

  private readonly address = computed(() => this.session.plan()?.commissioning.system ?? null);
  protected readonly mayAsk = computed(() => this.address() !== null);
  protected readonly isAsking = signal(false);
  protected readonly answer = signal('');

  /** What the system remembers of outages becomes recordings, each once. */
  protected async ask(): Promise<void> {
    const address = this.address();
    if (!address) return;
    this.isAsking.set(true);
    this.says.set('');
    try {
      const { taken, known, problems } = await firstValueFrom(
        this.api.remembered(this.session.id(), address),
      );
      await this.study.load();
      const count =
        taken.length === 0 ? 'Nothing new' : taken.length === 1 ? 'One outage' : `${taken.length} outages`;
      const before = known === 0 ? '' : ` ${known} were here before.`;
      this.answer.set(
        `${count} in the memory of the system.${before}${problems.map((text) => ` ${text}`).join('')}`,
      );
    } catch (error) {
      this.says.set(problemText(error));
    } finally {
      this.isAsking.set(false);
    }
  }

  protected add(): void {
    const now = new Date();
    this.take({
      name: 'Outage',
      from: new Date(Math.floor(now.getTime() / 3_600_000) * 3_600_000 - 3_600_000).toISOString(),
      source: 'typed',
      lastedH: 1,
    });
  }

  /** What a recording of the system shows of an outage, into the logbook. */
  protected async takeRecording(recording: {
    readonly id: string;
    readonly name: string;
    readonly beganAt: string;
  }): Promise<void> {
    try {
      const [span] = outagesInSamples(await this.study.samplesOf(recording.id));
      if (!span) {
        this.says.set(`“${recording.name}” shows no outage: the grid was never away for a minute.`);
        return;
      }
      const { awayS, backS, emptyS } = span;
      if (backS === null) {
        this.says.set(`“${recording.name}” ends before the grid is back.`);
        return;
      }
      this.says.set('');
      this.take({
        name: recording.name,
        from: new Date(Date.parse(recording.beganAt) + awayS * 1000).toISOString(),
        source: 'gateway',
        recordingId: recording.id,
        lastedH: (backS - awayS) / 3600,
        emptyAfterH: emptyS === null ? null : (emptyS - awayS) / 3600,
      });
    } catch (error) {
      this.says.set(problemText(error));
    }
  }

  private take(
    known: Pick<LoggedOutage, 'name' | 'from' | 'source' | 'lastedH'> & Partial<LoggedOutage>,
  ): void {
    const islandId = this.study.islandId();
    if (islandId === '') {
      this.says.set('Choose what is backed up, and its units, first.');
      return;
    }
    const id = crypto.randomUUID();
    this.state.change('outage', ({ outages }) => ({
      outages: [...outages, newLoggedOutage({ id, islandId, ...known })],
    }));
    this.state.chosenId.set(id);
  }
}

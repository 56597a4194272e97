import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { quantityText } from '@levamen/core/base';
import { islandsOf } from '@levamen/core/design';
import { houseClock, instantOf, type LoggedOutage, loggedOutageSchema } from '@levamen/core/house';
import {
  effectText,
  reasonNames,
  reasonText,
  replaySays,
  samplesOfTable,
} from '@levamen/core/logbook/details';
import { parse } from 'papaparse';
import { Button } from 'primeng/button';
import { firstValueFrom } from 'rxjs';
import * as z from 'zod';
import { Appearance } from '../../data/appearance';
import { JobSession } from '../../data/job-session';
import { problemText } from '../../data/jobs-api';
import { SystemsApi } from '../../data/systems-api';
import { ChartView } from '../../ui/chart';
import { chartInk } from '../../ui/chart-ink';
import { formOf } from '../../ui/form';
import { FormField } from '../../ui/form-field';
import { pickedFile } from '../../ui/picked-file';
import { TextField } from '../../ui/text-field';
import { LogbookState } from './logbook-state';
import { LogbookStudy } from './logbook-study';
import { chargePicture } from './outage-pictures';

/** Larger files are no outage. */
const mostFileBytes = 30_000_000;
/** The picture goes on after the battery was empty, or the grid was back, for this share. */
const goesOn = 1.15;

/** An outage that happened: predicted, replayed and as it was, the reasons in the order of their size, and what is known of it. */
@Component({
  selector: 'lv-outage-detail',
  imports: [Button, ChartView, FormField, TextField],
  templateUrl: './outage-detail.html',
  styleUrls: ['./cards.css', './outage-detail.css', '../../ui/file-button.css'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class OutageDetail {
  readonly outage = input.required<LoggedOutage>();
  protected readonly state = inject(LogbookState);
  private readonly study = inject(LogbookStudy);
  private readonly session = inject(JobSession);
  private readonly api = inject(SystemsApi);
  private readonly appearance = inject(Appearance);
  protected readonly says = signal('');

  protected readonly form = formOf<LoggedOutage>(
    loggedOutageSchema.shape,
    this.outage,
    (change, label) => this.edit(label, change),
    { units: this.state.units },
  );
  protected readonly clock = computed(() =>
    houseClock(this.outage().from, this.state.zone()).replace('T', ' '),
  );
  protected readonly clockSchema = computed(() => {
    const zone = this.state.zone();
    return z
      .string()
      .regex(/^\d{4}-\d{2}-\d{2}[ T]\d{2}:\d{2}$/, 'Write it as 2026-02-28 14:05, on the clock of the house')
      .refine(
        (text) => instantOf(text.replace(' ', 'T'), zone) !== null,
        'The clock of the house never shows this',
      );
  });

  private readonly answer = computed(() => this.study.told().get(this.outage().id) ?? null);
  private readonly replay = computed(() => this.answer()?.told.replay ?? null);
  protected readonly isWaiting = computed(() => this.answer()?.of !== this.outage());
  protected readonly sentence = computed(() => {
    const replay = this.replay();
    return replay ? replaySays(replay) : '';
  });
  protected readonly reasons = computed(() => {
    const replay = this.replay();
    if (!replay) return [];
    const most = Math.max(
      1e-9,
      ...replay.reasons.map(({ effect }) => Math.abs(effect)),
      Math.abs(replay.rest ?? 0),
    );
    return replay.reasons.map((one) => ({
      id: one.reason,
      name: reasonNames[one.reason],
      effect: effectText(replay.outcome, one.effect),
      says: reasonText(one, this.state.units()),
      width: `${Math.round((100 * Math.abs(one.effect)) / most)}%`,
      isLess: one.effect < 0,
    }));
  });
  protected readonly rest = computed(() => {
    const replay = this.replay();
    if (!replay || replay.rest === null) return '';
    return `${effectText(replay.outcome, replay.rest)}${replay.isExplained ? ', within what can be known' : ', more than what can be known: something else happened'}`;
  });
  protected readonly options = computed(() => {
    const replay = this.replay();
    if (!replay) return null;
    const { emptyAfterH, lastedH } = this.outage();
    const untilMin = Math.min(
      replay.followedH * 60,
      Math.max((emptyAfterH ?? 0) * 60 * 1.5, emptyAfterH === null ? lastedH * 60 : lastedH * 60 * goesOn),
    );
    return chargePicture(
      replay,
      this.answer()?.told.chargeWas ?? null,
      Math.ceil(untilMin),
      chartInk(this.appearance.dark()),
    );
  });
  /** Where there are several. */
  protected readonly islandChoices = computed(() => {
    const plan = this.session.plan();
    const islands = plan ? islandsOf(plan) : [];
    return islands.length < 2 ? [] : islands.map(({ id, name }) => ({ value: id, label: name }));
  });
  protected readonly weatherChoices = computed(() => [
    { value: null, label: 'nobody has it' },
    ...this.study.weatherList().map(({ id, name }) => ({ value: id, label: name })),
  ]);
  protected readonly recorded = computed(() => {
    const { recordingId } = this.outage();
    // Where they could not be read, that is said above.
    if (recordingId === null || this.study.problem() !== '') return '';
    const recordings = this.study.recordings();
    return recordings === null || recordings.some(({ id }) => id === recordingId)
      ? 'Charge, loads and sun are as they were recorded; what is typed here counts where nothing was.'
      : 'What was recorded of it is not kept with this job: it stayed with the one it was recorded for. What is typed here counts.';
  });
  /** Why nothing is replayed, or that it is. */
  protected readonly waits = computed(() => {
    if (this.study.parts() === null) return 'Choose what is backed up, and its units: then it is replayed.';
    const answer = this.answer();
    if (answer && answer.of === this.outage() && answer.told.replay === null)
      return 'Nothing is backed up here, so there is nothing to replay.';
    return 'It is being replayed…';
  });
  protected readonly loads = computed(() => {
    const loads = this.answer()?.told.loads;
    if (!loads) return '';
    return `Loads took ${quantityText(loads.tookWh, 'Wh')}; ${quantityText(loads.ordinaryWh + loads.weatherWh, 'Wh')} was reckoned with for them.`;
  });

  protected setClock(text: string): void {
    const from = instantOf(text.replace(' ', 'T'), this.state.zone());
    if (from !== null) this.edit('began', { from });
  }

  protected drop(): void {
    this.state.drop('outages', this.outage().id);
    this.state.chosenId.set('');
  }

  /** Readings of a file belong to this outage from then on. */
  protected async take(event: Event): Promise<void> {
    const file = pickedFile(event);
    if (!file) return;
    if (file.size > mostFileBytes) {
      this.says.set('This file is too large to be one outage: cut it to the days around it.');
      return;
    }
    const { id, name, from, lastedH } = this.outage();
    const cells = parse<string[]>(await file.text(), { skipEmptyLines: true }).data;
    const fromS = Date.parse(from) / 1000;
    const read = samplesOfTable(cells, this.state.zone(), { fromS, toS: fromS + lastedH * 3600 });
    if (!read.ok) {
      this.says.set(read.message);
      return;
    }
    try {
      const kept = await firstValueFrom(this.api.take(this.session.id(), name, read.beganAt, read.samples));
      await this.study.load();
      this.state.change('readings of a file', ({ outages }) => ({
        outages: outages.map((one) =>
          one.id === id ? { ...one, recordingId: kept.id, source: 'file' as const } : one,
        ),
      }));
      const skipped = read.skipped === 0 ? '' : ` ${read.skipped} rows could not be read.`;
      this.says.set(`${read.samples.length} readings taken: ${read.columns.join('; ')}.${skipped}`);
    } catch (error) {
      this.says.set(problemText(error));
    }
  }

  private edit(label: string, change: Partial<LoggedOutage>): void {
    const { id } = this.outage();
    this.state.change(`outage: ${label}`, ({ outages }) => ({
      outages: outages.map((one) => (one.id === id ? { ...one, ...change } : one)),
    }));
  }
}

import { HttpErrorResponse } from '@angular/common/http';
import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  signal,
  untracked,
} from '@angular/core';
import { quantityText, type UnitSystem } from '@levamen/core/base';
import { type ChannelRole, isSouthern } from '@levamen/core/house';
import { measuredLegDemand, measurementOf, withMeasuredUse } from '@levamen/core/house/details';
import { usageFigures } from '@levamen/core/study/details';
import type { Plan } from '@levamen/core/design';
import type { SavedReadingSet } from '@levamen/core/api';
import { Button } from 'primeng/button';
import { JobSession } from '../../data/job-session';
import { problemText } from '../../data/jobs-api';
import { MeterData } from '../../data/meter-data';
import { FigureButton } from '../../ui/figure-button';
import type { FilePreview } from '../../workers/readings-api';
import { ChannelTable } from './channel-table';
import { ImportReadingsDialog, type ReadyImport } from './import-readings-dialog';
import { UsageCharts } from './usage-charts';
import { UsageEdits } from './usage-edits';
import { pickedFile } from '../../ui/picked-file';

/** The simulated monitor that ships with the program. */
const simulator = '/api/monitor/1';
const yearS = 365 * 86_400;

/** Meter data: read from a file, kept, analysed, mapped to circuits, and taken into the loads. */
@Component({
  selector: 'lv-meter-card',
  imports: [Button, ChannelTable, FigureButton, ImportReadingsDialog, UsageCharts],
  templateUrl: './meter-card.html',
  styleUrls: ['./cards.css', '../../ui/file-button.css'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class MeterCard {
  protected readonly meter = inject(MeterData);
  private readonly session = inject(JobSession);
  private readonly edits = inject(UsageEdits);
  readonly plan = input.required<Plan>();
  readonly units = input.required<UnitSystem>();

  protected readonly waiting = signal<{
    file: Blob;
    name: string;
    preview: Exclude<FilePreview, { kind: 'unknown' }>;
  } | null>(null);
  protected readonly note = signal('');
  protected readonly zone = computed(() => this.plan().site.timeZone ?? '');
  protected readonly progress = computed(() => Math.round((this.meter.work()?.share ?? 0) * 100));
  protected readonly figures = computed(() => {
    const analysis = this.meter.analysis();
    const set = this.meter.open();
    return analysis && set ? usageFigures(analysis, set.name) : null;
  });
  protected readonly size = computed(() => {
    const set = this.meter.open();
    if (!set) return '';
    const values = set.count * set.channels.length;
    return `${values.toLocaleString('en')} values in ${(set.bytes / 1e6).toFixed(2)} MB: ${(set.bytes / values).toFixed(2)} bytes each`;
  });
  protected readonly legs = computed(() => {
    const { measurement } = this.plan().usage;
    return measurement
      ? measuredLegDemand(this.plan(), measurement)
          .filter(({ meanW }) => meanW !== 0)
          .map(({ leg, meanW, sumOfPeaksW }) => ({
            leg,
            mean: quantityText(meanW, 'W'),
            peaks: quantityText(sumOfPeaksW, 'W'),
          }))
      : [];
  });
  private readonly feedBack = computed(() =>
    this.plan().survey.panels.flatMap(({ circuits }) =>
      circuits.filter(({ backFeeds, channel }) => backFeeds && channel !== '').map(({ channel }) => channel),
    ),
  );

  constructor() {
    effect(() => {
      const id = this.session.id();
      if (id !== '') untracked(() => this.attempt(() => this.meter.list(id)));
    });
    effect(() => {
      // Undo and older revisions name other readings than those shown last.
      const [id, setId] = [this.session.id(), this.plan().usage.measurement?.setId];
      if (id !== '' && setId !== undefined) untracked(() => this.attempt(() => this.showAgain(id, setId)));
    });
  }

  protected pick(event: Event): void {
    const file = pickedFile(event);
    if (file) this.attempt(() => this.look(file, file.name));
  }

  /** A year of quarter hours from the simulated monitor. */
  protected readSimulator(): void {
    this.attempt(() => this.fetchSimulator());
  }

  private async fetchSimulator(): Promise<void> {
    const toS = Math.floor(Date.now() / 86_400_000) * 86_400;
    this.note.set('Asking the monitor for a year of quarter hours…');
    try {
      const response = await fetch(`${simulator}/history.csv?fromS=${toS - yearS}&toS=${toS}&intervalS=900`);
      if (!response.ok) throw new Error('The monitor does not answer. Try again when the server is back.');
      await this.look(await response.blob(), 'Simulated monitor');
    } finally {
      this.note.set('');
    }
  }

  protected async start({ preview, options }: ReadyImport): Promise<void> {
    const waiting = this.waiting();
    this.waiting.set(null);
    if (!waiting) return;
    const set = await this.meter.take(
      this.session.id(),
      waiting.file,
      waiting.name,
      preview,
      options,
      this.feedBack(),
    );
    if (set) this.keep(set, `import of ${waiting.name}`);
  }

  protected async show(set: SavedReadingSet): Promise<void> {
    await this.meter.show(this.session.id(), set, this.feedBack());
    if (this.meter.open()?.id === set.id) this.keep(set, `measurement of ${set.name}`);
  }

  protected remove(set: SavedReadingSet): void {
    this.attempt(async () => {
      await this.meter.remove(this.session.id(), set);
      if (this.plan().usage.measurement?.setId === set.id)
        this.edits.set('readings removed', { measurement: null });
    });
  }

  protected flip(channel: string): void {
    this.change(channel, 'flip', `${channel} turned round`);
  }

  protected setRole({ channel, role }: { channel: string; role: ChannelRole }): void {
    this.change(channel, role, `${channel} measures something else`);
  }

  private change(channel: string, change: 'flip' | ChannelRole, label: string): void {
    this.attempt(async () => {
      const set = await this.meter.change(this.session.id(), channel, change, this.feedBack());
      if (set) this.keep(set, label);
    });
  }

  /** The measured figures of a channel replace the assumed ones of the loads on its circuit. */
  protected take(channel: string): void {
    this.attempt(() => this.takeUse(channel));
  }

  private async takeUse(channel: string): Promise<void> {
    const plan = this.plan();
    const circuit = plan.survey.panels
      .flatMap(({ circuits }) => circuits)
      .find((one) => one.channel === channel);
    const loads = plan.loads.filter(({ circuitId }) => circuitId === circuit?.id);
    const set = this.meter.open();
    const measured = set ? await this.meter.measuredUse(channel, set.zone, isSouthern(plan.site)) : null;
    if (!measured || loads.length === 0) {
      this.note.set(`${channel} never drew anything: nothing was taken.`);
      return;
    }
    const day = this.meter.analysis()?.toDay ?? new Date().toISOString().slice(0, 10);
    this.edits.takeMeasured(
      `${channel} as measured`,
      loads.map((load) => withMeasuredUse(load, loads, measured, day)),
    );
    this.note.set(
      `${loads.map(({ name }) => name).join(', ')}: ${quantityText(measured.runningPowerW, 'W')} while running, as measured until ${day}. Undo brings the old figures back.`,
    );
  }

  /** What fails is said where the readings are, and can be tried again. */
  private attempt(work: () => Promise<void>): void {
    work().catch((error: unknown) => {
      this.meter.problem.set(
        error instanceof HttpErrorResponse
          ? problemText(error)
          : error instanceof Error && error.message !== 'Failed to fetch'
            ? error.message
            : 'The server does not answer. Check that Levamen is running, then try again.',
      );
    });
  }

  private async showAgain(jobId: string, setId: string): Promise<void> {
    if (this.meter.busy() || this.meter.open()?.id === setId) return;
    const set = await this.meter.find(jobId, setId);
    if (set?.complete) await this.meter.show(jobId, set, this.feedBack());
  }

  private async look(file: Blob, name: string): Promise<void> {
    const preview = await this.meter.preview(file, name, this.units() === 'metric');
    if (preview.kind === 'unknown') this.meter.problem.set(preview.why);
    else {
      this.meter.problem.set('');
      this.waiting.set({ file, name, preview });
    }
  }

  private keep(set: SavedReadingSet, label: string): void {
    const analysis = this.meter.analysis();
    if (!analysis) return;
    const measurement = measurementOf(set.id, set.name, analysis);
    if (JSON.stringify(measurement) !== JSON.stringify(this.plan().usage.measurement)) {
      this.edits.set(label, { measurement });
    }
  }
}

import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { nameSchema } from '@levamen/core/base';
import { clockText, toldInOrder } from '@levamen/core/commissioning/details';
import { Button } from 'primeng/button';
import { Appearance } from '../../data/appearance';
import { ChartView } from '../../ui/chart';
import { chartInk } from '../../ui/chart-ink';
import { ChoiceField } from '../../ui/choice-field';
import { TextField } from '../../ui/text-field';
import { CommissioningState } from './commissioning-state';
import { MeasuredCard } from './measured-card';
import { outageStrip } from './outage-strip';
import { StagedOutage } from './staged-outage';
import { SystemState } from './system-state';

const seen = ['Lights flickered', 'The router started anew', 'Clocks blink', 'Nobody noticed'] as const;
const stateIcons = {
  done: 'pi-check',
  'left out': 'pi-times',
  now: 'pi-arrow-right',
  later: 'pi-minus',
  late: 'pi-exclamation-triangle',
} as const;

/** A staged outage: recorded second by second, played by a script, told and measured. */
@Component({
  selector: 'lv-outage-card',
  imports: [Button, ChartView, ChoiceField, MeasuredCard, TextField],
  templateUrl: './outage-card.html',
  styleUrl: './outage-card.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class OutageCard {
  protected readonly state = inject(CommissioningState);
  protected readonly system = inject(SystemState);
  protected readonly staged = inject(StagedOutage);
  private readonly appearance = inject(Appearance);
  protected readonly seen = seen;
  protected readonly markSchema = nameSchema(300);
  protected readonly mark = signal('');

  protected readonly recordings = computed(() =>
    this.system.recordings().map(({ id, name, beganAt, endedAt, samples }) => ({
      value: id,
      label: `${name}, ${new Date(beganAt).toLocaleString()}${endedAt === null ? ' (goes on)' : `, ${samples} readings`}`,
    })),
  );
  protected readonly shownId = this.system.shownId;
  protected readonly isRunning = computed(() => this.system.running() !== null);
  protected readonly mayBegin = computed(
    () => this.system.address() !== null && this.staged.island() !== null && !this.isRunning(),
  );
  protected readonly hasSamples = computed(() => this.system.samples().length > 1);

  protected readonly script = computed(() =>
    this.staged.script().map((line) => ({
      ...line,
      icon: stateIcons[line.state],
      clock: line.second === null ? '' : clockText(line.second),
    })),
  );

  private readonly nominalHz = computed(() => this.staged.expects()?.nominalHz ?? 50);
  protected readonly options = computed(() =>
    outageStrip(
      this.system.samples(),
      this.staged.report()?.events ?? [],
      chartInk(this.appearance.dark()),
      this.nominalHz(),
    ),
  );

  private readonly outage = computed(() =>
    this.state.record().outages.find(({ id }) => id === this.shownId()),
  );
  /** What happened and what people said, in the order of time. */
  protected readonly told = computed(() =>
    toldInOrder(this.staged.report()?.events ?? [], this.outage()?.marks ?? []).map((one) => ({
      ...one,
      clock: clockText(one.second),
    })),
  );

  protected readonly findings = computed(() =>
    this.staged.answered().map(({ step, found }) => ({ id: step.id, title: step.title, says: found.says })),
  );

  protected begin(): void {
    const island = this.staged.island();
    if (island) void this.system.begin(`Staged outage ${this.recordings().length + 1}`, island.id);
  }

  protected choose(recordingId: unknown): void {
    if (typeof recordingId === 'string') this.system.choose(recordingId);
  }

  protected note(text: string): void {
    const id = this.shownId();
    const second = this.system.samples().at(-1)?.second ?? 0;
    this.mark.set('');
    this.state.change('remark on the outage', (record) => ({
      ...record,
      outages: record.outages.map((one) =>
        one.id === id
          ? { ...one, marks: [...one.marks.slice(-199), { id: crypto.randomUUID(), second, text }] }
          : one,
      ),
    }));
  }
}

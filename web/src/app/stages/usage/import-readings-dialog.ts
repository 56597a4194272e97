import { ChangeDetectionStrategy, Component, computed, input, linkedSignal, output } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { type ChannelRole, channelRoles, siteSchema } from '@levamen/core/house';
import { type ClockKind, clockKinds } from '@levamen/core/nature';
import {
  type CsvOptions,
  type CsvShape,
  type ValueColumn,
  type ValueUnit,
  valueUnits,
} from '@levamen/core/house/details';
import { Button } from 'primeng/button';
import { Dialog } from 'primeng/dialog';
import { InputText } from 'primeng/inputtext';
import type { FilePreview } from '../../workers/readings-api';
import { roleChoices } from './role-choices';

export interface ReadyImport {
  readonly preview: Exclude<FilePreview, { kind: 'unknown' }>;
  readonly options: CsvOptions;
}

const clockLabels: Readonly<Record<ClockKind, string>> = {
  zone: 'the clock on the wall, with daylight saving',
  standard: 'standard time all year',
  utc: 'UTC',
};

/** How a file of meter data is understood, to be corrected before it is read. */
@Component({
  selector: 'lv-import-readings-dialog',
  imports: [Button, Dialog, FormsModule, InputText],
  templateUrl: './import-readings-dialog.html',
  styleUrl: './cards.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ImportReadingsDialog {
  readonly name = input.required<string>();
  readonly preview = input.required<Exclude<FilePreview, { kind: 'unknown' }>>();
  /** Zone of the house; '' = not known. */
  readonly siteZone = input.required<string>();
  readonly closed = output();
  readonly ready = output<ReadyImport>();

  protected readonly clockChoices = clockKinds.map((value) => ({ value, label: clockLabels[value] }));
  protected readonly roleChoices = roleChoices;
  protected readonly units = valueUnits;
  protected readonly zone = linkedSignal(() => this.siteZone());
  protected readonly clock = linkedSignal<ClockKind>(() => 'zone');
  protected readonly stampsEnd = linkedSignal(() => false);
  protected readonly start = linkedSignal(() => `${new Date().getUTCFullYear() - 1}-01-01T00:00`);
  protected readonly minutes = linkedSignal(() => 15);
  protected readonly shape = linkedSignal<CsvShape | null>(() => {
    const preview = this.preview();
    return preview.kind === 'csv' ? preview.shape : null;
  });
  protected readonly sample = computed(() => {
    const preview = this.preview();
    return preview.kind === 'csv' ? preview.rows : [];
  });
  protected readonly layout = computed(() => {
    const shape = this.shape();
    switch (shape?.time.kind) {
      case 'stamp':
        return 'one row an interval';
      case 'date-and-time':
        return 'one row an interval, date and time apart';
      case 'row-a-day':
        return `one row a day, ${shape.time.columns.length} values each`;
      case 'none':
        return 'values without a time';
      default:
        return '';
    }
  });
  protected readonly zoneError = computed(() => {
    if (this.zone() === '') return 'Say which time zone the file is in, for example America/Halifax';
    const checked = siteSchema.shape.timeZone.safeParse(this.zone());
    return checked.success ? '' : checked.error.issues[0]!.message;
  });

  protected setShape(change: Partial<CsvShape>): void {
    this.shape.update((shape) => shape && { ...shape, ...change });
  }

  protected setColumn(index: number, change: Partial<ValueColumn>): void {
    this.shape.update(
      (shape) =>
        shape && {
          ...shape,
          values: shape.values.map((value, i) => (i === index ? { ...value, ...change } : value)),
        },
    );
  }

  protected leaveOut(index: number): void {
    this.shape.update((shape) => shape && { ...shape, values: shape.values.filter((_, i) => i !== index) });
  }

  protected setClock(text: string): void {
    this.clock.set(clockKinds.find((kind) => kind === text) ?? 'zone');
  }

  protected asUnit(text: string): ValueUnit {
    return valueUnits.find((unit) => unit === text) ?? 'kWh';
  }

  protected asRole(text: string): ChannelRole {
    return channelRoles.find((role) => role === text) ?? 'circuit';
  }

  protected go(): void {
    const preview = this.preview();
    const shape = this.shape();
    this.ready.emit({
      preview: preview.kind === 'csv' && shape ? { ...preview, shape } : preview,
      options: {
        zone: this.zone(),
        clock: this.clock(),
        stampsEnd: this.stampsEnd(),
        startWallS: Date.parse(`${this.start()}Z`) / 1000,
        intervalS: this.minutes() * 60,
      },
    });
  }
}

import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  output,
  signal,
  ElementRef,
} from '@angular/core';
import { FormsModule } from '@angular/forms';
import { quantityText } from '@levamen/core/base';
import { horizonMin, type MapCell, reachedMin } from '@levamen/core/study/details';
import { SelectButton } from 'primeng/selectbutton';
import type { Choice } from '../../ui/choice-field';
import { shareText } from '../../ui/outlook-texts';
import { monthNames } from '../../ui/month-names';
import { momentText } from './moment-text';
import { causeWords } from '@levamen/core/study';
import { OutageState } from './outage-state';

type Measure = 'shortestH' | 'nineOfTenH' | 'medianH';

interface Square {
  readonly hour: number;
  readonly text: string;
  readonly shade: number;
  readonly label: string;
  readonly start: number;
}

/** Survived less than this share of what is required: the darker, the less. The last one reaches it, the first a week. */
const shades = [0.5, 0.75, 1];

/** Every month and hour of start: how long the house lasts. A cell opens its outage. */
@Component({
  selector: 'lv-year-view',
  imports: [FormsModule, SelectButton],
  template: `
    @if (state.map(); as map) {
      <section class="sheet" aria-labelledby="year-heading">
        <div class="row">
          <h2 id="year-heading">Hours survived, by month and hour of the start</h2>
          <p-selectbutton
            size="small"
            optionLabel="label"
            optionValue="value"
            ariaLabel="Which of the outages of a cell"
            [allowEmpty]="false"
            [options]="measures"
            [ngModel]="measure()"
            (ngModelChange)="measure.set($event)"
          />
        </div>
        <div class="scroller">
          <table class="map">
            <thead>
              <tr>
                <th scope="col"><span class="visually-hidden">Month</span></th>
                @for (hour of hours; track hour) {
                  <th scope="col" class="figure">{{ hour }}</th>
                }
              </tr>
            </thead>
            <tbody>
              @for (row of rows(); track row.month) {
                <tr>
                  <th scope="row">{{ row.month }}</th>
                  @for (square of row.squares; track square.hour) {
                    <td>
                      <button
                        type="button"
                        class="figure"
                        [class]="'shade-' + square.shade"
                        [attr.aria-label]="square.label"
                        [attr.data-cell]="row.index + '-' + square.hour"
                        [tabindex]="row.index === active().month && square.hour === active().hour ? 0 : -1"
                        (focus)="active.set({ month: row.index, hour: square.hour })"
                        (keydown)="onKey($event)"
                        (click)="chosen.emit(square.start)"
                      >
                        {{ square.text }}
                      </button>
                    </td>
                  }
                </tr>
              }
            </tbody>
          </table>
        </div>
        <p class="small soft legend">
          <span class="shade-3">&nbsp;a week&nbsp;</span>
          <span class="shade-2">&nbsp;as long as required ({{ required() }})&nbsp;</span>
          <span class="shade-1">&nbsp;three quarters of it&nbsp;</span>
          <span class="shade-0">&nbsp;less&nbsp;</span>
          Arrow keys move, Enter plays the outage. Hours are standard time.
        </p>
      </section>
      <div class="pair">
        <section class="sheet" aria-labelledby="first-heading">
          <h2 id="first-heading">What fails first</h2>
          <table class="ruled small">
            <tbody>
              @for (row of causes(); track row.cause) {
                <tr>
                  <th scope="row">{{ row.cause }}</th>
                  <td class="bar-cell"><span class="bar" [style.inline-size.%]="row.percent"></span></td>
                  <td class="number figure">{{ row.count }}</td>
                  <td class="number figure">{{ row.percent.toFixed(1) }} %</td>
                </tr>
              }
            </tbody>
          </table>
          <p class="small soft">Of outages from every hour of the year, each followed for a week.</p>
        </section>
        <section class="sheet" aria-labelledby="all-heading">
          <h2 id="all-heading">The year in figures</h2>
          <table class="ruled small">
            <tbody>
              @for (row of facts(); track row.name) {
                <tr>
                  <th scope="row">{{ row.name }}</th>
                  <td class="number figure">{{ row.value }}</td>
                </tr>
              }
            </tbody>
          </table>
        </section>
      </div>
    } @else {
      <section class="sheet soft" role="status">The map appears when the year has been played.</section>
    }
  `,
  styleUrls: ['./views.css', './year-view.css'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class YearView {
  protected readonly state = inject(OutageState);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  /** Minute of the year of an outage to look at. */
  readonly chosen = output<number>();

  protected readonly hours = Array.from({ length: 24 }, (_, hour) => hour);
  protected readonly measures: Choice<Measure>[] = [
    { label: 'Shortest', value: 'shortestH' },
    { label: 'Nine of ten reach', value: 'nineOfTenH' },
    { label: 'Median', value: 'medianH' },
  ];
  protected readonly measure = signal<Measure>('nineOfTenH');
  protected readonly active = signal({ month: 0, hour: 0 });
  protected readonly required = computed(() => quantityText(this.state.requiredH(), 'h'));
  protected readonly rows = computed(() => {
    const cells = this.state.map()?.cells ?? [];
    return monthNames.map((month, index) => ({
      month,
      index,
      squares: cells
        .filter((cell) => cell.month === index)
        .toSorted((a, b) => a.clockHour - b.clockHour)
        .map((cell) => this.square(cell, month)),
    }));
  });
  protected readonly causes = computed(() => {
    const all = this.state.map()?.causes ?? [];
    const total = all.reduce((sum, { count }) => sum + count, 0);
    return all.map(({ cause, count }) => ({
      cause: cause === 'none' ? 'nothing, for a week' : causeWords[cause],
      count,
      percent: (count / total) * 100,
    }));
  });
  protected readonly facts = computed(() => {
    const map = this.state.map();
    const value = this.state.year().value;
    if (!map || !value) return [];
    const all = Array.from({ length: value.survivedMin.length }, (_, hour) => hour);
    const reached = (share: number): string =>
      quantityText(reachedMin(value.survivedMin, all, share) / 60, 'h');
    const required = Math.min(this.state.requiredH() * 60, horizonMin) - 1e-6;
    const share = value.survivedMin.filter((min) => min >= required).length / value.survivedMin.length;
    return [
      { name: `Outages of ${this.required()} that are got through`, value: shareText(share) },
      { name: 'The shortest', value: `${reached(1)}, from ${momentText(map.worstHour * 60)}` },
      { name: '19 of 20 reach', value: reached(0.95) },
      { name: 'Half of them reach', value: reached(0.5) },
      { name: 'Minutes of the year in which it would trip', value: String(value.tripMin) },
    ];
  });

  protected onKey(event: KeyboardEvent): void {
    const moves: Readonly<Record<string, readonly [number, number]>> = {
      ArrowLeft: [0, -1],
      ArrowRight: [0, 1],
      ArrowUp: [-1, 0],
      ArrowDown: [1, 0],
    };
    const move = moves[event.key];
    if (!move) return;
    event.preventDefault();
    const { month, hour } = this.active();
    const to = { month: (month + move[0] + 12) % 12, hour: (hour + move[1] + 24) % 24 };
    this.active.set(to);
    this.host.nativeElement.querySelector<HTMLElement>(`[data-cell="${to.month}-${to.hour}"]`)?.focus();
  }

  private square(cell: MapCell, month: string): Square {
    const hours = cell[this.measure()];
    const required = this.state.requiredH();
    const week = hours >= horizonMin / 60 - 1e-6;
    const ratio = hours / required;
    const shade = week ? 3 : ratio >= shades[2]! ? 2 : ratio >= shades[1]! ? 1 : 0;
    const start = this.measure() === 'medianH' ? cell.medianHour : cell.shortestHour;
    return {
      hour: cell.clockHour,
      text: week
        ? '✓'
        : hours >= 99.5
          ? hours.toFixed(0)
          : hours < 9.95
            ? hours.toFixed(1)
            : hours.toFixed(0),
      shade,
      label: `${month}, ${cell.clockHour}:00: ${week ? 'a week' : quantityText(hours, 'h')}${ratio < 1 ? ', less than required' : ''}. Play it`,
      start: start * 60,
    };
  }
}

import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  linkedSignal,
  signal,
} from '@angular/core';
import { fieldScale, quantityText, type UnitSystem } from '@levamen/core/base';
import { type OutageRun, servedTiers, type TierResult } from '@levamen/core/study/details';
import type { Plan } from '@levamen/core/design';
import { Button } from 'primeng/button';
import { Appearance } from '../../data/appearance';
import { ChartView } from '../../ui/chart';
import { chartInk } from '../../ui/chart-ink';
import { cutRun, windowAround } from './cut-run';
import { dayPicture, stepOf } from './day-picture';
import { clockText, dateOfDay, dayOfDate, lengthText, momentText } from './moment-text';
import { eventText, failureWords, tierWords } from './outage-words';
import { causeWords } from '@levamen/core/study';
import { OutageState, type Which } from './outage-state';

const lengths = [12, 24, 48, 72, 96, 168];

/** One outage as a picture, to scrub through minute by minute, with its events and what each tier got. */
@Component({
  selector: 'lv-play-view',
  imports: [Button, ChartView],
  templateUrl: './play-view.html',
  styleUrl: './views.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PlayView {
  readonly plan = input.required<Plan>();
  readonly units = input.required<UnitSystem>();
  protected readonly state = inject(OutageState);
  private readonly appearance = inject(Appearance);

  protected readonly lengths = lengths.map((hours) => ({ hours, text: lengthText(hours * 60) }));
  protected readonly whichChoices = computed((): { value: Which; label: string }[] => [
    { value: 'worst', label: 'the worst of the year' },
    { value: 'median', label: 'the median' },
    ...this.state.spells().map(({ days }): { value: Which; label: string } => ({
      value: `dark-${days}`,
      label: days === 1 ? 'a storm before the darkest day' : `a storm before the darkest ${days} days`,
    })),
    { value: 'chosen', label: 'a chosen day and hour' },
  ]);
  protected readonly date = computed(() => dateOfDay(Math.floor(this.state.chosenMinute() / 1440)));
  protected readonly clock = computed(() => clockText(this.state.chosenMinute()));

  protected readonly run = this.state.run;
  protected readonly other = this.state.otherRun;
  /** Where the outage is looked at, minutes since it began. */
  protected readonly at = linkedSignal<OutageRun | null, number>({
    source: this.run,
    computation: (run, before) => Math.min(before?.value ?? 0, (run?.minutes ?? 1) - 1),
  });
  protected readonly zooms = [
    { minutes: 0, text: 'the whole' },
    { minutes: 1440, text: 'a day' },
    { minutes: 360, text: '6 h' },
    { minutes: 60, text: 'an hour' },
  ];
  /** Width of the picture, min; 0 for the whole outage. */
  protected readonly zoom = signal(0);
  private readonly window = computed(
    () => {
      const minutes = this.run()?.minutes ?? 1;
      return windowAround(this.at(), this.zoom() === 0 ? minutes : this.zoom(), minutes);
    },
    { equal: ([a, b], [c, d]) => a === c && b === d },
  );
  protected readonly picture = computed(() => {
    const run = this.run();
    if (!run) return null;
    const dark = this.appearance.dark();
    const [from, to] = this.window();
    const step = stepOf(to - from);
    const other = this.other();
    return dayPicture(
      cutRun(run, from, to),
      other && other.minutes === run.minutes ? cutRun(other, from, to) : null,
      chartInk(dark),
      dark,
      Math.floor((this.at() - from) / step) * step,
    );
  });
  protected readonly verdict = computed(() => {
    const run = this.run();
    if (!run) return null;
    const requiredMin = Math.min(this.state.requiredH() * 60, run.outageMinutes);
    const through = run.cause === 'none';
    return {
      word: through ? 'gets through' : run.survivedMin >= requiredMin ? 'holds' : 'fails',
      from: momentText(run.fromMinute),
      text: through
        ? `the whole ${lengthText(run.outageMinutes)}; the charge falls to ${quantityText(run.lowestCharge, 'share')} at the lowest`
        : `dark after ${lengthText(run.survivedMin)}: ${causeWords[run.cause]}; ${lengthText(this.state.requiredH() * 60)} are required`,
    };
  });
  protected readonly now = computed(() => {
    const run = this.run();
    if (!run) return [];
    const at = this.at();
    const w = (value: number): string => quantityText(value, 'W', this.units());
    const served = servedTiers.reduce((sum, tier) => sum + run.servedW[tier][at]!, 0);
    const unserved = servedTiers.reduce((sum, tier) => sum + run.unservedW[tier][at]!, 0);
    const battery = run.batteryW[at]!;
    const hz = run.frequencyHz[at]!;
    return [
      { name: 'house', value: w(served) },
      ...(unserved > 0.5 ? [{ name: 'not served', value: w(unserved) }] : []),
      ...(run.sunWh > 0 ? [{ name: 'sun', value: `${w(run.sunUsedW[at]!)} of ${w(run.sunW[at]!)}` }] : []),
      ...(run.generatorWh > 0 ? [{ name: 'generator', value: w(run.generatorW[at]!) }] : []),
      { name: battery >= 0 ? 'battery gives' : 'battery takes', value: w(Math.abs(battery)) },
      { name: 'charge', value: quantityText(run.charge[at]!, 'share') },
      { name: 'island', value: hz === 0 ? 'down' : `${hz.toFixed(2)} Hz` },
      { name: 'outside', value: quantityText(run.outdoorC[at]!, '°C', this.units()) },
    ];
  });
  protected readonly nowText = computed(() => momentText((this.run()?.fromMinute ?? 0) + this.at()));
  protected readonly events = computed(() => {
    const run = this.run();
    if (!run) return [];
    const at = this.at();
    let current = 0;
    run.events.forEach(({ minute }, index) => {
      if (minute <= at) current = index;
    });
    return run.events.map((event, index) => ({
      minute: Math.min(run.minutes - 1, Math.floor(event.minute)),
      when:
        run.minutes > 1440
          ? `${momentText(run.fromMinute + event.minute)}`
          : clockText(run.fromMinute + event.minute),
      text: eventText(event),
      current: index === current,
    }));
  });
  protected readonly results = computed(() => this.rows(this.run(), this.other()));
  protected readonly facts = computed(() => {
    const run = this.run();
    if (!run) return '';
    const wh = (value: number): string => quantityText(value, 'Wh');
    return [
      run.sunWh > 0 ? `${wh(run.sunWh - run.sunWastedWh)} of sun used, ${wh(run.sunWastedWh)} wasted` : '',
      run.generatorH > 0
        ? `generator ${quantityText(run.generatorH, 'h')}, ${wh(run.generatorWh)}, ${this.litres(run.fuelL)} of fuel`
        : '',
    ]
      .filter((text) => text !== '')
      .join('; ');
  });

  protected choose(which: string): void {
    this.state.which.set(which as Which);
  }

  protected setDate(value: string): void {
    const day = dayOfDate(value);
    if (day !== null) this.state.lookAt(day * 1440 + (this.state.chosenMinute() % 1440));
  }

  protected setClock(value: string): void {
    const [hours, minutes] = value.split(':').map(Number);
    if (hours === undefined || minutes === undefined || Number.isNaN(hours + minutes)) return;
    this.state.lookAt(Math.floor(this.state.chosenMinute() / 1440) * 1440 + hours * 60 + minutes);
  }

  protected step(by: number): void {
    const last = (this.run()?.minutes ?? 1) - 1;
    this.at.update((at) => Math.max(0, Math.min(last, at + by)));
  }

  /** To the next event, or the one before. */
  protected jump(direction: 1 | -1): void {
    const minutes = this.events().map(({ minute }) => minute);
    const next =
      direction === 1
        ? minutes.find((minute) => minute > this.at())
        : minutes.findLast((minute) => minute < this.at());
    if (next !== undefined) this.at.set(next);
  }

  private litres(litres: number): string {
    const { toShown, unit } = fieldScale('l', this.units());
    return `${toShown(litres).toFixed(1)} ${unit}`;
  }

  private rows(run: OutageRun | null, other: OutageRun | null) {
    if (!run) return [];
    return run.tiers
      .filter(({ servedWh, unservedWh }) => servedWh + unservedWh > 0)
      .map((result) => {
        const beside = other?.tiers.find(({ tier }) => tier === result.tier);
        return {
          tier: tierWords[result.tier],
          servedH: quantityText(result.servedH, 'h'),
          wantedH: quantityText(result.wantedH, 'h'),
          unserved: quantityText(result.unservedWh, 'Wh'),
          first: firstText(result),
          besideH: beside ? quantityText(beside.servedH, 'h') : '',
          besideUnserved: beside ? quantityText(beside.unservedWh, 'Wh') : '',
          besideFirst: beside ? firstText(beside) : '',
        };
      });
  }
}

/** "1 d 5 h, battery empty" */
const firstText = ({ firstFailureH, firstFailureWhy }: TierResult): string =>
  firstFailureH === null ? 'never' : `${lengthText(firstFailureH * 60)}, ${failureWords(firstFailureWhy)}`;

import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  linkedSignal,
  signal,
  untracked,
} from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { quantityText } from '@levamen/core/base';
import { tiers } from '@levamen/core/house';
import { type DrillNow, OutageDrill, studyYear, unitOfPart } from '@levamen/core/study/details';
import type { Plan } from '@levamen/core/design';
import { Button } from 'primeng/button';
import { SelectButton } from 'primeng/selectbutton';
import { ToggleSwitch } from 'primeng/toggleswitch';
import { EMPTY, interval, switchMap, tap } from 'rxjs';
import { EvaluationService } from '../../data/evaluation';
import { partNames } from '../../power/part-names';
import type { Choice } from '../../ui/choice-field';
import { clockText, lengthText, momentText } from './moment-text';
import { tierWords } from './outage-words';
import { causeWords } from '@levamen/core/study';
import { OutageState } from './outage-state';

const tickMs = 100;
const drillMinutes = 72 * 60;

interface Note {
  readonly when: string;
  readonly text: string;
}

/** The outage in the user's hands: circuits are switched while it runs in fast motion, trips are taken and recovered from. */
@Component({
  selector: 'lv-drill-view',
  imports: [Button, FormsModule, SelectButton, ToggleSwitch],
  templateUrl: './drill-view.html',
  styleUrls: ['./views.css', './drill-view.css'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DrillView {
  readonly plan = input.required<Plan>();
  private readonly state = inject(OutageState);
  private readonly evaluations = inject(EvaluationService);

  protected readonly speeds: Choice<number>[] = [
    { label: '10 min a second', value: 1 },
    { label: '1 h a second', value: 6 },
    { label: '4 h a second', value: 24 },
  ];
  protected readonly speed = signal(1);
  protected readonly running = signal(false);
  private readonly begun = signal(0);
  private readonly drill = computed(() => {
    this.begun();
    const study = this.state.study();
    const from = this.state.startMinute();
    if (!study || from === null) return null;
    const year = studyYear(study, this.evaluations.catalogue());
    return year && new OutageDrill(year, (from + 525_600) % 525_600, drillMinutes);
  });
  /** Counts what happened, so that what is shown follows. */
  private readonly turns = linkedSignal({ source: this.drill, computation: () => 0 });
  protected readonly now = linkedSignal<OutageDrill | null, DrillNow | null>({
    source: this.drill,
    computation: () => null,
  });
  protected readonly notes = linkedSignal<OutageDrill | null, readonly Note[]>({
    source: this.drill,
    computation: () => [],
  });
  protected readonly ready = computed(() => this.drill() !== null);
  protected readonly from = computed(() => momentText(this.state.startMinute() ?? 0));
  protected readonly groups = computed(() => {
    const drill = this.drill();
    this.turns();
    if (!drill) return [];
    const minute = untracked(() => this.now())?.minute ?? 0;
    return tiers
      .map((tier) => ({
        tier: tierWords[tier],
        loads: drill.loads
          .filter((load) => load.tier === tier)
          .map((traced) => {
            const closed = drill.isClosed(traced.load.id);
            const nowW = closed ? drill.nowW(traced, Math.max(0, minute - 1)) : 0;
            return {
              id: traced.load.id,
              name: traced.load.name,
              closed,
              power: nowW > 0 ? quantityText(nowW, 'W') : closed ? 'waits' : '',
            };
          }),
      }))
      .filter(({ loads }) => loads.length > 0);
  });
  protected readonly figures = computed(() => {
    const now = this.now();
    if (!now) return [];
    return [
      { name: 'house', value: quantityText(now.demandW, 'W') },
      { name: 'sun', value: `${quantityText(now.sunUsedW, 'W')} of ${quantityText(now.sunW, 'W')}` },
      ...(now.generatorW > 0 ? [{ name: 'generator', value: quantityText(now.generatorW, 'W') }] : []),
      {
        name: now.batteryW >= 0 ? 'battery gives' : 'battery takes',
        value: quantityText(Math.abs(now.batteryW), 'W'),
      },
    ];
  });
  protected readonly moment = computed(() => momentText(this.fromMinute() + (this.now()?.minute ?? 0)));
  protected readonly passed = computed(() => lengthText(this.now()?.minute ?? 0));
  protected readonly charge = computed(() => (this.now()?.charge ?? this.startCharge()) * 100);
  protected readonly left = computed(() => {
    const now = this.now();
    const usable = this.usableWh();
    if (!now || now.batteryW <= 1) return '';
    return `at this rate ${lengthText(((now.charge * usable) / now.batteryW) * 60)} are left`;
  });
  protected readonly bars = computed(() =>
    (this.now()?.shares ?? []).map(({ part, demandVA, limitVA }) => ({
      name: partNames[part],
      text: `${quantityText(demandVA, unitOfPart(part))} of ${quantityText(limitVA, unitOfPart(part))}`,
      percent: Math.min(100, (demandVA / limitVA) * 71.4),
      over: demandVA > limitVA,
    })),
  );
  protected readonly word = computed(() => {
    const now = this.now();
    if (!this.drill()) return 'Looking for the outage to begin with…';
    if (!now) return 'The grid has just gone.';
    if (now.state === 'lit')
      return now.over ? 'Three days are over, and the house is lit.' : 'The house is lit.';
    if (now.state === 'empty')
      return 'The house is dark: the battery is empty. Only sun or a generator help now.';
    if (now.state === 'tripped') return `Tripped: ${causeWords[now.cause]}. The inverter tries again.`;
    return `Locked out: ${causeWords[now.cause]}. Open circuits, then reset the inverter.`;
  });
  private readonly usableWh = computed(() => this.evaluations.evaluation()?.selected?.energy.usableWh ?? 0);
  private readonly startCharge = computed(() => this.plan().outage.startCharge ?? 1);
  private readonly fromMinute = computed(() => Math.floor((this.state.startMinute() ?? 0) / 60) * 60);

  /** While it runs, a tick plays as many minutes as the speed says. */
  protected readonly clock = toSignal(
    toObservable(this.running).pipe(
      switchMap((running) => (running ? interval(tickMs) : EMPTY)),
      tap(() => this.play(this.speed())),
    ),
  );

  protected again(): void {
    this.begun.update((count) => count + 1);
    this.running.set(false);
  }

  protected turn(loadId: string, closed: boolean, name: string): void {
    this.drill()?.turn(loadId, closed);
    this.note(`${closed ? 'on' : 'off'}: ${name}`);
    this.turns.update((count) => count + 1);
  }

  protected reset(): void {
    this.drill()?.reset();
    this.note('the inverter is reset');
    this.turns.update((count) => count + 1);
    if (!this.running()) this.play(1);
  }

  protected play(minutes: number): void {
    const drill = this.drill();
    if (!drill) return;
    for (let i = 0; i < minutes && !drill.over; i += 1) {
      const before = this.now();
      const now = drill.next();
      this.now.set(now);
      if (now.state !== (before?.state ?? 'lit')) this.noteState(now, before);
    }
    if (drill.over) this.running.set(false);
    this.turns.update((count) => count + 1);
  }

  private noteState(now: DrillNow, before: DrillNow | null): void {
    const texts: Readonly<Record<DrillNow['state'], string>> = {
      lit: 'lit again',
      empty: 'dark: the battery is empty',
      tripped: `trip: ${causeWords[now.cause]}`,
      'locked-out': `locked out: ${causeWords[now.cause]}`,
    };
    this.note(texts[now.state]);
    // A trip wants a hand: time stands still until it is taken.
    if (now.state === 'locked-out' && before?.state !== 'locked-out') this.running.set(false);
  }

  private note(text: string): void {
    const when = clockText(this.fromMinute() + (this.now()?.minute ?? 0));
    this.notes.update((notes) => [{ when, text }, ...notes].slice(0, 60));
  }
}

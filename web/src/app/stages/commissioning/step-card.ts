import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal } from '@angular/core';
import { nameSchema, quantityText } from '@levamen/core/base';
import { boundsText, type Measure, phases, type Step } from '@levamen/core/commissioning';
import type { SystemNow } from '@levamen/core/commissioning/details';
import { aboutStep, entryOf, type StepEntry, stepEntrySchema } from '@levamen/core/house';
import { Button } from 'primeng/button';
import { PhotoStrip } from '../../photos/photo-strip';
import { ChoiceField } from '../../ui/choice-field';
import { FigureButton } from '../../ui/figure-button';
import { formOf } from '../../ui/form';
import { FormField } from '../../ui/form-field';
import { TextField } from '../../ui/text-field';
import { CommissioningState } from './commissioning-state';
import { ReadingPad } from './reading-pad';
import { StagedOutage } from './staged-outage';
import { StepVerdictMark } from './step-verdict';
import { SystemState } from './system-state';

const careWords: Readonly<Record<'dead' | 'live', string>> = {
  dead: 'Prove it dead first, at the place where hands go, and keep it so. Local code and the licensed electrician decide.',
  live: 'Live: only who is qualified and protected measures here, with an instrument rated for it. Local code decides.',
};

const measureOf = ({ asks }: Step): Measure | null => (asks.kind === 'measure' ? asks : null);

const readingText = (reading: number, asks: Step['asks']): string =>
  asks.kind === 'measure' ? quantityText(reading, asks.unit) : String(reading);

/** One step: what is done, what the design predicts, what was found, and what is likely where it is off. */
@Component({
  selector: 'lv-step-card',
  imports: [Button, ChoiceField, FigureButton, FormField, PhotoStrip, ReadingPad, StepVerdictMark, TextField],
  templateUrl: './step-card.html',
  styleUrl: './step-card.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class StepCard {
  protected readonly state = inject(CommissioningState);
  private readonly system = inject(SystemState);
  private readonly staged = inject(StagedOutage);
  protected readonly reasonSchema = nameSchema(300);
  private readonly id = computed(() => this.state.selected()?.step.id ?? '');
  /** Why a step is done before its turn; of each step by itself. */
  protected readonly reason = linkedSignal({ source: this.id, computation: () => '' });

  protected readonly view = computed(() => {
    const standing = this.state.selected();
    if (!standing) return null;
    const { step, entry, verdict, causes, waitsFor } = standing;
    const { reading, isSo, by, at, override, instrumentId, device } = entry;
    const measure = measureOf(step);
    const isAnswered = verdict !== 'open';
    return {
      about: aboutStep(step.id),
      phase: phases[step.phase],
      title: step.title,
      how: step.how,
      why: step.why,
      care: step.care ? careWords[step.care] : '',
      makeSafe: step.makeSafe,
      measure,
      bounds: measure ? boundsText(measure) : '',
      verdict,
      causes,
      reading,
      isSo,
      instrumentId,
      waitsFor: waitsFor.map(({ title }) => title),
      mayOverride: override === null && (this.state.stand()?.stopped.length ?? 0) === 0,
      override: override ? `Done before its turn: ${override.reason} (${override.by || 'nobody named'})` : '',
      isAnswered,
      isOpenToAnswer: waitsFor.length === 0 || isAnswered,
      who: `${by === '' ? 'Nobody named' : by}${at === null ? '' : `, ${new Date(at).toLocaleString()}`}${device === '' ? '' : `, read from ${device}`}`,
    };
  });

  /** What devices showed before something was switched on; of each step by itself. */
  protected readonly before = linkedSignal<string, SystemNow | null>({
    source: this.id,
    computation: () => null,
  });
  /** What the system itself shows of the step; null = it shows nothing, or nobody asks it. */
  protected readonly shown = computed(() => {
    const step = this.state.selected()?.step;
    const probe = step?.probe;
    if (!step || !probe || (probe.show !== 'outage' && this.system.now() === null)) return null;
    const found = this.staged.foundOf(step, this.before());
    const { asks } = step;
    return {
      found,
      needsBefore: probe.show === 'rise' && this.before() === null,
      isRise: probe.show === 'rise',
      text: found
        ? `${found.reading === null ? (found.isSo ? 'It is so' : 'It is not so') : readingText(found.reading, asks)}. ${found.says}.`
        : '',
    };
  });

  protected readonly instruments = computed(() =>
    this.state.record().instruments.map(({ id, name, calibratedOn }) => ({
      value: id,
      label:
        calibratedOn === null
          ? `${name} (nobody said when it was calibrated)`
          : `${name}, calibrated ${calibratedOn}`,
    })),
  );

  protected readonly noteForm = formOf<Pick<StepEntry, 'note'>>(
    { note: stepEntrySchema.shape.note },
    computed(() => entryOf(this.state.record(), this.id())),
    (change, label) => this.state.say(this.id(), change, label),
  );

  protected seeBefore(): void {
    this.before.set(this.system.now());
  }

  protected takeShown(): void {
    const step = this.state.selected()?.step;
    const found = this.shown()?.found;
    if (!step || !found) return;
    this.state.choose(step.id);
    this.state.takeFound([{ step, found }], this.system.address()?.host ?? '');
  }

  protected take(reading: number | null): void {
    this.state.answer(this.id(), { reading, isSo: null }, 'reading');
  }

  protected say(isSo: boolean | null): void {
    this.state.answer(this.id(), { reading: null, isSo }, 'answer');
  }

  protected goOn(): void {
    this.state.goOnAllTheSame(this.id(), this.reason());
  }

  protected useInstrument(instrumentId: unknown): void {
    if (typeof instrumentId === 'string') this.state.say(this.id(), { instrumentId }, 'instrument');
  }

  protected leave(): void {
    const standing = this.state.selected();
    if (!standing) return;
    const { step, causes } = standing;
    const text = `${step.title}${causes[0] ? `: ${causes[0]}` : ''}`.slice(0, 300);
    this.state.change('left to do', (now) => ({
      ...now,
      punch: [
        ...now.punch,
        { id: crypto.randomUUID(), text, stepId: step.id, who: '', dueOn: null, doneOn: null },
      ],
    }));
  }
}

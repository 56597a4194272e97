import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { countSchema, quantityText } from '@levamen/core/base';
import {
  boundsText,
  phaseNames,
  phases,
  type Step,
  type Suspect,
  suspects,
} from '@levamen/core/commissioning';
import type { TrainedStep } from '@levamen/core/commissioning/details';
import { Button } from 'primeng/button';
import { AmountField } from '../../ui/amount-field';
import { type Choice, ChoiceField } from '../../ui/choice-field';
import { TrainingState } from './training-state';

const suspectChoices: Choice<Suspect>[] = (Object.keys(suspects) as Suspect[]).map((value) => ({
  value,
  label: suspects[value],
}));
const careWords: Readonly<Record<'dead' | 'live', string>> = {
  dead: 'Dead: proved so first.',
  live: 'Live: hands go near what is live.',
};

const valueText = ({ step, found }: TrainedStep): string => {
  if (found.reading !== null && step.asks.kind === 'measure')
    return quantityText(found.reading, step.asks.unit);
  if (found.isSo === null) return '';
  return found.isSo ? 'yes' : 'no';
};
const foundText = (done: TrainedStep): string =>
  [valueText(done), done.found.says].filter((text) => text !== '').join(': ');

const clock = (minutes: number): string => {
  const whole = Math.round(minutes);
  return `${Math.floor(whole / 60)} h ${String(whole % 60).padStart(2, '0')} min`;
};
const rightText = (isRight: boolean): string => (isRight ? 'right' : 'not right');

/** A simulated house with a fault nobody is told: its steps are done, the fault is named, and it is told how that went. */
@Component({
  selector: 'lv-training-card',
  imports: [AmountField, Button, ChoiceField],
  providers: [TrainingState],
  templateUrl: './training-card.html',
  styleUrls: ['./step-rows.css', './training-card.css'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TrainingCard {
  protected readonly training = inject(TrainingState);
  protected readonly seedSchema = countSchema(0, 2 ** 31 - 1).nullable();
  protected readonly suspectChoices = suspectChoices;
  protected readonly wantedSeed = signal<number | null>(null);
  private readonly chosenId = signal('');
  protected readonly named = signal<Suspect | null>(null);
  protected readonly madeSafe = signal<string | null>(null);

  protected readonly says = computed(() => {
    const stand = this.training.stand();
    if (!stand) return '';
    const steps = this.training.done().length;
    return `Run ${this.training.seed()}: ${steps === 1 ? 'one step' : `${steps} steps`} done, ${clock(stand.minutes)} on the clock of the house.`;
  });

  private readonly last = computed(
    () => new Map(this.training.done().map((one) => [one.step.id, one] as const)),
  );
  protected readonly groups = computed(() => {
    const steps = this.training.stand()?.steps ?? [];
    const selected = this.selected()?.step.id;
    return phaseNames.flatMap((name) => {
      const rows = steps.filter(({ step }) => step.phase === name);
      if (rows.length === 0) return [];
      return [
        {
          name,
          label: phases[name],
          isOpen: rows.some(({ step }) => step.id === selected),
          rows: rows.map(({ step, waits }) => {
            const done = this.last().get(step.id);
            return {
              id: step.id,
              title: step.title,
              found: done ? valueText(done) : waits ? 'after the outage' : '',
              icon: done ? 'pi-check' : waits ? 'pi-lock' : 'pi-circle',
              isSelected: step.id === selected,
            };
          }),
        },
      ];
    });
  });

  protected readonly selected = computed(() => {
    const steps = this.training.stand()?.steps ?? [];
    return steps.find(({ step }) => step.id === this.chosenId()) ?? steps[0] ?? null;
  });
  protected readonly view = computed(() => {
    const selected = this.selected();
    if (!selected) return null;
    const { step, waits } = selected;
    const done = this.last().get(step.id);
    return {
      ...predictedOf(step),
      id: step.id,
      title: step.title,
      how: step.how,
      care: step.care ? careWords[step.care] : '',
      waits,
      found: done ? foundText(done) : '',
      label: done ? 'Do it again' : 'Do it',
    };
  });

  protected readonly wayChoices = computed(() =>
    this.training.ways().map((way): Choice<string> => ({ value: way, label: way })),
  );
  protected readonly mayName = computed(
    () => this.named() !== null && this.madeSafe() !== null && !this.training.isBusy(),
  );

  protected readonly told = computed(() => {
    const result = this.training.result();
    if (!result) return null;
    const { fault, isFaultNamed, isMadeSafe, rightMakeSafe, overlooked, liveNeedlessly } = result;
    return {
      fault: `${suspects[fault]}: named ${rightText(isFaultNamed)}.`,
      isFaultNamed,
      makeSafe: `What is made safe first: ${rightText(isMadeSafe)}. ${rightMakeSafe.join(' Or: ')}`,
      isMadeSafe,
      time: `${clock(result.houseMin)} on the clock of the house, ${result.stepsDone === 1 ? 'one step' : `${result.stepsDone} steps`}.`,
      lists: [
        { title: 'Overlooked', lines: overlooked, none: 'Nothing.' },
        { title: 'Live needlessly', lines: liveNeedlessly, none: 'Nowhere.' },
      ],
    };
  });
  protected readonly runs = computed(() =>
    this.training.runs().map((run) => ({
      id: run.id,
      at: new Date(run.at).toLocaleString(),
      who: run.isMine ? run.actor || 'here' : run.actor,
      house: `${run.house}, run ${run.seed}`,
      fault: suspects[run.fault],
      named: rightText(run.named === run.fault),
      madeSafe: rightText(run.isMadeSafe),
      overlooked: run.overlooked.length,
      live: run.liveNeedlessly.length,
      took: `${Math.max(1, Math.round(run.tookS / 60))} min`,
    })),
  );

  protected begin(): void {
    this.named.set(null);
    this.madeSafe.set(null);
    this.chosenId.set('');
    void this.training.begin(this.wantedSeed());
  }

  protected choose(stepId: string): void {
    this.chosenId.set(stepId);
  }

  protected next(): void {
    const steps = this.training.stand()?.steps ?? [];
    const place = steps.findIndex(({ step }) => step.id === this.selected()?.step.id);
    const next = steps[place + 1];
    if (next) this.choose(next.step.id);
  }

  protected name(): void {
    const [fault, makeSafe] = [this.named(), this.madeSafe()];
    if (fault !== null && makeSafe !== null) void this.training.finish({ fault, makeSafe });
  }
}

function predictedOf({ asks }: Step) {
  if (asks.kind === 'so') return { predicted: 'yes', bounds: '' };
  return {
    predicted: asks.predicted ? quantityText(asks.predicted.value, asks.unit) : 'nothing but its bound',
    bounds: boundsText(asks),
  };
}

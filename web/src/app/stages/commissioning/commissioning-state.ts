import { computed, inject, Injectable, signal } from '@angular/core';
import {
  type DesignInHand,
  type StandingStep,
  standOfSteps,
  type Step,
  stepsOf,
} from '@levamen/core/commissioning';
import type { Found } from '@levamen/core/commissioning/details';
import { islandsOf } from '@levamen/core/design';
import {
  type Commissioning,
  emptyCommissioning,
  entryOf,
  sayOfStep,
  type StepEntry,
} from '@levamen/core/house';
import { Identity } from '../../data/identity';
import { JobSession } from '../../data/job-session';
import { stackOf } from '../../data/stack-of';
import { WiringStudies } from '../../data/wiring-studies';
import { SignedIn } from '../../people/session';

/** The steps of the design as it is wired now, what was found at them, and the one that is looked at. */
@Injectable()
export class CommissioningState {
  private readonly session = inject(JobSession);
  private readonly wiring = inject(WiringStudies);
  private readonly signed = inject(SignedIn);
  private readonly identity = inject(Identity);

  readonly record = computed((): Commissioning => this.session.plan()?.commissioning ?? emptyCommissioning());
  readonly units = computed(() => this.session.plan()?.site.units ?? 'metric');
  /** The design as it is wired; null = it is being wired. */
  readonly design = computed((): DesignInHand | null => {
    const { answer, of } = this.wiring.state();
    if (!answer || !of) return null;
    const stack = stackOf(of);
    return {
      plan: of.plan,
      wired: answer.wired,
      islands: islandsOf(of.plan).map((island) => ({ island, stack: stack(island) })),
    };
  });
  private readonly added = computed(() => this.record().added);
  /** null = the design is being wired. */
  private readonly steps = computed(() => {
    const design = this.design();
    return design && stepsOf(design, { added: this.added() });
  });
  readonly stand = computed(() => {
    const steps = this.steps();
    return steps && standOfSteps(steps, this.record());
  });

  private readonly chosenId = signal('');
  /** The step that is looked at: the one that was chosen, else the first that is open and has its turn. */
  readonly selected = computed((): StandingStep | null => {
    const steps = this.stand()?.steps ?? [];
    return (
      steps.find(({ step }) => step.id === this.chosenId()) ??
      steps.find(({ verdict, waitsFor }) => verdict === 'open' && waitsFor.length === 0) ??
      steps[0] ??
      null
    );
  });
  /** The next one that is open, after the one that is looked at. */
  readonly next = computed((): StandingStep | null => {
    const steps = this.stand()?.steps ?? [];
    const at = steps.findIndex(({ step }) => step.id === this.selected()?.step.id);
    const open = (some: readonly StandingStep[]) => some.find(({ verdict }) => verdict === 'open') ?? null;
    return open(steps.slice(at + 1)) ?? open(steps.slice(0, Math.max(0, at)));
  });

  choose(stepId: string): void {
    this.chosenId.set(stepId);
  }

  /** Takes what was found at a step: by whom, when, and with the instrument that was in hand last, where none is named yet. */
  answer(stepId: string, found: Pick<StepEntry, 'reading' | 'isSo'>, title: string): void {
    // What was found stays in sight, though the next step has its turn.
    this.choose(stepId);
    this.change(title, (now) => {
      const { instrumentId } = entryOf(now, stepId);
      const isNamed = instrumentId !== '' || found.reading === null;
      return sayOfStep(now, stepId, {
        ...found,
        device: '',
        by: this.who(),
        at: new Date().toISOString(),
        instrumentId: isNamed ? instrumentId : inHandLast(now),
      });
    });
  }

  /** Takes what devices showed of steps, in one step of undo; what was seen goes into notes that are empty. */
  takeFound(all: readonly { readonly step: Step; readonly found: Found }[], device: string): void {
    const at = new Date().toISOString();
    this.change(all.length === 1 ? 'reading of the system' : 'readings of the system', (record) =>
      all.reduce((now, { step, found: { reading, isSo, says } }) => {
        const { note } = entryOf(now, step.id);
        return sayOfStep(now, step.id, {
          reading,
          isSo,
          device,
          by: this.who(),
          at,
          instrumentId: '',
          note: note === '' ? says.slice(0, 1000) : note,
        });
      }, record),
    );
  }

  say(stepId: string, change: Partial<Omit<StepEntry, 'id'>>, label: string): void {
    this.choose(stepId);
    this.change(label, (now) => sayOfStep(now, stepId, change));
  }

  goOnAllTheSame(stepId: string, reason: string): void {
    this.say(
      stepId,
      { override: { reason, by: this.who(), at: new Date().toISOString() } },
      'gone on before its turn',
    );
  }

  change(label: string, change: (record: Commissioning) => Commissioning): void {
    this.session.edit(label, (plan) => ({ ...plan, commissioning: change(plan.commissioning) }));
  }

  /** Whoever is at work, as the record names him. */
  who(): string {
    const typed = this.identity.who().actor;
    return typed !== '' ? typed : (this.signed.who()?.name ?? '');
  }
}

/** The instrument that was used last, else the first one; '' = none is listed. */
function inHandLast({ entries, instruments }: Commissioning): StepEntry['instrumentId'] {
  const used = entries.findLast(({ instrumentId }) => instrumentId !== '');
  return used?.instrumentId ?? instruments[0]?.id ?? '';
}

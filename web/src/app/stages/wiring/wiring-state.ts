import { computed, inject, Injectable, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { sameValue } from '@levamen/core/base';
import { nudge } from '@levamen/core/design';
import { emptyLogbook } from '@levamen/core/house';
import { asBuiltOf } from '@levamen/core/logbook';
import { type Counterexample, type Situation, situationsOf } from '@levamen/core/wiring';
import { catchError, from, of, switchMap } from 'rxjs';
import { EvaluationService } from '../../data/evaluation';
import { JobSession } from '../../data/job-session';
import { WiringStudies } from '../../data/wiring-studies';

/** What the stage looks at: a part or place, and how the switches stand. */
@Injectable()
export class WiringState {
  private readonly studies = inject(WiringStudies);
  private readonly evaluations = inject(EvaluationService);
  private readonly session = inject(JobSession);

  /** Id of the part or place that is looked at; '' = none. */
  readonly chosen = signal('');
  /** Places a finding is about. */
  readonly marked = signal<readonly string[]>([]);
  /** The isolating device of which every conductor is drawn; '' = the whole, in one line. */
  readonly deviceId = signal('');
  readonly situationIndex = signal(0);
  /** Handles that do not stand as usual. */
  readonly moved = signal<Readonly<Record<string, string>>>({});

  readonly answer = this.studies.answer;
  readonly graph = computed(() => this.answer()?.wired.graph ?? null);
  readonly situations = computed((): readonly Situation[] => {
    const graph = this.graph();
    return graph ? situationsOf(graph) : [];
  });
  readonly situation = computed(
    () => this.situations()[this.situationIndex()] ?? this.situations()[0] ?? null,
  );

  private readonly asBuilt = computed(() => asBuiltOf(this.session.plan()?.logbook ?? emptyLogbook()), {
    equal: sameValue,
  });
  readonly drawn = toSignal(
    toObservable(
      computed(() => ({
        answer: this.answer(),
        units: this.evaluations.units(),
        nudges: this.session.plan()?.wiring.nudges ?? [],
        deviceId: this.deviceId(),
        asBuilt: this.asBuilt(),
      })),
    ).pipe(
      switchMap(({ answer, ...asked }) =>
        answer ? from(this.studies.remote().draw(asked)).pipe(catchError(() => of(null))) : of(null),
      ),
    ),
    { initialValue: null },
  );
  readonly safety = toSignal(
    toObservable(this.answer).pipe(
      switchMap((answer) => (answer ? from(this.studies.remote().safety()) : of(null))),
    ),
    { initialValue: null },
  );
  readonly live = toSignal(
    toObservable(
      computed(() => ({ answer: this.answer(), situation: this.situation(), moved: this.moved() })),
    ).pipe(
      switchMap(({ answer, situation, moved }) =>
        answer && situation ? from(this.studies.remote().live(moved, situation)) : of(null),
      ),
    ),
    { initialValue: null },
  );
  private readonly tags = computed(
    () => new Map((this.drawn()?.tags ?? []).map(({ about, tag }) => [about, tag])),
  );

  tagOf(id: string): string {
    return this.tags().get(id) ?? '';
  }

  /** Shows a way the switches can stand, and where it is dangerous. */
  show({ situation, standing, concerns }: Counterexample): void {
    const { sources = [], bonds = [] } = this.graph() ?? {};
    const at = new Map([...sources, ...bonds].map((one) => [one.id, one.at]));
    this.chosen.set('');
    this.marked.set(concerns.map((id) => at.get(id) ?? id));
    const index = this.situations().findIndex(
      (one) =>
        one.grid === situation.grid &&
        one.generator === situation.generator &&
        one.battery === situation.battery,
    );
    this.situationIndex.set(Math.max(0, index));
    this.moved.set(standing);
  }

  /** Moves a thing on the drawing. */
  nudge(id: string, rightMm: number, downMm: number): void {
    this.session.edit('moved on the drawing', (plan) => ({
      ...plan,
      wiring: nudge(plan.wiring, id, rightMm, downMm),
    }));
  }

  /** Everything on the drawing stands where it is laid out again. */
  layOutAnew(): void {
    this.session.edit('drawing laid out anew', (plan) => ({
      ...plan,
      wiring: { ...plan.wiring, nudges: [] },
    }));
  }

  readonly isNudged = computed(() => (this.session.plan()?.wiring.nudges.length ?? 0) > 0);

  /** Moves one handle. */
  move(handle: string, position: string): void {
    this.moved.update((now) => ({ ...now, [handle]: position }));
  }
}

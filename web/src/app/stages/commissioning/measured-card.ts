import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { quantityText } from '@levamen/core/base';
import { hoursTexts, measuredRows, measuredStack } from '@levamen/core/commissioning/details';
import { chooseFor, measuredIn, settingsOf, takeMeasured } from '@levamen/core/design';
import { measuredStackSchema } from '@levamen/core/equipment';
import type { SeasonOutlook } from '@levamen/core/study';
import { decidingHours } from '@levamen/core/study/details';
import { Button } from 'primeng/button';
import { catchError, combineLatest, debounceTime, map, of, startWith, switchMap } from 'rxjs';
import { JobSession } from '../../data/job-session';
import { OutageStudies } from '../../data/outage-studies';
import { reachedText } from '../../ui/outlook-texts';
import { StagedOutage } from './staged-outage';
import { SystemState } from './system-state';

/** Answers that are typed follow one another. */
const settleMs = 400;

/** What a staged outage measured of the battery, beside what was predicted; and into the design, where somebody wants it there. */
@Component({
  selector: 'lv-measured-card',
  imports: [Button],
  templateUrl: './measured-card.html',
  styleUrl: './measured-card.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class MeasuredCard {
  private readonly session = inject(JobSession);
  private readonly staged = inject(StagedOutage);
  private readonly system = inject(SystemState);
  private readonly studies = inject(OutageStudies);
  protected readonly refused = signal('');

  private readonly measured = computed(() => this.staged.report()?.measured ?? null);
  protected readonly rows = computed(() => {
    const measured = this.measured();
    const designed = this.staged.designed();
    return measured && designed ? measuredRows(measured, designed) : [];
  });
  protected readonly hours = computed(() => {
    const hours = this.staged.report()?.hours;
    return hours ? hoursTexts(hours) : null;
  });

  /** The outage is over: what it measured changes no more. */
  private readonly isOver = computed(() => this.system.running() === null && this.measured() !== null);

  /** The study of the brief's outages by data sheets, and by what was measured; null while it goes on, or nothing can be played. */
  private readonly compared = computed(
    () => {
      const asked = this.studies.asked();
      const island = this.staged.island();
      const parts = this.staged.stack()?.parts;
      const measured = this.measured();
      const designed = this.staged.designed();
      const shown = this.system.shown();
      if (!asked || !island || !parts || !measured || !designed || !shown || !this.isOver()) return null;
      const bare = chooseFor(asked.plan, island, parts);
      const found = measuredStack(measured, designed, shown.id, shown.beganAt);
      const study = { ...asked, islandId: island.id, parts };
      return {
        asked,
        bare: { ...study, plan: bare },
        found: { ...study, plan: takeMeasured(bare, island.id, found) },
        text: JSON.stringify([found.usableTimes, found.standbyW, found.dischargeTimes, found.chargeTimes]),
      };
    },
    { equal: (a, b) => a?.text === b?.text && a?.asked === b?.asked },
  );
  protected readonly mayCompare = computed(() => this.compared() !== null);
  private readonly outlooks = toSignal(
    toObservable(this.compared).pipe(
      debounceTime(settleMs),
      switchMap((asked) =>
        asked === null
          ? of(null)
          : combineLatest([this.studies.runtime(asked.bare), this.studies.runtime(asked.found)]).pipe(
              map(([bare, found]) => bare && found && { plan: asked.bare.plan, bare, found }),
              // What cannot be played is not compared.
              catchError(() => of(null)),
              startWith(null),
            ),
      ),
    ),
    { initialValue: null },
  );
  protected readonly runtimes = computed(() => {
    const known = this.outlooks();
    if (!known) return null;
    const settings = settingsOf(known.plan);
    const text = (outlook: SeasonOutlook): string =>
      reachedText(decidingHours(settings, outlook), outlook.followedH);
    return {
      asked: `${quantityText(settings.requiredRuntimeH.value, 'h')} are asked for`,
      predicted: text(known.bare),
      found: text(known.found),
    };
  });

  private readonly recordingId = computed(() => this.system.shown()?.id ?? null);
  /** What the design counts with now. */
  private readonly inDesign = computed(() =>
    measuredIn(this.session.plan()?.equipment, this.staged.island()?.id),
  );
  protected readonly taken = computed(() => {
    const measured = this.inDesign();
    if (!measured) return null;
    const which = measured.recordingId === this.recordingId() ? 'this outage' : 'another outage';
    return `The design counts with what ${which} measured, since ${new Date(measured.at).toLocaleDateString()}.`;
  });
  protected readonly mayTake = computed(
    () => this.isOver() && this.inDesign()?.recordingId !== this.recordingId(),
  );

  /** Into the design: the units that were measured are its chosen ones from then on. One step of undo. */
  protected take(): void {
    const [measured, designed, recordingId] = [this.measured(), this.staged.designed(), this.recordingId()];
    const [island, parts] = [this.staged.island(), this.staged.stack()?.parts];
    if (!measured || !designed || !recordingId || !island || !parts) return;
    const read = measuredStackSchema.safeParse(
      measuredStack(measured, designed, recordingId, new Date().toISOString()),
    );
    this.refused.set(
      read.success
        ? ''
        : 'This is too far from what was predicted to be the same battery: look at the recording and at the units that are chosen first.',
    );
    if (!read.success) return;
    this.session.edit('what was measured', (plan) =>
      takeMeasured(chooseFor(plan, island, parts), island.id, read.data),
    );
  }

  protected giveUp(): void {
    const island = this.staged.island();
    if (island) this.session.edit('by data sheets again', (plan) => takeMeasured(plan, island.id, null));
  }
}

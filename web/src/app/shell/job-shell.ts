import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { takeUntilDestroyed, toObservable } from '@angular/core/rxjs-interop';
import { Title } from '@angular/platform-browser';
import {
  ActivatedRoute,
  NavigationEnd,
  NavigationError,
  Router,
  RouterLink,
  RouterOutlet,
} from '@angular/router';
import { chooseFor } from '@levamen/core/design';
import type { UnreadableJob } from '@levamen/core/api';
import { Button } from 'primeng/button';
import { catchError, EMPTY, filter, fromEvent, map, merge, Subject, switchMap, tap } from 'rxjs';
import { Appearance } from '../data/appearance';
import { EvaluationService } from '../data/evaluation';
import { Focus } from '../data/focus';
import { JobSession } from '../data/job-session';
import { problemText, unreadableJob } from '../data/jobs-api';
import { OutageStudies } from '../data/outage-studies';
import { LiveJob } from '../field/live-job';
import { LastAnswers } from '../data/last-answers';
import { EquipmentChange } from '../data/equipment-change';
import { Runtimes } from '../data/runtimes';
import { WeatherYears } from '../data/weather-years';
import { PlacementStudies } from '../data/placement-studies';
import { DesignPrice } from '../data/design-price';
import { WiringStudies } from '../data/wiring-studies';

import { CommandPalette } from './command-palette';
import { ConflictDialog } from './conflict-dialog';
import { DesignMenu } from '../designs/design-menu';
import { JobName } from './job-name';
import { HistoryDialog } from './history-dialog';
import { KeysDialog } from './keys-dialog';
import { MarginStrip } from './margin-strip';
import { Notices } from './notices';
import type { ActionName, PaletteEntry } from './palette-entries';
import { PhotoSender } from '../photos/photo-sender';
import { PLACE_LOCALE } from '../ui/place-locale';
import { Rail } from './rail';
import { SaveMark } from './save-mark';
import { shellAction } from './shortcuts';
import { downloadJson, fileStem } from '../ui/download';
import { STAGES } from './stage';
import { UnreadableJobView } from './unreadable-job';
import { WhoElse } from './who-else';
import { Working } from './working';
import { WorkingDrawer } from './working-drawer';

/** One open job: rail, stage, working drawer, margin strip. */
@Component({
  selector: 'lv-job-shell',
  imports: [
    Button,
    CommandPalette,
    ConflictDialog,
    HistoryDialog,
    DesignMenu,
    JobName,
    KeysDialog,
    MarginStrip,
    Notices,
    Rail,
    RouterLink,
    RouterOutlet,
    SaveMark,
    UnreadableJobView,
    WhoElse,
    WorkingDrawer,
  ],
  providers: [
    JobSession,
    EvaluationService,
    WeatherYears,
    OutageStudies,
    Runtimes,
    WiringStudies,
    DesignPrice,
    PlacementStudies,
    EquipmentChange,
    LastAnswers,
    LiveJob,
    Working,
    Focus,
    { provide: PLACE_LOCALE, useFactory: () => inject(EvaluationService).locale },
  ],
  templateUrl: './job-shell.html',
  styleUrl: './job-shell.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class JobShell {
  /** At work as long as a job is open. */
  protected readonly runtimes = inject(Runtimes);
  /** Photos that wait from an earlier visit go on their way, whatever is looked at. */
  protected readonly photos = inject(PhotoSender);
  protected readonly session = inject(JobSession);
  protected readonly working = inject(Working);
  protected readonly appearance = inject(Appearance);
  private readonly focus = inject(Focus);
  private readonly stages = inject(STAGES);
  private readonly router = inject(Router);
  private readonly route = inject(ActivatedRoute);

  readonly id = input.required<string>();
  protected readonly paletteOpen = signal(false);
  protected readonly keysOpen = signal(false);
  protected readonly historyOpen = signal(false);
  protected readonly failure = signal('');
  /** What the server keeps and cannot read. */
  protected readonly unreadable = signal<UnreadableJob | null>(null);
  private readonly again = new Subject<void>();
  /** A stage that could not be fetched, and where it was. */
  private readonly missedStage = signal('');
  protected readonly stageProblem = computed(() =>
    this.missedStage() === ''
      ? ''
      : 'This stage could not be loaded: the server does not answer. Your entries are kept; what is open goes on working.',
  );
  private readonly evaluations = inject(EvaluationService);
  protected readonly units = this.evaluations.units;
  protected readonly exportAddress = computed(() => `/api/jobs/${this.id()}/export`);

  constructor() {
    const title = inject(Title);
    merge(toObservable(this.id), this.again.pipe(map(() => this.id())))
      .pipe(
        tap(() => {
          this.failure.set('');
          this.unreadable.set(null);
        }),
        switchMap((id) =>
          this.session.open(id).pipe(
            tap(({ document }) => title.setTitle(`${document.name} · Levamen`)),
            catchError((error: unknown) => {
              this.failure.set(problemText(error));
              this.unreadable.set(unreadableJob(error));
              return EMPTY;
            }),
          ),
        ),
        takeUntilDestroyed(),
      )
      .subscribe();
    this.router.events
      .pipe(
        filter((event) => event instanceof NavigationError || event instanceof NavigationEnd),
        takeUntilDestroyed(),
      )
      .subscribe((event) => this.missedStage.set(event instanceof NavigationError ? event.url : ''));
    fromEvent<KeyboardEvent>(document, 'keydown')
      .pipe(takeUntilDestroyed())
      .subscribe((event) => this.onKey(event));
  }

  protected rename(name: string): void {
    this.session.editJob('job name', (job) => ({ ...job, name }));
  }

  /** Leaves with everything that was typed. */
  protected exportSaved(event: Event): void {
    event.preventDefault();
    this.download();
  }

  protected async tryStageAgain(): Promise<void> {
    const stage = this.missedStage();
    try {
      await this.router.navigateByUrl(stage);
    } catch {
      // Some browsers remember that a part could not be fetched until the page is loaded anew; what was entered is kept.
      if (await this.serverAnswers()) window.location.assign(stage);
    }
  }

  private serverAnswers(): Promise<boolean> {
    return fetch('/api/health').then(
      ({ ok }) => ok,
      () => false,
    );
  }

  protected reopen(): void {
    this.again.next();
  }

  /** The file is made here, of what is here: it needs no server. What waits to be saved is sent on the way. */
  private download(): void {
    const job = this.session.job();
    void this.session.saveNow();
    if (job) downloadJson(job, `${fileStem(job.name)}.levamen.json`);
  }

  protected toggleUnits(): void {
    this.session.edit('units', (job) => ({
      ...job,
      site: { ...job.site, units: job.site.units === 'metric' ? 'imperial' : 'metric' },
    }));
  }

  protected onChosen({ target }: PaletteEntry): void {
    switch (target.kind) {
      case 'stage':
        this.goTo(target.path);
        break;
      case 'thing':
        this.focus.ask(target.path, target.id);
        this.goTo(target.path);
        break;
      case 'figure':
        this.working.openFigure(target.figure);
        break;
      case 'action':
        this.actions[target.name]();
    }
  }

  private readonly actions: Readonly<Record<ActionName, () => void>> = {
    undo: () => this.session.undo(),
    redo: () => this.session.redo(),
    scheme: () => this.appearance.toggle(),
    units: () => this.toggleUnits(),
    keys: () => this.keysOpen.set(true),
    export: () => this.download(),
    jobs: () => void this.router.navigate(['/jobs']),
    suggestion: () =>
      this.session.edit('back to the suggestion', (job) => {
        const island = this.evaluations.island();
        return island ? chooseFor(job, island, null) : job;
      }),
  };

  private onKey(event: KeyboardEvent): void {
    const action = shellAction(event);
    if (!action || this.session.conflict()) return;
    const stage = action.kind === 'stage' ? this.stages[action.index] : undefined;
    if (action.kind === 'stage' && !stage) return;
    event.preventDefault();
    if (action.kind === 'palette') this.paletteOpen.set(true);
    else if (action.kind === 'keys') this.keysOpen.set(true);
    else if (action.kind === 'undo') this.session.undo();
    else if (action.kind === 'redo') this.session.redo();
    else if (stage) this.goTo(stage.path);
  }

  private goTo(path: string): void {
    void this.router.navigate([path], { relativeTo: this.route });
  }
}

import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { takeUntilDestroyed, toObservable } from '@angular/core/rxjs-interop';
import { Title } from '@angular/platform-browser';
import { ActivatedRoute, Router, RouterLink, RouterOutlet } from '@angular/router';
import { chooseFor } from '@levamen/core';
import { Button } from 'primeng/button';
import { catchError, EMPTY, fromEvent, switchMap, tap } from 'rxjs';
import { Appearance } from '../data/appearance';
import { EvaluationService } from '../data/evaluation';
import { Focus } from '../data/focus';
import { JobSession } from '../data/job-session';
import { problemText } from '../data/jobs-api';
import { MarginsService } from '../data/margins';
import { OutageStudies } from '../data/outage-studies';
import { WeatherYears } from '../data/weather-years';

import { CommandPalette } from './command-palette';
import { ConflictDialog } from './conflict-dialog';
import { JobName } from './job-name';
import { KeysDialog } from './keys-dialog';
import { MarginStrip } from './margin-strip';
import type { ActionName, PaletteEntry } from './palette-entries';
import { Rail } from './rail';
import { SaveMark } from './save-mark';
import { shellAction } from './shortcuts';
import { stages } from './stages';
import { Working } from './working';
import { WorkingDrawer } from './working-drawer';

/** One open job: rail, stage, working drawer, margin strip. */
@Component({
  selector: 'lv-job-shell',
  imports: [
    Button,
    CommandPalette,
    ConflictDialog,
    JobName,
    KeysDialog,
    MarginStrip,
    Rail,
    RouterLink,
    RouterOutlet,
    SaveMark,
    WorkingDrawer,
  ],
  providers: [JobSession, EvaluationService, WeatherYears, OutageStudies, MarginsService, Working, Focus],
  templateUrl: './job-shell.html',
  styleUrl: './job-shell.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class JobShell {
  protected readonly session = inject(JobSession);
  protected readonly working = inject(Working);
  protected readonly appearance = inject(Appearance);
  private readonly focus = inject(Focus);
  private readonly router = inject(Router);
  private readonly route = inject(ActivatedRoute);

  readonly id = input.required<string>();
  protected readonly paletteOpen = signal(false);
  protected readonly keysOpen = signal(false);
  protected readonly failure = signal('');
  private readonly evaluations = inject(EvaluationService);
  protected readonly units = this.evaluations.units;
  protected readonly exportAddress = computed(() => `/api/jobs/${this.id()}/export`);

  constructor() {
    const title = inject(Title);
    toObservable(this.id)
      .pipe(
        switchMap((id) =>
          this.session.open(id).pipe(
            tap(({ document }) => title.setTitle(`${document.name} · Levamen`)),
            catchError((error: unknown) => {
              this.failure.set(problemText(error));
              return EMPTY;
            }),
          ),
        ),
        takeUntilDestroyed(),
      )
      .subscribe();
    fromEvent<KeyboardEvent>(document, 'keydown')
      .pipe(takeUntilDestroyed())
      .subscribe((event) => this.onKey(event));
  }

  protected rename(name: string): void {
    this.session.edit('job name', (job) => ({ ...job, name }));
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
      case 'load':
        this.focus.askLoad(target.id);
        this.goTo('loads');
        break;
      case 'circuit':
        this.focus.askCircuit(target.id);
        this.goTo('panels');
        break;
      case 'bench':
        this.focus.askBench(target.id);
        this.goTo('backup');
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
    export: () => window.location.assign(this.exportAddress()),
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
    const stage = action.kind === 'stage' ? stages[action.index] : undefined;
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

import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { Router, RouterLink } from '@angular/router';
import { nameSchema } from '@levamen/core/base';
import type { SupplySystem } from '@levamen/core/electric';
import { newJob, readJob } from '@levamen/core/job';
import type { SavedJob } from '@levamen/core/api';
import { Button } from 'primeng/button';
import { InputText } from 'primeng/inputtext';
import { catchError, EMPTY, from, map, of, switchMap, tap, type Observable } from 'rxjs';
import { JobsApi, problemText } from '../data/jobs-api';
import { SignedIn } from '../people/session';
import { OnThisDevice } from '../field/on-this-device';
import { PhotoSender } from '../photos/photo-sender';
import { ChoiceField } from '../ui/choice-field';
import { PlaceHeader } from '../ui/place-header';
import { supplyChoices } from '../ui/supply-choices';
import { BackupWarning } from './backup-warning';
import { JobList } from './job-list';
import { WhoCard } from './who-card';
import { pickedFile } from '../ui/picked-file';

/** Larger than any job this program writes; larger files are refused before they are read. */
const maxFileBytes = 4_000_000;

/** All jobs: open, start, import; and who works here. */
@Component({
  selector: 'lv-jobs-page',
  imports: [
    BackupWarning,
    Button,
    ChoiceField,
    FormsModule,
    InputText,
    JobList,
    OnThisDevice,
    PlaceHeader,
    RouterLink,
    WhoCard,
  ],
  templateUrl: './jobs-page.html',
  styleUrl: './jobs-page.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class JobsPage {
  private readonly api = inject(JobsApi);
  private readonly router = inject(Router);
  private readonly photos = inject(PhotoSender);
  private readonly signed = inject(SignedIn);

  protected readonly mayDesign = this.signed.mayDesign;
  protected readonly seesAll = computed(() => this.signed.may('designer'));
  protected readonly isOwner = computed(() => this.signed.may('owner'));

  protected readonly health = toSignal(this.api.health().pipe(catchError(() => of(null))));
  protected readonly error = signal('');
  protected readonly name = signal('');
  protected readonly nameError = signal('');
  protected readonly system = signal<SupplySystem>('split-120-240');
  protected readonly supplyChoices = supplyChoices;

  protected create(): void {
    const name = this.name().trim();
    const checked = nameSchema(120).safeParse(name);
    this.nameError.set(checked.success ? '' : checked.error.issues[0]!.message);
    if (checked.success) this.open(this.api.create(newJob(name, this.system())));
  }

  protected importFile(event: Event): void {
    const file = pickedFile(event);
    if (!file) return;
    if (file.name.endsWith('.zip')) {
      this.open(this.importArchive(file));
      return;
    }
    if (file.size > maxFileBytes) {
      this.error.set(
        `${file.name} has ${Math.round(file.size / 1e6)} MB; a job file has at most ${maxFileBytes / 1e6} MB. Choose a file that ends in .levamen.json or .levamen.zip.`,
      );
      return;
    }
    this.open(
      from(file.text()).pipe(
        map((text) => this.parse(file.name, text)),
        switchMap((document) => this.import(file.name, document)),
      ),
    );
  }

  /** A job with its photos. They are kept on this device until the server has them. */
  private importArchive(file: File): Observable<SavedJob> {
    return from(import('../photos/job-archive')).pipe(
      switchMap(async ({ unpackJob }) => unpackJob(new Uint8Array(await file.arrayBuffer()))),
      catchError((error: unknown) => {
        this.error.set(
          `${file.name} cannot be imported: ${error instanceof Error ? error.message : 'unknown'}.`,
        );
        return EMPTY;
      }),
      switchMap(({ document, photos }) =>
        this.import(file.name, document).pipe(
          tap(({ id, document: job }) => {
            const named = new Set(job.photos.map(({ digest }) => digest));
            for (const [digest, bytes] of photos)
              if (named.has(digest))
                void this.photos.keep({
                  jobId: id,
                  digest,
                  bytes: new Blob([bytes], { type: 'image/jpeg' }),
                });
          }),
        ),
      ),
    );
  }

  private parse(name: string, text: string): unknown {
    try {
      return JSON.parse(text);
    } catch {
      this.error.set(`${name} is not JSON. Choose a file that ends in .levamen.json or .levamen.zip.`);
      return undefined;
    }
  }

  private import(name: string, document: unknown): Observable<SavedJob> {
    if (document === undefined) return EMPTY;
    const read = readJob(document);
    if (read.ok) return this.api.import(document);
    const { path, message } = read.problems[0]!;
    this.error.set(`${name} cannot be imported: ${message}${path === '' ? '' : ` (at ${path})`}`);
    return EMPTY;
  }

  private open(saved: Observable<SavedJob>): void {
    this.error.set('');
    saved
      .pipe(
        catchError((error: unknown) => {
          this.error.set(problemText(error));
          return EMPTY;
        }),
      )
      .subscribe(({ id }) => void this.router.navigate(['/jobs', id]));
  }
}

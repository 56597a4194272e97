import { HttpClient } from '@angular/common/http';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { type LogDocument, logDocumentSchema, maxDocumentBytes } from '@levamen/core/house';
import { firstValueFrom } from 'rxjs';
import { digestOf } from '../../data/digest-of';
import { JobSession } from '../../data/job-session';
import { problemText } from '../../data/jobs-api';
import { EntryList } from '../../ui/entry-list';
import { formsOf } from '../../ui/forms-of';
import { pickedFile } from '../../ui/picked-file';
import { LogbookState } from './logbook-state';

/** Documents of the house: where they are kept, and files that are kept with the job. */
@Component({
  selector: 'lv-documents-card',
  imports: [EntryList],
  template: `
    <section class="sheet" aria-labelledby="documents-heading">
      <h3 id="documents-heading">Documents</h3>
      <ul class="plain small">
        @for (one of kept(); track one.id) {
          <li>
            <a [href]="one.address" download>{{ one.name }}</a>
            <span class="soft">{{ one.size }}</span>
          </li>
        }
      </ul>
      <lv-entry-list
        addLabel="A document kept elsewhere"
        [rows]="rows()"
        [names]="names"
        (added)="add(null, 'A document')"
        (removed)="state.drop('documents', $event)"
      />
      <label class="file">
        <i class="pi pi-paperclip" aria-hidden="true"></i> A PDF file…
        <input type="file" accept="application/pdf,.pdf" (change)="take($event)" />
      </label>
      @if (says() !== '') {
        <p class="small problem" role="status">{{ says() }}</p>
      }
    </section>
  `,
  styleUrls: ['./cards.css', '../../ui/file-button.css'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DocumentsCard {
  protected readonly state = inject(LogbookState);
  private readonly session = inject(JobSession);
  private readonly http = inject(HttpClient);
  protected readonly names = ['name', 'on', 'where'] as const;
  protected readonly says = signal('');

  private readonly forms = formsOf<LogDocument>(
    logDocumentSchema.shape,
    computed(() => this.state.logbook().documents),
    (edit, label) =>
      this.state.change(`document: ${label}`, ({ documents }) => ({ documents: edit(documents) })),
  );
  protected readonly rows = computed(() =>
    this.forms().map(({ id, value, form }) => ({ id, form, label: value().name })),
  );
  protected readonly kept = computed(() =>
    this.state.logbook().documents.flatMap(({ id, name, file }) =>
      file
        ? [
            {
              id,
              name,
              address: this.addressOf(file.digest),
              size:
                file.bytes >= 1e6
                  ? `${(file.bytes / 1e6).toFixed(1)} MB`
                  : `${Math.ceil(file.bytes / 1000)} kB`,
            },
          ]
        : [],
    ),
  );

  protected add(file: LogDocument['file'], name: string): void {
    this.state.change('document', ({ documents }) => ({
      documents: [
        ...documents,
        { id: crypto.randomUUID(), name: name.slice(0, 160), on: this.state.today(), where: '', file },
      ],
    }));
  }

  protected async take(event: Event): Promise<void> {
    const file = pickedFile(event);
    if (!file) return;
    if (file.size > maxDocumentBytes) {
      this.says.set(
        `A document may have at most ${maxDocumentBytes / 1e6} MB; this one has ${(file.size / 1e6).toFixed(1)}.`,
      );
      return;
    }
    this.says.set('');
    try {
      const bytes = await file.arrayBuffer();
      const digest = await digestOf(new Uint8Array(bytes));
      const headers = { 'content-type': 'application/pdf' };
      await firstValueFrom(
        this.http.put(this.addressOf(digest), new Blob([bytes], { type: 'application/pdf' }), { headers }),
      );
      this.add({ digest, bytes: file.size }, file.name.replace(/\.pdf$/i, ''));
    } catch (error) {
      this.says.set(problemText(error));
    }
  }

  private addressOf(digest: string): string {
    return `/api/jobs/${this.session.id()}/documents/${digest}`;
  }
}

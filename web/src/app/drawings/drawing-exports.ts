import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { HttpClient } from '@angular/common/http';
import { type Drawing, drawingSvg, type PaperSize, paperSizes, withTitleBlock } from '@levamen/core/wiring';
import { Button } from 'primeng/button';
import { Select } from 'primeng/select';
import { JobSession } from '../data/job-session';
import { problemText } from '../data/jobs-api';
import { downloadBlob, fileStem } from '../ui/download';

const paperNames: Readonly<Record<PaperSize, string>> = {
  a4: 'A4',
  a3: 'A3',
  letter: 'Letter',
  tabloid: 'Tabloid',
};

/** The drawing leaves as a picture, a sheet, or for a CAD program. */
@Component({
  selector: 'lv-drawing-exports',
  imports: [Button, FormsModule, Select],
  template: `
    <div class="row" role="group" aria-label="Export the drawing">
      <p-button
        label="SVG"
        icon="pi pi-download"
        size="small"
        [text]="true"
        ariaLabel="Drawing as SVG"
        (onClick)="svg()"
      />
      <p-button
        label="DXF"
        icon="pi pi-download"
        size="small"
        [text]="true"
        ariaLabel="Drawing as DXF"
        (onClick)="dxf()"
      />
      <p-button
        label="PDF"
        icon="pi pi-download"
        size="small"
        [text]="true"
        ariaLabel="Drawing as PDF"
        (onClick)="pdf()"
      />
      <p-select
        ariaLabel="Paper of the PDF"
        optionLabel="label"
        optionValue="value"
        size="small"
        [options]="papers"
        [ngModel]="paper()"
        (ngModelChange)="paper.set($event)"
      />
    </div>
    @if (problem() !== '') {
      <p class="problem" role="alert">{{ problem() }}</p>
    }
  `,
  styles: `
    .row {
      display: flex;
      align-items: center;
      gap: 0.2rem;
    }
    .problem {
      color: var(--fails);
      font-weight: 600;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DrawingExports {
  readonly drawing = input.required<Drawing | null>();
  /** What it is a drawing of. */
  readonly name = input.required<string>();
  readonly scale = input('none');

  private readonly session = inject(JobSession);
  private readonly http = inject(HttpClient);

  protected readonly papers = paperSizes.map((value) => ({ value, label: paperNames[value] }));
  protected readonly paper = signal<PaperSize>('a3');
  protected readonly problem = signal('');

  private readonly title = computed(() => `${this.session.job()?.name ?? ''}, ${this.name()}`);
  /** With its title block. */
  private readonly sheet = computed((): Drawing | null => {
    const drawing = this.drawing();
    const job = this.session.job();
    if (!drawing || !job) return null;
    const { parties, site } = job;
    const design = job.designs.find(({ id }) => id === this.session.designId());
    return withTitleBlock(drawing, [
      ['Job', job.name],
      ['Design', job.designs.length > 1 ? (design?.name ?? '') : ''],
      ['Address', parties.address || site.place],
      ['Client', parties.client],
      ['Code', parties.codeEdition],
      ['Date', new Date().toISOString().slice(0, 10)],
      ['Scale', this.scale()],
      ['Caution', 'Not verified: local code and licensed people decide'],
    ]);
  });

  protected svg(): void {
    const sheet = this.sheet();
    if (sheet)
      downloadBlob(new Blob([drawingSvg(sheet)], { type: 'image/svg+xml' }), `${fileStem(this.title())}.svg`);
  }

  protected async dxf(): Promise<void> {
    const sheet = this.sheet();
    if (!sheet) return;
    // The writer is fetched when somebody asks for it.
    const { drawingDxf } = await import('./drawing-dxf');
    downloadBlob(new Blob([drawingDxf(sheet)], { type: 'image/vnd.dxf' }), `${fileStem(this.title())}.dxf`);
  }

  protected pdf(): void {
    const drawing = this.sheet();
    if (!drawing) return;
    const body = { title: this.title(), paper: this.paper(), drawing };
    this.http.post('/api/drawings/pdf', body, { responseType: 'blob' }).subscribe({
      next: (sheet) => {
        this.problem.set('');
        downloadBlob(sheet, `${fileStem(this.title())}.pdf`);
      },
      error: (error: unknown) => this.problem.set(problemText(error)),
    });
  }
}

import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  effect,
  type ElementRef,
  inject,
  input,
  signal,
  viewChild,
  viewChildren,
} from '@angular/core';
import type { OpenPdf, PdfPage } from './pdf-pages';

const usualWidthPx = 620;

/** The pages of a paper as pictures, with their words beside them for who does not see. */
@Component({
  selector: 'lv-paper-preview',
  template: `
    <div #pages class="pages" [class.older]="older()">
      @for (page of shown(); track page) {
        <figure>
          <canvas
            #canvas
            role="img"
            [attr.aria-label]="'Page ' + page.number + ' of ' + shown().length"
            [style.aspect-ratio]="page.widthPx + ' / ' + page.heightPx"
            [class.lies]="page.widthPx > page.heightPx"
          ></canvas>
          <figcaption class="visually-hidden">{{ page.text }}</figcaption>
        </figure>
      }
    </div>
    @if (problem() !== '') {
      <p class="problem" role="alert">{{ problem() }}</p>
    }
  `,
  styles: `
    .pages {
      display: grid;
      grid-template-columns: minmax(0, 1fr);
      justify-items: center;
      gap: 0.9rem;
      padding: 0.9rem;
      background: var(--rule);
      min-height: 20rem;
    }
    .older {
      opacity: 0.65;
    }
    figure {
      margin: 0;
      width: 100%;
      display: grid;
      justify-items: center;
    }
    canvas {
      width: min(100%, 40rem);
      height: auto;
      background: #fff;
      box-shadow: 0 1px 5px rgb(0 0 0 / 25%);
    }
    canvas.lies {
      width: min(100%, 52rem);
    }
    .problem {
      color: var(--fails);
      font-weight: 600;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PaperPreview {
  readonly file = input.required<Blob | null>();
  /** Another one is being made. */
  readonly older = input(false);
  protected readonly shown = signal<readonly PdfPage[]>([]);
  protected readonly problem = signal('');
  private readonly frame = viewChild.required<ElementRef<HTMLElement>>('pages');
  private readonly canvases = viewChildren<ElementRef<HTMLCanvasElement>>('canvas');
  private open: OpenPdf | null = null;

  constructor() {
    effect((onCleanup) => {
      const file = this.file();
      let wanted = true;
      onCleanup(() => (wanted = false));
      if (file) void this.show(file, () => wanted);
    });
    effect(() => {
      const canvases = this.canvases();
      this.shown().forEach((page, index) => {
        const canvas = canvases[index]?.nativeElement;
        // A page that was left while it was drawn needs no picture.
        if (canvas) page.draw(canvas).catch(() => undefined);
      });
    });
    inject(DestroyRef).onDestroy(() => this.open?.close());
  }

  private async show(file: Blob, isWanted: () => boolean): Promise<void> {
    try {
      // The reader is large, and only this needs it.
      const { openPdf } = await import('./pdf-pages');
      const width = Math.min(usualWidthPx, this.frame().nativeElement.clientWidth || usualWidthPx);
      const opened = await openPdf(file, width);
      if (!isWanted()) return opened.close();
      this.open?.close();
      this.open = opened;
      this.problem.set('');
      this.shown.set(opened.pages);
    } catch {
      if (isWanted())
        this.problem.set('The pages cannot be shown here. The file can be downloaded all the same.');
    }
  }
}

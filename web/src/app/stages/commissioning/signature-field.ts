import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  type ElementRef,
  inject,
  output,
  viewChild,
} from '@angular/core';
import type SignaturePad from 'signature_pad';

/** Points of a drawn line, in thousandths of the width. */
const whole = 1000;
const mostStrokes = 60;
const mostNumbers = 2000;

/** A field somebody signs in with a finger, a pen or a mouse; whoever cannot draw signs by name. */
@Component({
  selector: 'lv-signature-field',
  template: `<canvas
    #place
    width="600"
    height="200"
    role="img"
    aria-label="Sign here, with a finger, a pen or a mouse"
  ></canvas>`,
  styles: `
    canvas {
      width: 100%;
      aspect-ratio: 3;
      border: 1px solid var(--rule);
      border-radius: 4px;
      background: #fff;
      touch-action: none;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SignatureField {
  /** The lines that are drawn, x and y one after the other; null = nothing is. */
  readonly strokesChange = output<number[][] | null>();
  private readonly place = viewChild.required<ElementRef<HTMLCanvasElement>>('place');
  private pad: SignaturePad | null = null;

  constructor() {
    afterNextRender(() => void this.begin());
    inject(DestroyRef).onDestroy(() => this.pad?.off());
  }

  /** Wipes what is drawn. */
  clear(): void {
    this.pad?.clear();
    this.strokesChange.emit(null);
  }

  private async begin(): Promise<void> {
    const { default: Pad } = await import('signature_pad');
    const canvas = this.place().nativeElement;
    // As many dots as the screen shows of it.
    canvas.width = Math.max(300, Math.round(canvas.clientWidth));
    canvas.height = Math.round(canvas.width / 3);
    this.pad = new Pad(canvas, { penColor: '#26221c' });
    this.pad.addEventListener('endStroke', () => this.tell(canvas.width));
  }

  private tell(width: number): void {
    const groups = this.pad?.toData() ?? [];
    const part = (value: number): number => Math.max(0, Math.min(whole, Math.round((value / width) * whole)));
    const strokes = groups
      .slice(0, mostStrokes)
      .map(({ points }) => points.flatMap(({ x, y }) => [part(x), part(y)]).slice(0, mostNumbers));
    this.strokesChange.emit(strokes.length === 0 ? null : strokes);
  }
}

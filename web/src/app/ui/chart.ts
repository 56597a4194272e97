import type { ElementRef } from '@angular/core';
import {
  afterRenderEffect,
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  inject,
  input,
  viewChild,
} from '@angular/core';
import type { Chart as Engine, ChartOptions } from './chart-engine';

const redrawMs = 120;
const idleTimeoutMs = 1000;

/** A chart; the drawing library is fetched when the first one is shown. Give the numbers as a table beside it. */
@Component({
  selector: 'lv-chart',
  template: `<div #place role="img" [attr.aria-label]="label()"></div>`,
  styles: `
    :host,
    div {
      display: block;
      width: 100%;
      height: 100%;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ChartView {
  readonly options = input.required<ChartOptions>();
  readonly label = input.required<string>();
  private readonly place = viewChild.required<ElementRef<HTMLElement>>('place');
  private engine: Engine | null = null;
  private begun = false;
  private destroyed = false;
  private waiting: ReturnType<typeof setTimeout> | undefined;

  constructor() {
    afterRenderEffect(() => {
      const options = this.options();
      if (this.engine) this.drawSoon(options);
      else this.beginWhenIdle();
    });
    const watch = new ResizeObserver(() => this.engine?.resize());
    afterRenderEffect(() => watch.observe(this.place().nativeElement));
    inject(DestroyRef).onDestroy(() => {
      this.destroyed = true;
      clearTimeout(this.waiting);
      watch.disconnect();
      this.engine?.dispose();
    });
  }

  /** Figures and margins are drawn first; a chart that follows a moment later is early enough. */
  private drawSoon(options: ChartOptions): void {
    clearTimeout(this.waiting);
    this.waiting = setTimeout(() => this.engine?.setOption(options, { notMerge: true }), redrawMs);
  }

  /** The stage stands before the drawing library is asked for. */
  private beginWhenIdle(): void {
    if (this.begun) return;
    this.begun = true;
    const begin = (): void => void this.begin();
    if ('requestIdleCallback' in window) window.requestIdleCallback(begin, { timeout: idleTimeoutMs });
    else setTimeout(begin, redrawMs);
  }

  private async begin(): Promise<void> {
    const { makeChart } = await import('./chart-engine');
    if (this.destroyed) return;
    this.engine = makeChart(this.place().nativeElement);
    this.engine.setOption(this.options());
  }
}

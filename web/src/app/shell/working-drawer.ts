import type { ElementRef } from '@angular/core';
import {
  afterRenderEffect,
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  viewChild,
} from '@angular/core';
import { quantityText, sourceText, workingText } from '@levamen/core/base';
import { allowedOverloadShare } from '@levamen/core/study';
import { Button } from 'primeng/button';
import { EvaluationService } from '../data/evaluation';
import { MarginPicture } from '../power/margin-picture';
import { Quantity } from '../ui/quantity';
import { VerdictMark } from '../ui/verdict-mark';
import { Working } from './working';

/** Where a number comes from: formula, numbers put in, what it rests on, source, and what would change it. */
@Component({
  selector: 'lv-working-drawer',
  imports: [Button, MarginPicture, Quantity, VerdictMark],
  templateUrl: './working-drawer.html',
  styleUrl: './working-drawer.css',
  host: { '(keydown.escape)': 'working.close()' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WorkingDrawer {
  protected readonly working = inject(Working);
  private readonly evaluations = inject(EvaluationService);
  private readonly heading = viewChild<ElementRef<HTMLElement>>('heading');

  protected readonly units = this.evaluations.units;
  protected readonly margin = this.working.margin;
  protected readonly figure = this.working.figure;
  /** The chance beside the quantile: a demand that is hardly ever reached may still end an outage. */
  protected readonly cutShort = computed(() => {
    const value = this.margin()?.cutShortShare ?? null;
    return value === null ? null : { value, most: quantityText(allowedOverloadShare, 'share') };
  });
  protected readonly inputs = computed(() => Object.values(this.figure()?.inputs ?? {}));
  protected readonly inWords = computed(() => {
    const figure = this.figure();
    return figure ? workingText(figure, ({ label }) => label.toLowerCase()) : '';
  });
  protected readonly inNumbers = computed(() => {
    const figure = this.figure();
    return figure ? workingText(figure, ({ value, unit }) => quantityText(value, unit, this.units())) : '';
  });
  protected readonly source = computed(() => {
    const figure = this.figure();
    return figure ? sourceText(figure.source) : '';
  });
  protected readonly title = computed(() => this.margin()?.label ?? this.figure()?.label ?? '');

  constructor() {
    afterRenderEffect(() => {
      if (this.title() !== '') this.heading()?.nativeElement.focus();
    });
  }
}

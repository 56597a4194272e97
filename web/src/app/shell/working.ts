import { computed, inject, Injectable, signal } from '@angular/core';
import type { Figure } from '@levamen/core/base';
import type { Margin, MarginKey } from '@levamen/core/study';
import { EvaluationService } from '../data/evaluation';

/** What the working drawer shows: a margin, or a figure and the way that led to it. */
type Subject =
  { readonly kind: 'margin'; readonly key: MarginKey } | { readonly kind: 'figure'; readonly figure: Figure };

/** Opens and steers the working drawer. A margin that is open follows every edit. */
@Injectable()
export class Working {
  private readonly evaluations = inject(EvaluationService);
  private readonly subject = signal<Subject | null>(null);
  private readonly path = signal<readonly Figure[]>([]);
  private opener: HTMLElement | null = null;

  readonly isOpen = computed(() => this.subject() !== null);
  readonly margin = computed((): Margin | null => {
    const subject = this.subject();
    if (subject?.kind !== 'margin' || this.path().length > 0) return null;
    return this.evaluations.evaluation()?.margins.find(({ key }) => key === subject.key) ?? null;
  });
  readonly figure = computed((): Figure | null => {
    const subject = this.subject();
    return this.path().at(-1) ?? (subject?.kind === 'figure' ? subject.figure : null);
  });
  readonly canGoBack = computed(() => this.path().length > 0);

  openMargin(key: MarginKey): void {
    this.open({ kind: 'margin', key });
  }

  openFigure(figure: Figure): void {
    this.open({ kind: 'figure', figure });
  }

  /** Goes on to a figure that the open one rests on. */
  follow(figure: Figure): void {
    this.path.update((path) => [...path, figure]);
  }

  back(): void {
    this.path.update((path) => path.slice(0, -1));
  }

  /** Closes the drawer and gives the focus back to whatever opened it. */
  close(): void {
    this.subject.set(null);
    this.path.set([]);
    this.opener?.focus();
    this.opener = null;
  }

  private open(subject: Subject): void {
    if (!this.isOpen() && document.activeElement instanceof HTMLElement) this.opener = document.activeElement;
    this.path.set([]);
    this.subject.set(subject);
  }
}

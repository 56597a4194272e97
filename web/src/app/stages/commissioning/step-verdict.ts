import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { StepVerdict } from '@levamen/core/commissioning';

const marks: Readonly<Record<StepVerdict, { readonly word: string; readonly icon: string }>> = {
  open: { word: 'open', icon: 'pi pi-circle' },
  right: { word: 'right', icon: 'pi pi-check-circle' },
  off: { word: 'off', icon: 'pi pi-times-circle' },
};

/** How a step came out: a shape and a word, with a colour last. */
@Component({
  selector: 'lv-step-verdict',
  template: `<i [class]="mark().icon" aria-hidden="true"></i
    ><span [class.visually-hidden]="bare()">{{ mark().word }}</span>`,
  styles: `
    :host {
      display: inline-flex;
      align-items: center;
      gap: 0.28em;
      font-weight: 600;
      color: var(--ink-soft);
    }
    :host(.right) {
      color: var(--holds);
    }
    :host(.off) {
      color: var(--fails);
    }
  `,
  host: { '[class]': 'verdict()' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class StepVerdictMark {
  readonly verdict = input.required<StepVerdict>();
  /** The word is for those who do not see the shape. */
  readonly bare = input(false);
  protected readonly mark = computed(() => marks[this.verdict()]);
}

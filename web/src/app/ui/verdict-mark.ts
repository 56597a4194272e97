import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { Verdict } from '@levamen/core/study';

const marks: Readonly<Record<Verdict, { readonly word: string; readonly icon: string }>> = {
  holds: { word: 'holds', icon: 'pi pi-check-circle' },
  tight: { word: 'tight', icon: 'pi pi-exclamation-triangle' },
  fails: { word: 'fails', icon: 'pi pi-times-circle' },
  unknown: { word: 'not yet known', icon: 'pi pi-question-circle' },
};

/** What each verdict is called. */
export const verdictWords: Readonly<Record<Verdict, string>> = {
  holds: marks.holds.word,
  tight: marks.tight.word,
  fails: marks.fails.word,
  unknown: marks.unknown.word,
};

const beingSimulated = { word: 'simulating', icon: 'pi pi-hourglass' };

/** holds, tight, fails or not yet known: a word and a shape, with a colour last. What is rough decides nothing yet. */
@Component({
  selector: 'lv-verdict-mark',
  template: `<i [class]="mark().icon" aria-hidden="true"></i>{{ mark().word }}`,
  styles: `
    :host {
      display: inline-flex;
      align-items: center;
      gap: 0.28em;
      font-weight: 600;
      white-space: nowrap;
      color: var(--ink-soft);
    }
    :host(.holds) {
      color: var(--holds);
    }
    :host(.tight) {
      color: var(--tight);
    }
    :host(.fails) {
      color: var(--fails);
    }
    i {
      font-size: 0.95em;
    }
  `,
  host: { '[class]': "rough() ? 'unknown' : verdict()" },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class VerdictMark {
  readonly verdict = input.required<Verdict>();
  readonly rough = input(false);
  protected readonly mark = computed(() => (this.rough() ? beingSimulated : marks[this.verdict()]));
}

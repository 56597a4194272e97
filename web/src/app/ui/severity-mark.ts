import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { Severity } from '@levamen/core/base';
import { severityWords } from './severity-words';

/** How bad a finding is: a shape and a word, with a colour last. */
@Component({
  selector: 'lv-severity-mark',
  template: `<i [class]="words().icon" aria-hidden="true"></i> {{ words().word }}`,
  styles: `
    :host {
      font-weight: 600;
      font-size: 0.85rem;
      white-space: nowrap;
      color: var(--ink-soft);
    }
    :host(.stops),
    :host(.must-fix) {
      color: var(--fails);
    }
    :host(.fine) {
      color: var(--holds);
    }
    i {
      font-size: 0.85em;
    }
  `,
  host: { '[class]': 'severity()' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SeverityMark {
  readonly severity = input.required<Severity>();
  protected readonly words = computed(() => severityWords[this.severity()]);
}

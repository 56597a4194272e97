import { ChangeDetectionStrategy, Component, inject, input } from '@angular/core';
import type { Finding, Severity } from '@levamen/core/base';
import { PLACE_LOCALE } from './place-locale';
import { InWordsOf } from './in-words-of';

const severityWords: Readonly<Record<Severity, { readonly word: string; readonly icon: string }>> = {
  stops: { word: 'stops the job', icon: 'pi pi-ban' },
  'must-fix': { word: 'must be fixed', icon: 'pi pi-times-circle' },
  consider: { word: 'consider', icon: 'pi pi-info-circle' },
  fine: { word: 'fine', icon: 'pi pi-check-circle' },
};

/** What the checks found: how bad, because of what, and what would cure it. */
@Component({
  selector: 'lv-findings-list',
  imports: [InWordsOf],
  template: `
    <h2>{{ heading() }}</h2>
    <ul>
      @for (finding of findings(); track finding.key) {
        <li>
          <details>
            <summary>
              <span [class]="'severity ' + finding.severity">
                <i [class]="words[finding.severity].icon" aria-hidden="true"></i>
                {{ words[finding.severity].word }}
              </span>
              {{ finding.title | inWordsOf: locale() }}
            </summary>
            <p class="small">{{ finding.because | inWordsOf: locale() }}</p>
            @if (finding.cure !== '') {
              <p class="small">
                <b>{{ finding.severity === 'fine' ? 'Note:' : 'Cure:' }}</b>
                {{ finding.cure | inWordsOf: locale() }}
              </p>
            }
          </details>
        </li>
      } @empty {
        <li class="soft">Nothing to say.</li>
      }
    </ul>
  `,
  styles: `
    ul {
      list-style: none;
    }
    li {
      border-bottom: 1px solid var(--rule);
      padding: 0.3rem 0;
    }
    summary {
      cursor: pointer;
      font-size: 0.92rem;
    }
    .severity {
      font-weight: 600;
      font-size: 0.85rem;
      white-space: nowrap;
      color: var(--ink-soft);
    }
    .stops,
    .must-fix {
      color: var(--fails);
    }
    .fine {
      color: var(--holds);
    }
    i {
      font-size: 0.85em;
    }
    p {
      padding: 0.2rem 0 0 0.9rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FindingsList {
  readonly heading = input('Findings');
  readonly findings = input.required<readonly Finding[]>();
  protected readonly locale = inject(PLACE_LOCALE);
  protected readonly words = severityWords;
}

import { ChangeDetectionStrategy, Component, computed, inject, input, type OnInit } from '@angular/core';
import { backupSchema } from '@levamen/core/design';
import { quantityText } from '@levamen/core/base';
import type { Suggestion } from '@levamen/core/study/details';
import { Button } from 'primeng/button';
import { formOf } from '../../ui/form';
import { FormField } from '../../ui/form-field';
import { BackupEdits } from './backup-edits';
import { BackupSearch } from './backup-search';
import { laneFacts } from './lane-facts';

const words: Readonly<Record<Suggestion['binding'][number], string>> = {
  runtime: 'runtime',
  continuous: 'continuous power',
  starting: 'starting',
  legs: 'leg split',
  gap: 'transfer gap',
  daily: 'daily use',
  spaces: 'spaces of the new panel',
  controlled: 'number of controlled circuits',
};

/** The best backup set for the stack in use, beside the present one. */
@Component({
  selector: 'lv-suggestion-view',
  imports: [Button, FormField],
  template: `
    <h3>The best set for this stack</h3>
    <p class="small soft">
      Keeps every must, then of should and may as much as holds runtime, power, legs, starting, panel spaces
      and load control of {{ stack() }}.
    </p>
    <lv-form-field [of]="form" name="shouldWorth" />
    <p class="row">
      <p-button label="Suggest" size="small" [disabled]="search.busy()" (onClick)="ask()" />
      @if (search.busy()) {
        <span role="status" class="small">Searching…</span>
        <p-button label="Stop" size="small" [text]="true" (onClick)="search.cancel()" />
      }
    </p>
    @if (search.problem() !== '') {
      <p class="problem small" role="alert">{{ search.problem() }}</p>
    }
    @if (answer(); as answer) {
      @if (answer.isOutdated) {
        <p class="small outdated" role="status">Outdated: the job has changed since this was searched.</p>
      }
      @if (answer.value; as found) {
        <div role="status">
          @if (found.mustsBreak !== null) {
            <p>
              <b>The musts alone break {{ words[found.mustsBreak] }}.</b> Nothing else can be added; see Mend
              for the ways out.
            </p>
          } @else {
            <p>
              <b>It counts {{ found.worth }}</b
              >, the present set {{ found.presentWorth
              }}{{ presentHolds() ? '' : ', but that does not hold' }}.
              <span class="small">
                @if (found.reachedH !== null) {
                  Simulated: it reaches {{ hours(found.reachedH) }}.
                }
                @if (found.proven) {
                  No other set that holds counts more, as far as a search by mean days can tell.
                } @else {
                  The best found in the time; none can count more than {{ found.boundWorth }}.
                }
              </span>
            </p>
          }
        </div>
        @if (found.changes.length > 0) {
          <h4>Changes</h4>
          <ul>
            @for (change of changes(); track change.name) {
              <li>
                <span>{{ change.name }}</span> <span class="small">{{ change.text }}</span>
              </li>
            }
          </ul>
          <p-button
            label="Take it"
            size="small"
            [outlined]="true"
            [disabled]="answer.isOutdated"
            (onClick)="edits.take(found)"
          />
        } @else {
          <p>The present set is the best there is.</p>
        }
        @if (found.leftOut.length > 0) {
          <h4>Did not fit, most wanted first</h4>
          <ul>
            @for (left of leftOut(); track left.id) {
              <li>
                <span>{{ left.name }}</span> <span class="small">{{ left.why }}</span>
              </li>
            }
          </ul>
          @if (binding() !== '') {
            <p class="small">What binds: {{ binding() }}.</p>
          }
        }
      } @else {
        <p>There is no stack to suggest a set for.</p>
      }
    }
  `,
  styleUrl: './side.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SuggestionView implements OnInit {
  protected readonly search = inject(BackupSearch);
  protected readonly edits = inject(BackupEdits);
  readonly stack = input.required<string>();
  readonly shouldWorth = input.required<number>();
  readonly presentHolds = input.required<boolean>();

  protected readonly form = formOf<{ readonly shouldWorth: number }>(
    backupSchema.shape,
    computed(() => ({ shouldWorth: this.shouldWorth() })),
    ({ shouldWorth }) => {
      if (shouldWorth !== undefined) this.edits.setShouldWorth(shouldWorth);
    },
  );
  protected readonly words = words;
  protected readonly answer = this.search.suggestion;
  protected readonly changes = computed(() =>
    (this.answer()?.value?.changes ?? []).map(({ name, from, to }) => ({
      name,
      text:
        from === to
          ? 'shed for the whole outage'
          : `${laneFacts[from].title.toLowerCase()} → ${laneFacts[to].title.toLowerCase()}`,
    })),
  );
  protected readonly leftOut = computed(() =>
    (this.answer()?.value?.leftOut ?? []).map(({ id, name, breaks }) => ({
      id,
      name,
      why:
        breaks.length === 0 ? 'fits beside another choice only' : breaks.map((key) => words[key]).join(', '),
    })),
  );
  protected readonly binding = computed(() =>
    (this.answer()?.value?.binding ?? []).map((key) => words[key]).join(', then '),
  );

  protected readonly hours = (value: number): string => quantityText(value, 'h');

  ngOnInit(): void {
    if (this.search.suggestion()?.isOutdated !== false) this.ask();
  }

  protected ask(): void {
    void this.search.suggest();
  }
}

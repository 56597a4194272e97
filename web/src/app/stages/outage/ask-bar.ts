import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { Button } from 'primeng/button';
import type { Answered } from './answered';

/** Button, progress and stop of something that takes a while. */
@Component({
  selector: 'lv-ask-bar',
  imports: [Button],
  template: `
    <p-button
      size="small"
      [label]="label()"
      [disabled]="answer().share() !== null"
      (onClick)="answer().ask()"
    />
    @if (answer().share(); as share) {
      <progress max="1" [value]="share" [attr.aria-label]="label() + ': under way'"></progress>
    }
    @if (answer().share() !== null) {
      <span role="status" class="small">Playing outages…</span>
      <p-button label="Stop" size="small" [text]="true" (onClick)="answer().stop()" />
    }
    @if (answer().isOutdated()) {
      <span role="status" class="small outdated">Outdated: the job has changed since.</span>
    }
    @if (answer().problem() !== '') {
      <span class="problem small" role="alert">{{ answer().problem() }}</span>
    }
  `,
  styles: `
    :host {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 0.3rem 0.8rem;
    }
    progress {
      width: 9rem;
      accent-color: var(--accent);
    }
    .outdated {
      color: var(--tight);
      font-weight: 600;
    }
    .problem {
      color: var(--fails);
      font-weight: 600;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class AskBar {
  readonly label = input.required<string>();
  readonly answer = input.required<Answered<unknown>>();
}

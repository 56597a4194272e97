import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Button } from 'primeng/button';
import type { FormSending } from './form-sending';

/** A form that is sent as a whole: its fields, what is wrong with all of it, and the way to send it. */
@Component({
  selector: 'lv-sent-form',
  imports: [Button, FormsModule],
  template: `
    <form (ngSubmit)="sent.emit()">
      <ng-content />
      @if (sending().problem() !== '') {
        <p class="problem small" role="alert">{{ sending().problem() }}</p>
      }
      <ng-content select="[after]" />
      <p-button
        type="submit"
        [label]="action()"
        [size]="isMain() ? undefined : 'small'"
        [fluid]="isWide()"
        [loading]="sending().busy()"
      />
    </form>
  `,
  styles: `
    form {
      display: grid;
      gap: 0.8rem;
    }
    .problem {
      color: var(--fails);
      font-weight: 600;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SentForm {
  readonly sending = input.required<FormSending>();
  /** What sending it does, in a word or two. */
  readonly action = input.required<string>();
  /** It is what the page is there for. */
  readonly isMain = input(false);
  readonly isWide = input(false);
  readonly sent = output();
}

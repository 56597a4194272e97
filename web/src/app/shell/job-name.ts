import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { nameSchema } from '@levamen/core/base';
import { TypedText } from '../ui/typed-text';

/** The job's name, edited where it stands. */
@Component({
  selector: 'lv-job-name',
  imports: [FormsModule],
  template: `
    <input
      aria-label="Name of the job"
      [ngModel]="typed.text()"
      (ngModelChange)="typed.onTyped($event)"
      [attr.aria-invalid]="typed.error() !== '' || null"
      aria-describedby="job-name-error"
      (blur)="typed.commit()"
      (keydown.enter)="typed.commit()"
      (keydown.escape)="typed.reset()"
    />
    <span id="job-name-error" aria-live="polite">{{ typed.error() }}</span>
  `,
  styles: `
    :host {
      flex: 1 1 12rem;
      min-width: 0;
    }
    input {
      width: 100%;
      font-size: 1.2rem;
      font-weight: 650;
      border: 0;
      border-bottom: 1px solid transparent;
      background: none;
      text-overflow: ellipsis;
      padding: 0.1rem 0;
    }
    input:hover,
    input:focus {
      border-bottom-color: var(--rule-strong);
    }
    span {
      color: var(--fails);
      font-size: 0.82rem;
      font-weight: 600;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class JobName {
  readonly name = input.required<string>();
  readonly nameChange = output<string>();
  private readonly schema = nameSchema(120);
  protected readonly typed = new TypedText(
    this.name,
    () => this.schema,
    (name) => this.nameChange.emit(name),
  );
}

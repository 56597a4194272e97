import {
  ChangeDetectionStrategy,
  Component,
  inject,
  input,
  linkedSignal,
  output,
  signal,
} from '@angular/core';
import { FormsModule } from '@angular/forms';
import { nameSchema } from '@levamen/core';
import { Typing } from '../ui/typing';

/** The job's name, edited where it stands. */
@Component({
  selector: 'lv-job-name',
  imports: [FormsModule],
  template: `
    <input
      aria-label="Name of the job"
      [ngModel]="text()"
      (ngModelChange)="onTyped($event)"
      [attr.aria-invalid]="error() !== '' || null"
      aria-describedby="job-name-error"
      (blur)="commit()"
      (keydown.enter)="commit()"
      (keydown.escape)="reset()"
    />
    <span id="job-name-error" aria-live="polite">{{ error() }}</span>
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
  private readonly typing = inject(Typing);
  protected readonly text = linkedSignal<string, string>({
    source: this.name,
    computation: (name, before) => (before?.value.trim() === name ? before.value : name),
  });
  protected readonly error = signal('');
  private readonly schema = nameSchema(120);

  protected onTyped(text: string): void {
    this.text.set(text);
    const typed = text.trim();
    if (this.schema.safeParse(typed).success && typed !== this.name())
      this.typing.during(() => this.nameChange.emit(typed));
  }

  protected commit(): void {
    this.typing.pause();
    const typed = this.text().trim();
    const checked = this.schema.safeParse(typed);
    this.error.set(checked.success ? '' : checked.error.issues[0]!.message);
    if (checked.success && typed !== this.name()) this.nameChange.emit(typed);
  }

  protected reset(): void {
    this.text.set(this.name());
    this.error.set('');
  }
}

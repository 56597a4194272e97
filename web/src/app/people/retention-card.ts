import { ChangeDetectionStrategy, Component, inject, input, linkedSignal, signal } from '@angular/core';
import { type Retention, retentionSchema } from '@levamen/core/api';
import { EntryField } from './entry-field';
import { FormSending } from './form-sending';
import { PeopleApi } from './people-api';
import { SentForm } from './sent-form';

/** Empty = for good; what is no number is refused where it stands. */
const daysOf = (text: string): number | null => (text.trim() === '' ? null : Number(text));

/** How long the company keeps deleted jobs and its log. */
@Component({
  selector: 'lv-retention-card',
  imports: [EntryField, SentForm],
  template: `
    <section class="sheet" aria-labelledby="retention-heading">
      <h2 id="retention-heading">How long things are kept</h2>
      <p class="small soft">What is removed so is gone for good, jobs with their whole history.</p>
      <lv-sent-form [sending]="sending" action="Keep it so" (sent)="send()">
        <lv-entry-field
          label="Days a deleted job lies in the bin"
          name="binDays"
          hint="empty = for good"
          [(value)]="binDays"
          [problem]="sending.at('binDays')"
        />
        <lv-entry-field
          label="Days the log is kept"
          name="logDays"
          hint="empty = for good; at least 30"
          [(value)]="logDays"
          [problem]="sending.at('logDays')"
        />
        @if (done()) {
          <p after class="small" role="status">It is kept so from now on.</p>
        }
      </lv-sent-form>
    </section>
  `,
  styles: `
    .sheet {
      display: grid;
      gap: 0.7rem;
      padding: 1rem 1.1rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RetentionCard {
  private readonly api = inject(PeopleApi);
  readonly retention = input.required<Retention>();
  protected readonly sending = new FormSending();
  protected readonly done = signal(false);
  protected readonly binDays = linkedSignal(() => String(this.retention().binDays ?? ''));
  protected readonly logDays = linkedSignal(() => String(this.retention().logDays ?? ''));

  protected async send(): Promise<void> {
    this.done.set(false);
    const entered = { binDays: daysOf(this.binDays()), logDays: daysOf(this.logDays()) };
    this.done.set(await this.sending.send(retentionSchema, entered, (asked) => this.api.keepFor(asked)));
  }
}

import { ChangeDetectionStrategy, Component, inject, output, signal } from '@angular/core';
import { companyRequestSchema, type InvitationLink } from '@levamen/core/api';
import { tap } from 'rxjs';
import { EntryField } from './entry-field';
import { FormSending } from './form-sending';
import { PeopleApi } from './people-api';
import { SentForm } from './sent-form';

/** Another company of the same installation: it sees nothing of this one, nor this one of it. */
@Component({
  selector: 'lv-found-company',
  imports: [EntryField, SentForm],
  template: `
    <section class="sheet" aria-labelledby="found-heading">
      <h2 id="found-heading">Another company on this installation</h2>
      <p class="small soft">
        It has jobs, equipment and people of its own; neither sees anything of the other.
      </p>
      <lv-sent-form [sending]="sending" action="Found it" (sent)="send()">
        <lv-entry-field
          label="Name of the company"
          name="company-name"
          [(value)]="name"
          [problem]="sending.at('name')"
        />
        <lv-entry-field
          label="Mail address of its owner"
          name="company-email"
          type="email"
          [(value)]="email"
          [problem]="sending.at('email')"
        />
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
export class FoundCompany {
  private readonly api = inject(PeopleApi);
  protected readonly sending = new FormSending();
  protected readonly name = signal('');
  protected readonly email = signal('');
  /** Its owner joins by this. */
  readonly made = output<{ readonly link: InvitationLink; readonly email: string }>();

  protected async send(): Promise<void> {
    const entered = { name: this.name(), email: this.email() };
    const taken = await this.sending.send(companyRequestSchema, entered, (asked) =>
      this.api.found(asked).pipe(tap((link) => this.made.emit({ link, email: asked.email }))),
    );
    if (!taken) return;
    this.name.set('');
    this.email.set('');
  }
}

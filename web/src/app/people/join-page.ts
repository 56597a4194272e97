import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { Router } from '@angular/router';
import { acceptRequestSchema, roleNames, roleWords } from '@levamen/core/api';
import { catchError, map, of, switchMap } from 'rxjs';
import { problemText } from '../data/jobs-api';
import { EntryField } from './entry-field';
import { EntryPage } from './entry-page';
import { FormSending } from './form-sending';
import { passwordHint } from './password-hint';
import { PeopleApi } from './people-api';
import { SentForm } from './sent-form';
import { SignedIn } from './session';

/** Where a link of an invitation leads, or one that sets a password anew. */
@Component({
  selector: 'lv-join-page',
  imports: [EntryField, EntryPage, SentForm],
  template: `
    <lv-entry-page [heading]="title()">
      @if (found()?.problem; as problem) {
        <p class="problem" role="alert">{{ problem }}</p>
      }
      @if (invited(); as invited) {
        <p class="small">{{ words() }}</p>
        <lv-sent-form [sending]="sending" [action]="action()" [isMain]="true" [isWide]="true" (sent)="send()">
          @if (asksName()) {
            <lv-entry-field
              label="Your name"
              name="name"
              autocomplete="name"
              [(value)]="name"
              [problem]="sending.at('name')"
            />
          }
          <lv-entry-field
            [label]="isNew() ? 'New password' : 'Your password'"
            name="password"
            type="password"
            [autocomplete]="isNew() ? 'new-password' : 'current-password'"
            [hint]="isNew() ? hint : ''"
            [(value)]="password"
            [problem]="sending.at('password')"
          />
        </lv-sent-form>
      }
    </lv-entry-page>
  `,
  styles: `
    .problem {
      color: var(--fails);
      font-weight: 600;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class JoinPage {
  private readonly api = inject(PeopleApi);
  private readonly signed = inject(SignedIn);
  private readonly router = inject(Router);
  /** Of the address. */
  readonly link = input.required<string>();

  protected readonly sending = new FormSending();
  protected readonly name = signal('');
  protected readonly password = signal('');
  protected readonly hint = passwordHint;
  protected readonly found = toSignal(
    toObservable(this.link).pipe(
      switchMap((link) =>
        this.api.invited(link).pipe(
          map((invited) => ({ invited, problem: '' })),
          catchError((error: unknown) => of({ invited: null, problem: problemText(error) })),
        ),
      ),
    ),
  );
  protected readonly invited = computed(() => this.found()?.invited ?? null);
  private readonly isReset = computed(() => this.invited()?.kind === 'reset');
  /** A password is chosen, not asked for. */
  protected readonly isNew = computed(() => this.isReset() || this.invited()?.hasAccount === false);
  protected readonly asksName = computed(() => !this.isReset() && this.invited()?.hasAccount === false);
  protected readonly title = computed(() => {
    const invited = this.invited();
    if (!invited) return 'Levamen';
    return this.isReset() ? 'A new password' : `Join ${invited.company}`;
  });
  protected readonly action = computed(() => (this.isReset() ? 'Set it' : 'Join'));
  protected readonly words = computed(() => {
    const invited = this.invited();
    if (!invited) return '';
    const { email, role, hasAccount } = invited;
    if (this.isReset()) return `For ${email}. Every session of this account ends.`;
    const as = `${email} joins as ${roleNames[role].toLowerCase()}: ${roleWords[role]}.`;
    return hasAccount ? `${as} There is an account already: enter its password.` : as;
  });

  protected async send(): Promise<void> {
    const entered = { ...(this.asksName() ? { name: this.name() } : {}), password: this.password() };
    const taken = await this.sending.send(acceptRequestSchema, entered, (asked) =>
      this.api.join(this.link(), asked),
    );
    if (!taken) return;
    await this.signed.load();
    await this.router.navigateByUrl('/jobs');
  }
}

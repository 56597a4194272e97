import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { Router } from '@angular/router';
import { forgottenRequestSchema, setupRequestSchema, signInRequestSchema } from '@levamen/core/api';
import { Button } from 'primeng/button';
import { EntryField } from './entry-field';
import { EntryPage } from './entry-page';
import { FormSending } from './form-sending';
import { passwordHint } from './password-hint';
import { PeopleApi } from './people-api';
import { SentForm } from './sent-form';
import { SignedIn } from './session';

/** Signing in; and, where nobody has an account yet, entering the owner. */
@Component({
  selector: 'lv-sign-in-page',
  imports: [Button, EntryField, EntryPage, SentForm],
  template: `
    <lv-entry-page [heading]="isFirst() ? 'Welcome to Levamen' : 'Sign in to Levamen'">
      @if (isFirst()) {
        <p class="small">
          Nobody has an account here yet. The first one owns what is kept on this machine, and invites the
          others.
        </p>
      }
      <lv-sent-form
        [sending]="sending"
        [action]="isFirst() ? 'Begin' : 'Sign in'"
        [isMain]="true"
        [isWide]="true"
        (sent)="send()"
      >
        @if (isFirst()) {
          <lv-entry-field
            label="Company"
            name="company"
            autocomplete="organization"
            [(value)]="company"
            [problem]="sending.at('company')"
          />
          <lv-entry-field
            label="Your name"
            name="name"
            autocomplete="name"
            [(value)]="name"
            [problem]="sending.at('name')"
          />
        }
        <lv-entry-field
          label="Mail address"
          name="email"
          type="email"
          autocomplete="username"
          [(value)]="email"
          [problem]="sending.at('email')"
        />
        <lv-entry-field
          label="Password"
          name="password"
          type="password"
          [autocomplete]="isFirst() ? 'new-password' : 'current-password'"
          [hint]="isFirst() ? hint : ''"
          [(value)]="password"
          [problem]="sending.at('password')"
        />
        @if (sending.at('code') !== '') {
          <lv-entry-field
            label="Code"
            name="code"
            autocomplete="one-time-code"
            [(value)]="code"
            [problem]="sending.at('code')"
          />
        }
      </lv-sent-form>
      @if (!isFirst()) {
        <p class="small soft">
          @if (hasMail()) {
            Forgotten? Enter your mail address, and a letter brings a link that sets the password anew.
          } @else {
            Forgotten? The owner of your company makes a link that sets the password anew.
          }
          What you entered on this device is kept, and sent once you have signed in.
        </p>
        @if (hasMail()) {
          <p-button label="Send me the letter" size="small" [text]="true" (onClick)="askForLetter()" />
          @if (letter() !== '') {
            <p class="small" role="status">{{ letter() }}</p>
          }
        }
      }
    </lv-entry-page>
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SignInPage {
  private readonly api = inject(PeopleApi);
  private readonly signed = inject(SignedIn);
  private readonly router = inject(Router);
  /** Where somebody came from. */
  readonly back = input('');

  protected readonly sending = new FormSending();
  protected readonly company = signal('');
  protected readonly name = signal('');
  protected readonly email = signal('');
  protected readonly password = signal('');
  /** Of the second factor, where there is one: asked for once the password was right. */
  protected readonly code = signal('');
  protected readonly hint = passwordHint;
  protected readonly isFirst = computed(() => this.signed.session()?.state === 'setup');

  /** Letters are sent by this installation. */
  protected readonly hasMail = computed(() => {
    const session = this.signed.session();
    return session?.state === 'signed-out' && session.mail;
  });
  /** What is said of a letter that was asked for; '' = none was. */
  protected readonly letter = signal('');

  constructor() {
    void this.signed.load().then((session) => {
      if (session?.state === 'signed-in') void this.goOn();
    });
  }

  protected async askForLetter(): Promise<void> {
    this.letter.set('');
    const email = this.email();
    const isAsked = await this.sending.send(forgottenRequestSchema, { email }, (asked) =>
      this.api.forgotten(asked),
    );
    if (isAsked)
      this.letter.set(`If ${email} has an account here, the letter is on its way. It is good for a day.`);
  }

  protected async send(): Promise<void> {
    const [company, name, email, password] = [this.company(), this.name(), this.email(), this.password()];
    const isIn = this.isFirst()
      ? await this.sending.send(setupRequestSchema, { company, name, email, password }, (asked) =>
          this.api.setUp(asked),
        )
      : await this.sending.send(
          signInRequestSchema,
          { email, password, ...(this.code() === '' ? {} : { code: this.code() }) },
          (asked) => this.api.signIn(asked),
        );
    if (!isIn) return;
    this.password.set('');
    this.code.set('');
    await this.signed.load();
    await this.goOn();
  }

  /** Only to a place of this program. */
  private async goOn(): Promise<void> {
    const back = this.back();
    await this.router.navigateByUrl(/^\/(?!\/|sign-in|join)/.test(back) ? back : '/jobs');
  }
}

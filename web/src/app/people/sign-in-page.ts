import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Router } from '@angular/router';
import { leastPasswordLength, setupRequestSchema, signInRequestSchema } from '@levamen/core/api';
import { Button } from 'primeng/button';
import { EntryField } from './entry-field';
import { FormSending } from './form-sending';
import { PeopleApi } from './people-api';
import { SignedIn } from './session';

/** Signing in; and, where nobody has an account yet, entering the owner. */
@Component({
  selector: 'lv-sign-in-page',
  imports: [Button, EntryField, FormsModule],
  template: `
    <main class="sheet">
      <div class="title">
        <img src="mark.svg" alt="" width="30" height="30" />
        <h1>{{ isFirst() ? 'Welcome to Levamen' : 'Sign in to Levamen' }}</h1>
      </div>
      @if (isFirst()) {
        <p class="small">
          Nobody has an account here yet. The first one owns what is kept on this machine, and invites the
          others.
        </p>
      }
      <form (ngSubmit)="send()">
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
        @if (sending.problem() !== '') {
          <p class="problem small" role="alert">{{ sending.problem() }}</p>
        }
        <p-button
          type="submit"
          [label]="isFirst() ? 'Begin' : 'Sign in'"
          [loading]="sending.busy()"
          [fluid]="true"
        />
      </form>
      @if (!isFirst()) {
        <p class="small soft">
          Forgotten? The owner of your company makes a link that sets the password anew. What you entered on
          this device is kept, and sent once you have signed in.
        </p>
      }
    </main>
  `,
  styleUrl: './entry-page.css',
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
  protected readonly hint = `At least ${leastPasswordLength} characters: several words that have nothing to do with each other.`;
  protected readonly isFirst = computed(() => this.signed.session()?.state === 'setup');

  constructor() {
    void this.signed.load().then((session) => {
      if (session?.state === 'signed-in') void this.goOn();
    });
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

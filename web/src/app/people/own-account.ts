import { DatePipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { passwordChangeSchema } from '@levamen/core/api';
import { Button } from 'primeng/button';
import { catchError, EMPTY, of, startWith, Subject, switchMap } from 'rxjs';
import { downloadJson, fileStem } from '../ui/download';
import { EntryField } from './entry-field';
import { FormSending } from './form-sending';
import { PeopleApi } from './people-api';
import { SentForm } from './sent-form';
import { SecondFactorCard } from './second-factor-card';
import { SignedIn } from './session';

/** One's own account: where one has signed in, and another password. */
@Component({
  selector: 'lv-own-account',
  imports: [Button, DatePipe, EntryField, SecondFactorCard, SentForm],
  template: `
    <section class="sheet" aria-labelledby="own-heading">
      <h2 id="own-heading">Your account</h2>
      <p class="small">{{ signed.who()?.name }}, {{ signed.who()?.email }}</p>
      <ul>
        @for (one of sessions() ?? []; track one.id) {
          <li class="small">
            {{ one.device || 'a device without a name' }}, since {{ one.signedInAt | date: 'medium' }}
            @if (one.isThis) {
              <b>this one</b>
            }
          </li>
        }
      </ul>
      @if ((sessions() ?? []).length > 1) {
        <p-button label="Sign out everywhere else" size="small" [text]="true" (onClick)="endOthers()" />
      }
      <p-button
        label="Everything that is kept of you, as a file"
        size="small"
        [text]="true"
        (onClick)="giveOut()"
      />
      <lv-second-factor-card />
      <h3>Another password</h3>
      <lv-sent-form [sending]="sending" action="Change it" (sent)="change()">
        <lv-entry-field
          label="Password you have now"
          name="before"
          type="password"
          autocomplete="current-password"
          [(value)]="before"
          [problem]="sending.at('before')"
        />
        <lv-entry-field
          label="New password"
          name="password"
          type="password"
          autocomplete="new-password"
          [(value)]="password"
          [problem]="sending.at('password')"
        />
        @if (done()) {
          <p after class="small" role="status">Changed. Every other session has ended.</p>
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
    ul {
      padding-inline-start: 1.1rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class OwnAccount {
  private readonly api = inject(PeopleApi);
  protected readonly signed = inject(SignedIn);
  private readonly again = new Subject<void>();
  protected readonly sending = new FormSending();
  protected readonly before = signal('');
  protected readonly password = signal('');
  protected readonly done = signal(false);
  protected readonly sessions = toSignal(
    this.again.pipe(
      startWith(undefined),
      switchMap(() => this.api.sessions().pipe(catchError(() => of([])))),
    ),
  );

  protected async change(): Promise<void> {
    this.done.set(false);
    const entered = { before: this.before(), password: this.password() };
    if (!(await this.sending.send(passwordChangeSchema, entered, (asked) => this.api.changePassword(asked))))
      return;
    this.before.set('');
    this.password.set('');
    this.done.set(true);
    this.again.next();
  }

  protected giveOut(): void {
    this.api
      .dataOf(null)
      .pipe(catchError(() => EMPTY))
      .subscribe((data) => downloadJson(data, `${fileStem(data.name)}-data.json`));
  }

  protected endOthers(): void {
    this.api
      .endOthers()
      .pipe(catchError(() => of(null)))
      .subscribe(() => this.again.next());
  }
}

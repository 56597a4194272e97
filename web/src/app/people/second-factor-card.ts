import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { type FactorOffer, factorConfirmSchema, factorRemoveSchema } from '@levamen/core/api';
import { Button } from 'primeng/button';
import { firstValueFrom, tap } from 'rxjs';
import { EntryField } from './entry-field';
import { FormSending } from './form-sending';
import { PeopleApi } from './people-api';
import { SentForm } from './sent-form';
import { SignedIn } from './session';

/** A second factor beside the password: added by a code of an authenticator, removed by the password. */
@Component({
  selector: 'lv-second-factor-card',
  imports: [Button, EntryField, SentForm],
  template: `
    <h3>Second factor</h3>
    @if (codes(); as codes) {
      <p class="small" role="status">
        It is added. Keep these recovery codes where the telephone is not; each is good once, and they are
        shown this once:
      </p>
      <p class="figure codes" data-recovery>{{ codes.join('  ') }}</p>
    }
    @if (signed.who()?.secondFactor) {
      <p class="small">Signing in asks for a code of your authenticator.</p>
      <lv-sent-form [sending]="sending" action="Remove it" (sent)="remove()">
        <lv-entry-field
          label="Password, to remove it"
          name="factor-password"
          type="password"
          autocomplete="current-password"
          [(value)]="password"
          [problem]="sending.at('password')"
        />
      </lv-sent-form>
    } @else {
      @if (signed.who()?.mustAddFactor) {
        <p class="problem small" role="alert">
          Your company asks for one: until it is added, nothing else opens.
        </p>
      }
      @if (offer(); as offer) {
        @if (picture(); as picture) {
          <img
            class="key"
            [src]="picture"
            width="168"
            height="168"
            alt="The key as a picture to be read by a camera"
          />
        }
        <p class="small">
          Read the picture with, or enter this key in, an authenticator of your telephone (by the clock, six
          digits), or
          <a [href]="offer.uri">open it there</a>; then enter the code it shows.
        </p>
        <p class="figure codes" data-factor-key>{{ offer.secret }}</p>
        <lv-sent-form [sending]="sending" action="Add it" (sent)="confirm()">
          <lv-entry-field
            label="Code it shows"
            name="factor-code"
            autocomplete="one-time-code"
            [(value)]="code"
            [problem]="sending.at('code')"
          />
        </lv-sent-form>
      } @else {
        <p class="small soft">
          A code of your telephone beside the password: who has one of the two is not in.
        </p>
        <p-button label="Add a second factor" size="small" [text]="true" (onClick)="ask()" />
      }
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 0.6rem;
    }
    .key {
      border: 1px solid var(--rule);
    }
    .codes {
      overflow-wrap: anywhere;
      user-select: all;
    }
    .problem {
      color: var(--fails);
      font-weight: 600;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SecondFactorCard {
  private readonly api = inject(PeopleApi);
  protected readonly signed = inject(SignedIn);
  protected readonly sending = new FormSending();
  protected readonly offer = signal<FactorOffer | null>(null);
  /** The key as a QR code. */
  protected readonly picture = signal('');
  protected readonly code = signal('');
  protected readonly password = signal('');
  protected readonly codes = signal<readonly string[] | null>(null);

  protected async ask(): Promise<void> {
    const offer = await firstValueFrom(this.api.offerFactor()).catch(() => null);
    this.picture.set('');
    this.offer.set(offer);
    if (!offer) return;
    const { default: codes } = await import('qrcode');
    this.picture.set(await codes.toDataURL(offer.uri, { margin: 2, width: 336 }));
  }

  protected async confirm(): Promise<void> {
    const taken = await this.sending.send(factorConfirmSchema, { code: this.code() }, ({ code }) =>
      this.api.addFactor(code).pipe(tap((codes) => this.codes.set(codes))),
    );
    if (!taken) return;
    this.offer.set(null);
    this.code.set('');
    await this.signed.load();
  }

  protected async remove(): Promise<void> {
    const taken = await this.sending.send(factorRemoveSchema, { password: this.password() }, ({ password }) =>
      this.api.removeFactor(password),
    );
    if (!taken) return;
    this.password.set('');
    this.codes.set(null);
    await this.signed.load();
  }
}

import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import { whoSchema } from '@levamen/core/api';
import { SignOut } from '../people/sign-out';
import { SignedIn } from '../people/session';
import { Identity } from '../data/identity';
import { TextField } from '../ui/text-field';

/** Who works on this device, as revisions will say. */
@Component({
  selector: 'lv-who-card',
  imports: [RouterLink, SignOut, TextField],
  template: `
    <section class="sheet" aria-labelledby="who-heading">
      <h2 id="who-heading">Who works here</h2>
      <p class="small soft">Written beside what you save, so that others know whom to ask.</p>
      @if (!isSignedIn()) {
        <lv-text-field
          label="Your name"
          [schema]="shape.actor"
          [value]="identity.who().actor"
          (valueChange)="identity.set({ actor: $event })"
        />
      }
      <lv-text-field
        label="This device"
        [schema]="shape.device"
        [value]="identity.who().device"
        (valueChange)="identity.set({ device: $event })"
      />
      <p class="ways small">
        <a routerLink="/people">People, and what each may do</a>
        @if (isSignedIn()) {
          <lv-sign-out />
        }
      </p>
    </section>
  `,
  styles: `
    .sheet {
      padding: 1rem 1.1rem;
      display: grid;
      gap: 0.5rem;
    }
    .ways {
      display: flex;
      justify-content: space-between;
      align-items: center;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WhoCard {
  protected readonly identity = inject(Identity);
  private readonly signed = inject(SignedIn);
  /** Then the account names him. */
  protected readonly isSignedIn = computed(() => this.signed.who()?.automatic === false);
  protected readonly shape = whoSchema.shape;
}

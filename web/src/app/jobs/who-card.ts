import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { whoSchema } from '@levamen/core/api';
import { SignedIn } from '../people/session';
import { Identity } from '../data/identity';
import { TextField } from '../ui/text-field';

/** Who works on this device, as revisions will say. */
@Component({
  selector: 'lv-who-card',
  imports: [TextField],
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
    </section>
  `,
  styles: `
    .sheet {
      padding: 1rem 1.1rem;
      display: grid;
      gap: 0.5rem;
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

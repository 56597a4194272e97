import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { roleNames } from '@levamen/core/api';
import { CompanyChoice } from './company-choice';
import { SignedIn } from './session';
import { SignOut } from './sign-out';

/** Who has signed in, and the way out; in the demo, that nobody had to. */
@Component({
  selector: 'lv-who-is-in',
  imports: [CompanyChoice, SignOut],
  template: `
    @if (who(); as who) {
      @if (who.automatic) {
        <span class="small soft" data-who>signed in by itself, on this machine</span>
      } @else {
        <span class="small" data-who
          ><b>{{ who.name }}</b
          >, {{ role() }} at {{ who.workspace.name }}</span
        >
        @if (who.workspaces.length > 1) {
          <lv-company-choice />
        }
        @if (hasWayOut()) {
          <lv-sign-out />
        }
      }
    }
  `,
  styles: `
    :host {
      display: flex;
      align-items: center;
      gap: 0.3rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WhoIsIn {
  private readonly signed = inject(SignedIn);
  /** False where the way out is elsewhere on the page. */
  readonly hasWayOut = input(true);
  protected readonly who = this.signed.who;
  protected readonly role = computed(() => {
    const who = this.who();
    return who ? roleNames[who.workspace.role].toLowerCase() : '';
  });
}

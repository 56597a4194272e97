import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { InvitationLink } from '@levamen/core/api';

/** A link that was made just now: it went out by mail, or is shown this once. */
export interface GivenLink {
  readonly link: InvitationLink;
  readonly email: string;
}

/** Says where a new link went, or shows it. */
@Component({
  selector: 'lv-given-link',
  template: `
    <p class="small" role="status">
      @if (address(); as address) {
        @if (given().link.mail === 'failed') {
          <b>The letter could not be sent: the mail server did not take it.</b>
        }
        Give this to {{ given().email }}; it is shown this once, and good once:
        <code class="link" data-link>{{ address }}</code>
      } @else {
        A letter with the link went to {{ given().email }}.
      }
    </p>
  `,
  styles: `
    .link {
      display: block;
      overflow-wrap: anywhere;
      user-select: all;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class GivenLinkText {
  readonly given = input.required<GivenLink>();
  protected readonly address = computed(() => {
    const { path } = this.given().link;
    return path === null ? '' : new URL(path, location.origin).href;
  });
}

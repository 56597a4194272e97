import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { RouterLink } from '@angular/router';

/** What a view will show once there are loads, and the ways to get there. */
@Component({
  selector: 'lv-nothing-yet',
  imports: [RouterLink],
  template: `
    <section class="sheet" [attr.aria-label]="heading()">
      <h2>{{ heading() }}</h2>
      <p><ng-content /></p>
      <p class="ways">
        <a routerLink="../loads" class="first">List the loads</a>
        <a routerLink="../panels">Read off the panels</a>
        <a routerLink="../usage">Begin with twelve bills</a>
      </p>
    </section>
  `,
  styles: `
    .sheet {
      max-width: 44rem;
      margin: 2rem auto;
      padding: 1.6rem 1.8rem;
      display: grid;
      gap: 0.9rem;
    }
    .ways {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 0.6rem 1.2rem;
    }
    .first {
      background: var(--accent);
      color: var(--sheet-raised);
      padding: 0.45rem 0.9rem;
      text-decoration: none;
      font-weight: 600;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class NothingYet {
  readonly heading = input.required<string>();
}

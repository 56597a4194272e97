import { ChangeDetectionStrategy, Component, input } from '@angular/core';

/** A page before the program: one sheet under its mark. */
@Component({
  selector: 'lv-entry-page',
  template: `
    <main class="sheet">
      <div class="title">
        <img src="mark.svg" alt="" width="30" height="30" />
        <h1>{{ heading() }}</h1>
      </div>
      <ng-content />
    </main>
  `,
  styleUrl: './entry-page.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class EntryPage {
  readonly heading = input.required<string>();
}

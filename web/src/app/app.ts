import { afterNextRender, ChangeDetectionStrategy, Component, inject, Injector } from '@angular/core';
import { RouterOutlet } from '@angular/router';
import { Appearance } from './data/appearance';
import { NewVersionBar } from './field/new-version-bar';

@Component({
  selector: 'lv-root',
  imports: [NewVersionBar, RouterOutlet],
  template: `<lv-new-version-bar /><router-outlet />`,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class App {
  /** Created here so that the scheme applies on every page. */
  protected readonly appearance = inject(Appearance);

  constructor() {
    const injector = inject(Injector);
    // It merges, and so knows what a job is: no page waits for that.
    afterNextRender(() => {
      void import('./field/waiting-edits').then(({ WaitingEdits }) => injector.get(WaitingEdits).begin());
    });
  }
}

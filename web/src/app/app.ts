import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { RouterOutlet } from '@angular/router';
import { Appearance } from './data/appearance';

@Component({
  selector: 'lv-root',
  imports: [RouterOutlet],
  template: `<router-outlet />`,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class App {
  /** Created here so that the scheme applies on every page. */
  protected readonly appearance = inject(Appearance);
}

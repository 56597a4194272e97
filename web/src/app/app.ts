import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { RouterOutlet } from '@angular/router';
import { Toast } from 'primeng/toast';
import { Appearance } from './data/appearance';

@Component({
  selector: 'lv-root',
  imports: [RouterOutlet, Toast],
  template: `
    <router-outlet />
    <p-toast position="top-right" />
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class App {
  /** Created here so that the scheme applies on every page. */
  protected readonly appearance = inject(Appearance);
}

import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { UnitSystem } from '@levamen/core/base';
import type { DemandView } from '@levamen/core/study';
import { FigureButton } from './figure-button';

/** Inverter power by rule of thumb, by code, as measured, added up and as a distribution, side by side. */
@Component({
  selector: 'lv-demand-views',
  imports: [FigureButton],
  template: `
    <table class="ruled">
      <thead>
        <tr>
          <th scope="col">Way</th>
          <th scope="col" class="number">Power</th>
          @if (!short()) {
            <th scope="col">What it sizes</th>
          }
        </tr>
      </thead>
      <tbody>
        @for (view of views(); track view.key) {
          <tr>
            <th scope="row">{{ view.label }}</th>
            <td class="number">
              @if (view.figure; as figure) {
                <lv-figure-button [figure]="figure" [system]="units()" />
                @if (view.upTo; as upTo) {
                  to <lv-figure-button [figure]="upTo" [system]="units()" />
                }
              } @else {
                –
              }
            </td>
            @if (!short()) {
              <td>{{ view.sizes }}</td>
            }
          </tr>
        }
      </tbody>
    </table>
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DemandViews {
  readonly views = input.required<readonly DemandView[]>();
  readonly units = input.required<UnitSystem>();
  /** Without what each of them sizes. */
  readonly short = input(false);
}

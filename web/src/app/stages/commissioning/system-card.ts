import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { quantityText } from '@levamen/core/base';
import { type SystemAddress, systemAddressSchema } from '@levamen/core/house';
import { Button } from 'primeng/button';
import { SignedIn } from '../../people/session';
import { formOf } from '../../ui/form';
import { FormField } from '../../ui/form-field';
import { CommissioningState } from './commissioning-state';
import { SystemState } from './system-state';

/** Where the simulated system of this machine is asked: the usual place to try it. */
const usualAddress: SystemAddress = {
  host: '127.0.0.1',
  port: 1502,
  units: '1, 10-14, 20, 30',
  httpPort: 1580,
};

const some = (value: number | null, unit: 'V' | 'Hz' | 'W' | 'share'): string =>
  value === null ? 'not shown' : quantityText(value, unit);

/** The devices of the system: their address, what was found there, what they show now. */
@Component({
  selector: 'lv-system-card',
  imports: [Button, FormField],
  template: `
    <section class="sheet" aria-labelledby="system-heading">
      <h3 id="system-heading">Devices of the system</h3>
      @if (state.record().system === null) {
        <p class="small soft">
          Over Modbus TCP, with SunSpec models: readings come from the system itself, and an outage is
          recorded second by second. The server asks, so the address is one in its network.
        </p>
        <p-button
          label="Enter its address"
          icon="pi pi-plus"
          size="small"
          [outlined]="true"
          (onClick)="enter()"
        />
      } @else {
        <div class="fields">
          <lv-form-field [of]="form" name="host" />
          <lv-form-field [of]="form" name="port" />
          <lv-form-field [of]="form" name="units" />
          <lv-form-field [of]="form" name="httpPort" />
        </div>
        <div class="line">
          <p-button
            label="Find its devices"
            icon="pi pi-search"
            size="small"
            [loading]="system.isBusy()"
            (onClick)="system.find()"
          />
          <p-button label="Forget it" size="small" [text]="true" (onClick)="forget()" />
        </div>
        @if (notAllowed(); as network) {
          <p class="small">
            No owner allowed the server to ask devices at {{ network }}.
            @if (mayAllow()) {
              <p-button label="Allow it" size="small" [outlined]="true" (onClick)="system.allow(network)" />
            }
          </p>
        }
        @if (system.answer() !== '') {
          <p class="small" role="status">{{ system.answer() }}</p>
        }
        @if (system.found(); as found) {
          <ul class="small found">
            @for (unit of found.units; track unit.unitId) {
              <li>
                <span class="figure">{{ unit.unitId }}</span> {{ unit.model || 'no name' }}
                <span class="soft"
                  >{{ unit.serial }}{{ unit.version === '' ? '' : ', ' + unit.version }}</span
                >
              </li>
            }
            @for (problem of found.problems; track problem) {
              <li><i class="pi pi-exclamation-triangle" aria-hidden="true"></i> {{ problem }}</li>
            }
          </ul>
        }
        @if (rows(); as rows) {
          <table class="ruled by-row small">
            <caption class="soft">
              What they show now
            </caption>
            <tbody>
              @for (row of rows; track row.what) {
                <tr>
                  <th scope="row">{{ row.what }}</th>
                  <td class="number figure">{{ row.shows }}</td>
                </tr>
              }
            </tbody>
          </table>
        }
        @if (system.says() !== '') {
          <p class="small" role="status">{{ system.says() }}</p>
        }
      }
    </section>
  `,
  styles: `
    .sheet {
      display: grid;
      grid-template-columns: minmax(0, 1fr);
      gap: 0.45rem;
      padding: 0.8rem 0.95rem;
    }
    .fields {
      display: grid;
      grid-template-columns: repeat(2, minmax(0, 1fr));
      gap: 0.3rem 0.6rem;
    }
    .line {
      display: flex;
      flex-wrap: wrap;
      gap: 0.4rem;
    }
    .found {
      margin: 0;
      padding: 0;
      list-style: none;
    }
    caption {
      text-align: start;
    }
    p {
      margin: 0;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SystemCard {
  protected readonly state = inject(CommissioningState);
  protected readonly system = inject(SystemState);
  private readonly signed = inject(SignedIn);
  protected readonly mayAllow = computed(() => this.signed.may('owner'));

  protected readonly form = formOf<SystemAddress>(
    systemAddressSchema.shape,
    computed(() => this.state.record().system ?? usualAddress),
    (change, label) =>
      this.state.change(`system: ${label}`, (record) => ({
        ...record,
        system: { ...(record.system ?? usualAddress), ...change },
      })),
  );

  /** The address, where nobody allowed its network; networks are compared by the server, which has the last word. */
  protected readonly notAllowed = computed(() => {
    const host = this.state.record().system?.host ?? '';
    const networks = this.system.networks();
    const isRefused = /none of the networks|No network is allowed/.test(this.system.answer());
    return networks !== null && host !== '' && (isRefused || networks.length === 0) ? host : null;
  });

  protected readonly rows = computed(() => {
    const now = this.system.now();
    if (!now) return null;
    const legs = now.legV.map((volts) => some(volts, 'V')).join(' · ');
    return [
      { what: 'Grid', shows: some(now.gridV, 'V') },
      { what: 'House, leg by leg', shows: legs === '' ? 'not shown' : legs },
      { what: 'Frequency', shows: some(now.frequencyHz, 'Hz') },
      { what: 'On the grid', shows: now.isOnGrid === null ? 'not shown' : now.isOnGrid ? 'yes' : 'no' },
      { what: 'Out of the battery', shows: some(now.batteryW, 'W') },
      { what: 'Out of the sun', shows: some(now.solarW, 'W') },
      { what: 'Out of the grid', shows: some(now.gridW, 'W') },
      { what: 'Charge', shows: some(now.charge, 'share') },
    ];
  });

  protected enter(): void {
    this.state.change('system', (record) => ({ ...record, system: usualAddress }));
  }

  protected forget(): void {
    this.system.isWatched.set(false);
    this.system.found.set(null);
    this.state.change('system forgotten', (record) => ({ ...record, system: null }));
  }
}

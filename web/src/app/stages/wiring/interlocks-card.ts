import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import type { WiringInterlock } from '@levamen/core/design';
import { Button } from 'primeng/button';
import { JobSession } from '../../data/job-session';
import { type Choice, ChoiceField } from '../../ui/choice-field';
import { WiringState } from './wiring-state';

const most = 40;

/** Positions that cannot be together: kits on breakers, keys, mechanical locks. */
@Component({
  selector: 'lv-interlocks-card',
  imports: [Button, ChoiceField],
  template: `
    <section class="sheet" aria-labelledby="interlocks-heading">
      <h2 id="interlocks-heading">Interlocks</h2>
      <ul>
        @for (lock of locks(); track lock.id) {
          <li>
            <span>{{ lock.text }}</span>
            <p-button
              icon="pi pi-times"
              size="small"
              severity="secondary"
              [text]="true"
              [ariaLabel]="'Remove the interlock: ' + lock.text"
              (onClick)="remove(lock.id)"
            />
          </li>
        } @empty {
          <li class="soft small">None. Transfer switches exclude their own positions anyway.</li>
        }
      </ul>
      @if (choices().length > 2 && locks().length < most) {
        <lv-choice-field
          label="Never this"
          [choices]="choices()"
          [value]="first()"
          (valueChange)="first.set($event)"
        />
        <lv-choice-field
          label="together with this"
          [choices]="choices()"
          [value]="second()"
          (valueChange)="second.set($event)"
        />
        <p-button label="Add the interlock" size="small" [disabled]="!isWhole()" (onClick)="add()" />
      }
    </section>
  `,
  styles: `
    .sheet {
      display: grid;
      gap: 0.4rem;
      padding: 0.8rem 0.95rem;
      justify-items: stretch;
    }
    ul {
      list-style: none;
    }
    li {
      display: flex;
      justify-content: space-between;
      align-items: center;
      gap: 0.5rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class InterlocksCard {
  private readonly session = inject(JobSession);
  private readonly state = inject(WiringState);
  protected readonly most = most;
  /** Each as "handle position". */
  protected readonly first = signal<string | null>(null);
  protected readonly second = signal<string | null>(null);

  private readonly handles = computed(() => this.state.graph()?.handles ?? []);
  protected readonly choices = computed((): Choice<string | null>[] => [
    { value: null, label: 'choose a position' },
    ...this.handles().flatMap(({ id, name, positions }) =>
      positions.map((position) => ({ value: `${id} ${position}`, label: `${name}: ${position}` })),
    ),
  ]);
  protected readonly locks = computed(() => {
    const names = new Map(this.handles().map(({ id, name }) => [id, name]));
    return (this.session.plan()?.wiring.interlocks ?? []).map(({ id, forbids }) => ({
      id,
      text: `Never ${forbids
        .map(({ handle, position }) => `${names.get(handle) ?? 'something that is gone'} ${position}`)
        .join(' with ')}`,
    }));
  });
  protected readonly isWhole = computed(() => {
    const [one, two] = [this.first(), this.second()].map((text) => text?.split(' ')[0]);
    return one !== undefined && two !== undefined && one !== two;
  });

  protected add(): void {
    const forbids = [this.first(), this.second()].map((text) => {
      const [handle, position] = text!.split(' ');
      return { handle: handle!, position: position! };
    });
    this.change('interlock', (interlocks) => [...interlocks, { id: crypto.randomUUID(), forbids }]);
    this.first.set(null);
    this.second.set(null);
  }

  protected remove(id: string): void {
    this.change('interlock removed', (interlocks) => interlocks.filter((lock) => lock.id !== id));
  }

  private change(label: string, to: (interlocks: readonly WiringInterlock[]) => WiringInterlock[]): void {
    this.session.edit(label, (plan) => ({
      ...plan,
      wiring: { ...plan.wiring, interlocks: to(plan.wiring.interlocks) },
    }));
  }
}

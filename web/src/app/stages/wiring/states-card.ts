import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { situationText } from '@levamen/core/wiring';
import { Button } from 'primeng/button';
import { ChoiceField } from '../../ui/choice-field';
import { WiringState } from './wiring-state';

/** How the switches stand on the drawing, and what is live then. */
@Component({
  selector: 'lv-states-card',
  imports: [Button, ChoiceField],
  template: `
    <section class="sheet" aria-labelledby="states-heading">
      <h2 id="states-heading">How the switches stand</h2>
      <lv-choice-field
        label="What is there"
        [choices]="situations()"
        [value]="state.situationIndex()"
        (valueChange)="state.situationIndex.set($event)"
      />
      @for (handle of handles(); track handle.id) {
        <lv-choice-field
          [label]="handle.name"
          [choices]="handle.positions"
          [value]="handle.position"
          (valueChange)="state.move(handle.id, $event)"
        />
      }
      @if (isMoved()) {
        <p-button label="All as usual" size="small" [text]="true" (onClick)="state.moved.set({})" />
      }
      <p class="small soft" role="status">{{ live() }}</p>
    </section>
  `,
  styles: `
    .sheet {
      display: grid;
      gap: 0.4rem;
      padding: 0.8rem 0.95rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class StatesCard {
  protected readonly state = inject(WiringState);

  protected readonly situations = computed(() =>
    this.state.situations().map((situation, value) => ({ value, label: situationText(situation) })),
  );
  protected readonly handles = computed(() => {
    const moved = this.state.moved();
    return (this.state.graph()?.handles ?? []).map(({ id, name, positions }) => ({
      id,
      name,
      positions: positions.map((value) => ({ value, label: value })),
      position: moved[id] ?? positions[0],
    }));
  });
  protected readonly isMoved = computed(() =>
    this.handles().some(({ positions, position }) => position !== positions[0]!.value),
  );
  protected readonly live = computed(() => {
    const live = this.state.live();
    const places = this.state.graph()?.places ?? [];
    if (!live) return '';
    const dead = places.filter(({ id, kind }) => kind === 'bus' && !live.has(id));
    return dead.length === 0 ? 'Every busbar is live.' : `Dead: ${dead.map(({ name }) => name).join(', ')}.`;
  });
}

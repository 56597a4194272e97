import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { quantityText } from '@levamen/core/base';
import type { Standing } from '@levamen/core/wiring';
import { EvaluationService } from '../../data/evaluation';
import { PLACE_LOCALE } from '../../ui/place-locale';
import { InWordsOf } from '../../ui/in-words-of';
import { WiringState } from './wiring-state';

/** What must be opened before somebody works on a thing, what stays live, and the signs that say so. */
@Component({
  selector: 'lv-isolation-view',
  imports: [InWordsOf],
  template: `
    <h3>To make dead</h3>
    <p class="small soft">
      The fewest handles, from every source, whatever opens and closes by itself. Lock them, and prove dead
      before touching anything.
    </p>
    <div class="scroll" tabindex="0" role="region" aria-label="What makes each thing dead">
      <table class="ruled by-row small" data-isolation>
        <thead>
          <tr>
            <th scope="col">To work on</th>
            <th scope="col">Open and lock, in this order</th>
            <th scope="col">To restore</th>
          </tr>
        </thead>
        <tbody>
          @for (row of rows(); track row.id) {
            <tr>
              <th scope="row">{{ row.name }}</th>
              <td>{{ row.open }}</td>
              <td>{{ row.restore }}</td>
            </tr>
          }
        </tbody>
      </table>
    </div>
    @for (bypass of bypasses(); track bypass.id) {
      <h3>{{ bypass.name }}</h3>
      <p class="small">To bypass: {{ bypass.there }}. Back: {{ bypass.back }}.</p>
    }
    <h3>What a main leaves live</h3>
    <ul class="small">
      @for (one of mains(); track one.id) {
        <li>{{ one.text }}</li>
      } @empty {
        <li class="soft">There is no main in the survey yet.</li>
      }
    </ul>
    <h3>Disconnects</h3>
    <div class="scroll" tabindex="0" role="region" aria-label="Disconnects">
      <table class="ruled by-row small">
        <thead>
          <tr>
            <th scope="col">Tag</th>
            <th scope="col">Disconnect</th>
            <th scope="col" class="number">Along the cables from the meter</th>
          </tr>
        </thead>
        <tbody>
          @for (one of disconnects(); track one.id) {
            <tr>
              <td class="figure">{{ one.tag }}</td>
              <th scope="row">{{ one.name }}</th>
              <td class="number figure">{{ one.cable }}</td>
            </tr>
          }
        </tbody>
      </table>
    </div>
    <h3>Signs</h3>
    <div class="scroll" tabindex="0" role="region" aria-label="Signs">
      <table class="ruled by-row small" data-signs>
        <thead>
          <tr>
            <th scope="col">Where</th>
            <th scope="col">Words</th>
            <th scope="col">Letters, size</th>
            <th scope="col">Rule</th>
          </tr>
        </thead>
        <tbody>
          @for (sign of signs(); track sign.id) {
            <tr>
              <th scope="row">{{ sign.where }}</th>
              <td>{{ sign.text | inWordsOf: locale() }}</td>
              <td>{{ sign.made }}</td>
              <td class="soft">{{ sign.rule }}</td>
            </tr>
          }
        </tbody>
      </table>
    </div>
  `,
  styles: `
    :host {
      display: grid;
      grid-template-columns: minmax(0, 1fr);
      gap: 0.4rem;
    }
    .scroll {
      overflow-x: auto;
    }
    th,
    td {
      vertical-align: top;
    }
    ul {
      padding-inline-start: 1.1rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class IsolationView {
  private readonly state = inject(WiringState);
  private readonly units = inject(EvaluationService).units;
  protected readonly locale = inject(PLACE_LOCALE);

  private readonly safety = this.state.safety;
  private readonly names = computed(
    () =>
      new Map(
        [...(this.state.graph()?.places ?? []), ...(this.state.graph()?.handles ?? [])].map(
          ({ id, name }) => [id, name],
        ),
      ),
  );
  protected readonly rows = computed(() =>
    (this.safety()?.isolation ?? []).map(({ place, moved, order }) => ({
      id: place,
      name: this.names().get(place) ?? '',
      open:
        moved === null
          ? 'Nothing in the house does it: the utility, or switches inside the units.'
          : moved.length === 0
            ? 'Nothing reaches it.'
            : this.inOrder(order?.there ?? null, 'open'),
      restore: order ? this.inOrder(order.back, 'closed') : '',
    })),
  );
  protected readonly bypasses = computed(() =>
    (this.safety()?.bypasses ?? []).map(({ handle, there, back }) => ({
      id: handle,
      name: this.names().get(handle) ?? '',
      there: this.inOrder(there, 'open'),
      back: this.inOrder(back, 'closed'),
    })),
  );
  protected readonly mains = computed(() =>
    (this.safety()?.afterMain ?? []).map(({ handle, live }) => {
      const main = this.names().get(handle) ?? '';
      const named = live.map(
        ({ place, from }) =>
          `${this.names().get(place) ?? ''} (from the ${from === 'inverter' ? 'battery' : from})`,
      );
      return {
        id: handle,
        text:
          named.length === 0
            ? `${main} opened: no busbar stays live.`
            : `${main} opened: still live: ${named.join(', ')}.`,
      };
    }),
  );
  protected readonly disconnects = computed(() =>
    (this.safety()?.disconnects ?? []).map(({ part, name, cableM, assumed }) => ({
      id: part,
      tag: this.state.tagOf(part),
      name,
      cable:
        cableM === null
          ? 'no cable leads there'
          : `${assumed ? '~ ' : ''}${quantityText(cableM, 'm', this.units())}`,
    })),
  );
  protected readonly signs = computed(() =>
    (this.safety()?.signs ?? []).map((sign) => ({
      ...sign,
      made: [
        `${quantityText(sign.letterMm, 'mm', this.units())}${sign.look === '' ? '' : `, ${sign.look}`}`,
        `${quantityText(sign.size.widthMm, 'mm', this.units())} × ${quantityText(sign.size.heightMm, 'mm', this.units())}`,
      ].join('; '),
    })),
  );

  /** Steps one after the other; the position is said where it is not the one that goes without saying. */
  private inOrder(steps: readonly Standing[] | null, usual: string): string {
    if (!steps) return 'no order keeps every step safe: switch the sources off first';
    return steps
      .map(({ handle, position }, index) => {
        const name = `${this.names().get(handle) ?? ''}${position === usual ? '' : `: ${position}`}`;
        return steps.length === 1 ? name : `${index + 1}. ${name}`;
      })
      .join('; ');
  }
}

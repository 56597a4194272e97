import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { quantityText } from '@levamen/core/base';
import { conductorText } from '@levamen/core/electric';
import { electrodeSizeAt, wiringNames } from '@levamen/core/wiring';
import { EvaluationService } from '../../data/evaluation';
import { WiringState } from './wiring-state';

/** Every device and cable from where to where: the table behind the drawing. */
@Component({
  selector: 'lv-part-list',
  template: `
    <div class="scroll" tabindex="0" role="region" aria-label="Parts of the wiring">
      <table class="ruled by-row small">
        <thead>
          <tr>
            <th scope="col">Tag</th>
            <th scope="col">Part</th>
            <th scope="col">From</th>
            <th scope="col">To</th>
            <th scope="col" class="number">Device</th>
            <th scope="col">Conductor</th>
            <th scope="col" class="number">Length</th>
            <th scope="col" class="number">Drop</th>
            <th scope="col">Conduit</th>
          </tr>
        </thead>
        <tbody>
          @for (row of rows(); track row.id) {
            <tr [class.marked]="row.id === state.chosen()">
              <td class="figure">{{ row.tag }}</td>
              <th scope="row">
                <button type="button" (click)="state.chosen.set(row.id)">{{ row.name }}</button>
              </th>
              <td>{{ row.from }}</td>
              <td>{{ row.to }}</td>
              <td class="number figure">{{ row.device }}</td>
              <td class="figure">{{ row.conductor }}</td>
              <td class="number figure">{{ row.length }}</td>
              <td class="number figure">{{ row.drop }}</td>
              <td class="figure">{{ row.conduit }}</td>
            </tr>
          }
        </tbody>
      </table>
    </div>
  `,
  styles: `
    .scroll {
      overflow: auto;
    }
    th,
    td {
      vertical-align: top;
    }
    button {
      border: 0;
      background: none;
      padding: 0;
      text-align: start;
      color: var(--accent);
      cursor: pointer;
    }
    .marked th,
    .marked td {
      background: var(--accent-wash);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PartList {
  protected readonly state = inject(WiringState);
  private readonly evaluations = inject(EvaluationService);

  protected readonly rows = computed(() => {
    const wired = this.state.answer()?.wired;
    if (!wired) return [];
    const units = this.evaluations.units();
    const { graph, cables } = wired;
    const names = wiringNames(graph);
    const nothing = { device: '', conductor: '', length: '', drop: '', conduit: '' };
    const parts = graph.parts.map(({ id, name, from, to, device, cable }) => {
      const sized = cables.get(id);
      return {
        id,
        name,
        tag: this.state.tagOf(id),
        from: names.get(from) ?? '',
        to: names.get(to) ?? '',
        device: device ? `${device.ratingA ? `${device.ratingA.value} A` : '?'} ${device.poles}P` : '',
        conductor: cable?.isUtility
          ? 'utility'
          : sized?.conductor
            ? conductorText(sized.conductor)
            : cable
              ? '?'
              : '',
        length:
          cable && !cable.isUtility
            ? `${cable.lengthM.assumed ? '~ ' : ''}${quantityText(cable.lengthM.value, 'm', units)}`
            : '',
        drop: (sized?.dropShare ?? null) === null ? '' : quantityText(sized!.dropShare!, 'share', units),
        conduit: sized?.conduit.at(-1)?.holds ? `${sized.conduit.at(-1)!.size} in` : '',
      };
    });
    const accessories = graph.accessories.map(({ id, kind, name, at, poles }) => ({
      ...nothing,
      id,
      name,
      tag: this.state.tagOf(id),
      from: names.get(at) ?? '',
      to: '',
      device: poles === 0 ? '' : `${poles}P`,
      conductor: kind === 'electrode' ? (electrodeSizeAt(graph, cables, at) ?? '?') : '',
    }));
    const links = graph.links.map(({ id, name, from, to }) => ({
      ...nothing,
      id,
      name,
      tag: '',
      from: names.get(from) ?? '',
      to: names.get(to) ?? '',
    }));
    return [...parts, ...accessories, ...links];
  });
}

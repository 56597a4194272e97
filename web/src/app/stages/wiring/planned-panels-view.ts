import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { circuitLegSet, type Circuit, type Panel } from '@levamen/core/house';
import { plannedPanels } from '@levamen/core/wiring';
import { JobSession } from '../../data/job-session';

const formats = ['pdf', 'xlsx', 'csv'] as const;

interface Row {
  readonly id: string;
  readonly spaces: string;
  readonly breaker: string;
  readonly name: string;
  readonly legs: string;
  /** What becomes of it, or where it came from. */
  readonly note: string;
  readonly isMoved: boolean;
}

/** Panels as they are and as they will be, side by side. */
@Component({
  selector: 'lv-planned-panels-view',
  template: `
    @if (added().length === 0) {
      <p class="small soft">
        No circuit moves to another panel: what is backed up stays behind its own breakers.
      </p>
    }
    <div class="columns">
      @for (panel of panels(); track panel.id) {
        <section [attr.aria-label]="panel.name">
          <h3>{{ panel.name }}{{ panel.isNew ? ' (new)' : '' }}</h3>
          <p class="small soft">{{ panel.facts }}</p>
          <table class="ruled by-row small">
            <thead>
              <tr>
                <th scope="col">Space</th>
                <th scope="col" class="number">Breaker</th>
                <th scope="col">Circuit</th>
                <th scope="col">Legs</th>
                <th scope="col">{{ panel.isNew ? 'Comes from' : 'Becomes' }}</th>
              </tr>
            </thead>
            <tbody>
              @for (row of panel.rows; track row.id) {
                <tr [class.moved]="row.isMoved">
                  <td class="figure">{{ row.spaces }}</td>
                  <td class="number figure">{{ row.breaker }}</td>
                  <th scope="row">{{ row.name }}</th>
                  <td class="figure">{{ row.legs }}</td>
                  <td>{{ row.note }}</td>
                </tr>
              }
            </tbody>
          </table>
          <p class="small">
            Schedule as it will be:
            @for (link of panel.links; track link.format) {
              <a [href]="link.address" download>{{ link.format.toUpperCase() }}</a>
            }
          </p>
        </section>
      }
    </div>
  `,
  styles: `
    .columns {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(19rem, 1fr));
      gap: 0.9rem;
      align-items: start;
    }
    section {
      display: grid;
      gap: 0.3rem;
      min-width: 0;
      overflow-x: auto;
    }
    th,
    td {
      vertical-align: top;
    }
    .moved th,
    .moved td {
      background: var(--accent-wash);
    }
    a {
      margin-inline-end: 0.6rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PlannedPanelsView {
  private readonly session = inject(JobSession);

  private readonly planned = computed(() => {
    const plan = this.session.plan();
    return plan ? plannedPanels(plan) : { old: [], added: [] };
  });
  protected readonly added = computed(() => this.planned().added);
  protected readonly panels = computed(() => {
    const { old, added } = this.planned();
    const plan = this.session.plan();
    if (!plan) return [];
    const { system } = plan.supply;
    const gone = new Map(
      added.flatMap(({ panel, moved }) =>
        moved.map(
          ({ circuit, to }) =>
            [
              circuit.id,
              to.length === 0 ? `no room in ${panel.name}` : `moves to ${panel.name}, ${to.join(', ')}`,
            ] as const,
        ),
      ),
    );
    const rowOf = (panel: Panel, circuit: Circuit, note: string, isMoved: boolean): Row => ({
      id: circuit.id,
      spaces: circuit.spaces.join(', '),
      breaker: circuit.ratingA === null ? '?' : `${circuit.ratingA} A`,
      name: circuit.name || (circuit.use === 'spare' ? 'spare' : ''),
      legs: circuitLegSet(panel, circuit, system),
      note,
      isMoved,
    });
    const inOrder = (panel: Panel): Circuit[] =>
      panel.circuits.toSorted((a, b) => a.spaces[0]! - b.spaces[0]!);
    const before = plan.survey.panels.map((panel) => {
      const freed = old.find((one) => one.panel.id === panel.id)?.freed ?? [];
      return {
        id: panel.id,
        name: panel.name,
        isNew: false,
        facts: freed.length === 0 ? 'Nothing of it moves.' : `Spaces that become free: ${freed.join(', ')}.`,
        rows: inOrder(panel).map((circuit) =>
          rowOf(panel, circuit, gone.get(circuit.id) ?? 'stays', gone.has(circuit.id)),
        ),
        links: this.links(panel.id),
      };
    });
    const after = added.map(({ panel, moved }) => {
      const turned = moved.filter(({ otherLegs }) => otherLegs).length;
      const homeless = moved.filter(({ to }) => to.length === 0).length;
      return {
        id: panel.id,
        name: panel.name,
        isNew: true,
        facts: [
          `${panel.spaces} spaces, neutral separate`,
          turned === 0 ? 'every circuit stays on its legs' : `${turned} on other legs than now`,
          ...(homeless === 0 ? [] : [`no room for ${homeless}: take a larger panel`]),
        ].join('; '),
        rows: inOrder(panel).map((circuit) => {
          const from = moved.find((one) => one.circuit.id === circuit.id)!;
          return rowOf(panel, circuit, `${from.from.name}, ${from.circuit.spaces.join(', ')}`, true);
        }),
        links: this.links(panel.id),
      };
    });
    return [...after, ...before];
  });

  private links(panelId: string): { readonly format: string; readonly address: string }[] {
    const design = encodeURIComponent(this.session.designId());
    return formats.map((format) => ({
      format,
      address: `/api/jobs/${this.session.id()}/panels/${panelId}/schedule.${format}?as=planned&design=${design}`,
    }));
  }
}

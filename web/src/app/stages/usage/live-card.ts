import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  signal,
  untracked,
} from '@angular/core';
import { FormsModule } from '@angular/forms';
import { quantityText } from '@levamen/core/base';
import { systemFacts } from '@levamen/core/electric';
import { circuitLegs, circuitsById, type Load } from '@levamen/core/house';
import { detectStep, type PowerStep } from '@levamen/core/house/details';
import type { Plan } from '@levamen/core/design';
import { Button } from 'primeng/button';
import { InputText } from 'primeng/inputtext';
import { ChoiceField, type Choice } from '../../ui/choice-field';
import { LiveMonitor } from './live-monitor';
import { UsageEdits } from './usage-edits';

/** A walk with the clamp: one load, one channel, from a moment on. */
interface Walk {
  readonly loadId: string;
  readonly channel: string;
  readonly fromS: number;
}

/** What every circuit draws now, and the walk that measures one load after the other. */
@Component({
  selector: 'lv-live-card',
  imports: [Button, ChoiceField, FormsModule, InputText],
  providers: [LiveMonitor],
  templateUrl: './live-card.html',
  styleUrl: './cards.css',
  styles: `
    .meter {
      display: inline-block;
      height: 0.55rem;
      background: var(--ink);
      max-width: 100%;
    }
    .meter.negative {
      background: repeating-linear-gradient(135deg, var(--ink) 0 3px, transparent 3px 6px);
    }
    td:last-child {
      width: 45%;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LiveCard {
  protected readonly monitor = inject(LiveMonitor);
  private readonly edits = inject(UsageEdits);
  readonly plan = input.required<Plan>();

  protected readonly loadId = signal<string | null>(null);
  protected readonly channel = signal<string | null>(null);
  protected readonly walk = signal<Walk | null>(null);
  protected readonly done = signal('');
  protected readonly step = computed((): PowerStep | null => {
    const walk = this.walk();
    this.monitor.sample();
    return walk ? detectStep(this.monitor.samplesOf(walk.channel, walk.fromS)) : null;
  });
  protected readonly stepText = computed(() => {
    const step = this.step();
    if (!step) return '';
    const start =
      step.multiple > 1
        ? `, starting at ${quantityText(step.startW, 'W')} (× ${step.multiple.toFixed(1)})`
        : ', without a surge';
    return `${quantityText(step.runningW, 'W')} while running${start}`;
  });
  protected readonly loadChoices = computed((): Choice<string>[] =>
    this.plan().loads.map(({ id, name }) => ({ value: id, label: name })),
  );
  protected readonly channelChoices = computed((): Choice<string>[] =>
    this.monitor.channels().map(({ name }) => ({ value: name, label: name })),
  );
  private readonly circuits = computed(() => [...circuitsById(this.plan().survey).values()]);
  protected readonly rows = computed(() => {
    const channels = this.monitor.channels();
    const most = Math.max(100, ...channels.map(({ powerW }) => Math.abs(powerW)));
    return channels.map(({ name, powerW }) => {
      const placed = this.circuits().find(({ circuit }) => circuit.channel === name);
      return {
        name,
        power: quantityText(powerW, 'W'),
        share: (Math.abs(powerW) / most) * 100,
        negative: powerW < 0,
        legs: placed ? circuitLegs(placed.panel, placed.circuit, this.plan().supply.system).join(' ') : '',
      };
    });
  });
  /** Sum of the mapped circuits on each leg, and what the mains of that leg show. */
  protected readonly legs = computed(() => {
    const { system } = this.plan().supply;
    const channels = this.monitor.channels();
    return systemFacts[system].legs.map((leg) => {
      const sumW = channels.reduce((sum, { name, powerW }) => {
        const placed = this.circuits().find(({ circuit }) => circuit.channel === name);
        const on = placed ? circuitLegs(placed.panel, placed.circuit, system) : [];
        return on.includes(leg) ? sum + powerW / on.length : sum;
      }, 0);
      const mapped = this.circuits().some(({ circuit }) =>
        channels.some(({ name }) => name === circuit.channel),
      );
      const mains = channels.find(({ name }) => /mains?/i.test(name) && name.includes(leg));
      return {
        leg,
        circuits: mapped ? quantityText(sumW, 'W') : 'none mapped',
        mains: mains ? quantityText(mains.powerW, 'W') : '–',
      };
    });
  });

  constructor() {
    // The load's own circuit says which channel to look at.
    effect(() => {
      const load = this.plan().loads.find(({ id }) => id === this.loadId());
      const circuit = this.circuits().find((placed) => placed.circuit.id === load?.circuitId)?.circuit;
      untracked(() => {
        if (circuit && circuit.channel !== '') this.channel.set(circuit.channel);
      });
    });
  }

  protected begin(): void {
    const loadId = this.loadId();
    const channel = this.channel();
    const last = this.monitor.sample();
    if (loadId === null || channel === null || !last) return;
    this.done.set('');
    this.walk.set({ loadId, channel, fromS: last.atS - 4 });
  }

  protected switchOn(walk: Walk): void {
    this.monitor.throwSwitch(walk.channel, true);
  }

  protected take(walk: Walk, step: PowerStep): void {
    const load = this.plan().loads.find(({ id }) => id === walk.loadId);
    if (!load) return;
    const measured: Load = {
      ...load,
      basis: 'measured',
      measuredOn: new Date().toISOString().slice(0, 10),
      runningPowerW: Math.round((step.runningW / load.quantity) * 10) / 10,
      start:
        step.multiple > 1
          ? {
              how: 'multiple',
              multiple: Math.min(15, Math.round(step.multiple * 10) / 10),
              durationS: load.start.how === 'none' ? 0.5 : load.start.durationS,
            }
          : { how: 'none' },
    };
    this.edits.takeMeasured(`${load.name} as measured`, [measured]);
    this.done.set(`${load.name}: ${this.stepText()}, taken as measured.`);
    this.end(walk);
  }

  protected end(walk: Walk): void {
    if (this.monitor.address().startsWith('/api/monitor/')) this.monitor.throwSwitch(walk.channel, false);
    this.walk.set(null);
  }
}

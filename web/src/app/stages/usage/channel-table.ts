import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { quantityText } from '@levamen/core/base';
import { type ChannelRole, channelRoles, circuitsById } from '@levamen/core/house';
import { type ChannelAnalysis, suggestCircuits, type UsageAnalysis } from '@levamen/core/house/details';
import type { Plan } from '@levamen/core/design';
import { Button } from 'primeng/button';
import { circuitChoice } from '../../ui/circuit-choices';
import { roleChoices } from './role-choices';
import { UsageEdits } from './usage-edits';

interface ChannelRow {
  readonly channel: ChannelAnalysis;
  readonly perDay: string;
  readonly peak: string;
  readonly faults: readonly string[];
  readonly circuitId: string;
  readonly suggestedId: string;
  readonly suggestion: string;
  readonly hasLoads: boolean;
}

/** Every channel: energy, peak, faults, the circuit it measures, and its figures for the loads there. */
@Component({
  selector: 'lv-channel-table',
  imports: [Button],
  templateUrl: './channel-table.html',
  styleUrl: './cards.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ChannelTable {
  private readonly edits = inject(UsageEdits);
  readonly plan = input.required<Plan>();
  readonly analysis = input.required<UsageAnalysis>();
  /** Something is being read or worked out: what would be dropped then cannot be asked for. */
  readonly isBusy = input(false);
  readonly flip = output<string>();
  readonly role = output<{ channel: string; role: ChannelRole }>();
  /** Take the measured figures of a channel for the loads of its circuit. */
  readonly take = output<string>();

  protected readonly roles = roleChoices;
  protected readonly circuits = computed(() => [...circuitsById(this.plan().survey).values()]);
  protected readonly circuitChoices = computed(() => this.circuits().map(circuitChoice));
  private readonly suggestions = computed(() => {
    const free = this.circuits().filter(({ circuit }) => circuit.channel === '' && circuit.use === 'circuit');
    const mapped = new Set(this.circuits().map(({ circuit }) => circuit.channel));
    const open = this.analysis()
      .channels.filter(({ role, name }) => role === 'circuit' && !mapped.has(name))
      .map(({ name }) => name);
    return suggestCircuits(open, free);
  });
  protected readonly rows = computed(() => {
    const days = this.analysis().days;
    return this.analysis().channels.map((channel): ChannelRow => {
      const circuitId =
        this.circuits().find(({ circuit }) => circuit.channel === channel.name)?.circuit.id ?? '';
      const suggestedId = this.suggestions().get(channel.name) ?? '';
      return {
        channel,
        perDay: quantityText(channel.energyWh / days, 'Wh'),
        peak: quantityText(channel.peakW, 'W'),
        faults: [
          ...(channel.turnedRound ? ['negative: the sensor seems to sit the wrong way round'] : []),
          ...(channel.frozen
            ? [
                `frozen from ${channel.frozen.from.replace('T', ' ')} for ${channel.frozen.hours.toFixed(0)} h`,
              ]
            : []),
          ...(channel.missing > 0 ? [`${channel.missing} values missing`] : []),
        ],
        circuitId,
        suggestedId,
        suggestion: this.circuitChoices().find(({ value }) => value === suggestedId)?.label ?? '',
        hasLoads: circuitId !== '' && this.plan().loads.some((load) => load.circuitId === circuitId),
      };
    });
  });
  protected readonly suggested = computed(() => this.suggestions().size);

  protected map(channel: string, circuitId: string): void {
    this.edits.mapChannels(`${channel} mapped`, new Map([[channel, circuitId === '' ? null : circuitId]]));
  }

  protected setRole(channel: string, text: string): void {
    const role = channelRoles.find((one) => one === text);
    if (role) this.role.emit({ channel, role });
  }

  protected mapAll(): void {
    this.edits.mapChannels(`${this.suggested()} channels mapped`, this.suggestions());
  }
}

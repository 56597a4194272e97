import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { quantityText } from '@levamen/core/base';
import {
  type Circuit,
  circuitLegSet,
  circuitSchema,
  type Panel,
  panelFedBy,
  spacesFrom,
} from '@levamen/core/house';
import { connectedVA, loadsBehind } from '@levamen/core/house/details';
import type { Plan } from '@levamen/core/design';
import { Button } from 'primeng/button';
import { Checkbox } from 'primeng/checkbox';
import * as z from 'zod';
import { ChoiceField, type Choice } from '../../ui/choice-field';
import { formOf } from '../../ui/form';
import { FormField } from '../../ui/form-field';
import { TextField } from '../../ui/text-field';
import { PhotoStrip } from '../../photos/photo-strip';
import { ConductorFields } from './conductor-fields';
import { PanelEdits } from './panel-edits';

const spacesOf = (text: string): number[] => text.split(',').map(Number);

/** Everything about the breaker of a space, and what hangs on it. */
@Component({
  selector: 'lv-circuit-detail',
  imports: [Button, Checkbox, ChoiceField, ConductorFields, FormField, FormsModule, PhotoStrip, TextField],
  templateUrl: './circuit-detail.html',
  styleUrl: './detail.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CircuitDetail {
  private readonly edits = inject(PanelEdits);
  readonly plan = input.required<Plan>();
  readonly panel = input.required<Panel>();
  /** The breaker of the space, or the two of a tandem. */
  readonly circuits = input.required<readonly Circuit[]>();
  readonly space = input.required<number>();

  /** Of a tandem; the first one of another space. */
  private readonly half = linkedSignal({ source: this.space, computation: () => 0 });
  protected readonly spacesSchema = computed(() => {
    const { spaces, name } = this.panel();
    return z
      .string()
      .regex(/^\d+(\s*,\s*\d+){0,2}$/, 'Write the spaces as 7 or 2, 4')
      .refine(
        (text) => spacesOf(text).every((space) => space >= 1 && space <= spaces),
        `${name} has the spaces 1 to ${spaces}`,
      )
      .refine((text) => new Set(spacesOf(text)).size === spacesOf(text).length, 'Write each space once');
  });
  protected readonly circuit = computed(() => this.circuits()[this.half()] ?? this.circuits()[0] ?? null);
  /** Drawn only where there is a breaker. */
  protected readonly form = formOf<Circuit>(
    circuitSchema.shape,
    computed(() => this.circuit()!),
    (change) => this.set(change),
  );
  protected readonly halves = computed(() => this.circuits().map((circuit, index) => ({ circuit, index })));
  protected readonly title = computed(() => {
    const circuit = this.circuit();
    if (!circuit) return `Space ${this.space()}: empty`;
    const legs = circuitLegSet(this.panel(), circuit, this.plan().supply.system);
    return `${circuit.spaces.length > 1 ? 'Spaces' : 'Space'} ${circuit.spaces.join(', ')}${circuit.half ?? ''}, ${legs}`;
  });
  protected readonly loads = computed(() => {
    const circuit = this.circuit();
    return circuit ? this.plan().loads.filter(({ circuitId }) => circuitId === circuit.id) : [];
  });
  protected readonly feeds = computed(() => {
    const circuit = this.circuit();
    return circuit ? (panelFedBy(this.plan(), circuit.id)?.name ?? null) : null;
  });
  protected readonly connected = computed(() => {
    const circuit = this.circuit();
    if (!circuit) return '';
    const loads = loadsBehind(this.plan(), circuit.id);
    return loads.length === 0 ? 'nothing connected' : `${quantityText(connectedVA(loads), 'VA')} connected`;
  });
  protected readonly poleChoices: Choice<number>[] = [1, 2, 3].map((value) => ({
    value,
    label: value === 1 ? 'One pole' : `${value} poles`,
  }));
  protected readonly channelChoices = computed((): Choice<string>[] => {
    const names = this.plan().usage.measurement?.channels.map(({ name }) => name) ?? [];
    const own = this.circuit()?.channel ?? '';
    const all = own === '' || names.includes(own) ? names : [...names, own];
    return [{ value: '', label: 'not measured' }, ...all.map((name) => ({ value: name, label: name }))];
  });
  protected readonly loadChoices = computed((): Choice<string>[] =>
    this.plan()
      .loads.filter(({ circuitId }) => circuitId !== this.circuit()?.id)
      .toSorted((a, b) => Number(a.circuitId !== null) - Number(b.circuitId !== null))
      .map(({ id, name, circuitId }) => ({
        value: id,
        label: circuitId === null ? name : `${name} (on another circuit)`,
      })),
  );

  protected pickHalf(index: number): void {
    this.half.set(index);
  }

  protected set(change: Partial<Circuit>): void {
    const circuit = this.circuit();
    if (circuit) this.edits.changeCircuit(this.panel(), circuit, change);
  }

  protected setPoles(circuit: Circuit, poles: number | null): void {
    const spaces = poles === null ? null : spacesFrom(this.panel(), circuit.spaces[0]!, poles);
    if (spaces) this.set({ spaces });
  }

  protected setSpaces(text: string): void {
    this.set({ spaces: spacesOf(text) });
  }

  protected place(loadId: string | null): void {
    const circuit = this.circuit();
    if (circuit && loadId !== null) this.edits.place(loadId, circuit.id);
  }

  protected takeOff(loadId: string): void {
    this.edits.place(loadId, null);
  }

  protected remove(circuit: Circuit): void {
    this.edits.removeCircuits(this.panel(), [circuit]);
  }
}

import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { quantityText } from '@levamen/core/base';
import { type Season, seasons } from '@levamen/core/nature';
import type { LegSet } from '@levamen/core/electric';
import {
  bases,
  type Basis,
  circuitsById,
  cyclesPerHour,
  dayPartFacts,
  dayParts,
  type HoursOfUse,
  hoursOfUseSchema,
  kindFacts,
  type Load,
  type LoadKind,
  loadKinds,
  loadSchema,
  restartDelayS,
  runningPowerVA,
  type Start,
  type Survey,
} from '@levamen/core/house';
import { startDemand } from '@levamen/core/study';
import { AmountField } from '../../ui/amount-field';
import { ChoiceField, type Choice } from '../../ui/choice-field';
import { circuitChoice } from '../../ui/circuit-choices';
import { TextField } from '../../ui/text-field';
import { legChoices, type CellContext } from './load-columns';
import { LoadEdits } from './load-edits';
import { StartFields } from './start-fields';

const seasonLabels: Readonly<Record<Season, string>> = {
  winter: 'Winter',
  shoulder: 'Spring, autumn',
  summer: 'Summer',
};

const basisLabels: Readonly<Record<Basis, string>> = {
  typical: 'Typical (library)',
  nameplate: 'Nameplate',
  measured: 'Measured',
  user: 'Entered',
};

/** Everything about one load that the table has no column for. */
@Component({
  selector: 'lv-load-detail',
  imports: [AmountField, ChoiceField, StartFields, TextField],
  templateUrl: './load-detail.html',
  styleUrl: './load-detail.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LoadDetail {
  private readonly edits = inject(LoadEdits);
  readonly load = input.required<Load>();
  readonly context = input.required<CellContext>();
  readonly survey = input.required<Survey>();

  protected readonly shape = loadSchema.shape;
  protected readonly hours = hoursOfUseSchema.shape;
  protected readonly usualCycles = computed(() => cyclesPerHour({ ...this.load(), cyclesPerHour: null }));
  protected readonly usualDelay = computed(() => restartDelayS({ ...this.load(), restartDelayS: null }));
  protected readonly kinds: Choice<LoadKind>[] = loadKinds.map((value) => ({
    value,
    label: kindFacts[value].label,
  }));
  protected readonly basisChoices: Choice<Basis>[] = bases.map((value) => ({
    value,
    label: basisLabels[value],
  }));
  protected readonly legChoices = computed((): Choice<LegSet>[] =>
    legChoices(this.load(), this.context()).map((value) => ({ value, label: value })),
  );
  protected readonly circuitChoices = computed((): Choice<string | null>[] => [
    { value: null, label: 'not placed' },
    ...[...circuitsById(this.survey()).values()]
      .filter(({ circuit }) => circuit.use === 'circuit')
      .map(circuitChoice),
  ]);
  protected readonly seasons = seasons.map((season) => ({ season, label: seasonLabels[season] }));
  protected readonly parts = dayParts.map((part) => ({ part, ...dayPartFacts[part] }));
  protected readonly powerText = computed(() => {
    const start = startDemand(this.context().system, this.load());
    const running = `Adds ${quantityText(this.load().quantity * runningPowerVA(this.load()), 'VA')} while it runs`;
    return start
      ? `${running}; starts with ${quantityText(start.startVA, 'VA')}, ${quantityText(start.startA, 'A')}, for ${quantityText(start.durationS, 's')}`
      : `${running}; starts without a surge`;
  });

  protected set(change: Partial<Load>): void {
    this.edits.replace({ ...this.load(), ...change });
  }

  /** A figure was changed by hand: it is no longer typical. */
  protected setFigure(change: Partial<Load>): void {
    const basis = this.load().basis === 'typical' ? 'user' : this.load().basis;
    this.set({ ...change, basis });
  }

  protected setLegs(legs: LegSet | null): void {
    if (legs !== null) this.set({ legs, legsAssumed: false });
  }

  protected setCircuit(circuitId: string | null): void {
    this.set({ circuitId });
  }

  protected setStart(start: Start): void {
    this.setFigure({ start });
  }

  protected setHours(season: Season, field: keyof HoursOfUse, hours: number | null): void {
    const { use } = this.load();
    this.setFigure({ use: { ...use, [season]: { ...use[season], [field]: hours ?? 0 } } });
  }
}

import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { quantityText } from '@levamen/core/base';
import { type Season, seasons } from '@levamen/core/nature';
import type { LegSet } from '@levamen/core/electric';
import {
  circuitsById,
  dayPartFacts,
  dayParts,
  type HoursOfUse,
  hoursOfUseSchema,
  type Load,
  loadSchema,
  runningPowerVA,
  type Survey,
} from '@levamen/core/house';
import { cyclesPerHour, restartDelayS } from '@levamen/core/house/details';
import type { Presence } from '@levamen/core/design';
import { startDemand } from '@levamen/core/study';
import { Button } from 'primeng/button';
import type { Choice } from '../../ui/choice-field';
import { circuitChoice } from '../../ui/circuit-choices';
import { formOf } from '../../ui/form';
import { FormField } from '../../ui/form-field';
import { seasonLabels } from '../../ui/season-labels';
import { asUser, legChoices, type CellContext } from './load-columns';
import { LoadEdits } from './load-edits';
import { PhotoStrip } from '../../photos/photo-strip';
import { StartFields } from './start-fields';

/** Figures of the load: one that is changed by hand is no longer typical. */
const figures: ReadonlySet<keyof Load> = new Set(['voltageV', 'powerFactor', 'start', 'use']);

/** Everything about one load that the table has no column for. */
@Component({
  selector: 'lv-load-detail',
  imports: [Button, FormField, PhotoStrip, StartFields],
  templateUrl: './load-detail.html',
  styleUrl: './load-detail.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LoadDetail {
  protected readonly edits = inject(LoadEdits);
  readonly load = input.required<Load>();
  readonly context = input.required<CellContext>();
  readonly survey = input.required<Survey>();
  readonly presence = input.required<Presence>();

  protected readonly form = formOf<Load>(loadSchema.shape, this.load, (change) => this.set(change), {
    defaults: computed(() => ({
      cyclesPerHour: {
        value: cyclesPerHour({ ...this.load(), cyclesPerHour: null }),
        why: 'as usual for its kind',
      },
      restartDelayS: {
        value: restartDelayS({ ...this.load(), restartDelayS: null }),
        why: 'as usual for its kind',
      },
    })),
  });
  protected readonly hasSoftStarter = computed(() => this.edits.hasSoftStarter(this.load()));
  protected readonly mayHaveSoftStarter = computed(() => {
    const { how } = this.load().start;
    return how !== 'none' && how !== 'soft';
  });
  protected readonly legHint = computed(() => (this.load().legsAssumed ? 'assumed; choose to confirm' : ''));
  protected readonly circuitHint = computed(() =>
    this.load().circuitId === null ? 'not placed yet' : 'its legs are those of the circuit',
  );
  protected readonly legChoices = computed((): Choice<LegSet>[] =>
    legChoices(this.load(), this.context()).map((value) => ({ value, label: value })),
  );
  protected readonly circuitChoices = computed((): Choice<string | null>[] => [
    { value: null, label: 'not placed' },
    ...[...circuitsById(this.survey()).values()]
      .filter(({ circuit }) => circuit.use === 'circuit')
      .map(circuitChoice),
  ]);
  protected readonly seasons = seasons.map((season) => ({
    season,
    label: seasonLabels[season],
    form: formOf<HoursOfUse>(
      hoursOfUseSchema.shape,
      computed(() => this.load().use[season]),
      (change) => this.setHours(season, change),
    ),
  }));
  protected readonly parts = dayParts.map((part) => ({ part, ...dayPartFacts[part] }));
  protected readonly powerText = computed(() => {
    const start = startDemand(this.context().system, this.load());
    const running = `Adds ${quantityText(this.load().quantity * runningPowerVA(this.load()), 'VA')} while it runs`;
    return start
      ? `${running}; starts with ${quantityText(start.startVA, 'VA')}, ${quantityText(start.startA, 'A')}, for ${quantityText(start.durationS, 's')}`
      : `${running}; starts without a surge`;
  });

  protected set(change: Partial<Load>): void {
    const isFigure = Object.keys(change).some((key) => figures.has(key as keyof Load));
    const changed = { ...this.load(), ...('legs' in change ? { legsAssumed: false } : {}), ...change };
    this.edits.replace(isFigure ? asUser(changed) : changed);
  }

  protected unplug(unplugged: boolean): void {
    this.edits.unplug(this.load(), unplugged);
  }

  private setHours(season: Season, change: Partial<HoursOfUse>): void {
    const { use } = this.load();
    this.set({ use: { ...use, [season]: { ...use[season], ...change } } });
  }
}

import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { quantityText } from '@levamen/core/base';
import type { Season } from '@levamen/core/nature';
import { dailyEnergyWh, type Load, runningPowerVA } from '@levamen/core/house';
import { startText } from '@levamen/core/house/details';
import {
  type BenchItem,
  type Presence,
  presences,
  type Lane,
  lanes,
  type Shed,
  shedSchema,
  usualShed,
} from '@levamen/core/design';
import type { ItemEffect } from '@levamen/core/study/details';
import { Button } from 'primeng/button';
import { JobSession } from '../../data/job-session';
import { formOf } from '../../ui/form';
import { FormField } from '../../ui/form-field';
import { presenceWords } from '../../ui/presence-words';
import { BackupEdits } from './backup-edits';
import { limitWords } from './bench-view';
import { laneFacts } from './lane-facts';

/** The chosen circuits: what hangs on them, where they stand, how they are shed, and what moving them means. */
@Component({
  selector: 'lv-item-detail',
  imports: [Button, FormField],
  templateUrl: './item-detail.html',
  styleUrl: './side.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ItemDetail {
  private readonly edits = inject(BackupEdits);
  readonly items = input.required<readonly BenchItem[]>();
  readonly all = input.required<readonly BenchItem[]>();
  readonly effects = input.required<ReadonlyMap<string, ItemEffect>>();
  readonly season = input.required<Season>();

  protected readonly message = signal('');
  protected readonly title = computed(() => {
    const items = this.items();
    return items.length === 1 ? items[0]!.name : `${items.length} circuits`;
  });
  protected readonly moves = computed(() =>
    lanes.map((lane) => ({
      lane,
      ...laneFacts[lane],
      here: this.items().every((item) => item.lane === lane),
    })),
  );
  private readonly session = inject(JobSession);
  private readonly presence = computed(() => {
    const plan = this.session.plan();
    return plan ? presences(plan) : () => 'dark' as const;
  });
  protected readonly loads = computed(() =>
    this.items().flatMap(({ loads }) =>
      loads.map((load) => ({
        id: load.id,
        name: load.quantity > 1 ? `${load.quantity} × ${load.name}` : load.name,
        ...said(load, this.presence()(load)),
        figures: [
          `${quantityText(dailyEnergyWh(load, this.season()), 'Wh')} a day`,
          quantityText(load.quantity * runningPowerVA(load), 'VA'),
          ...(load.start.how === 'none' ? [] : [`starts ${startText(load.start)}`]),
        ].join(', '),
      })),
    ),
  );
  /** Other circuits that move along. */
  protected readonly together = computed(() => {
    const chosen = new Set(this.items().map(({ id }) => id));
    const ids = new Set(this.items().flatMap(({ movesWith }) => movesWith));
    return this.all()
      .filter(({ id }) => ids.has(id) && !chosen.has(id))
      .map(({ name }) => name)
      .join(', ');
  });
  protected readonly effect = computed(() => {
    const items = this.items();
    const effect = items.length === 1 ? this.effects().get(items[0]!.id) : undefined;
    if (!effect || items[0]!.loads.length === 0) return [];
    const kept = items[0]!.lane === 'on' || items[0]!.lane === 'hand';
    const says: string[] = [];
    if (effect.runtimeCostH !== null && Number.isFinite(effect.runtimeCostH)) {
      const hours = `${effect.runtimeRough ? 'about ' : ''}${quantityText(effect.runtimeCostH, 'h')}`;
      says.push(kept ? `It costs ${hours} of runtime.` : `Staying on, it would cost ${hours} of runtime.`);
    }
    if (effect.wouldBreak.length > 0) {
      says.push(`Staying on, it would break ${effect.wouldBreak.map((key) => limitWords[key]).join(', ')}.`);
    }
    if (effect.wouldMend.length > 0) {
      says.push(`Without it ${effect.wouldMend.map((key) => limitWords[key]).join(' and ')} would hold.`);
    }
    return says;
  });
  protected readonly shed = computed((): Shed | null => {
    const item = this.items()[0];
    return item?.lane === 'auto' ? (item.shed ?? usualShed) : null;
  });
  protected readonly form = formOf<Shed>(
    shedSchema.shape,
    computed(() => this.shed() ?? usualShed),
    (change) => this.edits.shed(this.circuitIds(), change),
  );
  private readonly circuitIds = computed(() => this.items().flatMap(({ circuit }) => circuit?.id ?? []));

  protected unplug(loadId: string, unplugged: boolean): void {
    this.edits.unplug(loadId, unplugged);
  }

  protected move(lane: Lane): void {
    this.message.set(this.edits.move(this.items(), lane));
  }
}

/** What is said of a load beside its name, and what can be said otherwise. */
function said({ name, tier }: Load, presence: Presence) {
  const standing = presence === 'kept' ? tier : `${tier}, ${presenceWords[presence]}`;
  const plug =
    presence === 'along'
      ? { label: 'Unplug', says: `Unplug in an outage: ${name}`, unplugs: true }
      : presence === 'unplugged'
        ? { label: 'Plug in', says: `Leave plugged in: ${name}`, unplugs: false }
        : null;
  return { standing, plug };
}

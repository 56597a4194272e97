import { effect, inject, Injectable, signal, untracked } from '@angular/core';
import type { Stack } from '@levamen/core/equipment';
import { chooseFor } from '@levamen/core/design';
import { EvaluationService } from './evaluation';
import { JobSession } from './job-session';

/** Units that took the place of others without anybody choosing them. */
export interface ChangedEquipment {
  readonly islandId: string;
  readonly from: Stack;
  readonly to: Stack;
}

/** Notices when an edit lets the suggestion become other units: nothing behind the margins changes silently. */
@Injectable()
export class EquipmentChange {
  private readonly evaluations = inject(EvaluationService);
  private readonly session = inject(JobSession);
  /** What was in use when a search had settled last. */
  private settled: { readonly place: string; readonly stack: Stack } | null = null;

  /** Until it is dismissed, undone, or somebody chooses. */
  readonly changed = signal<ChangedEquipment | null>(null);

  constructor() {
    effect(() => {
      const evaluation = this.evaluations.evaluation();
      if (!evaluation || (evaluation.selectedBy !== 'user' && !evaluation.searched)) return;
      untracked(() => {
        const { selected, selectedBy, island } = evaluation;
        const islandId = island?.id ?? '';
        // Another design, or another source, has units of its own.
        const place = `${this.session.designId()}/${islandId}`;
        if (selectedBy === 'user' || !selected || evaluation.context.backupSet.length === 0) {
          this.settled = null;
          this.changed.set(null);
          return;
        }
        const { stack } = selected;
        const before = this.settled;
        this.settled = { place, stack };
        if (before?.place !== place) {
          this.changed.set(null);
          return;
        }
        // Several edits in a row are one change, from what was there first.
        const from = this.changed()?.from ?? before.stack;
        this.changed.set(from.name === stack.name ? null : { islandId, from, to: stack });
      });
    });
  }

  /** Makes the units that were there the user's choice. */
  keep({ from, islandId }: ChangedEquipment): void {
    const island = this.evaluations.evaluation()?.islands.find(({ id }) => id === islandId);
    if (!island) return;
    this.session.edit(`keep ${from.name}`, (plan) => chooseFor(plan, island, from.parts));
    this.changed.set(null);
  }
}

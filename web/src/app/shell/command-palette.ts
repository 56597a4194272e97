import type { ElementRef } from '@angular/core';
import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  linkedSignal,
  model,
  output,
  signal,
  viewChild,
} from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Dialog } from 'primeng/dialog';
import { InputText } from 'primeng/inputtext';
import { EvaluationService } from '../data/evaluation';
import { JobSession } from '../data/job-session';
import { findEntries, paletteEntries, type PaletteEntry } from './palette-entries';
import { STAGES } from './stage';

/** Finds any load, figure, stage or action by typing. */
@Component({
  selector: 'lv-command-palette',
  imports: [Dialog, FormsModule, InputText],
  template: `
    <p-dialog
      closeAriaLabel="Close"
      header="Find"
      position="top"
      [modal]="true"
      [dismissableMask]="true"
      [(visible)]="visible"
      [style]="{ width: '38rem' }"
    >
      <input
        #box
        pInputText
        class="box"
        role="combobox"
        aria-label="Find a load, a figure or an action"
        aria-controls="palette-list"
        aria-expanded="true"
        autocomplete="off"
        placeholder="Load, figure, stage or action"
        [attr.aria-activedescendant]="activeId()"
        [(ngModel)]="query"
        (keydown)="onKey($event)"
      />
      <ul id="palette-list" role="listbox" aria-label="Found">
        @for (entry of found(); track entry.id) {
          <li
            role="option"
            tabindex="-1"
            [id]="entry.id"
            [attr.aria-selected]="$index === active()"
            (click)="choose(entry)"
            (keydown.enter)="choose(entry)"
          >
            <span class="group">{{ entry.group }}</span>
            <span>{{ entry.label }}</span>
            <span class="detail figure">{{ entry.detail }}</span>
          </li>
        } @empty {
          <li class="soft" role="option" aria-selected="false" aria-disabled="true">
            Nothing has that name.
          </li>
        }
      </ul>
    </p-dialog>
  `,
  styleUrl: './command-palette.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CommandPalette {
  private readonly session = inject(JobSession);
  private readonly evaluations = inject(EvaluationService);
  private readonly stages = inject(STAGES);
  private readonly box = viewChild<ElementRef<HTMLInputElement>>('box');

  readonly visible = model(false);
  readonly chosen = output<PaletteEntry>();

  protected readonly query = signal('');
  private readonly entries = computed(() => {
    const plan = this.session.plan();
    return this.visible() && plan ? paletteEntries(this.stages, plan, this.evaluations.evaluation()) : [];
  });
  protected readonly found = computed(() => findEntries(this.entries(), this.query()));
  protected readonly active = linkedSignal({ source: this.query, computation: () => 0 });
  protected readonly activeId = computed(() => this.found()[this.active()]?.id ?? null);

  constructor() {
    effect(() => {
      if (this.visible()) this.query.set('');
    });
    // At once, not after the dialog has faded in: what is typed meanwhile belongs into the box.
    effect(() => this.box()?.nativeElement.focus());
    effect(() => {
      const id = this.activeId();
      if (id) document.getElementById(id)?.scrollIntoView({ block: 'nearest' });
    });
  }

  protected onKey(event: KeyboardEvent): void {
    const step = { ArrowDown: 1, ArrowUp: -1 }[event.key];
    if (step) {
      event.preventDefault();
      const count = this.found().length;
      if (count > 0) this.active.update((active) => (active + step + count) % count);
    } else if (event.key === 'Enter') {
      event.preventDefault();
      const entry = this.found()[this.active()];
      if (entry) this.choose(entry);
    }
  }

  protected choose(entry: PaletteEntry): void {
    this.visible.set(false);
    this.chosen.emit(entry);
  }
}

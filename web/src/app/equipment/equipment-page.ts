import { DatePipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, effect, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import type { EquipmentRevision } from '@levamen/core/api';
import { nameList, type UnitSystem } from '@levamen/core/base';
import { type Item, type ItemKind, itemKindNames, itemKinds } from '@levamen/core/equipment';
import { labelAt, type ItemDraft, itemChanges, newDraft } from '@levamen/core/equipment/details';
import { Button } from 'primeng/button';
import { InputText } from 'primeng/inputtext';
import { JobsApi } from '../data/jobs-api';
import { ChoiceField } from '../ui/choice-field';
import { PlaceHeader } from '../ui/place-header';
import { EquipmentState, freeIdentifier, type ListedItem, unnamed } from './equipment-state';
import { ImportItemsDialog } from './import-items-dialog';
import { ItemForm } from './item-form';
import { ItemHistoryList } from './item-history';
import { ItemLinks } from './item-links';
import { ModuleStrings } from './module-strings';
import { ItemSources } from './item-sources';
import { ItemSheet } from './item-sheet';
import { PasteSheetDialog } from './paste-sheet-dialog';

const unitsKey = 'levamen.equipment-units';
/** Lines drawn at once; more are found by searching. */
const mostLines = 300;

interface Line extends ListedItem {
  readonly id: string;
  readonly name: string;
  readonly mark: string;
}

interface LineGroup {
  readonly kind: ItemKind;
  readonly label: string;
  readonly lines: readonly Line[];
}

const isDraftOf = (item: Item, draft: ItemDraft): boolean => item.id === draft.id;

/** The company's equipment: every item it sells, as its data sheet says. */
@Component({
  selector: 'lv-equipment-page',
  imports: [
    Button,
    ChoiceField,
    DatePipe,
    FormsModule,
    ImportItemsDialog,
    InputText,
    ItemForm,
    ItemHistoryList,
    ItemLinks,
    ItemSheet,
    ItemSources,
    ModuleStrings,
    PasteSheetDialog,
    PlaceHeader,
  ],
  providers: [EquipmentState],
  templateUrl: './equipment-page.html',
  styleUrl: './equipment-page.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class EquipmentPage {
  protected readonly state = inject(EquipmentState);
  private readonly api = inject(JobsApi);

  protected readonly search = signal('');
  protected readonly chosenId = signal('');
  protected readonly newKind = signal<ItemKind>('battery-inverter');
  protected readonly said = signal('');
  protected readonly dialog = signal<'' | 'import' | 'paste'>('');
  protected readonly withSample = signal(false);
  protected readonly units = signal<UnitSystem>(
    localStorage.getItem(unitsKey) === 'imperial' ? 'imperial' : 'metric',
  );
  protected readonly revisions = signal<readonly EquipmentRevision[] | null>(null);

  protected readonly kindChoices = itemKindNames.map((value) => ({ value, label: itemKinds[value].label }));
  protected readonly unitChoices: readonly { value: UnitSystem; label: string }[] = [
    { value: 'metric', label: 'mm, kg, °C' },
    { value: 'imperial', label: 'in, lb, °F' },
  ];

  private readonly found = computed(() => {
    const words = this.search().toLowerCase().split(/\s+/).filter(Boolean);
    return this.state.listed().filter(({ draft }) => {
      const text =
        `${draft.name} ${draft.line} ${draft.articleNumber} ${itemKinds[draft.kind].label} ${draft.summary}`.toLowerCase();
      return words.every((word) => text.includes(word));
    });
  });
  protected readonly groups = computed((): LineGroup[] => {
    const lines = this.found()
      .slice(0, mostLines)
      .map((one): Line => {
        const { id, name, retired } = one.draft;
        const mark = one.isNew ? 'new' : one.isChanged ? 'changed' : one.isSample ? 'sample' : '';
        return {
          ...one,
          id,
          name: name || 'Without a name',
          mark: retired ? 'offered no longer' : mark,
        };
      });
    return itemKindNames.flatMap((kind) => {
      const own = lines.filter(({ draft }) => draft.kind === kind);
      return own.length === 0 ? [] : [{ kind, label: itemKinds[kind].label, lines: own }];
    });
  });
  protected readonly hiddenCount = computed(() => Math.max(0, this.found().length - mostLines));
  protected readonly chosen = computed(
    () => this.state.listed().find(({ draft }) => draft.id === this.chosenId()) ?? null,
  );
  protected readonly names = computed(() =>
    this.state.listed().map(({ draft: { id, name, kind } }) => ({
      id,
      name: name === '' ? '' : `${name} (${itemKinds[kind].label.toLowerCase()})`,
    })),
  );
  protected readonly drafts = computed(() => this.state.listed().map(({ draft }) => draft));
  protected readonly kindLabel = computed(() => {
    const chosen = this.chosen();
    return chosen ? itemKinds[chosen.draft.kind].label : '';
  });
  /** What cannot be about the item that is looked at, and what is worth a second look. */
  protected readonly doubts = computed(() => {
    const chosen = this.chosen();
    if (!chosen || chosen.isSample) return [];
    const { draft } = chosen;
    const checked = this.state.checkOf(draft);
    const own = checked.doubts.map(({ path, message, refuses }) => ({
      label: labelAt(draft.kind, path) ?? '',
      message,
      refuses,
    }));
    const between = this.state
      .betweenOf(draft.id)
      .map(({ message }) => ({ label: '', message, refuses: true }));
    return [...own, ...between];
  });
  /** Fields of it that are needed and empty. */
  protected readonly missing = computed(() => {
    const chosen = this.chosen();
    if (!chosen || chosen.isSample) return '';
    const { draft } = chosen;
    return nameList(
      this.state.checkOf(draft).missing.map((path) => (labelAt(draft.kind, path) ?? '').toLowerCase()),
    );
  });
  /** What saving would change. */
  protected readonly changes = computed(() => {
    const chosen = this.chosen();
    if (!chosen?.isChanged || chosen.isNew) return [];
    const kept = this.state.kept().find((item) => isDraftOf(item, chosen.draft));
    const checked = this.state.checkOf(chosen.draft);
    return kept && checked.ok && kept.kind === checked.item.kind ? itemChanges(kept, checked.item) : [];
  });
  protected readonly unreadyNames = computed(() =>
    this.state
      .unready()
      .map(({ name, kind }) => name || itemKinds[kind].label.toLowerCase())
      .slice(0, 5)
      .join(', '),
  );
  protected readonly fileQuery = computed(() => (this.withSample() ? '?sample=yes' : ''));

  constructor() {
    effect(() => localStorage.setItem(unitsKey, this.units()));
    effect(() => {
      // Something stands beside the list as soon as there is something.
      if (this.chosenId() === '') this.chosenId.set(this.state.listed()[0]?.draft.id ?? '');
    });
  }

  protected setUnits(units: UnitSystem | null): void {
    if (units) this.units.set(units);
  }

  protected add(): void {
    const draft = newDraft(this.newKind(), this.freeId(unnamed));
    this.state.enter(draft);
    this.chosenId.set(draft.id);
  }

  protected duplicate({ draft }: ListedItem): void {
    const name = this.freeName(draft.name);
    const copy = {
      ...draft,
      id: this.freeId(name),
      name,
      line: draft.line === 'Sample line' ? '' : draft.line,
    };
    this.state.enter(copy);
    this.chosenId.set(copy.id);
  }

  protected retire({ draft }: ListedItem): void {
    this.state.enter({ ...draft, retired: !draft.retired });
  }

  protected discard({ draft, isNew }: ListedItem): void {
    this.state.discard(draft.id);
    if (isNew) this.chosenId.set('');
  }

  protected takeOut({ draft }: ListedItem): void {
    this.state.remove(draft);
    this.chosenId.set('');
  }

  protected takeImported(items: readonly Item[]): void {
    this.state.enterAll(items);
    this.dialog.set('');
    this.chosenId.set(items[0]?.id ?? '');
  }

  protected takePasted(draft: ItemDraft): void {
    this.state.enter(draft);
    this.dialog.set('');
  }

  protected save(): void {
    const [first] = Object.values(this.state.drafts());
    const usual =
      this.state.changedCount() === 1 && first
        ? `${first.name} entered`
        : `${this.state.changedCount()} items entered`;
    this.state.save(this.said().trim() || usual, (renamed) =>
      this.chosenId.update((id) => renamed.get(id) ?? id),
    );
    this.said.set('');
  }

  protected showRevisions(event: Event): void {
    if (!(event.target as HTMLDetailsElement).open) return;
    this.api.equipmentRevisions().subscribe((revisions) => this.revisions.set(revisions));
  }

  private freeName(name: string): string {
    const taken = new Set(this.state.listed().map(({ draft }) => draft.name.toLowerCase()));
    for (let number = 2; ; number += 1) {
      const candidate = `${name.slice(0, 54)} (${number})`;
      if (!taken.has(candidate.toLowerCase())) return candidate;
    }
  }

  private freeId(name: string): string {
    return freeIdentifier(name, new Set(this.state.listed().map(({ draft }) => draft.id)));
  }
}

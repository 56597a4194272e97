import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { languages, type Language, type SheetSize } from '@levamen/core/papers';
import { ChoiceField, type Choice } from '../../ui/choice-field';
import { forHousehold, languageWords, partWords } from './paper-words';
import { PapersState } from './papers-state';

/** What goes into the paper, on which sheet and in which language. */
@Component({
  selector: 'lv-paper-choices',
  imports: [ChoiceField, FormsModule],
  template: `
    <section class="sheet" aria-labelledby="choices-heading">
      <h3 id="choices-heading">What goes in</h3>
      <div class="pair">
        <lv-choice-field
          label="Sheet"
          [choices]="sheets"
          [value]="state.sheet()"
          (valueChange)="$event && state.sheet.set($event)"
        />
        @if (household()) {
          <lv-choice-field
            label="Language"
            [choices]="languages"
            [value]="state.language()"
            (valueChange)="$event && state.language.set($event)"
          />
        }
      </div>
      @if (state.kind() === 'proposal' && state.designs().length > 1) {
        <fieldset>
          <legend>Designs, three at most</legend>
          @for (design of designs(); track design.id) {
            <label>
              <input
                type="checkbox"
                [checked]="design.isIn"
                [disabled]="design.isFixed"
                (change)="state.showDesign(design.id, !design.isIn)"
              />
              {{ design.name }}
            </label>
          }
        </fieldset>
      }
      <fieldset>
        <legend>Parts</legend>
        @for (part of parts(); track part.id) {
          <label>
            <input type="checkbox" [checked]="part.isIn" (change)="state.take(part.id, !part.isIn)" />
            {{ part.name }}
          </label>
        }
      </fieldset>
      <p class="small soft">A part with nothing to say is left out by itself.</p>
    </section>
  `,
  styles: `
    .sheet {
      display: grid;
      gap: 0.55rem;
      padding: 0.8rem 0.95rem;
    }
    .pair {
      display: grid;
      grid-template-columns: repeat(2, minmax(0, 1fr));
      gap: 0.6rem;
    }
    fieldset {
      display: grid;
      gap: 0.15rem;
      border: 0;
      padding: 0;
      margin: 0;
    }
    legend {
      padding: 0;
      font-size: 0.85rem;
      color: var(--ink-soft);
    }
    input {
      accent-color: var(--accent);
    }
    label {
      display: flex;
      gap: 0.45rem;
      align-items: center;
      min-height: 1.6rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PaperChoices {
  protected readonly state = inject(PapersState);
  protected readonly sheets: readonly Choice<SheetSize>[] = [
    { value: 'letter', label: 'Letter' },
    { value: 'a4', label: 'A4' },
  ];
  protected readonly languages: readonly Choice<Language>[] = languages.map((value) => ({
    value,
    label: languageWords[value],
  }));
  protected readonly household = computed(() => forHousehold(this.state.kind()));
  protected readonly parts = computed(() =>
    this.state.parts().map(({ id, isIn }) => ({ id, isIn, name: partWords[id] })),
  );
  protected readonly designs = computed(() => {
    const chosen = this.state.designIds();
    return this.state.designs().map(({ id, name }) => {
      const isIn = chosen.includes(id);
      return { id, name, isIn, isFixed: isIn ? chosen.length === 1 : chosen.length >= 3 };
    });
  });
}

import { ChangeDetectionStrategy, Component, computed, effect, input, output, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { formatQuantity } from '@levamen/core/base';
import { type ReadingUnit, readReading } from '@levamen/core/commissioning';
import { Button } from 'primeng/button';
import { InputText } from 'primeng/inputtext';

let nextId = 0;
const digits = ['7', '8', '9', '4', '5', '6', '1', '2', '3', '.', '0', '−'] as const;
const spoken: Readonly<Record<string, string>> = { '⌫': 'Wipe the last', '−': 'Minus', '.': 'Point' };
/** Kept readings, as they would be typed. */
const typedAgain = (value: number, unit: ReadingUnit): string => {
  const shown = formatQuantity(value, unit, 'metric', 3);
  return `${shown.text.replaceAll(',', '')} ${shown.unit}`.trim();
};

/** Takes what an instrument shows: typed, or tapped on large keys with gloves on. */
@Component({
  selector: 'lv-reading-pad',
  imports: [Button, FormsModule, InputText],
  template: `
    <label [for]="id">Reading, {{ unitWord() }}</label>
    <div class="line">
      <input
        pInputText
        inputmode="decimal"
        autocomplete="off"
        [id]="id"
        [ngModel]="text()"
        (ngModelChange)="typed($event)"
        [attr.aria-invalid]="error() !== '' || null"
        [attr.aria-describedby]="id + '-note'"
        (keydown.enter)="take()"
      />
      <p-button label="Take it" icon="pi pi-check" (onClick)="take()" />
    </div>
    <p class="note small" [id]="id + '-note'" aria-live="polite">
      @if (error() !== '') {
        <span class="error"><i class="pi pi-times-circle" aria-hidden="true"></i> {{ error() }}</span>
      }
    </p>
    <div class="keys" role="group" aria-label="Keys">
      @for (key of keys(); track $index) {
        @if (key.text === '') {
          <span></span>
        } @else {
          <button type="button" [attr.aria-label]="key.name" (click)="press(key.text)">{{ key.text }}</button>
        }
      }
    </div>
  `,
  styles: `
    :host {
      display: grid;
      gap: 0.35rem;
      max-width: 21rem;
    }
    .line {
      display: flex;
      gap: 0.5rem;
    }
    input {
      flex: 1;
      min-width: 0;
      font-size: 1.3rem;
    }
    .note {
      min-height: 1.2rem;
      margin: 0;
    }
    .error {
      color: var(--fails);
    }
    .keys {
      display: grid;
      grid-template-columns: repeat(4, minmax(0, 1fr));
      gap: 0.35rem;
    }
    .keys button {
      min-height: 2.75rem;
      border: 1px solid var(--rule);
      border-radius: 4px;
      background: var(--paper);
      font-size: 1.1rem;
      cursor: pointer;
    }
    .keys button:hover {
      background: var(--accent-wash);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ReadingPad {
  readonly unit = input.required<ReadingUnit>();
  /** What was taken; null = nothing yet. */
  readonly value = input.required<number | null>();
  readonly valueChange = output<number | null>();

  protected readonly id = `reading-${nextId++}`;
  protected readonly text = signal('');
  protected readonly error = signal('');
  protected readonly unitWord = computed(() => {
    const unit = this.unit();
    return unit === 'count' ? 'how many' : unit === 'share' ? 'in %' : unit;
  });
  protected readonly keys = computed(() => {
    // Beside the digits, in the last column: what is wiped, and the multiples this unit is read in.
    const more = this.unit() === 'Ω' ? ['⌫', 'k', 'M'] : this.unit() === 'W' ? ['⌫', 'k', ''] : ['⌫', '', ''];
    const rows = [0, 1, 2, 3].flatMap((row) => [...digits.slice(row * 3, row * 3 + 3), more[row] ?? '']);
    return rows.map((text) => ({ text, name: spoken[text] ?? text }));
  });

  constructor() {
    effect(() => {
      const value = this.value();
      this.text.set(value === null ? '' : typedAgain(value, this.unit()));
      this.error.set('');
    });
  }

  protected typed(text: string): void {
    this.text.set(text);
    this.error.set('');
  }

  protected press(key: string): void {
    const text = this.text();
    if (key === '⌫') this.typed(text.trimEnd().slice(0, -1));
    else if (key === 'k' || key === 'M')
      this.typed(`${text.replace(/\s*[kM]?[ΩW]?$/, '')} ${key}${this.unit()}`);
    else if (key === '−') this.typed(text.startsWith('-') ? text.slice(1) : `-${text}`);
    else this.typed(/[^\d.,-]/.test(text) ? key : text + key);
  }

  protected take(): void {
    if (this.text().trim() === '') {
      this.valueChange.emit(null);
      return;
    }
    const read = readReading(this.text(), this.unit());
    if (read.ok) this.valueChange.emit(read.value);
    else this.error.set(read.message);
  }
}

import { ChangeDetectionStrategy, Component, computed, inject, signal, viewChild } from '@angular/core';
import { nameSchema } from '@levamen/core/base';
import { type Signature, strokePath } from '@levamen/core/house';
import { Button } from 'primeng/button';
import { TextField } from '../../ui/text-field';
import { CommissioningState } from './commissioning-state';
import { SignatureField } from './signature-field';

const sides = [
  { id: 'installer', label: 'Installer' },
  { id: 'household', label: 'Household' },
] as const;

/** Both sides take the work over, each once, with what is left noted. */
@Component({
  selector: 'lv-sign-off',
  imports: [Button, SignatureField, TextField],
  template: `
    <section class="sheet" aria-labelledby="sign-heading">
      <h3 id="sign-heading">Sign-off</h3>
      <p class="small soft">{{ says() }}</p>
      @for (side of signed(); track side.id) {
        <div class="side">
          <p>
            <strong>{{ side.label }}</strong> {{ side.text }}
          </p>
          @if (side.path !== '') {
            <svg viewBox="0 0 1000 334" role="img" [attr.aria-label]="'Signature of ' + side.name">
              <path [attr.d]="side.path" />
            </svg>
          }
          @if (side.isSigned) {
            <p-button
              label="Take the signature back"
              size="small"
              severity="secondary"
              [text]="true"
              [ariaLabel]="'Take back the signature of the ' + side.label"
              (onClick)="takeBack(side.id)"
            />
          } @else {
            <p-button
              [label]="'Sign for the ' + side.label.toLowerCase()"
              icon="pi pi-pencil"
              size="small"
              [outlined]="true"
              [disabled]="signing() === side.id"
              (onClick)="begin(side.id)"
            />
          }
          @if (signing() === side.id) {
            <lv-text-field
              label="Name"
              [schema]="nameSchema"
              [value]="name()"
              (valueChange)="name.set($event)"
            />
            <lv-signature-field (strokesChange)="strokes.set($event)" />
            <div class="line">
              <p-button
                label="Sign"
                ariaLabel="Sign now"
                icon="pi pi-check"
                size="small"
                [disabled]="name() === ''"
                (onClick)="sign(side.id)"
              />
              <p-button label="Wipe" size="small" [text]="true" (onClick)="field()?.clear()" />
              <p-button label="Not now" size="small" [text]="true" (onClick)="signing.set('')" />
            </div>
          }
        </div>
      }
    </section>
  `,
  styles: `
    .sheet {
      display: grid;
      grid-template-columns: minmax(0, 1fr);
      gap: 0.5rem;
      padding: 0.8rem 0.95rem;
    }
    p {
      margin: 0;
    }
    .side {
      display: grid;
      grid-template-columns: minmax(0, 1fr);
      justify-items: start;
      gap: 0.35rem;
    }
    .side > * {
      max-width: 100%;
    }
    lv-signature-field,
    svg {
      width: 100%;
    }
    svg {
      border-block-end: 1px solid var(--rule);
    }
    path {
      fill: none;
      stroke: var(--ink);
      stroke-width: 5;
      stroke-linecap: round;
      stroke-linejoin: round;
    }
    .line {
      display: flex;
      gap: 0.4rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SignOffCard {
  private readonly state = inject(CommissioningState);
  protected readonly nameSchema = nameSchema(120);
  protected readonly signing = signal<Signature['id'] | ''>('');
  protected readonly name = signal('');
  protected readonly strokes = signal<number[][] | null>(null);
  protected readonly field = viewChild(SignatureField);

  protected readonly says = computed(() => {
    const stand = this.state.stand();
    if (!stand) return '';
    const { open, off } = stand;
    const left = this.state.record().punch.filter(({ doneOn }) => doneOn === null).length;
    if (open + off + left === 0) return 'Every step is right, and nothing is left to do.';
    const parts = [
      ...(open > 0 ? [`${open} ${open === 1 ? 'step is' : 'steps are'} open`] : []),
      ...(off > 0 ? [`${off} ${off === 1 ? 'is' : 'are'} off`] : []),
      ...(left > 0 ? [`${left} ${left === 1 ? 'thing is' : 'things are'} left to do`] : []),
    ];
    return `${parts.join(', ')}: who signs now takes it over like that.`;
  });

  protected readonly signed = computed(() =>
    sides.map(({ id, label }) => {
      const signature = this.state.record().signatures.find((one) => one.id === id);
      return {
        id,
        label,
        name: signature?.name ?? '',
        isSigned: signature !== undefined,
        text: signature ? `${signature.name}, ${new Date(signature.at).toLocaleString()}` : 'has not signed',
        path: (signature?.strokes ?? []).map(strokePath).join(' '),
      };
    }),
  );

  protected begin(side: Signature['id']): void {
    this.name.set(side === 'installer' ? this.state.who() : '');
    this.strokes.set(null);
    this.signing.set(side);
  }

  protected sign(id: Signature['id']): void {
    const signature: Signature = {
      id,
      name: this.name(),
      at: new Date().toISOString(),
      strokes: this.strokes(),
    };
    this.state.change('signature', (now) => ({
      ...now,
      signatures: [...now.signatures.filter((one) => one.id !== id), signature],
    }));
    this.signing.set('');
  }

  protected takeBack(id: Signature['id']): void {
    this.state.change('signature taken back', (now) => ({
      ...now,
      signatures: now.signatures.filter((one) => one.id !== id),
    }));
  }
}

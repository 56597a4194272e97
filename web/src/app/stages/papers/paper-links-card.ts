import { DatePipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import {
  type ClientLink,
  type IssuedPaper,
  linkDays,
  type NewClientLink,
  type PaperLinks,
} from '@levamen/core/api';
import { Button } from 'primeng/button';
import { InputNumber } from 'primeng/inputnumber';
import { firstValueFrom } from 'rxjs';
import { JobSession } from '../../data/job-session';
import { problemText } from '../../data/jobs-api';
import { PapersApi } from '../../data/papers-api';

/** How long a link holds, until somebody says otherwise. */
const usualDays = { proposal: 30, card: 365 } as const;

/** Links by which the household reads a paper on its telephone; a proposal is accepted there, too. */
@Component({
  selector: 'lv-paper-links-card',
  imports: [Button, DatePipe, FormsModule, InputNumber],
  template: `
    <div class="links">
      <div class="make">
        <label [for]="id">Holds for days</label>
        <p-inputnumber
          size="small"
          [inputId]="id"
          [min]="least"
          [max]="most"
          [inputStyle]="{ width: '4.5rem' }"
          [ngModel]="days()"
          (ngModelChange)="days.set($event ?? least)"
        />
        <p-button label="Make a link" size="small" [outlined]="true" (onClick)="give()" />
      </div>
      @if (address() !== '') {
        <p class="small" role="status">
          Give this to the household; it is shown this once, and whoever has it can read the paper:
          <code data-client-link>{{ address() }}</code>
        </p>
        @if (picture() !== '') {
          <img [src]="picture()" alt="The link as a code for a telephone" width="148" height="148" />
        }
      }
      @if (problem() !== '') {
        <p class="problem small" role="alert">{{ problem() }}</p>
      }
      <ul class="small">
        @for (link of links(); track link.id) {
          <li>
            {{ link.words }}, opened {{ link.opened }} times
            @if (link.holds) {
              until {{ link.expiresAt | date: 'mediumDate' }}
              <p-button label="Take back" size="small" [text]="true" (onClick)="end(link.id)" />
            }
          </li>
        }
      </ul>
      @for (yes of known().acceptances; track yes.id) {
        <p class="small accepted" data-accepted>
          <b>Accepted:</b> “{{ yes.designName }}” by {{ yes.name }}, {{ yes.at | date: 'medium' }}, from
          {{ yes.from }}
        </p>
      }
    </div>
  `,
  styles: `
    .links {
      display: grid;
      gap: 0.35rem;
      padding: 0.5rem 0.6rem;
      background: var(--accent-wash);
    }
    .make {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 0.5rem;
    }
    code {
      display: block;
      overflow-wrap: anywhere;
      user-select: all;
    }
    ul {
      margin: 0;
      padding: 0;
      list-style: none;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PaperLinksCard {
  private readonly api = inject(PapersApi);
  private readonly session = inject(JobSession);
  readonly paper = input.required<IssuedPaper>();
  protected readonly least = linkDays.least;
  protected readonly most = linkDays.most;
  protected readonly id = `link-days-${crypto.randomUUID()}`;
  protected readonly days = signal<number>(usualDays.proposal);
  protected readonly problem = signal('');
  protected readonly known = signal<PaperLinks>({ links: [], acceptances: [] });
  private readonly made = signal<NewClientLink | null>(null);
  protected readonly picture = signal('');
  protected readonly address = computed(() => {
    const made = this.made();
    return made === null ? '' : new URL(`/given/${made.secret}`, location.origin).href;
  });
  protected readonly links = computed(() =>
    this.known().links.map((link) => ({ ...link, holds: holds(link), words: wordsOf(link) })),
  );

  constructor() {
    effect(() => {
      const { kind } = this.paper();
      this.days.set(kind === 'card' ? usualDays.card : usualDays.proposal);
      void this.refresh();
    });
  }

  protected async give(): Promise<void> {
    await this.try(async () => {
      this.made.set(await firstValueFrom(this.api.give(this.session.id(), this.paper().id, this.days())));
      const { default: codes } = await import('qrcode');
      this.picture.set(await codes.toDataURL(this.address(), { margin: 1, width: 148 }));
    });
  }

  protected async end(linkId: string): Promise<void> {
    await this.try(() => firstValueFrom(this.api.endLink(this.session.id(), this.paper().id, linkId)));
  }

  private async try(act: () => Promise<unknown>): Promise<void> {
    this.problem.set('');
    try {
      await act();
    } catch (error) {
      this.problem.set(problemText(error));
    }
    await this.refresh();
  }

  private async refresh(): Promise<void> {
    try {
      this.known.set(await firstValueFrom(this.api.links(this.session.id(), this.paper().id)));
    } catch (error) {
      this.problem.set(problemText(error));
    }
  }
}

const holds = ({ revokedAt, expiresAt }: ClientLink): boolean =>
  revokedAt === null && Date.parse(expiresAt) > Date.now();
const wordsOf = (link: ClientLink): string =>
  link.revokedAt ? 'Taken back' : holds(link) ? 'Holds' : 'Has ended';

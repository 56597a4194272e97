import { HttpClient, HttpErrorResponse } from '@angular/common/http';
import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { acceptPaperSchema, type GivenPaper, givenPaperSchema } from '@levamen/core/api';
import { type Block, fillWords, type Language, languages } from '@levamen/core/papers';
import { firstValueFrom } from 'rxjs';
import { problemText } from '../data/jobs-api';
import { givenWords } from './given-words';
import { PaperBlocks } from './paper-blocks';

/** The language of whoever reads before the paper says its own. */
const ownLanguage = (): Language =>
  languages.find((one) => navigator.language.toLowerCase().startsWith(one)) ?? 'en';

/** A paper that a household reads by its link, without an account: the outage card on a telephone, a proposal to accept. */
@Component({
  selector: 'lv-given-page',
  imports: [FormsModule, PaperBlocks],
  template: `
    <main [attr.lang]="language()">
      @if (paper(); as paper) {
        <h1>{{ paper.title }}</h1>
        <p class="small soft">{{ from() }}</p>
        <lv-paper-blocks [blocks]="blocks()" />
        @if (paper.kind === 'proposal') {
          <p>
            <a [href]="'/api/given/' + secret() + '/file'" download>{{ words().pdf }}</a>
          </p>
          @if (accepted() !== '') {
            <p class="accepted" role="status" data-accepted>{{ accepted() }}</p>
          } @else if (paper.designs.length > 0) {
            <form class="accept" (submit)="accept($event)">
              <h2>{{ words().accept }}</h2>
              <p class="small">{{ words().acceptNote }}</p>
              @if (paper.designs.length > 1) {
                <label
                  >{{ words().which }}
                  <select name="design" [ngModel]="designId()" (ngModelChange)="chosen.set($event)">
                    @for (design of paper.designs; track design.id) {
                      <option [value]="design.id">{{ design.name }}</option>
                    }
                  </select>
                </label>
              } @else {
                <p>{{ words().which }}: {{ paper.designs[0]!.name }}</p>
              }
              <label
                >{{ words().name }}
                <input
                  name="name"
                  autocomplete="name"
                  [ngModel]="name()"
                  (ngModelChange)="name.set($event)"
                />
              </label>
              @if (problem() !== '') {
                <p class="problem" role="alert">{{ problem() }}</p>
              }
              <button type="submit" [disabled]="sending()">{{ words().send }}</button>
            </form>
          }
        }
        <p class="small soft">{{ paper.caution }}</p>
      } @else if (failure() !== '') {
        <h1>Levamen</h1>
        <p role="alert">{{ failure() }}</p>
      } @else {
        <p role="status">…</p>
      }
    </main>
  `,
  styles: `
    main {
      display: grid;
      grid-template-columns: minmax(0, 1fr);
      gap: 0.8rem;
      max-width: 44rem;
      margin: 0 auto;
      padding: 1rem 1.1rem 2.5rem;
      font-size: 1.05rem;
    }
    h1 {
      font-size: 1.6rem;
    }
    .accept {
      display: grid;
      gap: 0.7rem;
      padding: 0.9rem 1rem;
      border: 2px solid var(--accent);
    }
    label {
      display: grid;
      gap: 0.2rem;
    }
    input,
    select {
      min-height: 2.6rem;
      padding: 0.3rem 0.6rem;
      border: 1px solid var(--rule-strong);
      background: var(--sheet-raised);
    }
    button {
      min-height: 2.8rem;
      border: 0;
      background: var(--accent);
      color: var(--sheet-raised);
      font-weight: 600;
    }
    .accepted {
      padding: 0.7rem 0.9rem;
      border-inline-start: 4px solid var(--accent);
      background: var(--accent-wash);
      font-weight: 600;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class GivenPage {
  private readonly http = inject(HttpClient);
  readonly secret = input.required<string>();
  protected readonly paper = signal<GivenPaper | null>(null);
  protected readonly failure = signal('');
  protected readonly problem = signal('');
  protected readonly sending = signal(false);
  protected readonly name = signal('');
  protected readonly chosen = signal('');
  protected readonly language = computed(() => this.paper()?.language ?? ownLanguage());
  protected readonly words = computed(() => givenWords[this.language()]);
  protected readonly blocks = computed(() => (this.paper()?.blocks ?? []) as readonly Block[]);
  protected readonly designId = computed(() => this.chosen() || (this.paper()?.designs[0]?.id ?? ''));
  protected readonly from = computed(() => {
    const paper = this.paper();
    if (!paper) return '';
    const { company, number, issuedOn } = paper;
    const words = fillWords(this.words().from, { company, number, day: this.day(issuedOn) });
    return words.replace(/^, /, '');
  });
  protected readonly accepted = computed(() => {
    const said = this.paper()?.accepted;
    return said
      ? fillWords(this.words().accepted, { design: said.designName, name: said.name, day: this.day(said.at) })
      : '';
  });

  constructor() {
    effect(() => void this.read(this.secret()));
  }

  protected async accept(event: Event): Promise<void> {
    event.preventDefault();
    const said = acceptPaperSchema.safeParse({ designId: this.designId(), name: this.name() });
    if (!said.success) {
      this.problem.set(this.words().nameMissing);
      return;
    }
    this.problem.set('');
    this.sending.set(true);
    try {
      await firstValueFrom(this.http.post(`/api/given/${this.secret()}/accept`, said.data));
      await this.read(this.secret());
    } catch (error) {
      this.problem.set(problemText(error));
    } finally {
      this.sending.set(false);
    }
  }

  private async read(secret: string): Promise<void> {
    try {
      this.paper.set(givenPaperSchema.parse(await firstValueFrom(this.http.get(`/api/given/${secret}`))));
    } catch (error) {
      const isGone = error instanceof HttpErrorResponse && error.status === 404;
      this.failure.set(isGone ? this.words().gone : this.words().offline);
    }
  }

  private day(iso: string): string {
    return new Intl.DateTimeFormat(this.language(), { dateStyle: 'long' }).format(new Date(iso));
  }
}

import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { bandsOfDay, type Tariff } from '@levamen/core/tariff';

interface Stretch {
  readonly band: number;
  readonly letter: string;
  readonly says: string;
  /** Quarter hours. */
  readonly span: number;
}

const clock = (quarter: number): string =>
  `${String(Math.floor(quarter / 4)).padStart(2, '0')}:${String((quarter % 4) * 15).padStart(2, '0')}`;

/** The bands of a day, by season and kind of day: letters before shades. */
@Component({
  selector: 'lv-band-days',
  template: `
    <table>
      <caption class="visually-hidden">
        Which band holds in which hours
      </caption>
      <tbody>
        @for (row of rows(); track row.label) {
          <tr>
            <th scope="row">{{ row.label }}</th>
            <td>
              <span class="day" role="img" [attr.aria-label]="row.says">
                @for (stretch of row.stretches; track $index) {
                  <span
                    [style.flex-grow]="stretch.span"
                    [attr.data-band]="stretch.band % 4"
                    [title]="stretch.says"
                    ><b>{{ stretch.letter }}</b></span
                  >
                }
              </span>
            </td>
          </tr>
        }
        <tr aria-hidden="true">
          <th></th>
          <td class="hours"><span>0</span><span>6</span><span>12</span><span>18</span><span>24</span></td>
        </tr>
      </tbody>
    </table>
    <p class="small soft">{{ legend() }}</p>
  `,
  styles: `
    table {
      width: 100%;
      border-collapse: collapse;
      font-size: 0.85rem;
    }
    th {
      text-align: start;
      font-weight: 500;
      white-space: nowrap;
      padding-inline-end: 0.7rem;
      width: 1%;
    }
    td {
      padding-block: 0.1rem;
    }
    .day {
      display: flex;
      border: 1px solid var(--rule-strong);
    }
    .day span {
      flex: 1 1 0;
      min-width: 0;
      overflow: hidden;
      text-align: center;
      font-family: var(--figures);
      font-size: 0.78rem;
      line-height: 1.25rem;
      border-inline-start: 1px solid var(--rule-strong);
      color: var(--ink);
    }
    .day b {
      font-weight: 600;
      padding-inline: 0.2rem;
      background: var(--sheet-raised);
    }
    .day span:first-child {
      border-inline-start: 0;
    }
    [data-band='1'] {
      background: repeating-linear-gradient(90deg, transparent 0 5px, var(--rule) 5px 6px);
    }
    [data-band='2'] {
      background: repeating-linear-gradient(45deg, transparent 0 3px, var(--rule-strong) 3px 4px);
    }
    [data-band='3'] {
      background: var(--rule);
    }
    .hours {
      display: flex;
      justify-content: space-between;
      font-family: var(--figures);
      font-size: 0.75rem;
      color: var(--ink-soft);
    }
    p {
      margin: 0.3rem 0 0;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BandDays {
  readonly tariff = input.required<Tariff>();

  private readonly letters = computed(() => {
    const taken = new Set<string>();
    return this.tariff().bands.map(({ name }, index) => {
      const letter =
        [...name.toUpperCase()].find((one) => /\p{L}|\p{N}/u.test(one) && !taken.has(one)) ??
        String(index + 1);
      taken.add(letter);
      return letter;
    });
  });
  protected readonly legend = computed(() =>
    this.tariff()
      .bands.map(({ name }, index) => `${this.letters()[index]} ${name}`)
      .join(' · '),
  );
  protected readonly rows = computed(() => {
    const tariff = this.tariff();
    const byKind = tariff.windows.some(({ days }) => days !== 'all');
    return tariff.seasons.flatMap((season, s) =>
      (byKind ? [false, true] : [false]).map((isWeekend) => {
        const stretches = this.stretchesOf(bandsOfDay(tariff, s, isWeekend));
        const kind = byKind ? (isWeekend ? 'weekend' : 'workday') : '';
        const label = [tariff.seasons.length > 1 ? season.name : '', kind].filter(Boolean).join(', ');
        return {
          label: label === '' ? 'Every day' : label,
          stretches,
          says: `${label}: ${stretches.map(({ says }) => says).join(', ')}`,
        };
      }),
    );
  });

  private stretchesOf(minutes: Uint8Array): Stretch[] {
    const stretches: Stretch[] = [];
    let from = 0;
    for (let quarter = 1; quarter <= 96; quarter += 1) {
      const band = minutes[from * 15]!;
      if (quarter < 96 && minutes[quarter * 15] === band) continue;
      const name = this.tariff().bands[band]!.name;
      stretches.push({
        band,
        letter: this.letters()[band]!,
        says: `${name} ${clock(from)} to ${clock(quarter)}`,
        span: quarter - from,
      });
      from = quarter;
    }
    return stretches;
  }
}

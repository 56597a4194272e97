import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
  ElementRef,
  inject,
  Injector,
  input,
  signal,
} from '@angular/core';
import { parseQuantity, quantityText, type UnitSystem } from '@levamen/core/base';
import { type Bill, billSchema, isSouthern } from '@levamen/core/house';
import { billDays, billDayWh, billFacts, readBills } from '@levamen/core/house/details';
import type { Plan } from '@levamen/core/design';
import { Button } from 'primeng/button';
import { Appearance } from '../../data/appearance';
import { ChartView } from '../../ui/chart';
import type { ChartOptions } from '../../ui/chart-engine';
import { axisText, chartBase, chartInk, pointerText } from '../../ui/chart-ink';
import { HouseByBills } from './house-by-bills';
import { PasteRows } from './paste-rows';
import { UsageEdits } from './usage-edits';

type BillField = 'fromDay' | 'toDay' | 'energyWh' | 'exportWh';
/** A bill that may still lack its energy. */
type BegunBill = Omit<Bill, 'energyWh'> & { readonly energyWh: number | null };

/** A period by its real days, and by thirty as the trade has it in its head. */
const extreme = (bill: Bill) => ({
  perDay: quantityText(billDayWh(bill), 'Wh'),
  period: `from ${bill.fromDay}, ${billDays(bill)} days`,
  byHabit: `by habit: ${quantityText(bill.energyWh, 'Wh')} ÷ 30 = ${quantityText(bill.energyWh / 30, 'Wh')}`,
});

/** Bills: typed or pasted, with day averages by real days, extremes and the share of the seasons. */
@Component({
  selector: 'lv-bills-card',
  imports: [Button, ChartView, HouseByBills, PasteRows],
  templateUrl: './bills-card.html',
  styleUrl: './cards.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BillsCard {
  protected readonly edits = inject(UsageEdits);
  private readonly appearance = inject(Appearance);
  private readonly injector = inject(Injector);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  readonly plan = input.required<Plan>();
  readonly units = input.required<UnitSystem>();

  protected readonly pasting = signal(false);
  /** A bill that is being typed, and is none yet. */
  private readonly begun = signal<BegunBill | null>(null);
  /** What could not be taken, by bill and field. */
  protected readonly refused = signal<ReadonlyMap<string, { text: string; message: string }>>(new Map());
  private readonly southern = computed(() => isSouthern(this.plan().site));
  protected readonly facts = computed(() => {
    const facts = billFacts(this.plan().usage.bills, this.southern());
    if (!facts) return null;
    const year = Object.values(facts.seasonDayWh).reduce<number>((sum, wh) => sum + (wh ?? 0), 0);
    const share = (wh: number | null): string =>
      wh === null || year === 0 ? '–' : `${quantityText(wh, 'Wh')} a day`;
    return {
      mean: quantityText(facts.meanDayWh, 'Wh'),
      days: facts.days,
      total: quantityText(facts.energyWh, 'Wh'),
      highest: extreme(facts.highest),
      lowest: extreme(facts.lowest),
      winter: share(facts.seasonDayWh.winter),
      shoulder: share(facts.seasonDayWh.shoulder),
      summer: share(facts.seasonDayWh.summer),
      warnings: [
        ...(facts.overlapping.length > 0
          ? [`${facts.overlapping.length} bills overlap the one before them.`]
          : []),
        ...(facts.missingDays > 0 ? [`${facts.missingDays} days between the bills have none.`] : []),
        ...(facts.days < 350 ? [`Only ${facts.days} days: the extremes of a year may be missing.`] : []),
      ],
    };
  });
  protected readonly rows = computed(() => {
    const refused = this.refused();
    const begun = this.begun();
    const bills: readonly BegunBill[] = this.plan().usage.bills;
    return (begun ? [...bills, begun] : bills).map((bill) => {
      const cell = (field: BillField, text: string) => ({
        text: refused.get(`${bill.id} ${field}`)?.text ?? text,
        message: refused.get(`${bill.id} ${field}`)?.message ?? '',
      });
      return {
        bill,
        from: cell('fromDay', bill.fromDay),
        to: cell('toDay', bill.toDay),
        energy: cell('energyWh', bill.energyWh === null ? '' : String(bill.energyWh / 1000)),
        sent: cell('exportWh', bill.exportWh === null ? '' : String(bill.exportWh / 1000)),
        days: billDays(bill),
        perDay: bill.energyWh === null ? '–' : quantityText(bill.energyWh / billDays(bill), 'Wh'),
      };
    });
  });
  protected readonly messages = computed(() => [
    ...new Set(
      this.rows().flatMap(({ bill, from, to, energy, sent }) =>
        [from, to, energy, sent].flatMap(({ message }) =>
          message === '' ? [] : [`The bill from ${bill.fromDay}: ${message}`],
        ),
      ),
    ),
  ]);
  protected readonly readRows = (cells: string[][]) =>
    readBills(cells, this.units() === 'metric', false, () => crypto.randomUUID());
  protected readonly options = computed((): ChartOptions => {
    const ink = chartInk(this.appearance.dark());
    const bills = this.plan().usage.bills.toSorted((a, b) => a.fromDay.localeCompare(b.fromDay));
    const mean = billFacts(bills, this.southern())?.meanDayWh ?? 0;
    return {
      ...chartBase(ink),
      tooltip: {
        ...pointerText(ink),
        trigger: 'axis',
        valueFormatter: (value) => `${Number(value).toFixed(1)} kWh a day`,
      },
      xAxis: {
        type: 'category',
        data: bills.map(({ fromDay }) => fromDay.slice(2, 7)),
        axisLabel: axisText(ink),
        axisLine: { lineStyle: { color: ink.soft } },
        axisTick: { show: false },
      },
      yAxis: {
        type: 'value',
        axisLabel: { ...axisText(ink), formatter: (value: number) => `${value} kWh/d` },
        splitLine: { lineStyle: { color: ink.rule } },
      },
      series: [
        {
          type: 'bar',
          name: 'Day average',
          barCategoryGap: '25%',
          data: bills.map((bill) => billDayWh(bill) / 1000),
          itemStyle: { color: ink.ink },
          markLine: {
            symbol: 'none',
            lineStyle: { color: ink.accent, type: 'dashed' },
            label: { formatter: 'mean', color: ink.accent, position: 'insideEndTop' },
            data: [{ yAxis: mean / 1000 }],
          },
        },
      ],
    };
  });

  /** A bill without energy is none: it waits beside the others until its kilowatt-hours are typed. */
  protected add(last: BegunBill | undefined = this.plan().usage.bills.at(-1)): void {
    const fromDay = last ? last.toDay : `${new Date().getUTCFullYear() - 1}-01-01`;
    const to = new Date(fromDay);
    to.setUTCMonth(to.getUTCMonth() + 1);
    this.begun.set({
      id: crypto.randomUUID(),
      fromDay,
      toDay: to.toISOString().slice(0, 10),
      energyWh: null,
      exportWh: null,
    });
    afterNextRender(
      () =>
        this.host.nativeElement
          .querySelector<HTMLElement>('tbody tr:last-child input[aria-label="kWh"]')
          ?.focus(),
      { injector: this.injector },
    );
  }

  /** Enter goes on to the next bill. */
  protected onEnter(bill: BegunBill, field: BillField, text: string): void {
    this.write(bill, field, text);
    if (this.begun() === null && bill.energyWh === null) this.add(bill);
  }

  protected remove(id: string): void {
    if (this.begun()?.id === id) this.begun.set(null);
    else this.edits.removeBill(id);
    this.refused.update((all) => new Map([...all].filter(([key]) => !key.startsWith(id))));
  }

  protected write(bill: BegunBill, field: BillField, text: string): void {
    const read = this.read(field, text.trim());
    const checked =
      typeof read === 'object' && read !== null ? null : billSchema.shape[field].safeParse(read);
    const ordered =
      field === 'fromDay' && text < bill.toDay
        ? true
        : field === 'toDay' && text > bill.fromDay
          ? true
          : !field.endsWith('Day');
    const message = !checked
      ? 'Enter kilowatt-hours'
      : !checked.success
        ? checked.error.issues[0]!.message
        : ordered
          ? ''
          : 'The period ends before it begins';
    this.refused.update((all) => {
      const next = new Map(all);
      if (message === '') next.delete(`${bill.id} ${field}`);
      else next.set(`${bill.id} ${field}`, { text, message });
      return next;
    });
    if (message !== '' || !checked?.success) return;
    const begun = this.begun();
    if (begun?.id !== bill.id) {
      this.edits.changeBill(bill.id, { [field]: checked.data });
      return;
    }
    const now = { ...begun, [field]: checked.data };
    const whole = billSchema.safeParse(now);
    if (whole.success) this.edits.addBills([whole.data]);
    this.begun.set(whole.success ? null : now);
  }

  protected take(bills: Bill[]): void {
    this.edits.addBills(bills);
    this.pasting.set(false);
  }

  private read(field: BillField, text: string): string | number | null | { wrong: true } {
    if (field === 'fromDay' || field === 'toDay') return text;
    if (text === '' && field === 'exportWh') return null;
    const parsed = parseQuantity(text, { kwh: 1, mwh: 1000 });
    return parsed.ok ? Math.round(parsed.value * 1000) : { wrong: true };
  }
}

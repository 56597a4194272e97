import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import {
  demandChargeSchema,
  maxSeasons,
  maxWindows,
  type Standing,
  standingSchema,
  type Tariff,
  type DemandCharge,
  tariffFields,
  type TariffSeason,
  tariffSeasonSchema,
  type TariffTax,
  tariffTaxSchema,
  type TariffTier,
  tierSchema,
  type TariffWindow,
  windowSchema,
} from '@levamen/core/tariff';
import * as z from 'zod';
import { formOf } from '../../../ui/form';
import { FormField } from '../../../ui/form-field';
import { TextField } from '../../../ui/text-field';
import { BandDays } from './band-days';
import { BandPrices } from './band-prices';
import { TariffList } from './tariff-list';

const newId = (): string => crypto.randomUUID();

/** Days as one line: "2026-12-24, 2026-12-31". */
const daysSchema = z.string().superRefine((text, context) => {
  const read = tariffFields.extraHolidays.safeParse(daysOf(text));
  if (!read.success) context.addIssue({ code: 'custom', message: read.error.issues[0]!.message });
});
const daysOf = (text: string): string[] => text.split(/[\s,;]+/).filter((day) => day !== '');

/** A tariff as its sheet says it. */
@Component({
  selector: 'lv-tariff-editor',
  imports: [BandDays, BandPrices, FormField, TariffList, TextField],
  templateUrl: './tariff-editor.html',
  styleUrl: './tariff-editor.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TariffEditor {
  readonly tariff = input.required<Tariff>();
  readonly changed = output<Partial<Tariff>>();

  protected readonly form = formOf<Tariff>(tariffFields, this.tariff, (change) => this.changed.emit(change));
  protected readonly daysSchema = daysSchema;
  protected readonly days = computed(() => this.tariff().extraHolidays.join(', '));
  protected readonly most = { seasons: maxSeasons, windows: maxWindows };
  protected readonly shapes = {
    season: tariffSeasonSchema.shape,
    window: windowSchema.shape,
    tier: tierSchema.shape,
    standing: standingSchema.shape,
    demand: demandChargeSchema.shape,
    tax: tariffTaxSchema.shape,
  };
  protected readonly names = {
    season: ['name', 'fromMonth', 'fromDay'] as const,
    window: ['bandId', 'days', 'fromMin', 'toMin'] as const,
    tier: ['aboveKWh', 'per', 'addPerKWh'] as const,
    standing: ['name', 'amount', 'per'] as const,
    demand: ['name', 'perKW', 'intervalMin'] as const,
    tax: ['name', 'rate', 'on'] as const,
  };
  /** The season begins where the one before has lasted longest: at the first month no season begins in. */
  protected readonly newSeason = (): TariffSeason => {
    const taken = new Set(this.tariff().seasons.map(({ fromMonth }) => fromMonth));
    const fromMonth = [5, 11, 3, 9, 7, 1].find((month) => !taken.has(month)) ?? 6;
    return { id: newId(), name: `Season ${this.tariff().seasons.length + 1}`, fromMonth, fromDay: 1 };
  };
  protected readonly newWindow = (): TariffWindow => ({
    id: newId(),
    bandId: (this.tariff().bands[1] ?? this.tariff().bands[0]!).id,
    seasonIds: [],
    days: 'workdays',
    fromMin: 16 * 60,
    toMin: 21 * 60,
  });
  protected readonly newTier = (): TariffTier => ({
    id: newId(),
    seasonIds: [],
    per: 'month',
    aboveKWh: 500,
    addPerKWh: '0',
  });
  protected readonly newStanding = (): Standing => ({
    id: newId(),
    name: 'Service',
    per: 'month',
    amount: '0',
  });
  protected readonly newDemand = (): DemandCharge => ({
    id: newId(),
    name: 'Demand',
    perKW: '0',
    intervalMin: 30,
    seasonIds: [],
    bandIds: [],
  });
  protected readonly newTax = (): TariffTax => ({ id: newId(), name: 'Tax', rate: 0, on: 'charges' });

  protected setDays(text: string): void {
    this.changed.emit({ extraHolidays: daysOf(text) });
  }

  /** What held in a season that is gone holds in those that are left. */
  protected setSeasons(seasons: TariffSeason[]): void {
    const known = new Set(seasons.map(({ id }) => id));
    const { bands, windows, tiers, demand } = this.tariff();
    const left = <T extends { readonly seasonIds: readonly string[] }>(entries: readonly T[]): T[] =>
      entries.map((entry) => ({ ...entry, seasonIds: entry.seasonIds.filter((id) => known.has(id)) }));
    this.changed.emit({
      seasons,
      bands: bands.map((band) => ({ ...band, prices: band.prices.filter(({ id }) => known.has(id)) })),
      windows: left(windows),
      tiers: left(tiers),
      demand: left(demand),
    });
  }
}

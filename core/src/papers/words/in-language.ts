import { type FigureUnit, quantityText, type UnitSystem } from '../../base/index.js';
import { isAmerican, type SupplySystem } from '../../electric/index.js';
import type { Language } from '../document/paper-request.schema.js';

/** How numbers, dates and money are written for who reads a paper. */
export interface InLanguage {
  readonly language: Language;
  quantity(value: number, unit: FigureUnit, more?: number): string;
  share(value: number): string;
  /** Decimal text with its currency. */
  money(amount: string, currency: string): string;
  /** A day as "2026-11-28". */
  day(iso: string): string;
  /** Names in a row, with the word before the last one. */
  list(names: readonly string[]): string;
}

const locales: Readonly<Record<Language, readonly [american: string, other: string]>> = {
  en: ['en-US', 'en-GB'],
  es: ['es-US', 'es-ES'],
  de: ['de-DE', 'de-DE'],
};

/** The way of writing of a language, at a place with such a supply. */
export function inLanguage(language: Language, system: SupplySystem, units: UnitSystem): InLanguage {
  const locale = locales[language][isAmerican(system) ? 0 : 1];
  const parts = new Intl.NumberFormat(locale).formatToParts(1234567.5);
  const sign = (type: string): string => parts.find((part) => part.type === type)?.value ?? '';
  const [group, decimal] = [sign('group'), sign('decimal')];
  /** Quantities are shown with "," and "." everywhere else. */
  const own = (text: string): string => text.replaceAll(/[.,]/g, (one) => (one === ',' ? group : decimal));
  const names = new Intl.ListFormat(locale, { type: 'conjunction' });
  return {
    language,
    quantity: (value, unit, more = 0) => own(quantityText(value, unit, units, more)),
    share: (value) =>
      new Intl.NumberFormat(locale, { style: 'percent', maximumFractionDigits: 0 }).format(value),
    money: (amount, currency) =>
      new Intl.NumberFormat(locale, { style: 'currency', currency }).format(Number(amount)),
    day: (iso) =>
      new Intl.DateTimeFormat(locale, { dateStyle: 'long', timeZone: 'UTC' }).format(
        new Date(`${iso.slice(0, 10)}T00:00:00Z`),
      ),
    // Names that have a comma in them would run together.
    list: (all) => (all.some((name) => name.includes(',')) ? all.join('; ') : names.format(all)),
  };
}

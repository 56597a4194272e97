const formats = new Map<string, Intl.NumberFormat>();

/** An amount of decimal text as it is read: "CA$12,345.50". Not one digit is rounded away. */
export function moneyText(amount: string, currency: string): string {
  const known =
    formats.get(currency) ??
    new Intl.NumberFormat('en', { style: 'currency', currency, maximumFractionDigits: 4 });
  formats.set(currency, known);
  return known.format(amount as Intl.StringNumericLiteral);
}

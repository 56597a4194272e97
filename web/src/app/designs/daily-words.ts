import { dailySettingsOf, type Plan } from '@levamen/core/design';
import { moneyDifference, type OfferTotal } from '@levamen/core/offer';
import { billsOf, worthOf } from '../daily/worth-of';
import { moneyText } from '../ui/money-text';
import { shareText } from '../ui/outlook-texts';
import type { DailyAnswer } from '../workers/daily-api';

/** What a year with the grid comes to for a design, in words. */
export function dailyWords(daily: DailyAnswer, price: OfferTotal | null, plan: Plan) {
  const bills = billsOf(daily);
  const settings = dailySettingsOf(plan);
  const worth = worthOf(bills, price, settings, plan.finance);
  const { sums } = daily.fresh.cases.at(-1)!;
  const years = settings.years.value;
  return {
    bill: bills ? moneyText(bills.after, bills.currency) : 'no tariff',
    saved: bills ? moneyText(moneyDifference(bills.after, bills.before), bills.currency) : '–',
    payback:
      worth === null
        ? '–'
        : worth.paidBackInYear === null
          ? `not within ${years} years`
          : `in year ${worth.paidBackInYear}`,
    ownUse: sums.selfUse === null ? '–' : shareText(sums.selfUse),
    sufficiency: shareText(sums.selfSufficiency),
  };
}

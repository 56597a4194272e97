import { Big } from 'big.js';
import type { PartsList } from '../parts/parts-list.js';
import { minorUnit, nameList, rateText } from '../../base/index.js';
import { type Incentive, type PriceBook, type PriceList, taskLabels } from '../prices/price-book.schema.js';
import { inCompanyCurrency, lowestPrices, pricedWorking, type Prices } from './lowest-prices.js';
import { isWire, type PricedMaterial } from './priced-material.js';

export const offerGroups = [
  'goods',
  'delivery',
  'labour',
  'contingency',
  'profit',
  'fees',
  'tax',
  'incentive',
] as const;
export type OfferGroup = (typeof offerGroups)[number];

/** One line of an offer. Amounts are decimal text; what is taken off begins with "-". */
export interface OfferLine {
  readonly group: OfferGroup;
  readonly label: string;
  readonly why: string;
  /** "3 × 5,200.00 less 12 %", in words and numbers. */
  readonly working: string;
  readonly amount: string;
}

export interface OfferTotal {
  readonly currency: string;
  readonly lines: readonly OfferLine[];
  /** Names of what has no price. */
  readonly missing: readonly string[];
  /** What one of the lines counts for wire and conduit, by length; null = nothing. */
  readonly estimatedWire: string | null;
  /** Goods, delivery, labour, contingency and profit. */
  readonly net: string;
  readonly tax: string;
  /** With fees and taxes. */
  readonly gross: string;
  /** After incentives. */
  readonly afterIncentives: string;
}

/**
 * What a parts list comes to, line by line. Every line is rounded to the smallest unit of the currency, half up, and totals are
 * sums of lines: what is printed adds up.
 *
 * Discount is off the goods of a supplier; delivery comes once for each; contingency is a share of goods, delivery and labour; profit
 * a markup on all these or a margin of the price; fees are passed on. A tax is a share of what it is on, contingency and profit in the
 * proportion of goods to labour. Incentives come off at the end.
 *
 * What the design is wired with counts line by line; while nobody has wired it, or where the lists price no conductor that it needs, wire and
 * conduit count by length.
 *
 * @param prices of the book, where they are at hand
 * @param material of the wiring, at the prices of the book; null = it is not wired yet
 */
export function offerTotal(
  { parts, work, wireM, nameplateKWh, solarKW }: PartsList,
  book: PriceBook,
  prices: Prices = lowestPrices(book),
  material: PricedMaterial | null = null,
): OfferTotal {
  const { round, text } = minorUnit(book.currency);
  const lines: OfferLine[] = [];
  const missing: string[] = [];
  const sums: Record<OfferGroup, Big> = {
    goods: new Big(0),
    delivery: new Big(0),
    labour: new Big(0),
    contingency: new Big(0),
    profit: new Big(0),
    fees: new Big(0),
    tax: new Big(0),
    incentive: new Big(0),
  };
  const add = (group: OfferGroup, label: string, why: string, working: string, amount: Big): void => {
    const rounded = round(amount);
    sums[group] = sums[group].plus(rounded);
    lines.push({ group, label, why, working, amount: text(rounded) });
  };

  const ordered = new Map<PriceList, Big>();
  const order = (list: PriceList, cost: Big): unknown =>
    ordered.set(list, (ordered.get(list) ?? new Big(0)).plus(round(cost)));
  for (const { itemId, name, quantity, why } of parts) {
    const priced = itemId === null ? undefined : prices.get(itemId);
    if (!priced) {
      missing.push(name);
      continue;
    }
    const cost = priced.cost.times(quantity);
    add('goods', name, why, pricedWorking(quantity, priced), cost);
    order(priced.list, cost);
  }
  const isByLength = material === null || material.wire === 'no prices';
  for (const { line, amount, list, working } of material?.lines ?? []) {
    if (isByLength && isWire(line.is)) continue;
    if (amount === null || list === null) {
      missing.push(line.name);
      continue;
    }
    add('goods', line.name, nameList(line.where), working, new Big(amount));
    order(list, new Big(amount));
  }
  const wire = new Big(book.wirePerM).times(isByLength ? wireM : 0);
  if (isByLength && wireM > 0)
    add(
      'goods',
      'Wire and conduit, estimated',
      material === null
        ? 'by length, until the wiring is designed'
        : 'by length: the lists price no such wire',
      `${wireM} m × ${book.wirePerM}`,
      wire,
    );
  if (solarKW > 0) {
    const name = `Solar array, ${Number(solarKW.toFixed(2))} kW`;
    if (new Big(book.solarPerKW).eq(0)) missing.push(name);
    else
      add(
        'goods',
        name,
        'installed, with everything that belongs to it',
        `${Number(solarKW.toFixed(3))} kW × ${book.solarPerKW}`,
        new Big(book.solarPerKW).times(solarKW.toFixed(3)),
      );
  }
  for (const [list, goods] of ordered) {
    const isFree =
      list.deliveryFreeFrom !== null && goods.gte(inCompanyCurrency(list.deliveryFreeFrom, list));
    const delivery = inCompanyCurrency(list.delivery, list);
    if (isFree || delivery.eq(0)) continue;
    add('delivery', `Delivery, ${list.supplier}`, 'once for the order', list.delivery, delivery);
  }
  const hoursOf = new Map(book.labour.map(({ task, hours }) => [task, hours]));
  for (const { task, count, why } of work) {
    const hours = hoursOf.get(task) ?? 0;
    if (hours === 0) continue;
    add(
      'labour',
      taskLabels[task],
      why,
      `${count} × ${hours} h × ${book.hourlyRate}`,
      new Big(book.hourlyRate).times(hours).times(count),
    );
  }
  const supplied = sums.goods.plus(sums.delivery);
  const own = supplied.plus(sums.labour);
  if (book.contingency > 0)
    add(
      'contingency',
      'For what was not foreseen',
      'of goods, delivery and labour',
      `${rateText(book.contingency)} of ${text(own)}`,
      own.times(book.contingency),
    );
  const cost = own.plus(sums.contingency);
  const { kind, share } = book.profit;
  if (share > 0) {
    const profit = kind === 'markup' ? cost.times(share) : cost.div(new Big(1).minus(share)).minus(cost);
    const working =
      kind === 'markup'
        ? `${rateText(share)} of ${text(cost)}`
        : `so that it is ${rateText(share)} of the price`;
    add('profit', kind === 'markup' ? 'Markup' : 'Margin', 'on all above', working, profit);
  }
  for (const { name, amount } of book.fees) add('fees', name, 'passed on', amount, new Big(amount));

  const net = cost.plus(sums.profit);
  // Contingency and profit are taxed as what they were added to.
  const goodsShare = own.eq(0) ? new Big(1) : supplied.div(own);
  const bases = {
    goods: net.times(goodsShare),
    labour: net.minus(net.times(goodsShare)),
    fees: sums.fees,
  };
  for (const { name, rate, on } of book.taxes) {
    const base = on.reduce((sum, one) => sum.plus(bases[one]), new Big(0));
    add('tax', name, `on ${on.join(', ')}`, `${rateText(rate)} of ${text(base)}`, base.times(rate));
  }
  const gross = net.plus(sums.fees).plus(sums.tax);
  for (const incentive of book.incentives) {
    const amount = round(incentiveOf(incentive, nameplateKWh, gross));
    if (amount.eq(0)) continue;
    add('incentive', incentive.name, incentive.who, workingOf(incentive, nameplateKWh), amount.times(-1));
  }
  return {
    currency: book.currency,
    lines,
    missing,
    estimatedWire: isByLength && wireM > 0 ? text(wire) : null,
    net: text(net),
    tax: text(sums.tax),
    gross: text(gross),
    afterIncentives: text(gross.plus(sums.incentive)),
  };
}

/** What an incentive comes to: never more than its cap, nothing below its least size. */
export function incentiveOf({ by, cap, leastKWh }: Incentive, nameplateKWh: number, gross: Big): Big {
  if (nameplateKWh < leastKWh) return new Big(0);
  const whole = (): Big => {
    switch (by.kind) {
      case 'fixed':
        return new Big(by.amount);
      case 'share':
        return gross.times(by.share);
      case 'energy': {
        let sum = new Big(0);
        let from = 0;
        for (const { upToKWh, perKWh } of by.steps) {
          const to = Math.min(nameplateKWh, upToKWh ?? Infinity);
          if (to > from) sum = sum.plus(new Big(perKWh).times(new Big(to).minus(from)));
          from = Math.max(from, to);
        }
        return sum;
      }
    }
  };
  const amount = whole();
  const capped = cap !== null && amount.gt(cap) ? new Big(cap) : amount;
  return capped.gt(gross) ? gross : capped;
}

function workingOf({ by, cap }: Incentive, nameplateKWh: number): string {
  const most = cap === null ? '' : `, at most ${cap}`;
  if (by.kind === 'fixed') return by.amount;
  if (by.kind === 'share') return `${Number((by.share * 100).toPrecision(12))} % of the price${most}`;
  const steps = by.steps.map(({ upToKWh, perKWh }) =>
    upToKWh === null ? `${perKWh} a kWh beyond` : `${perKWh} a kWh up to ${upToKWh}`,
  );
  return `${Number(nameplateKWh.toPrecision(6))} kWh: ${steps.join(', ')}${most}`;
}

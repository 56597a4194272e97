/** What planning needs of one hour: energies in Wh, prices of a Wh. */
export interface PlannedHour {
  /** What the house takes beyond the sun, and the sun beyond the house; one of them is 0. */
  readonly needWh: number;
  readonly surplusWh: number;
  /** What a Wh taken from the grid costs; what one sent out earns, never more than that. */
  readonly importPrice: number;
  readonly exportPrice: number;
  /** What may be charged from the grid, and what may be sent out of the battery, Wh at the cells. */
  readonly fromGridWh: number;
  readonly sentOutWh: number;
}

/** Limits of a battery in one hour. */
export interface PlannedBattery {
  /** Between the floor and full, Wh. */
  readonly windowWh: number;
  readonly chargeWh: number;
  readonly dischargeWh: number;
  /** Cells per AC in, and AC per cells out. */
  readonly chargeEfficiency: number;
  readonly dischargeEfficiency: number;
}

/**
 * The worth of a charge: a concave curve over the window, as stretches of falling slope. The first Wh above the floor is worth the most.
 */
export interface ChargeValue {
  /** Lengths in Wh, and worth of a Wh in each. */
  readonly lengthWh: Float64Array;
  readonly slope: Float64Array;
}

/** The worth of a charge when every Wh is worth the same. */
export const evenValue = (windowWh: number, slope: number): ChargeValue => ({
  lengthWh: Float64Array.of(windowWh),
  slope: Float64Array.of(slope),
});

/**
 * The worth of a charge at the beginning of an hour, from that at its end: the hour is used as well as it can be. Exact for straight
 * losses: the best of moving x Wh is the sup-convolution of two concave curves, which puts their stretches in order of slope
 * (see e.g. Rockafellar, Convex Analysis, section 5; recalled).
 */
export function valueBefore(after: ChargeValue, hour: PlannedHour, battery: PlannedBattery): ChargeValue {
  const { needWh, surplusWh, importPrice, exportPrice, fromGridWh, sentOutWh } = hour;
  const { windowWh, chargeWh, dischargeWh, chargeEfficiency, dischargeEfficiency } = battery;
  const fromSunWh = Math.min(chargeWh, surplusWh * chargeEfficiency);
  const gridWh = Math.min(chargeWh - fromSunWh, fromGridWh);
  const toLoadWh = Math.min(dischargeWh, needWh / dischargeEfficiency);
  const outWh = Math.min(dischargeWh - toLoadWh, sentOutWh);
  // What the hour offers, dearest first: not charging from the grid, sun that is not stored or a house that is fed, sending out.
  const offersWh = [gridWh, toLoadWh > 0 ? toLoadWh : fromSunWh, outWh];
  const offers = [
    importPrice / chargeEfficiency,
    toLoadWh > 0 ? importPrice * dischargeEfficiency : exportPrice / chargeEfficiency,
    exportPrice * dischargeEfficiency,
  ];
  const lengthWh = new Float64Array(after.lengthWh.length + 3);
  const slope = new Float64Array(after.lengthWh.length + 3);
  let count = 0;
  // The domain is the window: what lies before its beginning and behind its end is cut off.
  let skipWh = gridWh + fromSunWh;
  let leftWh = windowWh;
  let offer = 0;
  let stretch = 0;
  while (leftWh > 0 && (offer < 3 || stretch < after.slope.length)) {
    const isOffer = stretch >= after.slope.length || (offer < 3 && offers[offer]! >= after.slope[stretch]!);
    const wh = isOffer ? offersWh[offer]! : after.lengthWh[stretch]!;
    const worth = isOffer ? offers[offer]! : after.slope[stretch]!;
    if (isOffer) offer += 1;
    else stretch += 1;
    const skipped = Math.min(skipWh, wh);
    skipWh -= skipped;
    const kept = Math.min(leftWh, wh - skipped);
    if (kept <= 0) continue;
    leftWh -= kept;
    if (count > 0 && slope[count - 1] === worth) lengthWh[count - 1]! += kept;
    else {
      lengthWh[count] = kept;
      slope[count] = worth;
      count += 1;
    }
  }
  return { lengthWh: lengthWh.subarray(0, count), slope: slope.subarray(0, count) };
}

/** Charge above the floor up to which a Wh is worth at least so much. */
export function levelWh({ lengthWh, slope }: ChargeValue, worth: number): number {
  let sumWh = 0;
  for (let i = 0; i < slope.length && slope[i]! >= worth; i += 1) sumWh += lengthWh[i]!;
  return sumWh;
}

import type { Inverter } from '../catalogue/unit.schema.js';

/** Losses of inverters in parallel, see `dcOfAcW`. */
export interface ConversionLosses {
  readonly lossPerW: number;
  readonly lossPerW2: number;
}

/** Share of the loss at half the power that grows with the power; the rest grows with its square (common practice, no source). */
const linearShare = 0.5;

/**
 * How the losses of inverters grow with the power they give. Where the unit's data state efficiencies at several powers, a
 * straight line is laid through loss ÷ power (least squares); else the one efficiency is taken to be that at half the power.
 *
 * @param quantity of inverters that share the power alike
 */
export function conversionLosses(
  { dischargeEfficiency, efficiencyAt, continuousVA }: Inverter,
  quantity: number,
): ConversionLosses {
  const fullW = continuousVA * quantity;
  if (efficiencyAt === null) {
    const loss = 1 / dischargeEfficiency - 1;
    return { lossPerW: loss * linearShare, lossPerW2: (loss * 2 * (1 - linearShare)) / fullW };
  }
  const points = efficiencyAt.map(({ share, efficiency }) => ({ share, loss: 1 / efficiency - 1 }));
  const meanShare = points.reduce((sum, { share }) => sum + share, 0) / points.length;
  const meanLoss = points.reduce((sum, { loss }) => sum + loss, 0) / points.length;
  const across = points.reduce((sum, { share }) => sum + (share - meanShare) ** 2, 0);
  const along = points.reduce((sum, { share, loss }) => sum + (share - meanShare) * (loss - meanLoss), 0);
  const rise = Math.max(0, across === 0 ? 0 : along / across);
  return { lossPerW: Math.max(0, meanLoss - rise * meanShare), lossPerW2: rise / fullW };
}

import type { Battery, Catalogue, Unit } from '../catalogue/unit.schema.js';
import { conversionLosses } from '../inverter/conversion-losses.js';
import { acceptedCount } from './accepted-count.js';
import type { StackPart } from './stack-part.schema.js';
import { type SupplySystem, systemFacts } from '../../electric/index.js';
import type { AssembledStack } from './stack.js';

const refuse = (problem: string): AssembledStack => ({ ok: false, problem });

/**
 * Puts units together into a stack for a supply, or says why they do not go together.
 *
 * Inverters of one kind in parallel add their power, on every leg alike; single-phase units in a three-phase house go in
 * threes. Batteries add energy; where a battery states a power, the sum of them limits the stack.
 */
export function assembleStack(
  parts: readonly StackPart[],
  catalogue: Catalogue,
  system: SupplySystem,
): AssembledStack {
  const chosen: { unit: Unit; quantity: number }[] = [];
  for (const part of parts) {
    const unit = catalogue.find(({ id }) => id === part.unitId);
    if (!unit) return refuse(`The catalogue has no unit "${part.unitId}". Choose another.`);
    const same = chosen.find((c) => c.unit === unit);
    if (same) same.quantity += part.quantity;
    else chosen.push({ unit, quantity: part.quantity });
  }
  const inverters = chosen.filter(({ unit }) => unit.inverter);
  if (inverters.length === 0)
    return refuse('There is no inverter: an expansion pack adds hours, never watts.');
  if (inverters.length > 1) {
    return refuse(
      `${inverters.map(({ unit }) => unit.name).join(' and ')} cannot share one output. Choose inverters of one kind.`,
    );
  }
  const { unit: inverterUnit, quantity } = inverters[0]!;
  const inverter = inverterUnit.inverter!;
  const facts = systemFacts[system];
  if (!inverter.systems.includes(system)) {
    return refuse(`${inverterUnit.name} does not form ${facts.label.toLowerCase()}.`);
  }
  const onePerLeg = inverter.output === 'one' ? facts.legs.length : 1;
  if (quantity % onePerLeg !== 0) {
    return refuse(`${inverterUnit.name} feeds one phase: take ${onePerLeg} of them, or a multiple.`);
  }
  const parallel = quantity / onePerLeg;
  if (parallel > inverter.maxParallel) {
    return refuse(
      `At most ${inverter.maxParallel * onePerLeg} of ${inverterUnit.name} work together; there are ${quantity}.`,
    );
  }
  const added = chosen.filter(({ unit }) => !unit.inverter);
  for (const { unit, quantity: count } of added) {
    const accepted = inverter.accepts.find(({ unitId }) => unitId === unit.id);
    if (!accepted) return refuse(`${unit.name} does not connect to ${inverterUnit.name}.`);
    const { most, step } = acceptedCount(accepted, quantity);
    if (count > most) {
      return refuse(
        `At most ${most} of ${unit.name} connect to ${quantity} × ${inverterUnit.name}; there are ${count}.`,
      );
    }
    if (count % step !== 0) {
      return refuse(`${unit.name} comes in ${step}s, in series: take a multiple; there are ${count}.`);
    }
  }
  for (const accepted of inverter.accepts) {
    const count = added.find(({ unit }) => unit.id === accepted.unitId)?.quantity ?? 0;
    const needed = acceptedCount(accepted, quantity).least;
    if (count < needed) {
      const name = catalogue.find(({ id }) => id === accepted.unitId)?.name ?? accepted.unitId;
      return refuse(
        `${quantity} × ${inverterUnit.name} needs at least ${needed} × ${name}; there are ${count}.`,
      );
    }
  }
  const batteries = chosen.filter(({ unit }) => unit.battery);
  if (batteries.length === 0) return refuse('There is no battery in this stack. Add one.');
  const chemistry = batteries[0]!.unit.battery!.chemistry;
  if (batteries.some(({ unit }) => unit.battery!.chemistry !== chemistry)) {
    return refuse('Lithium and lead-acid batteries cannot share one inverter.');
  }
  /** At the AC side; Infinity where a battery leaves the limit to its inverter. */
  const batteryW = (powerOf: (battery: Battery) => number): number =>
    batteries.some(({ unit }) => unit.battery!.dischargePowerW === null)
      ? Infinity
      : inverter.dischargeEfficiency *
        batteries.reduce((sum, { unit, quantity: n }) => sum + n * powerOf(unit.battery!), 0);
  const times = (value: number | null): number | null => (value === null ? null : value * parallel);
  const mostVA = quantity * (inverter.overload.at(-1)?.apparentPowerVA ?? inverter.continuousVA);
  const controllers = added.filter(({ unit }) => unit.controllerW !== null);
  const takeW = controllers.reduce((sum, { unit, quantity: n }) => sum + n * unit.controllerW!, 0);
  const inOrder = [...inverters, ...added];
  return {
    ok: true,
    stack: {
      parts: inOrder.map(({ unit, quantity: n }) => ({ unitId: unit.id, quantity: n })),
      name: inOrder.map(({ unit, quantity: n }) => `${n} × ${unit.name}`).join(' + '),
      inverter: inverterUnit,
      inverterQuantity: quantity,
      batteries,
      chemistry,
      continuousVA: inverter.continuousVA * quantity,
      perLegVA: inverter.perLegVA * parallel,
      overload: inverter.overload.map((point) => ({
        ...point,
        apparentPowerVA: point.apparentPowerVA * quantity,
      })),
      lockedRotorA: times(inverter.lockedRotorA),
      neutralA: times(inverter.neutralA),
      nameplateWh: batteries.reduce((sum, { unit, quantity: n }) => sum + n * unit.battery!.nameplateWh, 0),
      measured: null,
      batteryPowerW: Math.min(
        batteryW(({ dischargePowerW }) => dischargePowerW!),
        (inverter.continuousW ?? Infinity) * quantity,
      ),
      batteryPeakW: Math.min(
        batteryW(({ dischargePowerW, peakPowerW }) => peakPowerW ?? dischargePowerW!),
        mostVA * (inverter.continuousW === null ? Infinity : inverter.continuousW / inverter.continuousVA),
      ),
      dischargeEfficiency: inverter.dischargeEfficiency,
      losses: conversionLosses(inverter, quantity),
      chargePowerW: Math.min(
        inverter.charge.powerW * quantity * inverter.charge.efficiency,
        batteries.reduce(
          (sum, { unit, quantity: n }) => sum + n * (unit.battery!.chargePowerW ?? Infinity),
          0,
        ),
      ),
      chargeEfficiency: inverter.charge.efficiency,
      solarDcW: (inverter.solar.dcW ?? 0) * quantity + takeW,
      controllers: { count: controllers.reduce((sum, { quantity: n }) => sum + n, 0), takeW },
      solarAcW: (inverter.solar.acW ?? 0) * quantity,
      standbyW: inverter.standbyW * quantity,
      transferGapMs: inverter.transferGapMs,
      gridReturnMin: Math.ceil(inverter.gridReturnS / 60),
      voltageDroop: inverter.voltageDroop,
      retry: inverter.retry,
      massKg: chosen.reduce<number | null>(
        (sum, { unit, quantity: n }) => (sum === null || unit.massKg === null ? null : sum + n * unit.massKg),
        0,
      ),
      unitCount: chosen.reduce((sum, { quantity: n }) => sum + n, 0),
    },
  };
}

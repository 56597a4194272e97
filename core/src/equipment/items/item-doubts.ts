import { systemFacts } from '../../electric/index.js';
import type { BatteryRatings } from './battery-ratings.js';
import type { InverterRatings } from './inverter-ratings.js';
import type { Item } from './item.schema.js';

/** Something about the data of an item that cannot be, or hardly. */
export interface Doubt {
  /** Field of the item, as "ratings.perLegVA". */
  readonly path: string;
  readonly message: string;
  /** It cannot be: the item is not taken. */
  readonly refuses: boolean;
}

const legsOfOutput = { one: 1, two: 2, three: 3 } as const;
/** Lighter batteries are not built (common practice, no source), kg for each Wh. */
const lightestKgPerWh = 0.0045;

function inverterDoubts(r: InverterRatings): Doubt[] {
  const doubts: Doubt[] = [];
  const add = (field: keyof InverterRatings & string, message: string, refuses = true): unknown =>
    doubts.push({ path: `ratings.${field}`, message, refuses });
  const legs = legsOfOutput[r.output];
  if (r.continuousW !== null && r.continuousW > r.continuousVA)
    add('continuousW', 'Watts are never more than volt-amperes. Exchange the two, or leave the watts empty.');
  if (r.perLegVA !== null) {
    if (r.perLegVA > r.continuousVA)
      add('perLegVA', 'One leg carries more than the whole. Check both figures.');
    else if (r.perLegVA * legs > r.continuousVA * 1.001)
      add(
        'perLegVA',
        `One leg carries more than its ${legs === 2 ? 'half' : 'third'} of the whole. Some units do; check the data sheet.`,
        false,
      );
    else if (r.perLegVA * legs < r.continuousVA * 0.999)
      add('perLegVA', 'All legs together carry less than the whole. Check both figures.', false);
  }
  for (const [index, { apparentPowerVA, durationS }] of r.overload.entries()) {
    if (apparentPowerVA <= r.continuousVA)
      add(
        'overload',
        'An overload is more than what is carried for any time. Check the point, or leave it out.',
      );
    const before = r.overload[index - 1];
    if (before && (durationS >= before.durationS || apparentPowerVA <= before.apparentPowerVA))
      add('overload', 'Give the longest overload first; a shorter one carries more, never less.');
  }
  for (const [index, { share }] of (r.efficiencyAt ?? []).entries())
    if (index > 0 && share <= r.efficiencyAt![index - 1]!.share)
      add('efficiencyAt', 'Give the points from the smallest share to the largest.');
  for (const system of r.systems)
    if (systemFacts[system].legs.length < legs)
      add(
        'systems',
        `It feeds ${legs} legs; ${systemFacts[system].label.toLowerCase()} has ${systemFacts[system].legs.length}.`,
      );
  for (const field of ['dischargeEfficiency', 'chargeEfficiency'] as const)
    if ((r[field] ?? 0) > 0.985)
      add(
        field,
        'This is more than inverters reach; peak or one-way figures of the cells are no round trip.',
        false,
      );
  return doubts;
}

function batteryDoubts(r: BatteryRatings, massKg: number | null): Doubt[] {
  const doubts: Doubt[] = [];
  const add = (field: keyof BatteryRatings & string, message: string, refuses = true): unknown =>
    doubts.push({ path: `ratings.${field}`, message, refuses });
  const fromAh = r.ratedAh === null ? null : r.ratedAh * r.nominalVoltageV;
  const nameplateWh = r.nameplateWh ?? fromAh;
  if (nameplateWh === null) add('nameplateWh', 'Give the nameplate energy, or the ampere-hours.');
  else {
    if (r.usableWh !== null && r.usableWh > nameplateWh)
      add('usableWh', 'Usable energy is never more than the nameplate. Exchange the two.');
    if (r.nameplateWh !== null && fromAh !== null && Math.abs(fromAh / r.nameplateWh - 1) > 0.05)
      add('ratedAh', 'Volts times ampere-hours is not the nameplate energy. Check the three.', false);
    if (massKg !== null && massKg < nameplateWh * lightestKgPerWh)
      doubts.push({
        path: 'massKg',
        message: 'This is light for so much energy. Check the mass.',
        refuses: false,
      });
  }
  if (r.dischargePowerW !== null && r.peakPowerW !== null && r.peakPowerW < r.dischargePowerW)
    add('peakPowerW', 'For seconds it gives no less than for any time. Exchange the two.');
  if ((r.retentionShare === null) !== (r.retentionYears === null))
    add(
      r.retentionShare === null ? 'retentionShare' : 'retentionYears',
      'Retained capacity goes with the years it is promised for. Give both, or neither.',
    );
  if (r.chemistry === 'lead-acid' && r.ratedAh !== null && r.ratedHours === null)
    add('ratedHours', 'Ampere-hours of a lead-acid battery belong to a rate; 20 h is taken.', false);
  return doubts;
}

/** What cannot be about an item, or is worth a second look; reasons are said. */
export function itemDoubts(item: Item): Doubt[] {
  const doubts: Doubt[] = [];
  const add = (path: string, message: string, refuses = true): unknown =>
    doubts.push({ path, message, refuses });
  switch (item.kind) {
    case 'battery-inverter':
      doubts.push(...inverterDoubts(item.ratings), ...batteryDoubts(item.ratings, item.massKg));
      break;
    case 'hybrid-inverter':
    case 'inverter-charger':
      doubts.push(...inverterDoubts(item.ratings));
      break;
    case 'expansion-pack':
    case 'battery-module':
    case 'lead-acid-battery':
      doubts.push(...batteryDoubts(item.ratings, item.massKg));
      break;
    default:
  }
  if (item.coldestC !== null && item.hottestC !== null && item.coldestC >= item.hottestC)
    add('hottestC', 'It must work up to a higher temperature than it works from.');
  for (const { itemId, least, most, step } of item.goesWith) {
    if (itemId === item.id)
      add('goesWith', 'An item is not connected to itself; several of it are “together at most”.');
    if (least > most) add('goesWith', `Of ${itemId} at least ${least} and at most ${most} cannot be.`);
    else if (Math.floor(most / step) * step < Math.max(least, 1))
      add('goesWith', `No multiple of ${step} lies between ${least} and ${most} of ${itemId}.`);
  }
  for (const { itemId } of item.needs)
    if (itemId === item.id) add('needs', 'An item does not stand beside itself.');
  return doubts;
}

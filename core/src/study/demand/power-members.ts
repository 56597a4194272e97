import type { Season } from '../../nature/index.js';
import { type Load, sumHourlyEnergyWh } from '../../house/index.js';
import { type Plan, type Standing, standings } from '../../design/index.js';

/** A load of the backup set and where it stands. */
export interface Member extends Standing {
  readonly load: Load;
}

/** The loads of the backup set with their standing; planned additions stay on. */
export function membersOf(
  plan: Pick<Plan, 'survey' | 'loads' | 'backup'>,
  planned: readonly Load[],
): Member[] {
  const standing = standings(plan);
  return [
    ...plan.loads.map((load) => ({ load, ...standing(load) })).filter(({ lane }) => lane !== 'dark'),
    ...planned.map((load): Member => ({ load, lane: 'on', shed: null })),
  ];
}

/**
 * Does it count when power is checked? What a device keeps open for the whole outage, or closes only where there is room,
 * does not. What is shed by hand does: the inverter trips before anybody reaches the panel.
 */
export const countsInPower = ({ shed }: Standing): boolean => shed === null || shed.when === 'charge';

/**
 * Does it count in the energy, until the charge falls to where it is shed? A household that walks to the panel switches off
 * what is shed by hand at the beginning; one that doesn't, does not.
 */
export const countsInEnergy = ({ lane, shed }: Standing, handsOn: boolean): boolean =>
  shed?.when === 'outage' ? false : lane !== 'hand' || !handsOn;

/** Does it count in the energy of the stage that begins at a share of the charge? */
export const countsAtShare = (member: Standing, handsOn: boolean, fromShare: number): boolean =>
  countsInEnergy(member, handsOn) && (member.shed?.when !== 'charge' || member.shed.belowCharge < fromShare);

/** Energy by hour while the battery empties from one share of its usable energy to the next. */
export interface EnergyStage {
  /** Share of the usable energy at which it begins; 1 for the first. */
  readonly fromShare: number;
  /** 24 values, Wh. */
  readonly hourlyWh: Float64Array;
}

/** The energy the backup set takes, stage by stage as circuits are shed by state of charge. */
export function energyStages(members: readonly Member[], season: Season, handsOn: boolean): EnergyStage[] {
  const counted = members.filter((member) => countsInEnergy(member, handsOn));
  const shares = counted.flatMap(({ shed }) => (shed?.when === 'charge' ? [shed.belowCharge] : []));
  const begins = [...new Set([1, ...shares])].toSorted((a, b) => b - a);
  return begins.map((fromShare) => ({
    fromShare,
    hourlyWh: sumHourlyEnergyWh(
      counted.filter((member) => countsAtShare(member, handsOn, fromShare)).map(({ load }) => load),
      season,
    ),
  }));
}

/** The stages with an hourly energy added (1) or taken away (−1) wherever it counts. */
export function stagesChanged(
  stages: readonly EnergyStage[],
  ownWh: ArrayLike<number>,
  sign: 1 | -1,
  counts: (fromShare: number) => boolean,
): EnergyStage[] {
  return stages.map(({ fromShare, hourlyWh }) => ({
    fromShare,
    hourlyWh: counts(fromShare)
      ? hourlyWh.map((wh, hour) => Math.max(0, wh + sign * ownWh[hour]!))
      : hourlyWh,
  }));
}

import { nameList, quantityText, type UnitSystem } from '../../base/index.js';
import { type Plan, wallWork } from '../../design/index.js';
import { type Opening, placeKinds } from '../../house/index.js';
import type { NamedThings, Subject } from '../../rules/packs.js';
import { gapM, overlap, rightOf, topOf, slackM } from '../geometry/rect.js';
import { standsOn } from '../holding/hold-of.js';
import { openingName, type PlacedThing } from '../things/placed-things.js';
import type { Thing } from '../things/thing.js';
import { nearestOpening, openingAbove } from './around.js';
import { crowds, roomOf } from './room-of.js';
import { mayStandOutM, type Obstacle, workingSpace } from './working-space.js';

const doors: readonly Opening['kind'][] = ['door', 'window'];
const vents: readonly Opening['kind'][] = ['vent'];
const gases: readonly Opening['kind'][] = ['gas-meter'];
const meters: readonly Opening['kind'][] = ['meter'];
const appliances: readonly Opening['kind'][] = ['appliance'];
const aboves: readonly Opening['kind'][] = ['door', 'window', 'vent', 'appliance'];
/** What stands out from a wall, so that nobody can stand before it. */
const standsOut: readonly Opening['kind'][] = ['appliance', 'shelf', 'gas-meter'];
/** What is let into a wall, or lies flat on it. */
const isFlat = ({ kind }: Opening): boolean => kind === 'light' || kind === 'other';

const things = (of: readonly { readonly name: string; readonly id: string }[]): NamedThings => ({
  names: nameList(
    of.map(({ name }) => name),
    6,
  ),
  ids: of.map(({ id }) => id),
});

/** Noise falls by 6 dB with each doubling of the distance, from that at 1 m (free field). */
const noiseAt = (at1M: number | null, distanceM: number | null): number | null =>
  at1M === null || distanceM === null ? null : at1M - 20 * Math.log10(Math.max(0.3, distanceM));

/** Second digit of 5 keeps out jets of water; NEMA 4X and 3RX bear salt (IEC 60529 and NEMA 250, recalled). */
const isSealed = (ingress: string): boolean | null =>
  ingress === '' ? null : /^ip\s?\d[5-9]/i.test(ingress) || /(4x|3rx|6p)/i.test(ingress);

/** By thing: a search asks for it thousands of times. */
const asked = new WeakMap<Thing, Map<UnitSystem, string>>();

/** The room a maker asks for, in words. */
function askedText(thing: Thing, units: UnitSystem): string {
  const known = asked.get(thing) ?? new Map<UnitSystem, string>();
  asked.set(thing, known);
  const before = known.get(units);
  if (before !== undefined) return before;
  const { aboveM, belowM, besideM } = thing.clear;
  const length = (value: number): string => quantityText(value, 'm', units);
  const text = `${length(aboveM)} above, ${length(belowM)} below, ${length(besideM)} beside`;
  known.set(units, text);
  return text;
}

/** What rules ask of everything that is put on a wall. */
export function placedSubjects(
  plan: Pick<Plan, 'lot' | 'placement' | 'site'>,
  placed: readonly PlacedThing[],
): Subject<'placed'>[] {
  return placed.map((one) => subjectOf(plan, one, placed));
}

function subjectOf(
  { lot, placement, site }: Pick<Plan, 'lot' | 'placement' | 'site'>,
  one: PlacedThing,
  all: readonly PlacedThing[],
): Subject<'placed'> {
  const { thing, wall } = one;
  const { openings } = wall;
  const others = all.filter((other) => other !== one && other.wall === wall);
  const work = wallWork(placement, wall.id);
  const place = placeKinds[wall.place];
  const room = roomOf(one);
  const named = (opening: Opening) => ({ name: openingName(opening), id: opening.id });
  const covered = [
    ...others.filter((other) => overlap(one, other)).map(({ thing: { name, id } }) => ({ name, id })),
    ...openings.filter((opening) => overlap(one, opening)).map(named),
  ];
  const crowded = [
    ...others
      .filter((other) => !overlap(one, other) && crowds(one, other))
      .map(({ thing: { name, id } }) => ({ name, id })),
    ...openings
      .filter((opening) => !isFlat(opening) && !overlap(one, opening) && overlap(room, opening))
      .map(named),
  ];
  const stores = thing.energyWh > 0;
  const nextUnit = others
    .filter((other) => stores && other.thing.energyWh > 0)
    .map((other) => ({ other, gap: gapM(one, other) }))
    .toSorted((a, b) => a.gap - b.gap)[0];
  const tested = nextUnit && thing.betweenM !== null && nextUnit.other.thing.betweenM !== null;
  const obstacles: Obstacle[] = [
    ...others
      .filter((other) => other.thing.depthM > thing.depthM + mayStandOutM)
      .map((other) => ({ ...other, name: other.thing.name, id: other.thing.id })),
    ...openings
      .filter(({ kind }) => standsOut.includes(kind))
      .map((opening) => ({ ...opening, ...named(opening) })),
  ];
  const door = nearestOpening(one, openings, doors);
  const vent = nearestOpening(one, openings, vents);
  const above = openingAbove(one, openings, aboves);
  const isOperated =
    thing.kind === 'disconnect' || thing.kind === 'isolating-device' || thing.kind === 'panel';
  return {
    kind: 'placed',
    keyBefore: 'placed',
    keyAfter: thing.id,
    name: thing.name,
    about: thing.id,
    units: site.units,
    facts: {
      name: thing.name,
      wall: wall.name,
      place: wall.place,
      placeName: place.label,
      stores,
      energyWh: thing.energyWh,
      isOutdoors: place.isOutdoors,
      isLivedIn: place.isLivedIn,
      beyond:
        one.leftM < -slackM ||
        one.bottomM < -slackM ||
        rightOf(one) > wall.lengthM + slackM ||
        topOf(one) > wall.heightM + slackM,
      covers: things(covered),
      crowded: things(crowded),
      asked: askedText(thing, site.units),
      aroundTo: door?.name ?? '',
      doorM: door?.gapM ?? Infinity,
      ventTo: vent?.name ?? '',
      ventM: vent?.gapM ?? Infinity,
      gasM: nearestOpening(one, openings, gases)?.gapM ?? Infinity,
      meterM: nearestOpening(one, openings, meters)?.gapM ?? Infinity,
      applianceM: nearestOpening(one, openings, appliances)?.gapM ?? Infinity,
      aboveTo: above?.name ?? '',
      aboveM: above?.gapM ?? Infinity,
      nextUnit: nextUnit?.other.thing.name ?? '',
      nextUnitM: nextUnit?.gap ?? Infinity,
      testedM: tested ? Math.max(thing.betweenM, nextUnit.other.thing.betweenM!) : null,
      workingBlocked: things(workingSpace(one, obstacles).blocked),
      needsWorking: thing.kind !== 'gutter',
      freeBeforeM: wall.freeBeforeM,
      askedBeforeM: thing.clear.frontM,
      outdoorRated: thing.kind === 'unit' ? thing.outdoors : true,
      topM: topOf(one),
      bottomM: one.bottomM,
      // The handle of what is operated is in its middle at the highest.
      handleM: isOperated ? one.bottomM + one.heightM / 2 : null,
      floodM: lot.floodM,
      snowM: lot.snowM,
      saltAir: lot.saltAir === true,
      sealed: thing.kind === 'unit' ? isSealed(thing.unit?.body.ingress ?? '') : true,
      vehicles:
        wall.front === 'driveway' || wall.place === 'attached-garage' || wall.place === 'detached-garage',
      impact: work.impact,
      detection: work.detection,
      behind: wall.behind,
      board: work.board,
      combustible: wall.combustible,
      bedroomDb: noiseAt(thing.unit?.body.noiseDb ?? null, wall.bedroomM),
      neighbourDb: noiseAt(thing.unit?.body.noiseDb ?? null, wall.neighbourM),
      mounting: thing.mounting,
      hangs: !standsOn(one, placement),
      gives: thing.unit?.battery?.chemistry === 'lead-acid',
      ventilated: work.ventilated,
    },
  };
}

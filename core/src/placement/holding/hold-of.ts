import { wallWork, type Placement } from '../../design/index.js';
import { studWoods } from '../../house/index.js';
import { rightOf } from '../geometry/rect.js';
import type { PlacedThing } from '../things/placed-things.js';
import { lagShearN, lagWithdrawalNPerMm } from './lag-screw.js';

const gravityMPerS2 = 9.81;
/** ⅜ in by 3 ½ in: the lag screw of the trade; its thread without the tip is some 50 mm (common practice, no source). */
const lagMm = 9.525;
const threadMm = 50.8;
const lengthMm = 88.9;
const bracketMm = 3.4;
/** ¾ in. */
const plywoodMm = 19;
/** Board before the studs where nobody measured it, mm. */
const usualCoverMm = 13;
/** A screw needs so much thread in the stud, diameters (NDS 12.1.4, recalled: four at least). */
const leastThreadMm = 4 * lagMm;
/** Wood that gets wet in service holds 0.7 (NDS Table 11.3.3, recalled). */
const wetShare = 0.7;
/** Kept free at the edges of a stud; the bracket reaches to there, m. */
const edgeM = 0.02;
/** What nobody knows is spruce. */
const unknownWood = 'spruce-pine-fir';
/** A person lifts some 23 kg (NIOSH, recalled); four carry one thing at most (common practice, no source). */
const liftsKg = 23;

/** How a thing is held on its wall. */
export interface Hold {
  readonly placed: PlacedThing;
  readonly massKg: number;
  /** Stands on the floor: ties keep it from tipping. */
  readonly stands: boolean;
  /** Studs its bracket reaches, from the left, m; null = the wall has none, or nobody knows where. */
  readonly studsM: readonly number[] | null;
  readonly plywood: boolean;
  /** Screws in studs; null = the data sheet of anchors says. */
  readonly lags: {
    readonly count: number;
    readonly intoMm: number;
    readonly gravity: number;
    readonly pullN: number;
    readonly holdsN: number;
    readonly shearN: number;
    readonly bearsN: number;
    /** Share of what they hold: withdrawal and shear together. */
    readonly use: number;
  } | null;
  readonly people: number;
}

const studs = new WeakMap<PlacedThing['wall'], readonly number[] | null>();

/** Centres of the studs of a wall, from its left end, m; null = it has none, or nobody knows where. */
export function studsOf({ wall }: Pick<PlacedThing, 'wall'>): readonly number[] | null {
  const known = studs.get(wall);
  if (known !== undefined) return known;
  const found = findStuds(wall);
  studs.set(wall, found);
  return found;
}

function findStuds({
  construction,
  studSpacingM,
  firstStudM,
  lengthM,
}: PlacedThing['wall']): number[] | null {
  if (construction !== 'wood' && construction !== 'steel') return null;
  if (studSpacingM === null) return null;
  const first = firstStudM ?? studSpacingM;
  const count = Math.floor((lengthM - first) / studSpacingM + 1e-9) + 1;
  return Array.from({ length: Math.max(0, count) }, (_, index) => first + index * studSpacingM);
}

/** Stands: on the ground, or on its plinth. */
export const standsOn = (placed: PlacedThing, placement: Placement): boolean =>
  placed.thing.mounting !== 'wall' &&
  placed.bottomM <= (wallWork(placement, placed.wall.id).plinth ?? 0) + 0.011;

/**
 * How a thing is held: two lag screws in each stud its bracket reaches (all studs behind the plywood, where that spreads its load over two more). Its weight acts in front of the wall by half its depth: the upper screws are
 * pulled by weight × half its depth / distance of the rows, all share the shear. Withdrawal and shear are set against what the wood holds, and added (a straight line: on the safe side of NDS 12.4.1, recalled).
 */
export function holdOf(placed: PlacedThing, placement: Placement): Hold {
  const { thing, wall } = placed;
  const massKg = thing.massKg ?? 100;
  const work = wallWork(placement, wall.id);
  const plywood = work.plywood === true;
  const stands = standsOn(placed, placement);
  const all = studsOf(placed);
  const spacing = wall.studSpacingM ?? 0;
  const reach = plywood ? spacing : 0;
  const studsM =
    all && all.filter((at) => at >= placed.leftM + edgeM - reach && at <= rightOf(placed) - edgeM + reach);
  const people = Math.ceil(massKg / liftsKg);
  const base = { placed, massKg, stands, studsM, plywood, people };
  if (wall.construction !== 'wood' || !studsM || studsM.length === 0) return { ...base, lags: null };
  const { gravity } = studWoods[wall.wood ?? unknownWood];
  const coverMm = (wall.coverMm ?? usualCoverMm) + (plywood ? plywoodMm : 0) + bracketMm;
  const intoMm = Math.min(threadMm, Math.max(0, lengthMm - coverMm - lagMm));
  const count = 2 * studsM.length;
  const weightN = massKg * gravityMPerS2;
  const rowsM = Math.max(0.15, 0.6 * thing.heightM);
  const upper = studsM.length;
  const pullN = stands ? 0 : (weightN * (thing.depthM / 2)) / rowsM / upper;
  const shearN = stands ? 0 : weightN / count;
  const wet = wall.place.startsWith('outdoors') ? wetShare : 1;
  const holdsN = intoMm < leastThreadMm ? 0 : lagWithdrawalNPerMm(gravity, lagMm) * intoMm * wet;
  const bearsN =
    intoMm < leastThreadMm
      ? 0
      : lagShearN(gravity, lagMm, intoMm, { thicknessMm: bracketMm, of: 'steel' }) * wet;
  const use = stands ? 0 : holdsN === 0 ? Infinity : pullN / holdsN + shearN / bearsN;
  return { ...base, lags: { count, intoMm, gravity, pullN, holdsN, shearN, bearsN, use } };
}

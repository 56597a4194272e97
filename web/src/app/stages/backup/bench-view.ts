import { quantityText } from '@levamen/core/base';
import type { SupplySystem } from '@levamen/core/electric';
import { circuitLegSet, spacesText, type Tier } from '@levamen/core/house';
import { type BenchItem, type Lane, lanes } from '@levamen/core/design';
import type { BrokenLimit } from '@levamen/core/study';
import type { ItemEffect } from '@levamen/core/study/details';
import { laneFacts } from './lane-facts';

/** A circuit as a row of the bench. */
export interface BenchRow {
  readonly item: BenchItem;
  readonly name: string;
  /** "Cellar panel 14, 16", or that it hangs on nothing. */
  readonly place: string;
  readonly legs: string;
  readonly tiers: readonly Tier[];
  readonly energy: string;
  readonly power: string;
  readonly start: string;
  /** "−2.1 h" where it costs hours, "+2.1 h" where it would. */
  readonly hours: string;
  /** Limits it breaks, or would break. */
  readonly limits: string;
  readonly limitsKind: 'breaks' | 'would-break' | 'none';
  /** How it is shed; '' in the other lanes. */
  readonly shed: string;
  /** All of it in words. */
  readonly label: string;
}

/** Whether two rows of one circuit look alike. */
export const alikeRows = (one: BenchRow, other: BenchRow): boolean =>
  one.label === other.label &&
  one.legs === other.legs &&
  one.shed === other.shed &&
  one.limitsKind === other.limitsKind;

export interface LaneView {
  readonly lane: Lane;
  readonly title: string;
  readonly what: string;
  readonly rows: readonly BenchRow[];
  /** How many circuits there are, drawn or not. */
  readonly count: number;
  readonly sums: string;
}

export const limitWords: Readonly<Record<BrokenLimit, string>> = {
  runtime: 'runtime',
  continuous: 'continuous power',
  starting: 'starting',
  legs: 'leg split',
};

/** The same where there is little room. */
const shortWords: Readonly<Record<BrokenLimit, string>> = {
  runtime: 'runtime',
  continuous: 'power',
  starting: 'starting',
  legs: 'legs',
};

const dash = '–';

const shedText = ({ lane, shed }: BenchItem): string => {
  if (lane !== 'auto' || !shed) return '';
  if (shed.when === 'charge') return `${shed.order}. below ${quantityText(shed.belowCharge, 'share')}`;
  return shed.when === 'power' ? `${shed.order}. no room` : 'whole outage';
};

function rowOf(item: BenchItem, effect: ItemEffect | undefined, system: SupplySystem): BenchRow {
  const { panel, circuit, loads, feeds } = item;
  const idle = loads.length === 0;
  const hoursH = effect?.runtimeCostH ?? null;
  const kept = item.lane === 'on' || item.lane === 'hand';
  const mends = effect?.wouldMend ?? [];
  const breaks = effect?.wouldBreak ?? [];
  const broken = mends.length > 0 ? mends : breaks;
  const limits = broken.map((key) => shortWords[key]).join(', ');
  const energy = idle ? dash : quantityText(effect?.energyWhPerDay ?? 0, 'Wh');
  const power = idle ? dash : quantityText(effect?.runningVA ?? 0, 'VA');
  const start = effect && effect.startVA > 0 ? quantityText(effect.startVA, 'VA') : '';
  const says = !idle && hoursH !== null && Number.isFinite(hoursH) && hoursH >= 0.05;
  const hours = says ? quantityText(hoursH, 'h') : '';
  const about = effect?.runtimeRough ? '≈ ' : '';
  const name = feeds ? `${item.name}, feeds ${feeds.circuits.length} circuits` : item.name;
  const place = panel && circuit ? `${panel.name} ${spacesText(circuit)}` : 'on no circuit';
  const legs =
    panel && circuit ? circuitLegSet(panel, circuit, system) : loads.map((load) => load.legs).join(', ');
  const what = [
    name,
    place,
    laneFacts[item.lane].title.toLowerCase(),
    item.tiers.join(' and '),
    idle ? 'no load' : `${energy} a day, ${power} running`,
    start === '' ? '' : `${start} to start`,
    hours === '' ? '' : kept ? `costs ${about}${hours} of runtime` : `would cost ${about}${hours} of runtime`,
    limits === ''
      ? ''
      : `${mends.length > 0 ? 'breaks' : 'would break'} ${broken.map((key) => limitWords[key]).join(', ')}`,
  ];
  return {
    item,
    name,
    place,
    legs,
    tiers: item.tiers,
    energy,
    power,
    start,
    hours: hours === '' ? '' : kept ? `${about}−${hours}` : `(${about}${hours})`,
    limits,
    limitsKind: limits === '' ? 'none' : mends.length > 0 ? 'breaks' : 'would-break',
    shed: shedText(item),
    label: what.filter((part) => part !== '').join(', '),
  };
}

/** The bench: every circuit in its lane, those that are shed in the order in which they are. */
export function benchView(
  items: readonly BenchItem[],
  effects: ReadonlyMap<string, ItemEffect>,
  system: SupplySystem,
): LaneView[] {
  return lanes.map((lane) => {
    const there = items.filter((item) => item.lane === lane);
    const sorted =
      lane === 'auto' ? there.toSorted((a, b) => (a.shed?.order ?? 0) - (b.shed?.order ?? 0)) : there;
    const sum = (value: (effect: ItemEffect) => number): number =>
      there.reduce((total, { id }) => total + (effects.has(id) ? value(effects.get(id)!) : 0), 0);
    const { title, what } = laneFacts[lane];
    return {
      lane,
      title,
      what,
      rows: sorted.map((item) => rowOf(item, effects.get(item.id), system)),
      count: sorted.length,
      sums:
        there.length === 0
          ? ''
          : `${quantityText(
              sum(({ energyWhPerDay }) => energyWhPerDay),
              'Wh',
            )} a day, ${quantityText(
              sum(({ runningVA }) => runningVA),
              'VA',
            )} if all run`,
    };
  });
}

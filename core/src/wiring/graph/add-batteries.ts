import type { Stack } from '../../equipment/index.js';
import { batteryCurrentA, lowestVoltageV, stringFuseA } from '../../rules/details.js';
import type { GraphBuilder } from './graph-builder.js';

/** How batteries beside an inverter are connected: strings side by side, blocks in each. */
export interface BatteryStrings {
  readonly name: string;
  readonly strings: number;
  /** Lowest voltage of a string while it delivers, V, and its current then, A. */
  readonly lowestV: number;
  readonly currentA: number;
}

/** The strings an installer wires; null where the batteries come in one box with the inverter, or with the maker's own leads. */
export function batteryStrings(stack: Stack): BatteryStrings | null {
  // Beside an inverter without cells of its own every battery is wired; packs of a battery-inverter come with leads.
  const loose = stack.batteries.filter(
    ({ unit }) =>
      stack.inverter.battery === null || unit.role === 'battery-module' || unit.role === 'lead-acid-battery',
  );
  const [first] = loose;
  if (!first?.unit.battery) return null;
  const { battery, id, name } = first.unit;
  const inSeries = Math.max(
    1,
    stack.inverter.inverter?.accepts.find(({ unitId }) => unitId === id)?.step ?? 1,
  );
  const pieces = loose.reduce((sum, { quantity }) => sum + quantity, 0);
  const strings = Math.max(1, Math.floor(pieces / inSeries));
  const lowestV = lowestVoltageV(inSeries * battery.nominalVoltageV, battery.chemistry);
  const powerW = Math.min(stack.continuousVA, stack.batteryPowerW);
  return {
    name,
    strings,
    lowestV,
    currentA: batteryCurrentA({ powerW, efficiency: stack.dischargeEfficiency, voltageV: lowestV }, strings),
  };
}

/** More strings are drawn as one that stands for all. */
const mostDrawn = 4;

/** Adds the batteries of an island, with the fuse and cable of each string. */
export function addBatteries(
  builder: GraphBuilder,
  islandId: string,
  stack: Stack,
  inverterId: string,
): void {
  const found = batteryStrings(stack);
  if (!found) return;
  const { name, strings, lowestV, currentA } = found;
  const add = (id: string, which: string, placeName: string, times: number): void => {
    const to = builder.place({ id: `battery:${id}`, name: placeName, kind: 'battery' });
    builder.part({
      id: `strings:${id}`,
      name: which,
      from: inverterId,
      to,
      device: {
        kind: 'fuse',
        name: 'Fuse of the string',
        ratingA: stringFuseA(currentA),
        why: '125 % of its current at the lowest voltage',
        handle: false,
      },
      cable: { use: 'battery', continuousA: currentA, voltageV: lowestV, lengthM: 2, isNew: true },
      neutral: false,
      times,
    });
  };
  if (strings === 1) add(islandId, 'Battery string', `${name}, one string`, 1);
  else if (strings > mostDrawn)
    add(islandId, `Each of ${strings} battery strings`, `${name}, ${strings} strings`, strings);
  else
    for (let index = 1; index <= strings; index += 1)
      add(`${islandId}:${index}`, `Battery string ${index}`, `${name}, string ${index}`, 1);
}

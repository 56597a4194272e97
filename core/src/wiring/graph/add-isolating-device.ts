import { islandWiring, type ServiceBackup } from '../../design/index.js';
import { earthingOf } from './earthing.js';
import type { GraphBuilder } from './graph-builder.js';

/** Where an island is cut off: the device, the places before and behind it, and what the house hangs on. */
export interface IsolatingPoint {
  readonly device: string;
  readonly behind: string;
  readonly house: string;
}

/** What an isolating device is called. */
export const isolatingNames: Readonly<Record<NonNullable<ServiceBackup['isolatingDevice']>, string>> = {
  'pass-through': 'pass-through of the inverter',
  'transfer-switch': 'automatic transfer switch',
  'at-meter': 'isolating device at the meter',
  contactor: 'isolating device',
};

/**
 * Adds an isolating device behind a place, and its bypass where it has one. One with a handle for both takes the source out of the way: the house hangs on
 * a place of its own.
 *
 * @param key of the panel or service it cuts off
 * @param inline it is the inverter's own
 */
export function addIsolatingDevice(
  builder: GraphBuilder,
  islandId: string,
  key: string,
  of: {
    readonly name: string;
    readonly before: string;
    readonly ratingA: number | null;
    readonly inline: boolean;
  },
): IsolatingPoint {
  const { name, before, ratingA, inline } = of;
  const device = `iso:${key}`;
  const { bypass } = islandWiring(builder.plan.wiring, islandId);
  const switchesNeutral = earthingOf(builder.plan).value !== 'house';
  const terminals = (id: string, called: string): string =>
    builder.place({ id: `${id}:${key}`, name: called, kind: 'terminals', enclosure: device });
  const behind = terminals('behind', inline ? `Output of ${name}` : `House side of ${name}`);
  builder.part({
    id: device,
    name,
    from: before,
    to: behind,
    device: { kind: 'isolating', name, ratingA, switchesNeutral, handle: false, automatic: { device } },
  });
  if (bypass === 'none') return { device, behind, house: behind };
  const bypassName = `Bypass of ${name}`;
  const handle = `bypass:${key}`;
  const way = (id: string, from: string, to: string, closedIn: string): void => {
    builder.part({
      id: `${id}:${key}`,
      name: bypassName,
      from,
      to,
      device: {
        kind: 'bypass',
        name: bypassName,
        ratingA,
        switchesNeutral,
        handle: { id: handle, closedIn: [closedIn] },
      },
    });
  };
  if (bypass === 'separate') {
    builder.handle(handle, bypassName, ['open', 'closed']);
    way('bypass', before, behind, 'closed');
    return { device, behind, house: behind };
  }
  const house = terminals('house', `House side of the ${bypassName.toLowerCase()}`);
  builder.handle(handle, bypassName, ['normal', 'bypass']);
  way('normal', behind, house, 'normal');
  way('bypass', before, house, 'bypass');
  return { device, behind, house };
}

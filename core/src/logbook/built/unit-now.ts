import type { Logbook, LoggedUnit } from '../../house/index.js';

/** What a unit is by now: its serial number and firmware after all visits. */
export interface UnitNow {
  readonly unit: LoggedUnit;
  readonly serial: string;
  readonly firmware: string;
  /** The last day on which something of it was changed; null = never. */
  readonly changedOn: string | null;
}

/** Units of a logbook as they are now: a visit that changed firmware or replaced a unit counts from its day on. */
export function unitsNow({ units, visits }: Pick<Logbook, 'units' | 'visits'>): UnitNow[] {
  const inOrder = visits.toSorted((a, b) => a.on.localeCompare(b.on));
  return units.map((unit) => {
    let { serial, firmware } = unit;
    let changedOn: string | null = null;
    for (const { on, changes } of inOrder) {
      for (const { unitId, kind, after } of changes) {
        if (unitId !== unit.id) continue;
        changedOn = on;
        if (after === '') continue;
        if (kind === 'firmware') firmware = after;
        if (kind === 'part') serial = after;
      }
    }
    return { unit, serial, firmware, changedOn };
  });
}

import type { LoggedUnit } from '../../house/index.js';

/** A device that was found in a system. */
interface FoundDevice {
  readonly model: string;
  readonly serial: string;
  readonly version: string;
}

/** Units with the serial numbers that devices gave them. */
export interface TakenSerials {
  readonly units: LoggedUnit[];
  readonly taken: number;
  /** Serial numbers of devices for which no unit was left. */
  readonly left: readonly string[];
}

const plain = (text: string): string => text.toLowerCase().replace(/[^a-z0-9]/g, '');

/** Gives the serial numbers and firmware that devices say of themselves to units without one: by their names, each once. */
export function takeSerials(units: readonly LoggedUnit[], found: readonly FoundDevice[]): TakenSerials {
  const known = new Set(units.map(({ serial }) => serial).filter((serial) => serial !== ''));
  const now = [...units];
  const left: string[] = [];
  let taken = 0;
  for (const { model, serial, version } of found) {
    if (serial === '' || known.has(serial)) continue;
    const name = plain(model);
    const place = now.findIndex((unit) => {
      const own = plain(unit.name);
      return unit.serial === '' && name !== '' && (own.includes(name) || name.includes(own));
    });
    if (place < 0) {
      left.push(serial);
      continue;
    }
    known.add(serial);
    const unit = now[place]!;
    now[place] = { ...unit, serial, firmware: unit.firmware === '' ? version : unit.firmware };
    taken += 1;
  }
  return { units: now, taken, left };
}

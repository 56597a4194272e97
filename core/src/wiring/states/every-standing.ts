import type { Interlock, SwitchNetwork } from './switch-network.js';

/**
 * Goes through every way the handles can stand that the interlocks allow, the usual one first, and calls back with the index of the position
 * of each; the array is the same every time.
 */
export function everyStanding(
  { handles, interlocks }: Pick<SwitchNetwork, 'handles' | 'interlocks'>,
  visit: (standing: Int32Array) => void,
): void {
  const index = new Map(handles.map(({ id }, at) => [id, at]));
  // An interlock is looked at as soon as the last of its handles stands.
  const byLast = handles.map((): (readonly (readonly [number, number])[])[] => []);
  for (const { forbids } of interlocks) {
    const parts = forbids.map(({ handle, position }) => {
      const at = index.get(handle);
      return at === undefined ? null : ([at, handles[at]!.positions.indexOf(position)] as const);
    });
    const known = parts.filter((part) => part !== null);
    if (known.length < parts.length || known.length === 0) continue;
    byLast[Math.max(...known.map(([at]) => at))]!.push(known);
  }
  const standing = new Int32Array(handles.length);
  const isForbidden = (at: number): boolean =>
    byLast[at]!.some((parts) => parts.every(([handle, position]) => standing[handle] === position));
  const place = (at: number): void => {
    if (at === handles.length) {
      visit(standing);
      return;
    }
    for (let position = 0; position < handles[at]!.positions.length; position += 1) {
      standing[at] = position;
      if (!isForbidden(at)) place(at + 1);
    }
  };
  place(0);
}

/** Do the interlocks allow it? */
export const allows = (
  interlocks: readonly Interlock[],
  standing: Readonly<Record<string, string>>,
): boolean =>
  !interlocks.some(({ forbids }) => forbids.every(({ handle, position }) => standing[handle] === position));

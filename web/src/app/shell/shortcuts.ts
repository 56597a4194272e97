import { stages } from './stages';

/** A key and what it does, for the list of keys. */
export interface Shortcut {
  readonly keys: string;
  readonly does: string;
}

export const shortcuts: readonly { readonly group: string; readonly rows: readonly Shortcut[] }[] = [
  {
    group: 'Everywhere',
    rows: [
      { keys: `1 to ${stages.length}`, does: 'Go to the stage of that number' },
      { keys: '/ or Ctrl K', does: 'Find a load, a figure or an action' },
      { keys: 'Ctrl Z', does: 'Undo' },
      { keys: 'Ctrl Shift Z or Ctrl Y', does: 'Redo' },
      { keys: 'Esc', does: 'Close what is open' },
      { keys: '?', does: 'This list' },
    ],
  },
  {
    group: 'In the table of loads',
    rows: [
      { keys: 'Arrows, Home, End', does: 'Move between cells' },
      { keys: 'Enter, F2 or type', does: 'Edit the cell' },
      { keys: 'Enter / Tab', does: 'Take the value and move down / right' },
      { keys: 'Esc', does: 'Leave the cell as it was' },
      { keys: 'Space', does: 'Into or out of the backup set' },
      { keys: 'Insert', does: 'New load below' },
      { keys: 'Ctrl D', does: 'Duplicate the load' },
      { keys: 'Delete', does: 'Remove the load' },
      { keys: 'Ctrl V', does: 'Paste rows from a spreadsheet' },
    ],
  },
  {
    group: 'On the bench of the backup set',
    rows: [
      { keys: 'Arrows, Home, End', does: 'Walk along the circuits' },
      { keys: 'Shift and arrows, Space, Ctrl A', does: 'Choose several' },
      { keys: 'O S H D', does: 'Stays on, shed by a device, by hand, stays dark' },
      { keys: 'Alt and arrows', does: 'To the lane above or below' },
    ],
  },
  {
    group: 'In a panel',
    rows: [
      { keys: 'Arrows, Home, End', does: 'Move between spaces' },
      { keys: 'Type, Enter or F2', does: 'Write the breaker: 20 Kitchen, 50/2 Range, spare 20' },
      { keys: 'Enter / Tab', does: 'Take it and go down / to the next number' },
      { keys: 'Alt and arrows', does: 'Move the breaker, or let two change places' },
      { keys: 'Delete', does: 'Remove the breaker' },
      { keys: 'Ctrl V', does: 'Paste a list of circuits' },
    ],
  },
];

const typingInto = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement &&
  (target.isContentEditable || ['INPUT', 'TEXTAREA', 'SELECT'].includes(target.tagName));

export type ShellAction =
  | { readonly kind: 'stage'; readonly index: number }
  | { readonly kind: 'palette' | 'keys' | 'undo' | 'redo' };

/** The action a key press asks for, or null. Plain keys are left alone while somebody types. */
export function shellAction(event: KeyboardEvent): ShellAction | null {
  const command = event.ctrlKey || event.metaKey;
  const key = event.key.toLowerCase();
  if (command && key === 'k') return { kind: 'palette' };
  if (typingInto(event.target)) return null;
  if (command && key === 'z') return { kind: event.shiftKey ? 'redo' : 'undo' };
  if (command && key === 'y') return { kind: 'redo' };
  if (command || event.altKey) return null;
  if (event.key === '/') return { kind: 'palette' };
  if (event.key === '?') return { kind: 'keys' };
  if (
    /^[1-9]$/.test(event.key) &&
    !(event.target instanceof HTMLElement && event.target.closest('[role=grid], [role=listbox]'))
  ) {
    return { kind: 'stage', index: Number(event.key) - 1 };
  }
  return null;
}

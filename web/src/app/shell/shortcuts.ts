import type { ShortcutGroup } from './stage';

/** Keys that work everywhere. */
export const shellShortcuts = (stageCount: number): ShortcutGroup => ({
  group: 'Everywhere',
  rows: [
    { keys: `1 to ${stageCount}`, does: 'Go to the stage of that number' },
    { keys: '/ or Ctrl K', does: 'Find a load, a figure or an action' },
    { keys: 'Ctrl Z', does: 'Undo' },
    { keys: 'Ctrl Shift Z or Ctrl Y', does: 'Redo' },
    { keys: 'Esc', does: 'Close what is open' },
    { keys: '?', does: 'This list' },
  ],
});

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

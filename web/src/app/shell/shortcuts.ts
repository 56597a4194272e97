import type { ShortcutGroup } from './stage';

/** Keys that work everywhere. */
export const shellShortcuts = (stageCount: number): ShortcutGroup => ({
  group: 'Everywhere',
  rows: [
    {
      keys: stageCount < 10 ? `Alt 1 to Alt ${stageCount}` : 'Alt 1 to Alt 9, Alt 0 for the tenth',
      does: 'Go to the stage of that number',
    },
    ...(stageCount > 10
      ? [
          {
            keys:
              stageCount === 11
                ? 'Alt Shift 1 for the eleventh'
                : `Alt Shift 1 to Alt Shift ${stageCount - 10}`,
            does: 'Go to the stages after the tenth',
          },
        ]
      : []),
    { keys: 'Ctrl K', does: 'Find a load, a figure or an action' },
    { keys: 'Ctrl Z', does: 'Undo' },
    { keys: 'Ctrl Shift Z or Ctrl Y', does: 'Redo' },
    { keys: 'Esc', does: 'Close what is open' },
    { keys: 'Ctrl /', does: 'This list' },
  ],
});

const typingInto = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement &&
  (target.isContentEditable || ['INPUT', 'TEXTAREA', 'SELECT'].includes(target.tagName));

export type ShellAction =
  | { readonly kind: 'stage'; readonly index: number }
  | { readonly kind: 'palette' | 'keys' | 'undo' | 'redo' };

/**
 * The action a key press asks for, or null. None of them is a plain character (WCAG 2.2, 2.1.4): what is typed beside a field
 * does nothing, and never leads away from the work.
 */
export function shellAction(event: KeyboardEvent): ShellAction | null {
  const command = event.ctrlKey || event.metaKey;
  const key = event.key.toLowerCase();
  if (command && key === 'k') return { kind: 'palette' };
  if (command && key === '/') return { kind: 'keys' };
  const stage = /^Digit([0-9])$/.exec(event.code);
  // By its place on the keyboard: with Alt a digit may stand for another character.
  if (event.altKey && !command && stage)
    return { kind: 'stage', index: ((Number(stage[1]) + 9) % 10) + (event.shiftKey ? 10 : 0) };
  if (typingInto(event.target)) return null;
  if (command && key === 'z') return { kind: event.shiftKey ? 'redo' : 'undo' };
  if (command && key === 'y') return { kind: 'redo' };
  return null;
}

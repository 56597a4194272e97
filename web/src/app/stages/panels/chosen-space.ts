import type { Panel } from '@levamen/core/house';
import { breakersIn } from '@levamen/core/house/details';

/** The space that is looked at, and the breaker that was there when it was chosen. */
export interface ChosenSpace {
  readonly panelId: string | null;
  readonly space: number;
  readonly circuitId: string | null;
}

/** A space of a panel, with the breaker that begins or lies there. */
export const chooseSpace = (panel: Panel | null, space: number): ChosenSpace => ({
  panelId: panel?.id ?? null,
  space,
  circuitId: (panel && breakersIn(panel, space)[0]?.id) ?? null,
});

/**
 * What is looked at after the panel has changed: the same breaker, wherever it is now; else the same space; the first space of
 * another panel.
 */
export function followSpace(panel: Panel | null, before: ChosenSpace | undefined): ChosenSpace {
  if (!panel || !before || before.panelId !== panel.id) return chooseSpace(panel, 1);
  const circuit = panel.circuits.find(({ id }) => id === before.circuitId);
  if (circuit) {
    const stays = circuit.spaces.includes(before.space);
    return { ...before, space: stays ? before.space : circuit.spaces[0]! };
  }
  return chooseSpace(panel, Math.min(before.space, panel.spaces));
}

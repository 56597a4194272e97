import type { Figure } from './figure.js';

const token = /\{(\w+)\}/g;

/**
 * The formula of a figure with each input replaced by a text.
 *
 * @param figure a figure with a formula
 * @param show gives the text of an input, for example its label or its formatted value
 * @returns the text, or '' for a figure without a formula
 * @throws Error where the formula names an input the figure does not have
 */
export function workingText(figure: Figure, show: (input: Figure) => string): string {
  return (figure.formula ?? '').replace(token, (_, name: string) => {
    const input = figure.inputs[name];
    if (!input) throw new Error(`Figure ${figure.key} has no input "${name}"`);
    return show(input);
  });
}

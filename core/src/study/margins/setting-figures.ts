import { type Figure, type FigureUnit, given, type Setting, settingSource } from '../../base/index.js';
import type { Settings } from '../../design/index.js';

/** A setting of the brief as a figure: entered, or assumed with its reason. */
export function settingFigure(key: string, label: string, of: Setting<number>, unit: FigureUnit): Figure {
  return given({ key: `brief.${key}`, label, value: of.value, unit, source: settingSource(of) });
}

/** Hours the backup set must last. */
export const requiredRuntimeFigure = (settings: Settings): Figure =>
  settingFigure('requiredRuntimeH', 'Required runtime', settings.requiredRuntimeH, 'h');

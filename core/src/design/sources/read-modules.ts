import type { Modules, SolarArray } from './sources.schema.js';

/**
 * Modules as they are counted on a roof.
 *
 * @example readModules('39 x 410 W') // { count: 39, eachW: 410 }
 * @returns null where it cannot be read
 */
export function readModules(text: string): Pick<Modules, 'count' | 'eachW'> | null {
  const found = /^\s*(\d{1,3})\s*[x×*]\s*(\d{2,4}(?:[.,]\d+)?)\s*(?:wp?)?\s*$/i.exec(text);
  if (!found) return null;
  const [count, eachW] = [Number(found[1]), Number(found[2]!.replace(',', '.'))];
  return count >= 1 && count <= 400 && eachW >= 10 && eachW <= 1000 ? { count, eachW } : null;
}

export const modulesText = (modules: Modules | null): string =>
  modules ? `${modules.count} × ${modules.eachW} W` : '';

/** An array of so many modules, its power theirs together; null = nobody has counted them, the power stays. */
export const withModules = (array: SolarArray, modules: Modules | null): SolarArray => ({
  ...array,
  modules,
  ratedW: modules ? modules.count * modules.eachW : array.ratedW,
});

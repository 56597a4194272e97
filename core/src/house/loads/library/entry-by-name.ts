import { type SupplySystem } from '../../../electric/index.js';
import { libraryFor } from './load-library.js';
import type { TypicalLoad } from './typical-load.js';

/** What legends of panels call the entries of the library, the more particular first. */
const names: readonly (readonly [RegExp, readonly string[]])[] = [
  [/hot ?tub|\bspa\b|jacuzzi|whirlpool/, ['hot-tub']],
  [/sauna/, ['sauna']],
  [/pool/, ['pool-pump']],
  [/(back ?up|aux\w*|emergency) heat|heat ?strips?|strip heat/, ['backup-heat']],
  [/water ?(heater|htr)|hot ?water|\bhwh\b|\bw\.?h\.?\b|geyser|immersion/, ['water-heater-tank']],
  [/\bev\b|\bevse\b|car charg|charger|wall ?box/, ['car-40', 'car-three', 'car-fast']],
  [/dish ?w/, ['dishwasher']],
  [/dryer/, ['dryer-electric']],
  [/wash(er|ing)|laundry/, ['washer-cold']],
  [/freezer/, ['freezer-chest']],
  [/fridge|refrigerat/, ['fridge']],
  [/mini ?split|ductless/, ['heat-pump-ductless']],
  [/heat ?pump/, ['heat-pump-central']],
  [/air ?con|\ba\/?c\b|condens(er|ing)|cooling/, ['ac-central']],
  [/\bmicro/, ['microwave']],
  [/range ?hood|\bhood\b/, ['range-hood']],
  [/cook ?top|\bhob\b|induction/, ['cooktop-induction']],
  [/\boven\b/, ['oven']],
  [/\brange\b|\bstove\b|cooker/, ['range-electric']],
  [/furnace|air ?handler|blower/, ['furnace-blower']],
  [/boiler|burner/, ['boiler-gas']],
  [/circulat/, ['circulator']],
  [/base ?board|space ?heat|electric heat/, ['baseboard']],
  [/heat ?(tape|trace|cable)/, ['heat-tape']],
  [/sump/, ['sump-pump']],
  [/sewage|ejector/, ['sewage-pump']],
  [/septic|aerator/, ['septic-aerator']],
  [/\bwell\b/, ['well-pump-small']],
  [/booster|pressure pump/, ['booster-pump']],
  [/garage door|door opener/, ['garage-door']],
  [/\bgate\b/, ['gate']],
  [/dehumid/, ['dehumidifier']],
  [/radon/, ['radon-fan']],
  [/\bhrv\b|\berv\b|ventilat/, ['ventilation']],
  [/bath.*fan|fan.*bath/, ['bath-fan']],
  [/ceiling fan/, ['ceiling-fans']],
  [/compressor/, ['compressor']],
  [/router|modem|internet|network/, ['router']],
  [/alarm|security|smoke/, ['alarm']],
  [/outdoor light|outside light|porch light|yard light|exterior light/, ['lights-outdoor']],
  [/light|lamp/, ['lights-living']],
];

/** Rooms: what is plugged in there is anybody's guess. */
const room =
  /outlet|receptacle|socket|plug|kitchen|bed|bath|living|dining|hall|office|study|family|den\b|garage|basement|attic|porch|room|counter|island|nursery|patio|deck|bar\b|closet|cellar|loft|landing|utility|workshop/;

/**
 * The entry of the library that the name of a circuit speaks of; null where nothing typical is known.
 *
 * @param poles of its breaker: what needs two legs of 120 V is not looked for on one, nor outlets on two
 * @example entryByName('Range', 2, 'split-120-240')?.id // 'range-electric'
 */
export function entryByName(name: string, poles: number, system: SupplySystem): TypicalLoad | null {
  const said = name.toLowerCase();
  const library = libraryFor(system);
  const entryOf = (ids: readonly string[]): TypicalLoad | null =>
    library.find(({ id }) => ids.includes(id)) ?? null;
  const entry = entryOf(names.find(([pattern]) => pattern.test(said))?.[1] ?? []);
  if (entry) return entry;
  return poles === 1 && room.test(said) ? entryOf(['outlets']) : null;
}

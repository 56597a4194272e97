import type { LoadKind } from './load-kinds.js';

/** What names say, the more particular first. */
const words: readonly (readonly [LoadKind, RegExp])[] = [
  ['medical', /oxygen|breathing|cpap|dialysis|stair ?lift|medical|insulin/],
  ['vehicle', /\b(ev|evse|car)\b.*(charg|plug)|charg.*\b(ev|car)\b|wall ?box|\bevse\b|vehicle|\bev\b/],
  ['pool', /hot ?tub|\bpool\b|sauna|\bspa\b|jacuzzi|whirlpool/],
  ['backup-heat', /(back ?up|auxiliary|aux|emergency|supplement\w*) heat|heat strips?/],
  ['water-heater', /water ?heater|hot ?water|boiler.*(dhw|tank)|immersion|geyser/],
  ['dryer', /(?<!hair ?)\bdryer\b|tumble/],
  ['dishwasher', /dish ?washer/],
  ['laundry', /wash(er|ing)|laundry/],
  ['refrigeration', /fridge|freezer|refrigerat|ice ?maker|wine cooler/],
  ['heat-pump', /heat ?pump|mini ?split/],
  ['cooling', /air ?con|\ba\/?c\b|cooling|condens(er|ing)/],
  [
    'range',
    /\brange\b(?! hood)|(?<!toaster )(?<!microwave )\boven\b|cook ?top|\bhob\b|\bstove\b(?!.*pellet)|cooker/,
  ],
  ['heating-appliance', /furnace|boiler|burner|pellet|air handler|blower/],
  [
    'space-heating',
    /base ?board|space ?heat|radiant|heat ?tape|heating cable|electric heat|resistance heat|panel heater|heater/,
  ],
  ['pump', /pump|circulator|aerator|septic|sump|\bwell\b|ejector/],
  ['door', /garage door|\bgate\b|door opener/],
  ['fan', /\bfan\b|ventilat|hood|dehumidif|\bhrv\b|\berv\b/],
  ['network', /router|modem|internet|wi-?fi|network|camera|alarm|switch(es)?\b/],
  ['lighting', /light|lamp|\bleds?\b/],
  [
    'small-appliance',
    /microwave|coffee|kettle|toaster|fryer|mixer|blender|iron|vacuum|hair ?dryer|induction plate/,
  ],
  [
    'electronics',
    /\btv\b|television|computer|laptop|desktop|monitor|printer|stereo|audio|console|charger|phone/,
  ],
  ['workshop', /\bsaw\b|compressor|welder|drill|lathe|workshop|grinder/],
  ['outlets', /outlets?|receptacles?|sockets?|plugs?\b/],
];

/**
 * The kind of load a name speaks of; 'other' where it says nothing that is known.
 *
 * @example guessKind('Well pump 1 hp') // 'pump'
 */
export function guessKind(name: string): LoadKind {
  const said = name.toLowerCase();
  return words.find(([, pattern]) => pattern.test(said))?.[0] ?? 'other';
}

import * as z from 'zod';
import { idSchema } from '../../base/index.js';
import {
  bodyFields,
  goesWithSchema,
  identityFields,
  needSchema,
  ratingSourceSchema,
  temperatureFields,
  warrantyFields,
} from './item-head.js';
import { type ItemKind, itemKinds } from './item-kinds.js';

/** Fields that every kind has. */
export const headFields = { ...identityFields, ...bodyFields, ...temperatureFields, ...warrantyFields };

const itemOf = <K extends ItemKind>(kind: K) =>
  z.strictObject({
    id: idSchema,
    kind: z.literal(kind),
    ...headFields,
    ratings: z.strictObject<(typeof itemKinds)[K]['fields']>(itemKinds[kind].fields),
    /** What may be connected to it, and how many. */
    goesWith: z.array(goesWithSchema).max(20, 'Use at most 20 kinds of item'),
    /** What must stand beside it. */
    needs: z.array(needSchema).max(40, 'Use at most 40 kinds of item'),
    /** Where single ratings were read, if not in the data sheet. */
    sources: z.array(ratingSourceSchema).max(60),
    /** It is kept, and offered no longer. */
    retired: z.boolean({ error: 'Say yes or no' }),
  });

/** One thing a company sells, with the ratings of its kind; null is: nobody has said. */
export const itemSchema = z.discriminatedUnion(
  'kind',
  [
    itemOf('battery-inverter'),
    itemOf('hybrid-inverter'),
    itemOf('inverter-charger'),
    itemOf('expansion-pack'),
    itemOf('battery-module'),
    itemOf('lead-acid-battery'),
    itemOf('solar-module'),
    itemOf('solar-inverter'),
    itemOf('charge-controller'),
    itemOf('isolating-device'),
    itemOf('autotransformer'),
    itemOf('soft-starter'),
    itemOf('generator'),
    itemOf('load-controller'),
    itemOf('smart-breaker'),
    itemOf('panel'),
    itemOf('disconnect'),
    itemOf('breaker'),
    itemOf('fuse'),
    itemOf('conductor'),
    itemOf('conduit'),
    itemOf('metering'),
    itemOf('surge-device'),
    itemOf('mounting'),
    itemOf('communication'),
    itemOf('other'),
  ],
  { error: 'Choose the kind of item' },
);
export type Item = z.infer<typeof itemSchema>;

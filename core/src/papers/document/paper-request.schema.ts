import * as z from 'zod';
import { idSchema } from '../../base/index.js';

/** What a job leaves the house as. */
export const paperKinds = ['proposal', 'packet', 'parts', 'labels', 'card', 'report'] as const;
export const paperKindSchema = z.enum(paperKinds, { error: `Choose one of: ${paperKinds.join(', ')}` });
export type PaperKind = z.infer<typeof paperKindSchema>;

/** Languages of the papers a household reads. */
export const languages = ['en', 'es', 'de'] as const;
export const languageSchema = z.enum(languages, { error: `Choose one of: ${languages.join(', ')}` });
export type Language = z.infer<typeof languageSchema>;

/** Sheets a paper is set for, upright, mm. */
export const sheets = { a4: [210, 297], letter: [215.9, 279.4] } as const;
export type SheetSize = keyof typeof sheets;
export const sheetSizeSchema = z.enum(['a4', 'letter'], { error: 'Choose a4 or letter' });

/** Parts of each paper that may be left out, in their order. */
export const paperParts = {
  proposal: ['wishes', 'designs', 'seasons', 'energy-power', 'not-included', 'price', 'acceptance'],
  packet: [
    'site',
    'one-line',
    'three-line',
    'load',
    'busbars',
    'conductors',
    'schedules',
    'equipment',
    'elevations',
    'site-plan',
    'labels',
    'states',
    'utility',
    'assumed',
  ],
  parts: ['units', 'wiring', 'work'],
  labels: ['list', 'sheets'],
  card: ['hours', 'on', 'off-first', 'trip', 'return', 'emergency'],
  report: ['summary', 'steps', 'built', 'outage', 'left', 'signed'],
} as const satisfies Readonly<Record<PaperKind, readonly string[]>>;

const partNames = [...new Set(Object.values(paperParts).flat())];

/** What paper is asked for. */
export const paperRequestSchema = z
  .strictObject({
    kind: paperKindSchema,
    sheet: sheetSizeSchema,
    language: languageSchema,
    /** A proposal shows up to three designs, everything else one. */
    designIds: z
      .array(idSchema)
      .min(1, 'Choose a design')
      .max(3, 'A proposal shows at most three designs')
      .refine((ids) => new Set(ids).size === ids.length, 'Name each design once'),
    /** Parts that are left out. */
    without: z.array(z.enum(partNames, { error: 'Name a part of the paper' })).max(partNames.length),
  })
  .refine(({ kind, designIds }) => kind === 'proposal' || designIds.length === 1, {
    path: ['designIds'],
    error: 'Choose one design: only a proposal shows several',
  });
export type PaperRequest = Readonly<z.infer<typeof paperRequestSchema>>;

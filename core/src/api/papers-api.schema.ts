import * as z from 'zod';
import { digestSchema, idSchema } from '../base/index.js';
import {
  companySheetSchema,
  languageSchema,
  paperKindSchema,
  paperRequestSchema,
  sheetSizeSchema,
} from '../papers/index.js';

const moment = z.iso.datetime();

/** What the company prints on its papers, as it is now. */
export const keptCompanySheetSchema = z.object({
  /** 0 = nobody has entered anything. */
  revision: z.number().int().min(0),
  sheet: companySheetSchema,
  actor: z.string(),
  changedAt: moment.nullable(),
});
export type KeptCompanySheet = z.infer<typeof keptCompanySheetSchema>;

export const companySheetChangeSchema = z.strictObject({
  baseRevision: z.number().int().min(0).max(2_147_483_647),
  sheet: companySheetSchema,
});
export type CompanySheetChange = z.infer<typeof companySheetChangeSchema>;

/** What is made of a paper: the sheet to read; of a parts list a table; of labels, pictures; or everything together. */
export const orderFormats = ['pdf', 'xlsx', 'csv', 'svg', 'zip'] as const;
export type OrderFormat = (typeof orderFormats)[number];

/** Asks for a paper to be made. */
export const paperOrderRequestSchema = z
  .strictObject({
    request: paperRequestSchema,
    format: z.enum(orderFormats, { error: `Choose one of: ${orderFormats.join(', ')}` }),
    /** Issues it: as a new paper, or as the next revision of one; null = a draft. */
    issue: z.strictObject({ reissues: z.uuid().nullable() }).nullable(),
    /** Revision of the job it is made from: the one that was looked at. */
    jobRevision: z.number().int().min(1).max(2_147_483_647),
  })
  .refine(({ issue, format }) => issue === null || format === 'pdf', {
    path: ['format'],
    error: 'Only PDF is issued',
  })
  .refine(({ format, request }) => (format !== 'xlsx' && format !== 'csv') || request.kind === 'parts', {
    path: ['format'],
    error: 'Only a parts list is a table',
  })
  .refine(({ format, request }) => format !== 'svg' || request.kind === 'labels', {
    path: ['format'],
    error: 'Only labels leave as SVG',
  });
export type PaperOrderRequest = z.infer<typeof paperOrderRequestSchema>;

export const orderStates = ['waiting', 'making', 'done', 'failed', 'cancelled'] as const;

/** How far a paper is. */
export const paperOrderSchema = z.object({
  id: z.uuid(),
  state: z.enum(orderStates),
  /** Share that is done. */
  share: z.number().min(0).max(1),
  /** What is being done, or why it failed. */
  says: z.string(),
  /** What nobody has entered yet, and where that is done. */
  missing: z.array(z.object({ what: z.string(), at: z.string(), place: z.string() })),
  /** The paper it was issued as. */
  paperId: z.uuid().nullable(),
});
export type PaperOrder = z.infer<typeof paperOrderSchema>;

/** A paper that was issued: frozen. */
export const issuedPaperSchema = z.object({
  id: z.uuid(),
  kind: paperKindSchema,
  number: z.string(),
  /** A for the first one. */
  letter: z.string(),
  title: z.string(),
  language: languageSchema,
  sheet: sheetSizeSchema,
  issuedAt: moment,
  actor: z.string(),
  jobRevision: z.number().int(),
  designIds: z.array(idSchema),
  /** Revision of the company's equipment, and the rules it was judged by. */
  equipmentRevision: z.number().int(),
  rulePack: z.string(),
  digest: digestSchema('paper'),
  bytes: z.number().int(),
  /** Its bytes are gone; number and digest stay. */
  erasedAt: moment.nullable(),
  /** A later revision of it stands in its place. */
  isReplaced: z.boolean(),
  /** What differs in the job since; none = it is up to date. */
  differs: z.array(z.string()),
  changes: z.array(z.string()),
});
export type IssuedPaper = z.infer<typeof issuedPaperSchema>;
export const issuedPaperListSchema = z.array(issuedPaperSchema);

export const linkDays = { least: 1, most: 365 } as const;
export const clientLinkRequestSchema = z.strictObject({
  days: z.number({ error: 'Enter a number' }).int().min(linkDays.least).max(linkDays.most),
});

/** A link by which a household reads a paper. */
export const clientLinkSchema = z.object({
  id: z.uuid(),
  paperId: z.uuid(),
  createdAt: moment,
  expiresAt: moment,
  revokedAt: moment.nullable(),
  opened: z.number().int(),
});
export type ClientLink = z.infer<typeof clientLinkSchema>;
/** With its secret, which is shown once. */
export const newClientLinkSchema = clientLinkSchema.extend({ secret: z.string() });
export type NewClientLink = z.infer<typeof newClientLinkSchema>;

/** What the household has said yes to. */
export const acceptanceSchema = z.object({
  id: z.uuid(),
  paperId: z.uuid(),
  designName: z.string(),
  name: z.string(),
  at: moment,
  /** The address it came from. */
  from: z.string(),
});
export type Acceptance = z.infer<typeof acceptanceSchema>;

/** Links and acceptances of the papers of a job. */
export const paperLinksSchema = z.object({
  links: z.array(clientLinkSchema),
  acceptances: z.array(acceptanceSchema),
});
export type PaperLinks = z.infer<typeof paperLinksSchema>;

/** Who reads by a link sees this, and nothing else. */
export const givenPaperSchema = z.object({
  kind: paperKindSchema,
  language: languageSchema,
  title: z.string(),
  company: z.string(),
  issuedOn: z.string(),
  number: z.string(),
  caution: z.string(),
  /** What stands on the paper, as it is composed. */
  blocks: z.array(z.unknown()),
  /** Designs that may be accepted; none where it asks for no answer. */
  designs: z.array(z.object({ id: idSchema, name: z.string() })),
  accepted: z.object({ designName: z.string(), name: z.string(), at: moment }).nullable(),
});
export type GivenPaper = z.infer<typeof givenPaperSchema>;

export const acceptPaperSchema = z.strictObject({
  designId: idSchema,
  name: z
    .string({ error: 'Enter your name' })
    .trim()
    .min(2, 'Enter your name')
    .max(120, 'Use at most 120 characters'),
});

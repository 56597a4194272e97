import * as z from 'zod';

/** Nothing of a house is drawn larger, mm. */
const mm = z.number().min(-5000).max(5000);
const size = z.number().min(0).max(5000);
const point = z.tuple([mm, mm]).readonly();

export const layers = [
  'enclosures',
  'conductors',
  'busbars',
  'symbols',
  'text',
  'earthing',
  'communication',
  'structure',
  'openings',
  'clearances',
  'dimensions',
  'findings',
] as const;
export type DrawingLayer = (typeof layers)[number];

const item = {
  layer: z.enum(layers),
  /** The part or place it shows; '' = nothing that can be asked about. */
  about: z.string().max(160),
  /** The place whose voltage it has; '' = none. */
  place: z.string().max(160),
};

const lineSchema = z.strictObject({
  kind: z.literal('line'),
  ...item,
  points: z.array(point).max(200).readonly(),
  widthMm: size,
  dashed: z.boolean(),
  closed: z.boolean(),
});
const circleSchema = z.strictObject({
  kind: z.literal('circle'),
  ...item,
  centre: point,
  radiusMm: size,
  filled: z.boolean(),
});
const textSchema = z.strictObject({
  kind: z.literal('text'),
  ...item,
  /** Left end of the base line, or its middle. */
  at: point,
  text: z.string().max(200),
  heightMm: size,
  anchor: z.enum(['start', 'middle']),
});
const itemSchema = z.discriminatedUnion('kind', [lineSchema, circleSchema, textSchema]);

/** A drawing in millimetres: whoever writes it (screen, PDF, CAD) needs nothing else. */
export const drawingSchema = z.strictObject({
  widthMm: size,
  heightMm: size,
  items: z.array(itemSchema).max(20_000).readonly(),
});
export type Drawing = Readonly<z.infer<typeof drawingSchema>>;
export type DrawingItem = Readonly<z.infer<typeof itemSchema>>;
export type DrawingLine = Readonly<z.infer<typeof lineSchema>>;
export type DrawingText = Readonly<z.infer<typeof textSchema>>;

/** Dashes and gaps of a dashed line, mm: short ones where something speaks or measures or room is kept, long ones around an enclosure. */
export const dashMm = ({ layer }: Pick<DrawingItem, 'layer'>): string =>
  layer === 'communication' || layer === 'clearances' ? '1 0.8' : '2 1';

/** Width of a text in the figure face, in which every letter is as wide: 0.6 of its height. */
export const textWidthMm = (text: string, heightMm: number): number => text.length * 0.6 * heightMm;

export const paperSizes = ['a4', 'a3', 'letter', 'tabloid'] as const;
export type PaperSize = (typeof paperSizes)[number];

/** What the server makes a PDF of. */
export const drawingRequestSchema = z.strictObject({
  title: z.string().max(160),
  paper: z.enum(paperSizes, { error: `Choose one of: ${paperSizes.join(', ')}` }),
  drawing: drawingSchema,
});
export type DrawingRequest = z.infer<typeof drawingRequestSchema>;

import {
  type Block,
  fillWords,
  frameWords,
  missingWords,
  type Paper,
  type SheetSize,
  sheets,
  type TableCell,
} from '@levamen/core/papers';
import { drawingSvg } from '@levamen/core/wiring';
import type {
  Content,
  ContextPageSize,
  CustomTableLayout,
  TableCell as PdfCell,
} from 'pdfmake/interfaces.js';
import { coveredWhole } from './covered-text.js';
import { isLeftAlone } from './left-alone.js';
import { makePdf } from './make-pdf.js';
import { printed } from './printed.js';

/** What is stamped on every page beside what is composed. */
export interface Stamp {
  /** null = a draft. */
  readonly issued: {
    readonly number: string;
    readonly letter: string;
    readonly day: string;
    readonly who: string;
  } | null;
  /** Revision of the job it was made from. */
  readonly jobRevision: number;
  /** The day it is made, in words of the paper's language. */
  readonly day: string;
  /** What has changed since the revision before; none where it is the first. */
  readonly changes: { readonly since: string; readonly lines: readonly string[] } | null;
}

const pointsPerMm = 72 / 25.4;
const points = (mm: number): number => mm * pointsPerMm;
const marginMm = 15;
const topMm = 22;
const bottomMm = 24;
const ink = '#211d16';
const soft = '#5d5547';
const rule = '#b9b09f';
const wash = '#f3efe6';
/** The heading above a drawing on its sheet, and some room for luck of rounding, mm. */
const titleMm = 11;
/** A sheet lies where that makes its drawing so much larger. */
const lyingGain = 1.08;
/** Small drawings are not blown up beyond this. */
const largestScale = 1.25;
/** What must be on one page is made no smaller than this. */
const smallestScale = 0.75;
/** More letters than this make a column wide. */
const narrowLetters = 26;
/** So few letters stay on one line where their column is as wide as it needs to be. */
const shortLetters = 16;

const columnLine: CustomTableLayout = {
  hLineWidth: (row, node) =>
    row === 0 ? 0 : row === (node.table.headerRows ?? 0) ? 0.9 : row === node.table.body.length ? 0.6 : 0.4,
  vLineWidth: () => 0,
  hLineColor: (row, node) => (row === (node.table.headerRows ?? 0) ? ink : rule),
  paddingLeft: (column) => (column === 0 ? 0 : 4),
  paddingRight: () => 4,
  paddingTop: () => 2.2,
  paddingBottom: () => 2.2,
};
const factLine: CustomTableLayout = {
  ...columnLine,
  hLineWidth: () => 0,
  paddingTop: () => 1.2,
  paddingBottom: () => 1.2,
};

const textOf = (cell: TableCell): string => (typeof cell === 'string' ? cell : cell.text);

function cellOf(cell: TableCell, align: 'left' | 'right', isWide: boolean): PdfCell {
  const tone = typeof cell === 'string' ? 'plain' : cell.tone;
  return {
    text: printed(textOf(cell)),
    alignment: align,
    ...(!isWide && textOf(cell).length <= shortLetters ? { noWrap: true } : {}),
    ...(tone === 'strong' ? { bold: true } : tone === 'soft' ? { color: soft } : {}),
  };
}

const tableSizes = {
  small: { headPt: 7.2, rowPt: 7.6 },
  usual: { headPt: 8, rowPt: 8.6 },
  large: { headPt: 8.6, rowPt: 13 },
} as const;

function tableOf(block: Extract<Block, { kind: 'table' }>, scale: number): Content[] {
  const { columns, rows, size, note } = block;
  const { headPt, rowPt } = tableSizes[size ?? 'usual'];
  const hasHead = columns.some(({ head }) => head !== '');
  const isLong = (index: number): boolean =>
    rows.some((row) => textOf(row[index] ?? '').length > narrowLetters) ||
    (columns[index]!.head.split(' ').length > 2 && columns[index]!.head.length > narrowLetters);
  const wide = columns.map(({ wide: said = false }, index) => said || isLong(index));
  return [
    {
      layout: columnLine,
      table: {
        headerRows: hasHead ? 1 : 0,
        dontBreakRows: true,
        widths: columns.map((_, index) => (wide[index] || columns.length === 1 ? '*' : 'auto')),
        body: [
          ...(hasHead
            ? [
                columns.map(({ head, align = 'left' }) => ({
                  text: printed(head),
                  bold: true,
                  alignment: align,
                  fontSize: headPt * scale,
                })),
              ]
            : []),
          ...rows.map((row) =>
            columns.map(({ align = 'left' }, index) => cellOf(row[index] ?? '', align, wide[index]!)),
          ),
        ],
      },
      fontSize: rowPt * scale,
      margin: [0, 2, 0, note === undefined ? 8 : 2],
    },
    ...(note === undefined
      ? []
      : [
          {
            text: printed(note),
            color: soft,
            fontSize: 7.4 * scale,
            margin: [0, 0, 0, 8] as [number, number, number, number],
          },
        ]),
  ];
}

function factsOf({ rows, columns = 1 }: Extract<Block, { kind: 'facts' }>): Content {
  const half = Math.ceil(rows.length / columns);
  const column = (some: typeof rows): Content => ({
    layout: factLine,
    table: {
      widths: ['38%', '*'],
      body: some.map(([label, value]) => [{ text: printed(label), color: soft }, { text: printed(value) }]),
    },
  });
  if (columns === 1 || rows.length < 4)
    return { ...(column(rows) as object), margin: [0, 1, 0, 7] } as Content;
  return {
    columns: [column(rows.slice(0, half)), column(rows.slice(half))],
    columnGap: 16,
    margin: [0, 1, 0, 7],
  };
}

const boxLook = {
  caution: { line: '#9a3412', ground: '#fbf1e6' },
  missing: { line: '#8a5a00', ground: '#fbf6e3' },
  note: { line: '#5d5547', ground: wash },
} as const;

function boxOf({ tone, title, lines }: Extract<Block, { kind: 'box' }>): Content {
  const { line, ground } = boxLook[tone];
  return {
    table: {
      widths: ['*'],
      body: [
        [
          {
            stack: [
              { text: printed(title), bold: true, margin: [0, 0, 0, 2] },
              ...(lines.length > 1
                ? [
                    {
                      ul: lines.map((text) => ({
                        text: printed(text),
                        margin: [0, 0, 0, 1] as [number, number, number, number],
                      })),
                    },
                  ]
                : lines.map((text) => ({ text: printed(text) }))),
            ],
          },
        ],
      ],
    },
    layout: {
      hLineWidth: () => 0,
      vLineWidth: (column: number) => (column === 0 ? 3 : 0),
      vLineColor: () => line,
      fillColor: () => ground,
      paddingLeft: () => 8,
      paddingRight: () => 8,
      paddingTop: () => 5,
      paddingBottom: () => 5,
    },
    margin: [0, 3, 0, 8],
  };
}

/** A page a block begins, and how it lies; null = it goes on where the one before ended. */
interface Begins {
  readonly lies: boolean;
}

interface SetBlock {
  readonly content: Content[];
  readonly begins: Begins | null;
  /** What follows begins a page of its own. */
  readonly alone: boolean;
}

function setBlock(block: Block, paper: Paper, sheet: SheetSize): SetBlock {
  const { scale } = paper;
  const here = (content: Content | Content[]): SetBlock => ({
    content: Array.isArray(content) ? content : [content],
    begins: null,
    alone: false,
  });
  switch (block.kind) {
    case 'heading': {
      const isFirst = block.level === 1;
      return here({
        text: printed(block.text),
        bold: true,
        fontSize: (isFirst ? 13 : 10) * scale,
        margin: isFirst ? [0, 10, 0, 4] : [0, 6, 0, 3],
        headlineLevel: block.level,
        ...(isFirst ? { outline: true, outlineText: block.text } : {}),
      });
    }
    case 'paragraph':
      return here({
        text: printed(block.text),
        margin: [0, 0, 0, 5],
        ...(block.tone === 'soft'
          ? { color: soft, fontSize: 8 * scale }
          : block.tone === 'strong'
            ? { bold: true }
            : {}),
      });
    case 'list':
      return here({
        ul: block.items.map((text) => ({
          text: printed(text),
          margin: [0, 0, 0, 2] as [number, number, number, number],
        })),
        margin: [0, 0, 0, 6],
      });
    case 'facts':
      return here(factsOf(block));
    case 'table':
      return here(tableOf(block, scale));
    case 'box':
      return here(boxOf(block));
    case 'ticks':
      return here({
        stack: block.items.map((text) => ({
          columns: [
            {
              width: 16,
              canvas: [{ type: 'rect' as const, x: 0, y: 1, w: 9, h: 9, lineWidth: 0.8, lineColor: ink }],
            },
            { text: printed(text) },
          ],
          margin: [0, 2, 0, 3] as [number, number, number, number],
        })),
        margin: [0, 2, 0, 6],
      });
    case 'signatures':
      return here({
        columns: block.lines.map((text) => [
          {
            canvas: [
              { type: 'line' as const, x1: 0, y1: 34, x2: 150, y2: 34, lineWidth: 0.7, lineColor: ink },
            ],
          },
          {
            text: printed(text),
            color: soft,
            fontSize: 7.5 * scale,
            margin: [0, 2, 0, 0] as [number, number, number, number],
          },
        ]),
        columnGap: 14,
        unbreakable: true,
        margin: [0, 6, 0, 8],
      });
    case 'drawing': {
      const { drawing } = block;
      const [shortMm, longMm] = sheets[sheet];
      const svg = drawingSvg(drawing, 'Roboto', coveredWhole);
      if (block.on === 'page') {
        const widthMm = shortMm - 2 * marginMm;
        return here({ svg, width: points(Math.min(widthMm, drawing.widthMm)), margin: [0, 2, 0, 8] });
      }
      const scaleOn = (widthMm: number, heightMm: number): number =>
        Math.min(
          (widthMm - 2 * marginMm) / drawing.widthMm,
          (heightMm - topMm - bottomMm - titleMm) / drawing.heightMm,
          largestScale,
        );
      const [upright, lying] = [scaleOn(shortMm, longMm), scaleOn(longMm, shortMm)];
      const lies = lying > upright * lyingGain;
      const scale = lies ? lying : upright;
      return {
        begins: { lies },
        alone: true,
        content: [
          {
            text: printed(block.title),
            bold: true,
            fontSize: 11,
            margin: [0, 0, 0, 6],
            outline: true,
            outlineText: block.title,
          },
          {
            svg,
            width: points(drawing.widthMm * scale),
            height: points(drawing.heightMm * scale),
            alignment: 'center',
          },
        ],
      };
    }
    case 'together':
      return here({ stack: together(block.blocks, paper, sheet), unbreakable: true });
    case 'columns':
      return here({
        columns: [block.left, block.right].map((some) => together(some, paper, sheet)),
        columnGap: 16,
      });
    case 'mark':
      return here({ svg: block.svg, width: points(block.widthMm), margin: [0, 2, 0, 6] });
    case 'picture':
      return {
        begins: { lies: block.turned },
        alone: true,
        content: [{ svg: block.svg, width: points(block.widthMm), height: points(block.heightMm) }],
      };
  }
}

/** Blocks that begin no page of their own. */
const together = (blocks: readonly Block[], paper: Paper, sheet: SheetSize): Content[] =>
  blocks.flatMap((block) => setBlock(block, paper, sheet).content);

/** Puts blocks one after the other, with the pages that sheets begin and end. */
function flow(paper: Paper, sheet: SheetSize, first: readonly Content[]): Content[] {
  const content: Content[] = [...first];
  let after = false;
  for (const block of paper.blocks) {
    const { content: set, begins, alone } = setBlock(block, paper, sheet);
    if (begins === null && !after) content.push(...set);
    else {
      const orientation = begins?.lies ? ('landscape' as const) : ('portrait' as const);
      content.push({ stack: set, pageBreak: 'before', pageOrientation: orientation });
    }
    after = alone;
  }
  return content;
}

function headOf(paper: Paper, stamp: Stamp, logo: string | null): Content[] {
  const words = frameWords[paper.language];
  const { issued } = stamp;
  const state = issued
    ? `${fillWords(words.number, { number: issued.number })}, ${fillWords(words.revision, { letter: issued.letter })}`
    : `${words.draft}: ${words.draftNote}`;
  const missing = paper.missing.map(({ what, place }) => fillWords(missingWords.at, { what, place }));
  return [
    {
      columns: [
        [
          { text: printed(paper.title), fontSize: 18 * (paper.kind === 'card' ? 1.15 : 1), bold: true },
          { text: printed(paper.jobName), fontSize: 11, color: soft, margin: [0, 1, 0, 0] },
          { text: printed(`${state} · ${stamp.day}`), margin: [0, 3, 0, 0], fontSize: 8.5 },
        ],
        {
          width: 190,
          stack: [
            ...(logo
              ? [
                  {
                    image: logo,
                    fit: [150, 46] as [number, number],
                    alignment: 'right' as const,
                    margin: [0, 0, 0, 3] as [number, number, number, number],
                  },
                ]
              : []),
            ...paper.company.map((line, index) => ({
              text: printed(line),
              alignment: 'right' as const,
              fontSize: index === 0 ? 9.5 : 7.6,
              bold: index === 0,
              ...(index === 0 ? {} : { color: soft }),
            })),
          ],
        },
      ],
      columnGap: 12,
      margin: [0, 0, 0, 8],
    },
    ...(stamp.changes && stamp.changes.lines.length > 0
      ? [
          boxOf({
            kind: 'box',
            tone: 'note',
            title: fillWords(words.changes, { letter: stamp.changes.since }),
            lines: stamp.changes.lines,
          }),
        ]
      : []),
    // What is issued is what it is; what is missing is said while that can be changed.
    ...(missing.length > 0 && !issued
      ? [boxOf({ kind: 'box', tone: 'missing', title: missingWords.title, lines: missing })]
      : []),
  ];
}

/**
 * A paper as PDF: text that can be selected, embedded fonts, vector drawings, bookmarks, and on every page what it is, its number or that it is a draft, and a line
 * of caution.
 *
 * @param logo as a data URL; null = none
 */
export async function paperPdf(
  paper: Paper,
  sheet: SheetSize,
  stamp: Stamp,
  logo: string | null,
): Promise<Buffer> {
  if (!paper.onOnePage) return (await set(paper, sheet, stamp, logo)).pdf;
  for (let scale = paper.scale; ; scale -= 0.07) {
    const { pdf, pages } = await set({ ...paper, scale }, sheet, stamp, logo);
    if (pages === 1 || scale <= smallestScale) return pdf;
  }
}

async function set(
  paper: Paper,
  sheet: SheetSize,
  stamp: Stamp,
  logo: string | null,
): Promise<{ readonly pdf: Buffer; readonly pages: number }> {
  let count = 1;
  const counted = (pages: number): object => {
    count = pages;
    return {};
  };
  const words = frameWords[paper.language];
  const { issued } = stamp;
  const [shortMm, longMm] = sheets[sheet];
  const identity = [
    paper.title,
    paper.jobName,
    fillWords(words.jobRevision, { revision: stamp.jobRevision }),
    issued
      ? `${fillWords(words.number, { number: issued.number })}, ${fillWords(words.revision, { letter: issued.letter })}, ${fillWords(words.issued, { day: issued.day, who: issued.who })}`
      : stamp.day,
  ].join(' · ');
  const side = points(marginMm);
  const pdf = await makePdf({
    info: {
      title: `${paper.title}: ${paper.jobName}`,
      subject: issued ? `${issued.number} ${issued.letter}` : words.draft,
      ...(paper.company[0] === undefined ? {} : { author: paper.company[0] }),
      creator: 'Levamen',
      producer: 'Levamen',
    },
    language: paper.language,
    pageSize: { width: points(shortMm), height: points(longMm) },
    pageMargins: [side, points(topMm), side, points(bottomMm)],
    defaultStyle: { font: 'Roboto', fontSize: 9 * paper.scale, color: ink, lineHeight: 1.12 },
    header: (_page: number, _pages: number, size: ContextPageSize) => ({
      margin: [side, points(9), side, 0],
      columns: [
        {
          text: printed(issued ? '' : words.draft.toUpperCase()),
          bold: true,
          fontSize: 10,
          color: '#9a3412',
          width: 120,
        },
        {
          text: printed(issued ? `${issued.number} ${issued.letter}` : words.draftNote),
          alignment: 'right',
          fontSize: 8,
          color: soft,
          width: size.width - 2 * side - 120,
        },
      ],
    }),
    footer: (page: number, pages: number) => ({
      ...counted(pages),
      margin: [side, 6, side, 0],
      fontSize: 7,
      color: soft,
      stack: [
        { text: printed(paper.caution), margin: [0, 0, 0, 2] },
        {
          columns: [
            { text: printed(identity) },
            { text: printed(fillWords(words.page, { page, pages })), alignment: 'right', width: 90 },
          ],
        },
      ],
    }),
    content: flow(paper, sheet, headOf(paper, stamp, logo)),
    pageBreakBefore: isLeftAlone,
  });
  return { pdf, pages: count };
}

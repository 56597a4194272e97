import type { Drawing } from '../../wiring/index.js';
import type { Language, PaperKind } from './paper-request.schema.js';

/** How a text is set. */
export type Tone = 'plain' | 'strong' | 'soft';

export interface Cell {
  readonly text: string;
  readonly tone: Tone;
}
export type TableCell = string | Cell;

export interface Column {
  readonly head: string;
  readonly align?: 'left' | 'right';
  /** Takes what is left, shared with others that do; else as wide as its widest word needs. */
  readonly wide?: boolean;
}

/** Something that stands on a paper, from top to bottom. */
export type Block =
  | { readonly kind: 'heading'; readonly level: 1 | 2; readonly text: string }
  | { readonly kind: 'paragraph'; readonly text: string; readonly tone?: Tone }
  | { readonly kind: 'list'; readonly items: readonly string[] }
  /** Label and value, in one or two columns. */
  | {
      readonly kind: 'facts';
      readonly rows: readonly (readonly [label: string, value: string])[];
      readonly columns?: 1 | 2;
    }
  | {
      readonly kind: 'table';
      readonly columns: readonly Column[];
      readonly rows: readonly (readonly TableCell[])[];
      readonly note?: string;
      /** Small where there is much of it, large where it is read from a wall. */
      readonly size?: 'small' | 'large';
    }
  /** On a sheet of its own, or among the text. */
  | {
      readonly kind: 'drawing';
      readonly title: string;
      readonly drawing: Drawing;
      readonly on: 'sheet' | 'page';
    }
  | {
      readonly kind: 'box';
      readonly tone: 'caution' | 'missing' | 'note';
      readonly title: string;
      readonly lines: readonly string[];
    }
  /** Lines to sign on, each with what is asked above it. */
  | { readonly kind: 'signatures'; readonly lines: readonly string[] }
  /** Boxes to tick. */
  | { readonly kind: 'ticks'; readonly items: readonly string[] }
  /** A small picture among the text, so wide. */
  | { readonly kind: 'mark'; readonly svg: string; readonly widthMm: number }
  /** Stays on one page. */
  | { readonly kind: 'together'; readonly blocks: readonly Block[] }
  /** Side by side. */
  | { readonly kind: 'columns'; readonly left: readonly Block[]; readonly right: readonly Block[] }
  /** On a page of its own at its true size, the page turned or not; its words say what it shows. */
  | {
      readonly kind: 'picture';
      readonly svg: string;
      readonly widthMm: number;
      readonly heightMm: number;
      readonly turned: boolean;
      readonly texts: readonly string[];
    };

/** Something that nobody has entered yet, and where that is done. */
export interface Missing {
  readonly what: string;
  /** Path of a stage, or of a page of the company ("/papers"). */
  readonly at: string;
  readonly place: string;
}

/** A paper before it is set: the same whatever it is written to. */
export interface Paper {
  readonly kind: PaperKind;
  readonly language: Language;
  readonly title: string;
  readonly jobName: string;
  /** Who issues it, line by line; none where nobody has said. */
  readonly company: readonly string[];
  /** SHA-256 of its mark; null = it has none. */
  readonly logo: string | null;
  /** Stands at the foot of every page. */
  readonly caution: string;
  /** Text of the page is so many times as large as usual. */
  readonly scale: number;
  /** It is made smaller until it is on one page. */
  readonly onOnePage: boolean;
  readonly blocks: readonly Block[];
  readonly missing: readonly Missing[];
}

/** A part that can be left out, with the blocks it puts on paper; nothing is printed of one without blocks. */
export interface PaperPart {
  readonly id: string;
  readonly blocks: readonly Block[];
}

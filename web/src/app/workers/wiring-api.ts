import type { UnitSystem } from '@levamen/core/base';
import type { Subject } from '@levamen/core/rules/packs';
import type { Nudge } from '@levamen/core/design';
import type {
  Drawing,
  MaterialLine,
  OneLineTag,
  Situation,
  SourceKind,
  WiredDesign,
  WiringFinding,
  WiringMargin,
  WiringSafety,
} from '@levamen/core/wiring';
import type { AsBuilt } from '@levamen/core/logbook';
import type { ChosenStacks } from '../data/stack-of';

/** Which drawing is asked for, and how. */
export interface DrawingAsked {
  readonly units: UnitSystem;
  readonly nudges: readonly Nudge[];
  /** The isolating device whose every conductor is shown; '' = the whole, in one line. */
  readonly deviceId: string;
  /** What it says of the house as it was built. */
  readonly asBuilt: AsBuilt;
}

export interface DrawingAnswer {
  readonly drawing: Drawing;
  /** What each thing is tagged with. */
  readonly tags: readonly OneLineTag[];
  /** Isolating devices that can be shown with every conductor. */
  readonly ways: readonly { readonly deviceId: string; readonly name: string }[];
  /** The one that is shown; '' = the whole, in one line. */
  readonly deviceId: string;
}

export interface WiringAnswer {
  readonly wired: WiredDesign;
  readonly findings: readonly WiringFinding[];
  readonly margin: WiringMargin;
  /** What is bought for it beside the units. */
  readonly material: readonly MaterialLine[];
}

export interface WiringApi {
  wire(asked: ChosenStacks): WiringAnswer;
  /** What is bought for the wiring of a design that is not looked at. */
  material(asked: ChosenStacks): readonly MaterialLine[];
  /** A drawing of what was wired last; null = nothing was. */
  draw(asked: DrawingAsked): Promise<DrawingAnswer | null>;
  /** Everything of what was wired last that rules are asked about. */
  subjects(): readonly Subject[];
  /** What people who work on what was wired last must know. */
  safety(): WiringSafety | null;
  /** What is live in what was wired last, and from what. */
  live(
    standing: Readonly<Record<string, string>>,
    situation: Situation,
  ): ReadonlyMap<string, SourceKind> | null;
}

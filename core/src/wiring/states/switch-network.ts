/** A place in the wiring where things meet. Its line side and its neutral side are two networks over the same places. */
interface NetworkNode {
  readonly id: string;
  /** Loads between line and neutral of a split-phase supply hang here: they need a neutral that is formed. */
  readonly needsNeutral: boolean;
}

/** Something with a handle: it stands in one of its positions, and stays there. */
export interface Handle {
  readonly id: string;
  readonly name: string;
  /** Where it usually stands comes first. */
  readonly positions: readonly [string, string, ...string[]];
}

/** A handle in a position. */
export interface Standing {
  readonly handle: string;
  readonly position: string;
}

/** Positions that cannot be together. */
export interface Interlock {
  readonly id: string;
  readonly name: string;
  readonly forbids: readonly Standing[];
}

/** What decides whether a link conducts. */
export type Closing =
  | { readonly kind: 'always' }
  /** In these positions of a handle. */
  | { readonly kind: 'handle'; readonly handle: string; readonly positions: readonly string[] }
  /** An isolating device: it closes while there is a grid, or a generator, at the place it watches, and is open otherwise. */
  | { readonly kind: 'isolating'; readonly device: string }
  /** Opens by itself while the generator runs. */
  | { readonly kind: 'unless-generator' };

/** A conductor from place to place, with what switches it. */
export interface Link {
  readonly id: string;
  readonly from: string;
  readonly to: string;
  readonly layer: 'line' | 'neutral';
  /** All of them must be closed. */
  readonly closedBy: readonly Closing[];
}

/** A device that cuts an island off by itself. */
export interface IsolatingDevice {
  readonly id: string;
  readonly name: string;
  /** The place whose voltage it watches. */
  readonly watches: string;
}

export type SourceKind = 'grid' | 'inverter' | 'generator' | 'array';

export interface NetworkSource {
  readonly id: string;
  readonly name: string;
  readonly kind: SourceKind;
  readonly at: string;
  /** Of an inverter: the device that tells it whether it leads; it leads while that is open. null = it always leads. */
  readonly device: string | null;
  /** false: two legs without a neutral of its own. */
  readonly formsNeutral: boolean;
  /** Sources with the same mark are made to run in parallel; null = it runs alone. */
  readonly parallelGroup: string | null;
}

/** A connection of neutral and earth. */
export interface Bond {
  readonly id: string;
  readonly name: string;
  readonly at: string;
  /** Enclosures of one service that each carry theirs beside each other are one: same mark. */
  readonly group: string;
  readonly when:
    | { readonly kind: 'always' }
    /** A relay: closed while the device is open and its inverter leads. */
    | { readonly kind: 'island'; readonly device: string; readonly inverter: string };
}

/** A transformer that forms a neutral on the place it is connected to. */
export interface NeutralFormer {
  readonly id: string;
  readonly at: string;
}

/** Lines, neutrals and bonds of a house, with everything that switches them. */
export interface SwitchNetwork {
  readonly nodes: readonly NetworkNode[];
  readonly links: readonly Link[];
  readonly handles: readonly Handle[];
  readonly interlocks: readonly Interlock[];
  readonly devices: readonly IsolatingDevice[];
  readonly sources: readonly NetworkSource[];
  readonly bonds: readonly Bond[];
  readonly neutralFormers: readonly NeutralFormer[];
}

/** What is there from outside; where there is an array, the sun shines. */
export interface Situation {
  readonly grid: boolean;
  readonly generator: boolean;
  readonly battery: boolean;
}

export const situationText = ({ grid, generator, battery }: Situation): string =>
  [
    grid ? 'grid present' : 'grid away',
    battery ? 'battery inverter on' : 'battery inverter off',
    ...(generator ? ['generator running'] : []),
  ].join(', ');

/** Situations in which anything is live, the usual ones first. */
export function situationsOf({ sources }: Pick<SwitchNetwork, 'sources'>): readonly Situation[] {
  const has = (kind: SourceKind): boolean => sources.some((source) => source.kind === kind);
  const either = (there: boolean): readonly boolean[] => (there ? [true, false] : [false]);
  return either(has('grid')).flatMap((grid) =>
    (has('generator') ? [false, true] : [false]).flatMap((generator) =>
      either(has('inverter'))
        .map((battery): Situation => ({ grid, generator, battery }))
        .filter((situation) => situation.grid || situation.generator || situation.battery),
    ),
  );
}

export const hazardKinds = [
  'back-feed',
  'parallel',
  'solar-generator',
  'no-bond',
  'two-bonds',
  'no-neutral',
] as const;
export type HazardKind = (typeof hazardKinds)[number];

/** Something dangerous, and what it concerns: ids of sources, bonds and places, in order. */
export interface Hazard {
  readonly kind: HazardKind;
  readonly concerns: readonly string[];
}

/** A way the switches can stand that is dangerous. */
export interface Counterexample extends Hazard {
  readonly situation: Situation;
  /** Every handle with where it stands. */
  readonly standing: Readonly<Record<string, string>>;
  /** Of these, the ones that do not stand as usual. */
  readonly moved: readonly string[];
}

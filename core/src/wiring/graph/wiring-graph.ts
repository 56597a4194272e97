import type { Setting } from '../../base/index.js';
import type { Conductor, LegSet } from '../../electric/index.js';
import type { SwitchNetwork } from '../states/switch-network.js';

export type PlaceKind =
  'grid' | 'meter' | 'terminals' | 'bus' | 'inverter' | 'array' | 'generator' | 'battery';

/** Where things meet: terminals, a busbar, a source. */
export interface WiringPlace {
  readonly id: string;
  readonly name: string;
  readonly kind: PlaceKind;
  /** Places with the same one stand in one box. */
  readonly enclosure: string;
  readonly panelId: string | null;
  /** Rating of a busbar; null = not known, or no busbar. */
  readonly busA: number | null;
}

export type WiringDeviceKind =
  'breaker' | 'main' | 'disconnect' | 'isolating' | 'transfer' | 'bypass' | 'inlet' | 'fuse';

/** Something that opens and closes, at the beginning of a part. */
export interface WiringDevice {
  readonly kind: WiringDeviceKind;
  readonly name: string;
  /** null = nobody knows. */
  readonly ratingA: Setting<number> | null;
  readonly poles: number;
  readonly switchesNeutral: boolean;
  /** The handle somebody may move, and the positions in which the part conducts; null = it has none. */
  readonly handle: { readonly id: string; readonly closedIn: readonly string[] } | null;
  /** Opens and closes by itself: an isolating device by its id, or away while a generator runs. */
  readonly automatic: { readonly device: string } | 'unless-generator' | null;
}

/** What a cable carries, and how it lies. */
export interface WiringCable {
  readonly use: 'service' | 'feeder' | 'source' | 'array' | 'generator' | 'battery';
  /** Sized for by 125 %, and for itself. */
  readonly continuousA: number;
  readonly otherA: number;
  readonly voltageV: number;
  /** Legs it feeds or is fed from; a battery has none. */
  readonly legs: LegSet | null;
  readonly phases: 1 | 3;
  readonly lengthM: Setting<number>;
  /** What is there, or what the designer chose; null = the smallest that holds. */
  readonly conductor: Conductor | null;
  readonly material: Conductor['material'];
  readonly together: number;
  readonly cable: 'raceway' | 'nm';
  /** It carries the whole dwelling: 310.12. */
  readonly wholeDwelling: boolean;
  readonly isNew: boolean;
  /** It is the utility's: nothing of it is judged. */
  readonly isUtility: boolean;
}

/** From one place to another: first the device, then the cable. */
export interface WiringPart {
  readonly id: string;
  readonly name: string;
  readonly from: string;
  readonly to: string;
  readonly device: WiringDevice | null;
  readonly cable: WiringCable | null;
  /** It begins without a device of its own: rules of taps hold. */
  readonly isTap: boolean;
  /** The device that protects its cable, A: its own, else the one ahead; null = not known. */
  readonly protectedByA: number | null;
  /** Runs a neutral along. */
  readonly neutral: boolean;
  /** Parts alike, side by side, that it stands for. */
  readonly times: number;
}

export type AccessoryKind = 'electrode' | 'surge' | 'sensors';

/** Something that hangs on a place and carries none of its power. */
export interface WiringAccessory {
  readonly id: string;
  readonly kind: AccessoryKind;
  readonly name: string;
  /** The place it hangs on. */
  readonly at: string;
  /** It comes with the design: it was not there before. */
  readonly isNew: boolean;
  /** Conductors it watches or protects. */
  readonly poles: number;
}

/** A cable through which parts of a system speak. */
export interface WiringLink {
  readonly id: string;
  readonly name: string;
  /** Accessory, isolating device or inverter. */
  readonly from: string;
  readonly to: string;
}

/** Everything of the wiring between the meter and the circuits, and the sources. */
export interface WiringGraph extends Pick<
  SwitchNetwork,
  'handles' | 'interlocks' | 'devices' | 'sources' | 'bonds' | 'neutralFormers'
> {
  readonly places: readonly WiringPlace[];
  readonly parts: readonly WiringPart[];
  readonly accessories: readonly WiringAccessory[];
  readonly links: readonly WiringLink[];
  /** What was taken for granted to get so far. */
  readonly assumptions: readonly string[];
}

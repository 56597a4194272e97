/** What the devices of a system show in a second of a staged outage; null = nobody could be read, or it is not measured. */
export interface OutageSample {
  /** Since the recording began, s. */
  readonly second: number;
  /** L1 to neutral on the grid's side of the isolating device, V. */
  readonly gridV: number | null;
  /** Each leg to neutral as the inverter feeds it, V. */
  readonly legV: readonly (number | null)[];
  readonly frequencyHz: number | null;
  readonly isOnGrid: boolean | null;
  /** Out of the battery, at the AC side of its inverter, W; negative = into it. */
  readonly batteryW: number | null;
  readonly solarW: number | null;
  /** Out of the grid, W. */
  readonly gridW: number | null;
  /** As the battery shows it, share. */
  readonly charge: number | null;
  /** How long the last transfer took, where the system says so, ms. */
  readonly gapMs: number | null;
}

/** Beside that, what they show at one moment. */
export interface SystemNow extends OutageSample {
  /** Legs to neutral on the grid's side, V. */
  readonly gridLegV: readonly (number | null)[];
  /** L1-L2, L2-L3, L3-L1 where the inverter feeds, V. */
  readonly betweenV: readonly (number | null)[];
  /** Out of the grid on each leg, W. */
  readonly gridLegW: readonly (number | null)[];
  readonly batteries: readonly { readonly serial: string; readonly charge: number | null }[];
  /** Addresses at which more than one answers in turn. */
  readonly doubled: readonly string[];
  /** Its clock less the true time, s. */
  readonly clockOffS: number | null;
  /** Of the last minute's questions so many were answered, share. */
  readonly answered: number | null;
}

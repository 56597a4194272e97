/** Where a sign hangs. */
export type SignPlace =
  | 'service'
  | 'emergency-disconnect'
  | 'far-end-breaker'
  | 'sum-of-breakers'
  | 'several-sources'
  | 'array-disconnect'
  | 'storage-disconnect'
  | 'standby-source'
  | 'inlet-bonded'
  | 'inlet-floating';

interface SignText {
  readonly at: SignPlace;
  readonly clause: string;
  /** The words; what stands in brackets is filled in. */
  readonly text: string;
  /** Colours where the clause says them. */
  readonly look?: string;
  /** Height of its letters where the clause says it, mm. */
  readonly letterMm?: number;
}

interface SignPack {
  readonly edition: string;
  readonly source: 'recalled';
  /** Height of letters where no clause says it (common practice, no source), mm. */
  readonly letterMm: number;
  /** Signs are cut to whole steps, mm. */
  readonly stepMm: number;
  readonly signs: readonly SignText[];
}

/** Signs of the American code; wording recalled, verify it against the adopted edition. */
export const necSigns: SignPack = {
  edition: 'NEC 2023',
  source: 'recalled',
  // ⅜ in.
  letterMm: 9.525,
  // ½ in.
  stepMm: 12.7,
  signs: [
    {
      at: 'service',
      clause: '705.10',
      text: 'This building is also supplied by: [sources]. Disconnects at: [places]',
    },
    {
      at: 'emergency-disconnect',
      clause: '230.85(E)',
      text: 'Emergency disconnect, service disconnect',
      look: 'white on red',
      // ½ in.
      letterMm: 12.7,
    },
    {
      at: 'far-end-breaker',
      clause: '705.12(B)(2)',
      text: 'Warning: power source output connection. Do not relocate this overcurrent device',
    },
    {
      at: 'sum-of-breakers',
      clause: '705.12(B)(3)',
      text: 'Warning: equipment fed by multiple sources. Total rating of all overcurrent devices excluding the main shall not exceed the ampacity of the busbar',
    },
    { at: 'several-sources', clause: '705.30(C)', text: 'Fed by several sources: [sources]' },
    { at: 'array-disconnect', clause: '690.13(B)', text: 'Photovoltaic system disconnect' },
    { at: 'storage-disconnect', clause: '706.15(C)', text: 'Energy storage system disconnect' },
    { at: 'standby-source', clause: '702.7(A)', text: 'Optional standby source: [sources]' },
    {
      at: 'inlet-bonded',
      clause: '702.7(C)',
      text: 'Warning: for connection of a separately derived (bonded neutral) system only',
    },
    {
      at: 'inlet-floating',
      clause: '702.7(C)',
      text: 'Warning: for connection of a nonseparately derived (floating neutral) system only',
    },
  ],
};

/** Signs of the British code and its kin; wording recalled. */
export const iecSigns: SignPack = {
  edition: 'BS 7671:2018',
  source: 'recalled',
  letterMm: 5,
  stepMm: 5,
  signs: [
    {
      at: 'service',
      clause: '514.15.1',
      text: 'Warning: multiple supplies. Isolate all electrical supplies before carrying out work: [sources]',
    },
    {
      at: 'several-sources',
      clause: '514.15.1',
      text: 'Warning: multiple supplies. Isolate mains at [places] and alternative supplies: [sources]',
    },
    { at: 'array-disconnect', clause: '712.514', text: 'Solar supply, point of isolation' },
    { at: 'storage-disconnect', clause: '514.11', text: 'Battery inverter, point of isolation' },
    { at: 'standby-source', clause: '514.15.1', text: 'Alternative supply: [sources]' },
  ],
};

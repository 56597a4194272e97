/** Power above which an inverter disconnects once it has been passed for longer than the time. */
export interface TripLevel {
  readonly aboveVA: number;
  readonly heldS: number;
}

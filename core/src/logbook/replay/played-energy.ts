import { at, dark, type OutagePlan, OutageStepper } from '../../study/details.js';

/** How the energy of an outage went. */
export interface PlayedEnergy {
  /** Minutes until the battery was empty; null = it held. */
  readonly emptyMin: number | null;
  /** At the end of each minute, share of the usable energy. */
  readonly charge: Float32Array;
}

/**
 * Plays the energy of an outage that begins with the window of a plan: demand, sun, battery, generator. Trips are no question of
 * energy and are left out.
 *
 * @param charge share of the usable energy it begins with
 */
export function playedEnergy(plan: OutagePlan, charge: number, minutes: number): PlayedEnergy {
  const stepper = new OutageStepper(withoutTrips(plan));
  const { usableWh } = plan.hardware;
  stepper.begin(0, charge * usableWh);
  const shares = new Float32Array(minutes);
  let emptyMin: number | null = null;
  for (let minute = 0; minute < minutes; minute += 1) {
    stepper.step(minute);
    shares[minute] = stepper.state[at.chargeWh]! / usableWh;
    if (emptyMin === null && stepper.state[at.dark] === dark.empty)
      emptyMin = minute + stepper.state[at.servedShare]!;
  }
  return { emptyMin, charge: shares };
}

const none = { at: () => 0 };

function withoutTrips(plan: OutagePlan): OutagePlan {
  const quiet = (marks: readonly Uint8Array[]): Uint8Array[] =>
    marks.map(({ length }) => new Uint8Array(length));
  return {
    ...plan,
    overloads: quiet(plan.overloads),
    overloadsBeside: quiet(plan.overloadsBeside),
    pickups: none,
  };
}

const newtonsPerPound = 4.4482216;
const mmPerInch = 25.4;

/**
 * What a lag screw holds in withdrawal from side grain, N for each mm of thread in the wood: W = 1800 G^1.5 D^0.75, in pounds for each inch (NDS, equation 12.2-1; recalled). The thread counts without its
 * tip. Wood that gets wet in service holds 0.7 of it.
 *
 * @param gravity specific gravity of the wood, 0.3 to 0.75
 * @param diameterMm of the screw
 */
export const lagWithdrawalNPerMm = (gravity: number, diameterMm: number): number =>
  (1800 * gravity ** 1.5 * (diameterMm / mmPerInch) ** 0.75 * newtonsPerPound) / mmPerInch;

/** Bending yield strength of lag screws, psi, by nominal diameter up to so many inches (NDS, Table 12K note; recalled). */
const bendingYieldPsi = [
  [0.25, 70_000],
  [0.3125, 60_000],
  [Infinity, 45_000],
] as const;
/** Dowel bearing strength of a steel side plate of ASTM A653 grade 33, psi (NDS, Table 12B note; recalled). */
const steelBearingPsi = 61_850;

/** Root diameters of lag screws, in, by diameter (NDS, Appendix L2; recalled). */
const roots: Readonly<Record<string, number>> = {
  '0.25': 0.173,
  '0.3125': 0.227,
  '0.375': 0.265,
  '0.5': 0.371,
};

interface SideMember {
  /** Thickness, mm. */
  readonly thicknessMm: number;
  readonly of: 'steel' | 'wood';
  /** Of a wooden one. */
  readonly gravity?: number;
}

/** Dowel bearing strength of wood parallel to grain, psi: 11,200 G (NDS, Table 12.3.3 note; recalled). */
const alongGrainPsi = (gravity: number): number => 11_200 * gravity;

/**
 * What a lag screw bears in shear, parallel to the grain, N: the least of the yield modes for single shear (NDS, Table 12.3.1A and B; recalled), with the root diameter.
 *
 * @param gravity of the main member
 * @param intoMm thread in the main member without its tip
 */
export function lagShearN(gravity: number, diameterMm: number, intoMm: number, side: SideMember): number {
  const nominal = diameterMm / mmPerInch;
  const d = roots[String(nominal)] ?? 0.7 * nominal;
  const main = intoMm / mmPerInch;
  const plate = side.thicknessMm / mmPerInch;
  const fem = alongGrainPsi(gravity);
  const fes = side.of === 'steel' ? steelBearingPsi : alongGrainPsi(side.gravity ?? gravity);
  const fyb = bendingYieldPsi.find(([upTo]) => nominal <= upTo)![1];
  const re = fem / fes;
  const rt = main / plate;
  // A thin screw has a factor of its own, the same in every mode.
  const rd =
    d <= 0.17 ? [2.2, 2.2, 2.2] : d < 0.25 ? [10 * d + 0.5, 10 * d + 0.5, 10 * d + 0.5] : [4, 3.6, 3.2];
  const [rdOne, rdTwo, rdThree] = rd as [number, number, number];
  const k1 =
    (Math.sqrt(re + 2 * re ** 2 * (1 + rt + rt ** 2) + rt ** 2 * re ** 3) - re * (1 + rt)) / (1 + re);
  const k2 = -1 + Math.sqrt(2 * (1 + re) + (2 * fyb * (1 + 2 * re) * d ** 2) / (3 * fem * main ** 2));
  const k3 = -1 + Math.sqrt((2 * (1 + re)) / re + (2 * fyb * (2 + re) * d ** 2) / (3 * fem * plate ** 2));
  const pounds = Math.min(
    (d * main * fem) / rdOne,
    (d * plate * fes) / rdOne,
    (k1 * d * plate * fes) / rdTwo,
    (k2 * d * main * fem) / ((1 + 2 * re) * rdThree),
    (k3 * d * plate * fem) / ((2 + re) * rdThree),
    (d ** 2 / rdThree) * Math.sqrt((2 * fem * fyb) / (3 * (1 + re))),
  );
  return pounds * newtonsPerPound;
}

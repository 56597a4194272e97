import { type AmericanSize, type Conductor, isMetricSize } from '../../electric/index.js';
import type { Plan } from '../../design/index.js';
import { codeValues, columnOf } from '../../rules/index.js';
import {
  type ConduitFill,
  conduitFor,
  type ConductorNeed,
  electrodeConductor,
  equipmentEarth,
  judgeConductor,
  type Laying,
  type SizedConductor,
  sizeConductor,
  voltageDropShare,
} from '../../rules/details.js';
import type { WiringCable, WiringPart } from '../graph/wiring-graph.js';

/** Air around the wiring while nobody has said (the base of the tables), °C. */
const usualAmbientC = 30;

/** A cable with the conductor that is there or that it takes, and what follows from it. */
export interface SizedCable {
  readonly part: WiringPart;
  readonly cable: WiringCable;
  /** null = nobody knows what is there. */
  readonly conductor: Pick<Conductor, 'size' | 'material'> | null;
  readonly laying: Laying;
  readonly need: ConductorNeed;
  /** How the conductor stands; null = not known. */
  readonly judged: SizedConductor | null;
  /** Smaller ones and why they do not hold, and the smallest that does. */
  readonly tried: readonly SizedConductor[];
  readonly dropShare: number | null;
  /** Nothing of the house protects it from the side of the grid. */
  readonly isSupplySide: boolean;
  /** American sizes only. */
  readonly conduit: readonly ConduitFill[];
  readonly earth: AmericanSize | null;
  readonly electrode: AmericanSize | null;
}

/**
 * Sizes or judges a cable; null where the part has none that is judged.
 *
 * @param isSupplySide nothing protects it from the side of the grid
 */
export function sizeCable(plan: Plan, part: WiringPart, isSupplySide: boolean): SizedCable | null {
  const { cable } = part;
  if (!cable || cable.isUtility) return null;
  const { sizes, supplySideLeast } = codeValues(plan);
  const american = sizes === 'american';
  // A tap has no device of its own: it is held to rules of its own.
  const deviceA = part.isTap ? null : part.protectedByA;
  const carriedA = Math.max(deviceA ?? 0, cable.continuousA + cable.otherA);
  const laying: Laying = {
    // New equipment is marked for 75 °C (common practice); what is there counts as it was found.
    terminalC:
      cable.cable === 'nm'
        ? 60
        : cable.isNew
          ? 75
          : cable.conductor
            ? columnOf(cable.conductor, carriedA)
            : 75,
    insulationC: 90,
    together: cable.together,
    ambientC: plan.wiring.ambientC ?? usualAmbientC,
    loaded: cable.phases === 3 ? 3 : 2,
  };
  const source = cable.continuousA > 0;
  // What a feeder carries nobody adds up here: it is held to the device that protects it.
  const need: ConductorNeed = {
    continuousA: cable.continuousA,
    otherA: source || deviceA === null ? cable.otherA : 0,
    protectedByA: deviceA,
    // A fuse protects its cable, or protects nothing: nothing is rounded up.
    noRoundingUp: cable.use === 'battery',
    wholeDwelling: cable.wholeDwelling,
    least: isSupplySide && cable.use === 'source' ? supplySideLeast : null,
  };
  const tried =
    need.continuousA + need.otherA <= 0 && deviceA === null
      ? []
      : sizeConductor(need, cable.material, laying, !american);
  const given = cable.conductor;
  const smallest = tried.at(-1);
  const conductor = given ?? (cable.isNew && smallest?.holds ? smallest : null);
  const currentA = source ? cable.continuousA : cable.otherA;
  const size = conductor && !isMetricSize(conductor.size) ? conductor.size : null;
  const earth =
    size !== null && deviceA !== null && cable.use !== 'battery' ? equipmentEarth(deviceA, 'copper') : null;
  return {
    part,
    cable,
    conductor,
    laying,
    need,
    isSupplySide,
    judged: conductor && judgeConductor(conductor, need, laying),
    tried,
    dropShare: conductor
      ? voltageDropShare(conductor, {
          lengthM: cable.lengthM.value,
          currentA,
          voltageV: cable.voltageV,
          phases: cable.phases,
        })
      : null,
    conduit:
      size !== null && cable.cable === 'raceway' && cable.use !== 'battery'
        ? conduitFor([size, size, size, ...(earth === null ? [] : [earth])])
        : [],
    earth,
    electrode:
      size !== null && cable.use === 'service'
        ? electrodeConductor({ size, material: conductor!.material })
        : null,
  };
}

import { setting } from '../../base/index.js';
import { isAmerican, type LegSet, legsOf, supplyVoltageV, systemFacts } from '../../electric/index.js';
import { partSaid, type Plan } from '../../design/index.js';
import { deviceForA } from '../../rules/index.js';
import type { Bond, Handle, Interlock, NetworkSource, NeutralFormer } from '../states/switch-network.js';
import type {
  WiringAccessory,
  WiringCable,
  WiringDevice,
  WiringGraph,
  WiringLink,
  WiringPart,
  WiringPlace,
} from './wiring-graph.js';

/** How long a run is taken for while nobody has measured (common practice, no source), m. */
const usualLengthM = 5;

type DeviceSpec = Pick<WiringDevice, 'kind' | 'name'> &
  Partial<Pick<WiringDevice, 'switchesNeutral' | 'automatic'>> & {
    readonly ratingA: number | null;
    /** Why, where it is a default. */
    readonly why?: string;
    /** Conductors it opens, where no cable of its own says it; all of the supply where nothing is said. */
    readonly legs?: LegSet;
    /** false = it has none; positions say in which it conducts. */
    readonly handle?: false | { readonly id: string; readonly closedIn: readonly string[] };
  };
type CableSpec = Pick<WiringCable, 'use'> &
  Partial<
    Pick<
      WiringCable,
      'continuousA' | 'otherA' | 'conductor' | 'wholeDwelling' | 'isNew' | 'isUtility' | 'voltageV' | 'legs'
    >
  > & { readonly lengthM?: number | null };

interface PartSpec extends Pick<WiringPart, 'id' | 'name' | 'from' | 'to'> {
  readonly device?: DeviceSpec;
  readonly cable?: CableSpec;
  /** Rating of the device ahead, where the part has none. */
  readonly aheadA?: number | null;
  readonly neutral?: boolean;
  readonly times?: number;
}

/** Collects places and parts, and puts in what the designer says of them. */
export class GraphBuilder {
  readonly places = new Map<string, WiringPlace>();
  readonly parts = new Map<string, WiringPart>();
  readonly handles: Handle[] = [];
  readonly interlocks: Interlock[] = [];
  readonly bonds: Bond[] = [];
  readonly neutralFormers: NeutralFormer[] = [];
  readonly accessories: WiringAccessory[] = [];
  readonly links: WiringLink[] = [];
  readonly assumptions = new Set<string>();
  private readonly sources: NetworkSource[] = [];

  constructor(readonly plan: Plan) {}

  place(spec: Pick<WiringPlace, 'id' | 'name' | 'kind'> & Partial<WiringPlace>): string {
    this.places.set(spec.id, { enclosure: spec.id, panelId: null, busA: null, ...spec });
    return spec.id;
  }

  handle(id: string, name: string, positions: Handle['positions']): void {
    this.handles.push({ id, name, positions });
  }

  /** A place that feeds: it runs alone unless it says with what it is made to run. */
  source(
    { id, name, kind }: Pick<WiringPlace, 'id' | 'name'> & Pick<NetworkSource, 'kind'>,
    more: Partial<Pick<NetworkSource, 'device' | 'parallelGroup' | 'formsNeutral'>> = {},
  ): string {
    this.place({ id, name, kind });
    // Those with two legs have a neutral, as they are sold for houses.
    this.sources.push({
      id,
      name,
      kind,
      at: id,
      device: null,
      formsNeutral: true,
      parallelGroup: null,
      ...more,
    });
    return id;
  }

  /** The smallest standard device for what a source gives all day, A; null where that is not known. */
  deviceForA(continuousA: number | null): number | null {
    const american = isAmerican(this.plan.supply.system);
    return continuousA === null ? null : deviceForA({ continuousA, otherA: 0 }, american);
  }

  /** Adds a part; a device with no handle of its own to share gets one, closed as usual. */
  part({ id, name, from, to, device, cable, aheadA = null, neutral = true, times = 1 }: PartSpec): void {
    const isTap =
      device?.kind === 'breaker' && cable !== undefined && partSaid(this.plan.wiring, id).tap === true;
    const ownCable = cable ? this.cableOf(id, cable) : null;
    const built = device && !isTap ? this.deviceOf(id, device, ownCable?.legs ?? null) : null;
    this.parts.set(id, {
      id,
      name,
      from,
      to,
      device: built,
      cable: ownCable,
      isTap,
      protectedByA: built?.ratingA?.value ?? aheadA,
      neutral,
      times,
    });
  }

  private cableOf(id: string, cable: CableSpec): WiringCable {
    const said = partSaid(this.plan.wiring, id);
    const { legSets, legVoltageV } = systemFacts[this.plan.supply.system];
    const legs = cable.use === 'battery' ? null : (cable.legs ?? legSets.at(-1)!);
    return {
      continuousA: 0,
      otherA: 0,
      wholeDwelling: false,
      isNew: false,
      isUtility: false,
      voltageV: supplyVoltageV(this.plan.supply.system, legs ?? legSets.at(-1)!),
      ...cable,
      legs,
      phases: legs !== null && legsOf(legs).length === 3 ? 3 : 1,
      lengthM: setting(said.lengthM ?? cable.lengthM ?? null, usualLengthM, 'nobody has measured it'),
      conductor:
        said.size === null
          ? (cable.conductor ?? null)
          : { size: said.size, material: said.material ?? 'copper', ratedC: null },
      material: said.material ?? cable.conductor?.material ?? 'copper',
      together: said.together ?? (legVoltageV === 120 ? 3 : 1),
      cable: said.cable ?? 'raceway',
    };
  }

  private deviceOf(
    id: string,
    { kind, name, why, handle, ratingA, legs, switchesNeutral = false, automatic = null }: DeviceSpec,
    ofCable: LegSet | null,
  ): WiringDevice {
    if (handle === undefined) this.handle(id, name, ['closed', 'open']);
    const said = partSaid(this.plan.wiring, id);
    const value = said.ratingA ?? ratingA;
    const assumed = said.ratingA === null && why !== undefined;
    const opened = legs ?? ofCable;
    return {
      kind,
      name,
      ratingA: value === null ? null : { value, assumed, why: why ?? '' },
      poles:
        kind === 'fuse'
          ? 2
          : opened
            ? legsOf(opened).length
            : systemFacts[this.plan.supply.system].legs.length,
      switchesNeutral: said.switchesNeutral ?? switchesNeutral,
      handle: handle === false ? null : (handle ?? { id, closedIn: ['closed'] }),
      automatic,
    };
  }

  build(): WiringGraph {
    const { handles, interlocks, bonds, neutralFormers, sources, accessories, links } = this;
    const parts = [...this.parts.values()];
    return {
      places: [...this.places.values()],
      parts,
      handles,
      interlocks,
      // An isolating device watches what it hangs on.
      devices: parts.flatMap(({ id, name, from, device }) =>
        device?.kind === 'isolating' ? [{ id, name, watches: from }] : [],
      ),
      sources,
      bonds,
      neutralFormers,
      accessories,
      links,
      assumptions: [...this.assumptions],
    };
  }
}

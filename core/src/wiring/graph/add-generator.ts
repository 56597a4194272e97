import { equipmentRoute } from '../../design/index.js';
import { currentOnLegsA, isAmerican, systemFacts } from '../../electric/index.js';
import type { Device, Panel } from '../../house/index.js';
import type { IslandPlaces } from './add-island.js';
import type { Feeds } from './add-services.js';
import { busOfSource } from './bus-of-source.js';
import type { GraphBuilder } from './graph-builder.js';

const positions = ['utility', 'generator'] as const;

/** Puts a switch ahead of parts that begin at one place: they begin behind it from now on. */
function transferAhead(
  builder: GraphBuilder,
  partIds: readonly string[],
  id: string,
  name: string,
  generator: string,
): void {
  const parts = partIds.flatMap((partId) => builder.parts.get(partId) ?? []);
  const [first] = parts;
  if (!first) return;
  const { wiring, supply } = builder.plan;
  const switchesNeutral = wiring.transferNeutral === 'switched';
  const between = builder.place({
    id: `xfer:${id}`,
    name: `Load terminals of the ${name}`,
    kind: 'terminals',
  });
  builder.handle(between, name, positions);
  for (const part of parts) builder.parts.set(part.id, { ...part, from: between });
  const ways = { utility: first.from, generator } as const;
  for (const position of positions)
    builder.part({
      id: `xfer-${position}:${id}`,
      name: `${name}, ${position} side`,
      from: ways[position],
      to: between,
      device: {
        kind: 'transfer',
        name,
        ratingA: null,
        switchesNeutral,
        handle: { id: between, closedIn: [position] },
      },
    });
  if (wiring.transferNeutral === null)
    builder.assumptions.add(
      `The ${name} leaves the neutral solid: nobody has looked.${isAmerican(supply.system) ? '' : ' Where the supplier bonds it, it must be switched.'}`,
    );
}

/** Adds a generator, or an inlet for one that somebody brings, at the switch that is there or that it needs. */
export function addGenerator(builder: GraphBuilder, feeds: Feeds, placed: readonly IslandPlaces[]): void {
  const { survey, sources, supply } = builder.plan;
  const { generator } = sources;
  const has = (kind: Device['kind'], { between }: Panel): boolean =>
    between.some((device) => device.kind === kind);
  const withSwitch = survey.panels.filter((panel) => has('transfer-switch', panel));
  const withInlet = survey.panels.filter(
    (panel) => has('generator-inlet', panel) && !withSwitch.includes(panel),
  );
  const isThere = withSwitch.length + withInlet.length > 0;
  if (!isThere && (generator === null || generator.connection === 'charger')) return;
  const [first] = placed;
  const beside = !isThere && generator?.connection === 'beside';
  const name = generator ? 'Generator' : 'Portable generator at the inlet';
  const amps =
    generator &&
    currentOnLegsA(
      supply.system,
      generator.powerW,
      generator.legs ?? systemFacts[supply.system].legSets.at(-1)!,
    );
  const breakerA = builder.deviceForA(amps);
  const source = builder.source(
    { id: 'generator', name, kind: 'generator' },
    { parallelGroup: beside && first ? first.island.id : null },
  );
  const socket = builder.place({
    id: 'generator-out',
    name: `Terminals of the ${name.toLowerCase()}`,
    kind: 'terminals',
    enclosure: source,
  });
  const breaker = `Breaker of the ${name.toLowerCase()}`;
  // On a busbar it hangs like everything else; into a switch it feeds from above.
  const [from, to] = beside || withInlet.length > 0 ? [socket, source] : [source, socket];
  builder.part({
    id: 'generator-breaker',
    name: breaker,
    from,
    to,
    device: { kind: 'breaker', name: breaker, ratingA: breakerA },
    cable: {
      use: 'generator',
      continuousA: amps ?? 0,
      lengthM: equipmentRoute(builder.plan, 'generator')?.lengthM ?? null,
      isNew: generator?.existing === false,
    },
  });
  addFrameBond(builder, source);
  for (const panel of withSwitch)
    transferAhead(builder, [`feeder:${panel.id}`], panel.id, `transfer switch of ${panel.name}`, socket);
  for (const panel of withInlet) addInlet(builder, panel, socket);
  if (isThere) return;
  if (beside) {
    const bus = busOfSource(feeds, placed, generator.circuitId);
    if (bus === null) return;
    builder.part({
      id: 'generator-feed',
      name: 'Circuit of the generator',
      from: bus,
      to: socket,
      device: { kind: 'breaker', name: 'Breaker for the generator', ratingA: breakerA },
    });
    return;
  }
  // It feeds the house alone: a switch ahead of the first isolating device and its bypass.
  const device = first?.points[0]?.device;
  if (device !== undefined)
    transferAhead(
      builder,
      [device, device.replace('iso:', 'bypass:')],
      first!.island.id,
      'transfer switch of the generator',
      socket,
    );
}

/** The neutral of a generator on its frame, as somebody saw it, or as generators of its kind usually are. */
function addFrameBond({ plan, bonds, assumptions }: GraphBuilder, at: string): void {
  const { wiring, sources } = plan;
  const said = wiring.generatorNeutral;
  const guest = sources.generator === null && said === null;
  const portable = guest || sources.generator?.start === 'hand';
  if (guest)
    assumptions.add(
      'A generator at the inlet is taken to be bonded to its frame, as portable ones usually are.',
    );
  else if (said === null)
    assumptions.add(
      `The neutral of the generator is ${portable ? 'bonded to its frame, as portable ones usually are' : 'floating, as fixed ones usually are'}: nobody has looked.`,
    );
  if (said === null ? !portable : said === 'floating') return;
  bonds.push({
    id: 'bond:generator',
    name: `Neutral bonded to the frame of the ${guest ? 'portable ' : ''}generator`,
    at,
    group: 'generator',
    when: { kind: 'always' },
  });
}

/** An inlet on a back-fed breaker; usually it is open. */
function addInlet(builder: GraphBuilder, panel: Panel, socket: string): void {
  const id = `inlet:${panel.id}`;
  const name = `Inlet breaker of ${panel.name}`;
  builder.handle(id, name, ['open', 'closed']);
  builder.part({
    id,
    name: `Inlet of ${panel.name}`,
    from: `bus:${panel.id}`,
    to: socket,
    device: {
      kind: 'inlet',
      name,
      ratingA: panel.between.find(({ kind }) => kind === 'generator-inlet')!.ratingA,
      switchesNeutral: builder.plan.wiring.transferNeutral === 'switched',
      handle: { id, closedIn: ['closed'] },
    },
  });
}

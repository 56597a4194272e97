import type { Hazard, Link, Situation, SwitchNetwork } from '../states/switch-network.js';
import { situationsOf } from '../states/switch-network.js';

/** Judges one standing by walking from place to place: a second implementation, from the definition. */
export function walkedHazards(
  network: SwitchNetwork,
  standing: Readonly<Record<string, string>>,
  situation: Situation,
): Hazard[] {
  const closedDevices = new Set<string>();
  const conducts = (link: Link): boolean =>
    link.closedBy.every((closing) => {
      switch (closing.kind) {
        case 'always':
          return true;
        case 'handle':
          return closing.positions.includes(standing[closing.handle]!);
        case 'isolating':
          return closedDevices.has(closing.device);
        case 'unless-generator':
          return !situation.generator;
      }
    });
  const reachedFrom = (start: string, layer: Link['layer']): Set<string> => {
    const reached = new Set([start]);
    const waiting = [start];
    for (let place = waiting.pop(); place !== undefined; place = waiting.pop())
      for (const link of network.links) {
        if (link.layer !== layer || !conducts(link)) continue;
        const other = link.from === place ? link.to : link.to === place ? link.from : null;
        if (other === null || reached.has(other)) continue;
        reached.add(other);
        waiting.push(other);
      }
    return reached;
  };
  const outside = network.sources.filter(
    ({ kind }) => (kind === 'grid' && situation.grid) || (kind === 'generator' && situation.generator),
  );
  for (let again = true; again;) {
    again = false;
    const live = new Set(outside.flatMap(({ at }) => [...reachedFrom(at, 'line')]));
    for (const { id, watches } of network.devices)
      if (!closedDevices.has(id) && live.has(watches)) {
        closedDevices.add(id);
        again = true;
      }
  }
  const leads = network.sources.filter(
    (source) =>
      outside.includes(source) ||
      (source.kind === 'inverter' &&
        situation.battery &&
        (source.device === null || !closedDevices.has(source.device))),
  );
  const found: Hazard[] = [];
  for (const source of leads) {
    const reached = reachedFrom(source.at, 'line');
    if (source.kind !== 'grid' && !situation.grid)
      for (const grid of network.sources)
        if (grid.kind === 'grid' && reached.has(grid.at))
          found.push({ kind: 'back-feed', concerns: [source.id, grid.id] });
    for (const other of leads) {
      if (leads.indexOf(other) <= leads.indexOf(source) || !reached.has(other.at)) continue;
      const grids = [source, other].filter(({ kind }) => kind === 'grid').length;
      if (grids === 2) continue;
      if (source.parallelGroup !== null && source.parallelGroup === other.parallelGroup) continue;
      found.push({ kind: 'parallel', concerns: [source.id, other.id] });
    }
    if (source.kind === 'generator' && source.parallelGroup === null)
      for (const array of network.sources)
        if (array.kind === 'array' && reached.has(array.at))
          found.push({ kind: 'solar-generator', concerns: [array.id, source.id] });
    const earthed = reachedFrom(source.at, 'neutral');
    const bonds = network.bonds.filter(({ at, when }) => {
      if (!earthed.has(at)) return false;
      if (when.kind === 'always') return true;
      return !closedDevices.has(when.device) && leads.some(({ id }) => id === when.inverter);
    });
    const groups = new Set(bonds.map(({ group }) => group)).size;
    if (groups === 0) found.push({ kind: 'no-bond', concerns: [source.id] });
    if (groups > 1)
      found.push({ kind: 'two-bonds', concerns: [source.id, ...bonds.map(({ id }) => id).toSorted()] });
    if (source.formsNeutral) continue;
    const formed =
      network.neutralFormers.some(({ at }) => reached.has(at)) ||
      leads.some((other) => other.formsNeutral && reached.has(other.at));
    if (!formed && network.nodes.some(({ id, needsNeutral }) => needsNeutral && reached.has(id)))
      found.push({ kind: 'no-neutral', concerns: [source.id] });
  }
  return found;
}

/** Tries every combination of positions, one after the other, and asks the interlocks of each. */
export function bruteStandings(network: SwitchNetwork): Set<string> {
  const found = new Set<string>();
  const { handles, interlocks } = network;
  const total = handles.reduce((product, { positions }) => product * positions.length, 1);
  for (const situation of situationsOf(network))
    for (let number = 0; number < total; number += 1) {
      let rest = number;
      const standing: Record<string, string> = {};
      for (const { id, positions } of handles) {
        standing[id] = positions[rest % positions.length]!;
        rest = Math.floor(rest / positions.length);
      }
      const known = new Set(handles.map(({ id }) => id));
      const forbidden = interlocks.some(
        ({ forbids }) =>
          forbids.every(({ handle }) => known.has(handle)) &&
          forbids.every(({ handle, position }) => standing[handle] === position),
      );
      if (forbidden) continue;
      for (const { kind, concerns } of walkedHazards(network, standing, situation))
        found.add([kind, ...concerns].join(' '));
    }
  return found;
}

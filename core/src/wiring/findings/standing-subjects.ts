import { nameList } from '../../base/index.js';
import type { Subject } from '../../rules/packs.js';
import type { WiringGraph } from '../graph/wiring-graph.js';
import {
  type Counterexample,
  type HazardKind,
  hazardKinds,
  situationText,
} from '../states/switch-network.js';

/** A standing of the switches as rules see it; by the example it is found again. */
export interface StandingSubject {
  readonly subject: Subject<'standing'>;
  /** null = no standing is dangerous in this way. */
  readonly example: Counterexample | null;
}

/** Names said before the rest is counted. */
const namedAtMost = 6;
const quoted = (text: string): string => text.charAt(0).toLowerCase() + text.slice(1);

const nothingOf = (kind: HazardKind): StandingSubject => ({
  subject: {
    kind: 'standing',
    keyBefore: 'state',
    keyAfter: '',
    name: 'Every way the switches can stand',
    about: '',
    facts: { danger: kind, found: false, one: '', other: '', others: '', how: '' },
  },
  example: null,
});

/**
 * What the state check found: each danger once, whatever the number of equal sources, with the standing that leads to it in words; and each kind of danger
 * that was found nowhere.
 */
export function standingSubjects(graph: WiringGraph, found: readonly Counterexample[]): StandingSubject[] {
  const names = new Map<string, string>(
    [...graph.sources, ...graph.bonds, ...graph.places, ...graph.handles].map(({ id, name }) => [id, name]),
  );
  const seen = new Set<string>();
  const dangers = found.flatMap((example): StandingSubject[] => {
    const { kind, concerns, standing, moved, situation } = example;
    // Equal inverters of one island tell the same story.
    const alike = concerns.map((id) => id.replace(/^(inverter:.*):\d+$/, '$1')).join('.');
    if (seen.has(`${kind}.${alike}`)) return [];
    seen.add(`${kind}.${alike}`);
    const named = concerns.map((id) => names.get(id) ?? id);
    const handles = moved.map((id) => `${quoted(names.get(id) ?? id)} ${standing[id]}`);
    const how =
      handles.length === 0 ? 'As everything usually stands' : `With ${nameList(handles, namedAtMost)}`;
    return [
      {
        subject: {
          kind: 'standing',
          keyBefore: 'state',
          keyAfter: alike,
          name: named[0] ?? '',
          about: concerns[0] ?? '',
          facts: {
            danger: kind,
            found: true,
            one: named[0] ?? '',
            other: named[1] ?? '',
            others: nameList(named.slice(1), namedAtMost),
            how: `${how}, ${situationText(situation)}`,
          },
        },
        example,
      },
    ];
  });
  const kinds = new Set(found.map(({ kind }) => kind));
  return [...dangers, ...hazardKinds.filter((kind) => !kinds.has(kind)).map(nothingOf)];
}

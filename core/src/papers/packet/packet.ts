import type { Missing, PaperPart } from '../document/paper.js';
import { assumedPart } from './assumed-part.js';
import { busbarPart } from './busbar-part.js';
import { conductorPart } from './conductor-part.js';
import { oneLinePart, threeLinePart } from './drawing-parts.js';
import { equipmentPart } from './equipment-part.js';
import { loadPart } from './load/load-part.js';
import type { PacketOf } from './packet-of.js';
import { elevationPart, sitePlanPart } from './place-parts.js';
import { signsPart, statesPart } from './safety-parts.js';
import { schedulePart } from './schedule-part.js';
import { packetMissing, sitePart } from './site-part.js';
import { utilityPart } from './utility-part.js';

/** The parts of the packet for permit and utility. */
export async function packet(
  of: PacketOf,
): Promise<{ readonly parts: readonly PaperPart[]; readonly missing: readonly Missing[] }> {
  return {
    parts: [
      { id: 'site', blocks: sitePart(of) },
      { id: 'one-line', blocks: await oneLinePart(of) },
      { id: 'three-line', blocks: threeLinePart(of) },
      { id: 'load', blocks: loadPart(of) },
      { id: 'busbars', blocks: busbarPart(of) },
      { id: 'conductors', blocks: conductorPart(of) },
      { id: 'schedules', blocks: schedulePart(of) },
      { id: 'equipment', blocks: equipmentPart(of) },
      { id: 'elevations', blocks: elevationPart(of) },
      { id: 'site-plan', blocks: sitePlanPart(of) },
      { id: 'labels', blocks: signsPart(of) },
      { id: 'states', blocks: statesPart(of) },
      { id: 'utility', blocks: utilityPart(of) },
      { id: 'assumed', blocks: assumedPart(of) },
    ],
    missing: packetMissing(of),
  };
}

import { coversOf } from '../../design/index.js';
import type { Subject } from '../../rules/packs.js';
import type { BackupCase } from './backup-case.js';
import { isolatingFacts } from './isolating-facts.js';
import { laneFacts, movingFacts, named } from './lane-facts.js';
import { solarFacts } from './solar-facts.js';
import { transferFacts } from './transfer-facts.js';

/** What is known of how a service is backed up. */
export function backupSubject(of: BackupCase): Subject<'backup'> {
  const { service, said, panels, island } = of;
  // The first service of an island is the one the others are joined to.
  const [first] = island.services;
  return {
    kind: 'backup',
    keyBefore: `backup.${service.id}`,
    keyAfter: '',
    name: service.name,
    about: service.id,
    facts: {
      service: service.name,
      school: said.school ?? 'not settled',
      covers: coversOf(said) ?? 'nothing',
      bondAt: said.bondWhileIslanded ?? 'not settled',
      bonded: named(panels.filter(({ bonded }) => bonded === true)),
      bondUnseen: named(panels.filter(({ bonded }) => bonded === null)),
      joinedTo: first && first.id !== service.id ? first.name : '',
      ...isolatingFacts(of),
      ...laneFacts(of),
      ...movingFacts(of),
      ...transferFacts(of),
      ...solarFacts(of),
    },
  };
}

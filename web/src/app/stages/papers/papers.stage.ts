import type { Stage } from '../../shell/stage';

export const papersStage: Stage = {
  path: 'papers',
  name: 'Papers',
  purpose: 'proposal, permit packet, parts list, labels and outage card, from the same model as the screens',
  screen: () => import('./papers-stage').then((m) => m.PapersStage),
  completeness: ({ parties }) => {
    const said = [parties.client, parties.address, parties.utility, parties.authority, parties.codeEdition];
    return { done: said.filter((text) => text !== '').length, of: said.length };
  },
};

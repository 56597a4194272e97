import { settingsOf } from '../../design/index.js';
import type { Block } from '../document/paper.js';
import { fillWords } from '../words/fill-words.js';
import { type ProposalOf, seasonName } from './proposal-of.js';

/** Whom it is for, and what they asked for. */
export function wishesPart({ studies, written, words }: ProposalOf): Block[] {
  const { plan } = studies[0]!;
  const settings = settingsOf(plan);
  const { brief, parties } = plan;
  const runtime = settings.requiredRuntimeH;
  const values = {
    hours: written.quantity(runtime.value, 'h'),
    season: seasonName(plan, words, written),
  };
  const to = [parties.client, parties.address].filter((text) => text !== '').join(', ');
  return [
    ...(to === '' ? [] : [{ kind: 'facts' as const, rows: [[words.forWhom, to]] as const }]),
    { kind: 'heading', level: 1, text: words.wishes },
    { kind: 'paragraph', text: words.asked },
    {
      kind: 'list',
      items: [
        fillWords(runtime.assumed ? words.askedRuntimeAssumed : words.askedRuntime, values),
        words.askedWeather[settings.outageWeather.value],
        settings.handsOn.value ? words.askedHands : words.askedNoHands,
        ...(brief.goals.ownSolar === 'none' ? [] : [words.askedSun]),
        ...(brief.goals.peakPrice === 'none' ? [] : [words.askedPeak]),
        ...(brief.plannedAdditions.length > 0
          ? [
              fillWords(words.askedLater, {
                names: written.list(brief.plannedAdditions.map(({ name }) => name)),
              }),
            ]
          : []),
      ],
    },
  ];
}

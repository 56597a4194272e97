import { quantityText, type UnitSystem } from '../../base/index.js';
import type { OutageReplay, RankedReason, Reason } from './replay-outage.js';

/** What each reason is about, in a word. */
export const reasonNames: Readonly<Record<Reason, string>> = {
  charge: 'Charge at the start',
  temperature: 'Temperature outdoors',
  loads: 'What the house took',
  sun: 'Sun',
  generator: 'Generator',
  battery: 'Battery and inverter',
};

/** An outcome in words: hours until the battery was empty, or charge that was left. */
export const outcomeText = (outcome: OutageReplay['outcome'], value: number): string =>
  outcome === 'hours' ? quantityText(value, 'h') : quantityText(value, 'share');

/** What a reason made of the outcome, with its sign. */
export function effectText(outcome: OutageReplay['outcome'], effect: number): string {
  const sign = effect < 0 ? '−' : '+';
  const size = Math.abs(effect);
  return outcome === 'hours' ? `${sign}${size.toFixed(1)} h` : `${sign}${(size * 100).toFixed(1)} points`;
}

/** One reason in a sentence: what it was, and what was reckoned with. */
export function reasonText({ reason, reckoned, was }: RankedReason, units: UnitSystem): string {
  switch (reason) {
    case 'charge':
      return `It began at ${quantityText(was, 'share')}; ${quantityText(reckoned, 'share')} was reckoned with.`;
    case 'temperature':
      return `Outdoors it was ${quantityText(was, '°C', units)}; ${quantityText(reckoned, '°C', units)} was reckoned with at that time of the year.`;
    case 'loads':
      return `The house took ${quantityText(was, 'W')} on average; ${quantityText(reckoned, 'W')} was reckoned with.`;
    case 'sun':
      return `The arrays gave ${quantityText(was, 'Wh')}; ${quantityText(reckoned, 'Wh')} was reckoned with.`;
    case 'generator':
      return 'The generator did not run.';
    case 'battery':
      return `By what was measured it holds ${quantityText(was, 'Wh')}; ${quantityText(reckoned, 'Wh')} was reckoned with at its age. Stand-by and losses count here, too.`;
  }
}

/** The whole in one sentence. */
export function replaySays({
  outcome,
  predicted,
  was,
  rest,
  isExplained,
  reasons,
  followedH,
}: OutageReplay): string {
  const least = outcome === 'hours' && predicted.least >= followedH ? 'more than ' : '';
  const between =
    predicted.most - predicted.least > (outcome === 'hours' ? 0.5 : 0.02)
      ? ` (${outcomeText(outcome, predicted.least)} to ${outcomeText(outcome, predicted.most)}, by the weather)`
      : '';
  const about = outcome === 'hours' ? 'until the battery is empty' : 'of charge left when the grid is back';
  const before = `Predicted: ${least}${outcomeText(outcome, predicted.mean)} ${about}${between}.`;
  if (was === null) return `${before} How it really was is not known.`;
  const [first] = reasons;
  const mostly = first ? ` Mostly: ${reasonNames[first.reason].toLowerCase()}.` : '';
  const left =
    rest === null || isExplained
      ? ' What is known explains it.'
      : ` ${effectText(outcome, rest)} stay unexplained.`;
  return `${before} It was ${outcomeText(outcome, was)}.${mostly}${left}`;
}

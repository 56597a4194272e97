import { type Plan, settingsOf } from '../../design/index.js';
import type { OutageStudy } from './outage-study.js';

/** Years of weather and switching that a runtime rests on. */
const yearCount = 5;

/** Their seeds: from the one of the plan on. */
export const seedsOf = ({ outage }: Plan): number[] =>
  Array.from({ length: yearCount }, (_, index) => outage.seed + index);

/** What the brief asks of an outage. */
export interface RuntimeQuestion {
  /** With the sun that is counted on. */
  readonly study: OutageStudy;
  readonly requiredH: number;
  /** Half as long again as is required, and three days at least. */
  readonly followedMin: number;
}

/** What is asked about the runtime of a study. */
export function runtimeQuestion(study: OutageStudy): RuntimeQuestion {
  const { plan } = study;
  const settings = settingsOf(plan);
  const requiredH = settings.requiredRuntimeH.value;
  const sunless: Plan = { ...plan, sources: { ...plan.sources, arrays: [] } };
  return {
    study: settings.outageWeather.value === 'no-sun' ? { ...study, plan: sunless } : study,
    requiredH,
    followedMin: Math.ceil(Math.max(72, requiredH * 1.5)) * 60,
  };
}

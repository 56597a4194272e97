import { formatDate } from '@angular/common';
import type { HousesRunAnswers, IslandAnswer } from '@levamen/core/api';
import { plainQuantityText } from '@levamen/core/base';
import type { HousesQuestion } from '@levamen/core/logbook';
import { causeWords, type Verdict } from '@levamen/core/study';

/** One island of a house, as it is shown. */
export interface HouseRow {
  readonly key: string;
  readonly jobId: string;
  readonly name: string;
  readonly place: string;
  /** Named where a house has several. */
  readonly island: string;
  readonly verdict: Verdict;
  /** "41 h"; '' = it cannot say. */
  readonly lit: string;
  /** In the worst of the years; '' = it is lit to the end in all of them. */
  readonly least: string;
  readonly why: string;
  readonly lowestCharge: string;
  readonly wanted: string;
  readonly sun: string;
  readonly problem: string;
}

const rank: Readonly<Record<Verdict, number>> = { fails: 0, tight: 1, unknown: 2, holds: 3 };

/** Of the years a house is reckoned with: it holds in all, in some, in none. */
const verdictOf = ({ held, years }: IslandAnswer): Verdict =>
  held === years ? 'holds' : held === 0 ? 'fails' : 'tight';

const hoursText = (h: number): string => `${h < 10 ? h.toFixed(1) : Math.round(h)} h`;
const energyText = (wh: number): string => plainQuantityText(wh, 'Wh');
const percentText = (share: number): string => `${Math.round(share * 100)} %`;

/** Answers as rows, the houses that do worst first. */
export function houseRows({ answers }: Pick<HousesRunAnswers, 'answers'>): HouseRow[] {
  const rows = answers.flatMap(({ jobId, name, place, answer: { islands, problem } }) => {
    const of = { jobId, name, place };
    const told = islands.map((island, index) => ({
      order: [rank[verdictOf(island)], island.meanH] as const,
      row: {
        ...of,
        key: `${jobId} ${index}`,
        island: islands.length > 1 ? island.name : '',
        verdict: verdictOf(island),
        lit: island.held === island.years ? 'to the end' : hoursText(island.meanH),
        least: island.held === island.years ? '' : `${hoursText(island.leastH)} at least`,
        why: island.cause === 'none' ? '' : causeWords[island.cause],
        lowestCharge: percentText(island.lowestCharge),
        wanted: energyText(island.wantedWhPerDay),
        sun: energyText(island.sunWhPerDay),
        problem: '',
      },
    }));
    const silent = {
      ...of,
      key: `${jobId} problem`,
      island: '',
      verdict: 'unknown' as const,
      lit: '',
      least: '',
      why: '',
      lowestCharge: '',
      wanted: '',
      sun: '',
      problem,
    };
    return problem === '' ? told : [...told, { order: [rank.unknown, 0] as const, row: silent }];
  });
  return rows.toSorted((a, b) => a.order[0] - b.order[0] || a.order[1] - b.order[1]).map(({ row }) => row);
}

/** How many houses are how they are: the worst of its islands counts. */
export function houseCounts({
  answers,
}: Pick<HousesRunAnswers, 'answers'>): Readonly<Record<Verdict, number>> {
  const counts: Record<Verdict, number> = { fails: 0, tight: 0, unknown: 0, holds: 0 };
  for (const { answer } of answers) {
    const verdicts = answer.islands.map(verdictOf);
    const [worst = 'unknown' as const] = (
      answer.problem === '' ? verdicts : [...verdicts, 'unknown' as const]
    ).toSorted((a, b) => rank[a] - rank[b]);
    counts[worst] += 1;
  }
  return counts;
}

/** "72 h from 29 Nov, 18:00, charged as designed; mixed 4 °C, dull −3 °C, as usual" */
export function questionText({ from, hours, startCharge, days }: HousesQuestion, locale: string): string {
  const at = formatDate(from, 'd MMM, HH:mm', locale);
  const weather = days.map(({ sky, outdoorC }) => {
    const parts = [sky ?? '', outdoorC === null ? '' : `${String(outdoorC).replace('-', '−')} °C`].filter(
      (part) => part !== '',
    );
    return parts.length === 0 ? 'as usual' : parts.join(' ');
  });
  const charge = startCharge === null ? 'charged as designed' : `charged to ${percentText(startCharge)}`;
  const said = new Set(weather).size === 1 ? weather.slice(0, 1) : weather;
  return `${hours} h from ${at}, ${charge}${said.length === 0 ? '' : `; ${said.join(', ')}`}`;
}

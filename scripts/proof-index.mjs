import { readFileSync } from 'node:fs';

/** Figures of docs/performance.md that were asked for: section, how its row begins, column; what was wanted of it. */
const asked = [
  [
    'every margin after an edit, 200 loads, in the page, p95',
    '100 ms',
    'An edit',
    'in the page, key press to drawn margin, 84',
    2,
  ],
  ['a circuit is moved among 60: lanes and margins, p95', '100 ms', 'The backup set', 'in the page', 2],
  ['the best set of 60 circuits, the longest of ten', '3 s', 'The backup set', '2 × Teasel', 2],
  ['the best swaps of 42 circuits on two legs, the longest of 20', '200 ms', 'Leg balance', 'two legs', 1],
  ['35,040 rows of a meter read', '1 s', 'Meter data', 'a year of quarter hours', 2],
  ['an outage of a week with 60 loads, p95', '50 ms', 'Outages', '60 circuits, sun, two', 3],
  ['an outage from each hour of a year, in the page', '10 s, aim 3 s', 'Outages', 'Farmhouse above', 1],
  ['the same against a plain C program, minutes apart', '0', 'Outages', 'farmhouse of the demo, sun', 8],
  ['the runtime margin after an edit, p95', '250 ms', 'Outages', 'the required runtime', 2],
  [
    'candidates of the best design for the money',
    '2,000 in 10 s',
    'The best design for the money',
    'farmhouse',
    1,
  ],
  ['their front, in the page', '10 s', 'The best design for the money', 'farmhouse', 5],
  ['a year of hours with the grid', '30 ms', 'A year with the grid', '8760', 2],
  ['20 handles that can all matter', '3 s', 'Wiring', '20 handles', 1],
  ['the drawing of two services, 52 circuits and a generator', '1 s', 'Wiring', 'its drawing laid out, 5', 1],
  ['rules of placement after a move: median, 95 of 100', '100 ms', 'Placement', 'rules after a move', 1],
  ['a save beside 20 papers that are made, over one alone', '1.5', 'Papers', 'beside ÷ alone', 1],
  ['all houses of a company asked, 1,001', '180 s', 'All houses', 'asked until', 1],
];

/** Rows of docs/performance.md by section; each row its cells. */
function tables() {
  const text = readFileSync(new URL('../docs/performance.md', import.meta.url), 'utf8');
  return new Map(
    text
      .split(/^## /m)
      .slice(1)
      .map((part) => {
        const [title, ...lines] = part.split('\n');
        const rows = lines
          .filter((line) => line.startsWith('| '))
          .map((line) => line.slice(2, -2).split(' | '));
        return [title, rows];
      }),
  );
}

/**
 * Rows that say, of all proofs that docs/performance.md measures, what was wanted and what was reached.
 *
 * @throws where a row is not there any more
 */
export function indexRows() {
  const found = tables();
  return asked.map(([what, wanted, section, begins, column]) => {
    const row = (found.get(section) ?? []).find((cells) => cells[0].startsWith(begins) && column in cells);
    if (!row) throw new Error(`docs/performance.md has no row "${begins}" under "${section}".`);
    return `| ${what} | ${wanted} | ${row[column].replace(/\s*\(.*/, '')} |`;
  });
}

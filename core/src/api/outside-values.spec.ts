import { describe, expect, it } from 'vitest';
import type { OutsideGroup, OutsideValue } from '../base/testing/outside.js';
import { outsideDevice } from '../device/testing/outside-device.js';
import { outsideElectric } from '../electric/testing/outside-electric.js';
import { outsideHouse } from '../house/testing/outside-house.js';
import { outsideSun } from '../nature/testing/outside-sun.js';
import { outsideRules } from '../rules/testing/outside-rules.js';
import { outsideWiring } from '../rules/testing/outside-wiring.js';
import { outsideStudy } from '../study/testing/outside-study.js';

const groups: readonly OutsideGroup[] = [
  ...outsideSun,
  ...outsideElectric,
  ...outsideHouse,
  ...outsideRules,
  ...outsideWiring,
  ...outsideStudy,
  ...outsideDevice,
];

const shown = (value: number): string => String(Number(value.toPrecision(6)));
const countOf = (some: readonly OutsideGroup[]): number =>
  some.reduce((sum, { values }) => sum + values.length, 0);

/** The list of all values as the page docs/check-values.md; written anew with `npx vitest run --project core -u outside`. */
function page(): string {
  const kinds = (['example', 'definition', 'practice', 'table'] as const).map(
    (kind) => `${countOf(groups.filter((group) => group.kind === kind))} of kind “${kind}”`,
  );
  const row = ({ what, expected, within }: OutsideValue): string =>
    `| ${what} | ${shown(expected)} | ${shown(within)} |`;
  return [
    '# Check values',
    '',
    `Every value from outside the program that its answers are held to: ${countOf(groups)}, ${kinds.join(', ')}.`,
    'An _example_ was worked out elsewhere, or stands in a table that another method is used for here; a _definition_ follows by hand; a _table_',
    'cell is one the program carries itself; _practice_ is a fact of the trade without a source. Written and held by',
    '`core/src/api/outside-values.spec.ts`.',
    '',
    ...groups.flatMap((group) => [
      `## ${group.title}`,
      '',
      `${group.source}; ${group.kind}, in ${group.unit}; \`core/src/${group.where}\`.`,
      '',
      '| what | value | within |',
      '| --- | --- | --- |',
      ...group.values.map(row),
      '',
    ]),
  ].join('\n');
}

describe.each(groups)('$title', ({ values }) => {
  it.each(values)('$what', ({ expected, within, measure }) => {
    expect(Math.abs(measure() - expected), `${measure()} for ${expected}`).toBeLessThanOrEqual(
      within + 1e-12,
    );
  });
});

describe('the list of check values', () => {
  it('has three hundred and more, of which at most 120 are cells of tables', () => {
    expect(countOf(groups)).toBeGreaterThanOrEqual(300);
    expect(countOf(groups.filter(({ kind }) => kind === 'table'))).toBeLessThanOrEqual(120);
  });

  it('is the one in docs', async () => {
    await expect(page()).toMatchFileSnapshot('../../../docs/check-values.md');
  });
});

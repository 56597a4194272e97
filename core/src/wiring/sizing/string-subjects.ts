import { derived, given, quantityText } from '../../base/index.js';
import { type Plan, stringSaid } from '../../design/index.js';
import { coldVoltageV } from '../../rules/details.js';
import type { Subject } from '../../rules/packs.js';

/** Strings of modules of which something is known, at the coldest hour. */
export const stringSubjects = (plan: Plan): Subject<'string'>[] =>
  plan.sources.arrays.flatMap((array): Subject<'string'>[] => {
    const { inSeries, openV, openPerC, inputMaxV } = stringSaid(plan.wiring, array.id);
    const { coldestC } = plan.wiring;
    if (inSeries === null && openV === null && inputMaxV === null) return [];
    const known = inSeries !== null && openV !== null && coldestC !== null;
    return [
      {
        kind: 'string',
        keyBefore: `string:${array.id}`,
        keyAfter: '',
        name: `String of ${array.name}`,
        about: `array:${array.id}`,
        facts: {
          name: array.name,
          inSeries,
          coldestC: coldestC === null ? null : quantityText(coldestC, '°C', plan.site.units),
          coldV: known
            ? derived({
                key: `${array.id}.cold-voltage`,
                label: `Open-circuit voltage of a string of ${array.name} at the coldest hour`,
                value: coldVoltageV(inSeries, openV, coldestC, openPerC),
                unit: 'V',
                formula: '{series} × {each} × {factor}',
                inputs: {
                  series: given({
                    key: `${array.id}.series`,
                    label: 'Modules in series',
                    value: inSeries,
                    unit: 'count',
                    source: { kind: 'user' },
                  }),
                  each: given({
                    key: `${array.id}.open`,
                    label: 'Open-circuit voltage of one',
                    value: openV,
                    unit: 'V',
                    source: { kind: 'user' },
                  }),
                  factor: given({
                    key: `${array.id}.cold-factor`,
                    label: `Of that at ${quantityText(coldestC, '°C', plan.site.units)}`,
                    value: coldVoltageV(1, 1, coldestC, openPerC),
                    unit: 'factor',
                    source:
                      openPerC === null
                        ? { kind: 'published', reference: 'Table 690.7(A), NEC 2023 (recalled)' }
                        : { kind: 'nameplate' },
                  }),
                },
              })
            : null,
          inputMaxV:
            inputMaxV === null
              ? null
              : given({
                  key: `${array.id}.input`,
                  label: 'What the input takes at most',
                  value: inputMaxV,
                  unit: 'V',
                  source: { kind: 'nameplate' },
                }),
        },
      },
    ];
  });

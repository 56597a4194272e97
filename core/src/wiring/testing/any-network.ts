import * as fc from 'fast-check';
import type { Closing, SwitchNetwork } from '../states/switch-network.js';

export const places = Array.from({ length: 8 }, (_, index) => `p${index}`);
const place = fc.constantFrom(...places);

/** Networks nobody would build: whatever hangs anywhere. */
export const anyNetwork = fc
  .integer({ min: 1, max: 6 })
  .chain((count) => {
    const handles = Array.from({ length: count }, (_, index) => ({
      id: `h${index}`,
      name: `H${index}`,
      positions: (index % 3 === 2 ? ['a', 'b', 'off'] : ['on', 'off']) as [string, string, ...string[]],
    }));
    const ofHandle = fc
      .constantFrom(...handles)
      .chain(({ id, positions }) =>
        fc
          .subarray([...positions], { minLength: 1, maxLength: positions.length - 1 })
          .map((closed): Closing => ({ kind: 'handle', handle: id, positions: closed })),
      );
    const closing: fc.Arbitrary<Closing> = fc.oneof(
      { weight: 6, arbitrary: ofHandle },
      { weight: 2, arbitrary: fc.constant<Closing>({ kind: 'always' }) },
      { weight: 2, arbitrary: fc.constant<Closing>({ kind: 'isolating', device: 'd' }) },
      { weight: 1, arbitrary: fc.constant<Closing>({ kind: 'unless-generator' }) },
    );
    return fc.record({
      handles: fc.constant(handles),
      links: fc.array(
        fc.record({
          from: place,
          to: place,
          layer: fc.constantFrom('line' as const, 'neutral' as const),
          closedBy: fc.array(closing, { minLength: 1, maxLength: 2 }),
        }),
        { minLength: 2, maxLength: 14 },
      ),
      interlocks: fc.array(
        fc
          .tuple(fc.constantFrom(...handles), fc.constantFrom(...handles))
          .filter(([one, two]) => one.id !== two.id || count === 1)
          .map(([one, two]) => ({
            id: `lock-${one.id}-${two.id}`,
            name: 'lock',
            forbids: [
              { handle: one.id, position: one.positions[0] },
              { handle: two.id, position: two.positions[0] },
            ],
          })),
        { maxLength: 2 },
      ),
      at: fc.array(place, { minLength: 8, maxLength: 8 }),
      flags: fc.array(fc.boolean(), { minLength: 6, maxLength: 6 }),
    });
  })
  .map(({ handles, links, interlocks, at, flags }): SwitchNetwork => ({
    nodes: places.map((id, index) => ({ id, name: id, needsNeutral: index % 3 === 0 && flags[0]! })),
    links: links.map((link, index) => ({ id: `l${index}`, ...link })),
    handles,
    interlocks,
    devices: [{ id: 'd', name: 'D', watches: at[0]! }],
    sources: [
      {
        id: 'grid',
        name: 'Grid',
        kind: 'grid',
        at: at[1]!,
        device: null,
        formsNeutral: true,
        parallelGroup: null,
      },
      {
        id: 'inverter',
        name: 'Inverter',
        kind: 'inverter',
        at: at[2]!,
        device: flags[1] ? 'd' : null,
        formsNeutral: flags[2]!,
        parallelGroup: flags[3] ? 'island' : null,
      },
      {
        id: 'generator',
        name: 'Generator',
        kind: 'generator',
        at: at[3]!,
        device: null,
        formsNeutral: flags[4]!,
        parallelGroup: flags[3] ? 'island' : null,
      },
      {
        id: 'array',
        name: 'Array',
        kind: 'array',
        at: at[4]!,
        device: null,
        formsNeutral: true,
        parallelGroup: null,
      },
    ],
    bonds: [
      { id: 'main', name: 'main', at: at[5]!, group: 'main', when: { kind: 'always' } },
      {
        id: 'other',
        name: 'other',
        at: at[6]!,
        group: flags[5] ? 'main' : 'other',
        when: { kind: 'always' },
      },
      {
        id: 'relay',
        name: 'relay',
        at: at[2]!,
        group: 'relay',
        when: { kind: 'island', device: 'd', inverter: 'inverter' },
      },
    ],
    neutralFormers: [{ id: 'transformer', at: at[7]! }],
  }));

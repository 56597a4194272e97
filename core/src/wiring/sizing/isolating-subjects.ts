import { given, settingSource } from '../../base/index.js';
import type { Subject } from '../../rules/packs.js';
import type { Feeders } from '../graph/feeders-from-grid.js';
import { limitAhead } from '../graph/limit-ahead.js';
import type { WiringGraph } from '../graph/wiring-graph.js';

/** Isolating devices, and what the device ahead of each lets through. */
export const isolatingSubjects = ({ parts }: WiringGraph, fedBy: Feeders): Subject<'isolating'>[] =>
  parts
    .filter(({ device }) => device?.kind === 'isolating')
    .map(({ id, name, from, device }) => {
      const ahead = limitAhead(fedBy, from);
      // Nothing of the house ahead of it: what the service is rated for.
      const aheadA = ahead?.device?.ratingA?.value ?? ahead?.cable?.otherA ?? 0;
      return {
        kind: 'isolating',
        keyBefore: id,
        keyAfter: '',
        name,
        about: id,
        facts: {
          name,
          aheadA: given({
            key: `${id}.ahead`,
            label: ahead?.device ? `Rating of ${ahead.device.name}` : 'Rating of the service',
            value: aheadA > 0 ? aheadA : Number.NaN,
            unit: 'A',
            source: { kind: 'user' },
          }),
          ratingA: given({
            key: `${id}.carries`,
            label: `Rating of ${name}`,
            value: device?.ratingA?.value ?? Number.NaN,
            unit: 'A',
            source: device?.ratingA
              ? settingSource(device.ratingA)
              : { kind: 'assumed', why: 'nobody has said' },
          }),
        },
      };
    });

import { derived, type Figure, given, settingSource } from '../../base/index.js';
import { conductorText, isMetricSize } from '../../electric/index.js';
import type { PackValues } from '../../rules/index.js';
import { advisedDrop, conductorAreaMm2 } from '../../rules/details.js';
import type { Subject } from '../../rules/packs.js';
import type { SizedCable } from './size-cable.js';
import type { tapFacts } from './tap-facts.js';

interface Carried {
  readonly current: Figure;
  /** With what is kept in hand for hours of it. */
  readonly needed: Figure;
}

function carriedBy({ part, cable }: SizedCable, values: PackValues, edition: string): Carried {
  const source = cable.continuousA > 0;
  const current = given({
    key: `${part.id}.current`,
    label: source ? `Continuous current of ${part.name}` : `Current of ${part.name}`,
    value: source ? cable.continuousA : cable.otherA,
    unit: 'A',
    source: source ? { kind: 'catalogue', unit: part.name } : { kind: 'derived' },
  });
  if (!source) return { current, needed: current };
  const factor = given({
    key: 'continuous-factor',
    label: 'Continuous currents count for',
    value: values.continuousFactor,
    unit: 'factor',
    source: { kind: 'published', reference: `${values.continuousClause}, ${edition}` },
  });
  return {
    current,
    needed: derived({
      key: `${part.id}.sized-for`,
      label: `What ${part.name} is sized for`,
      value: current.value * factor.value,
      unit: 'A',
      formula: '{factor} × {current}',
      inputs: { factor, current },
    }),
  };
}

function carriesOf(sized: SizedCable, values: PackValues, edition: string): Figure {
  const { part, cable, judged, tried, conductor, laying } = sized;
  const source = cable.continuousA > 0;
  const what = conductor ? conductorText(conductor) : 'its conductor';
  return given({
    key: `${part.id}.carries`,
    label: source ? `What ${what} carries as it lies` : `The largest device for ${what}`,
    value: (source ? judged?.carriesA : judged?.mostDeviceA) ?? Number.NaN,
    unit: 'A',
    source: { kind: 'published', reference: `${values.conductorTable}, ${edition}` },
    assumptions: [
      `${laying.ambientC} °C around it, ${laying.together} together, terminals for ${laying.terminalC} °C`,
    ],
    levers: tried.slice(0, -1).map(({ size, why }) => `${size}: ${why}`),
  });
}

/** Voltage along a cable, and how much of it is advised at most. */
function dropOf(
  { part, cable, dropShare }: SizedCable,
  current: Figure,
  isRise: boolean,
  values: PackValues,
  edition: string,
) {
  const length = given({
    key: `${part.id}.length`,
    label: `Length of ${part.name}`,
    value: cable.lengthM.value,
    unit: 'm',
    source: settingSource(cable.lengthM),
  });
  return {
    lengthM: length,
    dropShare: {
      ...given({
        key: `${part.id}.drop`,
        label: `Voltage lost along ${part.name}`,
        value: dropShare ?? Number.NaN,
        unit: 'share',
        source: { kind: 'published', reference: `${values.resistanceTable}, ${edition}` },
      }),
      inputs: { current, length },
    },
    dropLimit: given({
      key: `${part.id}.drop-limit`,
      label: 'Advised at most',
      value: isRise ? advisedDrop.source : advisedDrop.branch,
      unit: 'share',
      source: isRise ? { kind: 'common-practice' } : { kind: 'published', reference: edition },
    }),
  };
}

/** A cable, and the device at its beginning where it is a source’s: what rules are asked about. */
export function cableSubjects(
  sized: SizedCable,
  values: PackValues,
  edition: string,
  tap: ReturnType<typeof tapFacts>,
): (Subject<'cable'> | Subject<'source-device'>)[] {
  const { part, cable, judged, tried, conductor } = sized;
  const { current, needed } = carriedBy(sized, values, edition);
  const smallest = tried.at(-1);
  const isRise = cable.use === 'source' || cable.use === 'array' || cable.use === 'battery';
  const subject: Subject<'cable'> = {
    kind: 'cable',
    keyBefore: part.id,
    keyAfter: '',
    name: part.name,
    about: part.id,
    facts: {
      name: part.name,
      use: cable.use,
      isRise,
      isMetric: conductor ? isMetricSize(conductor.size) : null,
      neededA: needed,
      carriesA: carriesOf(sized, values, edition),
      conductorHolds: judged?.holds ?? null,
      why: judged?.why || 'a conductor that carries it and that its device protects',
      smallest: smallest?.holds
        ? `The smallest that holds: ${conductorText(smallest)}.`
        : 'No single conductor of the tables holds: parallel conductors, or less current.',
      areaMm2: conductor ? Math.round(conductorAreaMm2(conductor) * 10) / 10 : null,
      isAluminium: conductor ? conductor.material === 'aluminium' : null,
      isSupplySide: sized.isSupplySide,
      ...tap,
      ...dropOf(sized, current, isRise, values, edition),
    },
  };
  const { device } = part;
  if (!device?.ratingA || cable.continuousA <= 0) return [subject];
  return [
    {
      kind: 'source-device',
      keyBefore: part.id,
      keyAfter: '',
      name: device.name,
      about: part.id,
      facts: {
        name: device.name,
        use: cable.use,
        neededA: needed,
        deviceA: given({
          key: `${part.id}.rating`,
          label: `Rating of ${device.name}`,
          value: device.ratingA.value,
          unit: 'A',
          source: settingSource(device.ratingA),
        }),
      },
    },
    subject,
  ];
}

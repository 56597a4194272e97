import { conductorText } from '../../electric/index.js';
import type { SizedCable } from '../../wiring/index.js';
import type { Block, TableCell } from '../document/paper.js';
import { assumedMark, type PacketOf } from './packet-of.js';

/** The conductor schedule: every run with its device, conductor, conduit and voltage drop, and what the rules say of it. */
export function conductorPart(of: PacketOf): Block[] {
  const { wired } = of.study;
  const rows = wired.graph.parts.flatMap((part): TableCell[][] => {
    const { cable, device } = part;
    const sized = wired.cables.get(part.id);
    if (!cable || !sized) return [];
    const { conductor, judged, dropShare, conduit, earth, need } = sized;
    const carried = cable.continuousA > 0 ? need.continuousA : need.otherA;
    return [
      [
        of.tagOf(part.id),
        {
          text: part.times > 1 ? `${part.times} × ${part.name}` : part.name,
          tone: cable.isNew ? 'plain' : 'soft',
        },
        device?.ratingA
          ? `${device.ratingA.value} A${device.ratingA.assumed ? assumedMark : ''}`
          : part.protectedByA === null
            ? '–'
            : `ahead, ${part.protectedByA} A`,
        carried > 0 ? `${Number(carried.toFixed(1))} A` : '–',
        conductor ? conductorText(conductor) : 'not known',
        judged ? `${Number(judged.carriesA.toFixed(1))} A` : '–',
        [earth === null ? '' : `${earth} Cu`, conduit.length > 0 ? `${conduit.at(-1)!.size} in` : '']
          .filter((one) => one !== '')
          .join('; ') || '–',
        `${of.quantity(cable.lengthM.value, 'm')}${cable.lengthM.assumed ? assumedMark : ''}`,
        dropShare === null ? '–' : of.quantity(dropShare, 'share', 1),
        verdictOf(sized),
      ],
    ];
  });
  if (rows.length === 0) return [];
  const open = wired.checks.filter(({ verdict, advice }) => verdict !== 'holds' && !advice);
  return [
    { kind: 'heading', level: 1, text: 'Conductors and devices' },
    {
      kind: 'table',
      size: 'small',
      columns: [
        { head: 'Tag' },
        { head: 'Run', wide: true },
        { head: 'Device' },
        { head: 'Carries', align: 'right' },
        { head: 'Conductor' },
        { head: 'Ampacity as laid', align: 'right' },
        { head: of.values.sizes === 'american' ? 'EGC; conduit' : 'PE; conduit' },
        { head: 'Length', align: 'right' },
        { head: 'Drop', align: 'right' },
        { head: 'Verdict' },
      ],
      rows,
      note: of.words(
        `${of.values.conductorTable}, ${of.values.resistanceTable}, ${of.edition}, recalled. Sources count by ${of.values.continuousFactor * 100} % (${of.values.continuousClause}). Grey: there already. ${assumedMark} assumed: to be confirmed on site.`,
      ),
    },
    ...(open.length > 0
      ? [
          {
            kind: 'box' as const,
            tone: 'missing' as const,
            title: 'Open: these do not hold, or are not known',
            lines: open.map(({ name, asks, rule, verdict, missing }) =>
              of.words(
                verdict === 'unknown'
                  ? `${name}: ${asks} (${rule}); not known: ${missing.join(', ')}`
                  : `${name}: ${asks} (${rule})`,
              ),
            ),
          },
        ]
      : []),
    {
      kind: 'paragraph',
      tone: 'soft',
      text: `${wired.checks.length} checks of conductors, devices, busbars and fault currents; ${wired.checks.filter(({ verdict }) => verdict === 'holds').length} hold.`,
    },
  ];
}

const verdictOf = ({ judged }: SizedCable): TableCell =>
  judged === null
    ? 'not known'
    : judged.holds
      ? 'holds'
      : { text: judged.why === '' ? 'fails' : judged.why, tone: 'strong' };

import { entryMm, type OneLineLayout } from './one-line-drawing.js';
import {
  leavesAtMm,
  lineMm,
  type OneLineBox,
  type OneLinePlan,
  type OneLineWire,
  textMm,
} from './one-line-plan.js';
import { textWidthMm } from './drawing.schema.js';

/** What a layout library that speaks ELK's JSON is asked, and answers. */
interface ElkRoom {
  x?: number;
  y?: number;
  width?: number;
  height?: number;
  layoutOptions?: Record<string, string>;
}
interface ElkLabel extends ElkRoom {
  id?: string;
  text?: string;
}
interface ElkPoint {
  x: number;
  y: number;
}
interface ElkWire {
  id: string;
  sources: string[];
  targets: string[];
  labels?: ElkLabel[];
  sections?: { id: string; startPoint: ElkPoint; bendPoints?: ElkPoint[]; endPoint: ElkPoint }[];
}
export interface ElkBox extends ElkRoom {
  id: string;
  labels?: ElkLabel[];
  ports?: (ElkRoom & { id: string })[];
  children?: ElkBox[];
  edges?: ElkWire[];
}

const root = 'drawing';

const sidePort = ({ id, widthMm, heightMm }: OneLineBox, wire: string, side: 'EAST' | 'WEST') => ({
  id: `${id}>${wire}`,
  x: side === 'EAST' ? widthMm : 0,
  y: heightMm / 2,
  width: 0,
  height: 0,
  layoutOptions: { 'elk.port.side': side, 'elk.port.borderOffset': '0' },
});

/** Supply at the top, loads and sources below; lines only level or upright; boxes of one enclosure in one frame. */
export function toElk(plan: OneLinePlan): ElkBox {
  const inEnclosure = new Set(plan.enclosures.map(({ id }) => id));
  const boxes = plan.boxes.map((box) => {
    const isBus = box.symbol === 'bus';
    const incoming = plan.wires.filter(({ to }) => to === box.id);
    const outgoing = plan.wires.filter(({ from }) => from === box.id);
    // What speaks comes and goes at the sides.
    const speaks = ({ id, from, layer }: OneLineWire) =>
      layer === 'communication' ? [sidePort(box, id, from === box.id ? 'EAST' : 'WEST')] : [];
    const conducts = ({ layer }: OneLineWire): boolean => layer === 'conductors';
    const port = (id: string, side: 'NORTH' | 'SOUTH', index: number) => ({
      id: `${box.id}>${id}`,
      // What leaves a busbar shares its length; everything else is in line with its symbol.
      x: isBus && side === 'SOUTH' ? leavesAtMm(box, index) : entryMm,
      y: side === 'NORTH' ? 0 : box.heightMm,
      width: 0,
      height: 0,
      layoutOptions: { 'elk.port.side': side, 'elk.port.borderOffset': '0' },
    });
    return {
      enclosure: box.enclosure,
      node: {
        id: box.id,
        width: box.widthMm,
        height: box.heightMm,
        ports: [
          ...incoming.filter(conducts).map(({ id }, index) => port(id, 'NORTH', index)),
          ...outgoing.filter(conducts).map(({ id }, index) => port(id, 'SOUTH', index)),
          ...[...incoming, ...outgoing].flatMap(speaks),
        ],
        layoutOptions: { 'elk.portConstraints': 'FIXED_POS' },
      } satisfies ElkBox,
    };
  });
  return {
    id: root,
    layoutOptions: {
      'elk.algorithm': 'layered',
      'elk.direction': 'DOWN',
      'elk.edgeRouting': 'ORTHOGONAL',
      'elk.hierarchyHandling': 'INCLUDE_CHILDREN',
      'elk.layered.spacing.nodeNodeBetweenLayers': '6',
      'elk.spacing.nodeNode': '6',
      'elk.spacing.edgeNode': '4',
      'elk.spacing.edgeEdge': '3',
      'elk.layered.spacing.edgeNodeBetweenLayers': '4',
      'elk.layered.spacing.edgeEdgeBetweenLayers': '3',
      'elk.spacing.edgeLabel': '1',
      'elk.layered.considerModelOrder.strategy': 'NODES_AND_EDGES',
      'elk.padding': '[top=6,left=6,bottom=6,right=6]',
      'elk.json.edgeCoords': 'ROOT',
    },
    children: [
      ...boxes.filter(({ enclosure }) => !inEnclosure.has(enclosure)).map(({ node }) => node),
      ...plan.enclosures.map(({ id, name }): ElkBox => ({
        id: `enclosure:${id}`,
        layoutOptions: {
          'elk.padding': `[top=${textMm + 3.5},left=3,bottom=${textMm + 3},right=3]`,
          'elk.nodeSize.constraints': 'MINIMUM_SIZE',
          'elk.nodeSize.minimum': `(${textWidthMm(name, textMm) + 4},10)`,
        },
        children: boxes.filter(({ enclosure }) => enclosure === id).map(({ node }) => node),
      })),
    ],
    edges: plan.wires.map(({ id, from, to, lines }) => ({
      id,
      sources: [`${from}>${id}`],
      targets: [`${to}>${id}`],
      labels:
        lines.length === 0
          ? []
          : [
              {
                id: `label:${id}`,
                text: lines.join('\n'),
                width: Math.max(...lines.map((line) => textWidthMm(line, textMm))) + 2,
                height: lines.length * lineMm,
              },
            ],
    })),
  };
}

/** Reads what the library answered; everything in millimetres from the upper left of the sheet. */
export function fromElk(plan: OneLinePlan, answer: ElkBox): OneLineLayout {
  const boxes = new Map<string, { x: number; y: number }>();
  const enclosures = new Map<string, { x: number; y: number; widthMm: number; heightMm: number }>();
  const visit = (box: ElkBox, dx: number, dy: number): void => {
    const [x, y] = [dx + (box.x ?? 0), dy + (box.y ?? 0)];
    if (box.id.startsWith('enclosure:'))
      enclosures.set(box.id.slice('enclosure:'.length), {
        x,
        y,
        widthMm: box.width ?? 0,
        heightMm: box.height ?? 0,
      });
    else if (box.id !== root) boxes.set(box.id, { x, y });
    for (const child of box.children ?? []) visit(child, x, y);
  };
  visit(answer, 0, 0);
  const known = new Set(plan.wires.map(({ id }) => id));
  const wires = new Map(
    (answer.edges ?? []).flatMap((edge) => {
      const section = edge.sections?.[0];
      if (!section || !known.has(edge.id)) return [];
      const points = [section.startPoint, ...(section.bendPoints ?? []), section.endPoint].map(
        ({ x, y }) => [x, y] as const,
      );
      const label = edge.labels?.[0];
      return [[edge.id, { points, label: label ? { x: label.x ?? 0, y: label.y ?? 0 } : null }] as const];
    }),
  );
  return { widthMm: answer.width ?? 0, heightMm: answer.height ?? 0, boxes, enclosures, wires };
}

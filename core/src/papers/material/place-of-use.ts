import { type MaterialLine, type WiredDesign, wiringNames } from '../../wiring/index.js';

/** What goes to one place of the wiring. */
export interface PlaceOfUse {
  readonly place: string;
  readonly lines: readonly MaterialLine[];
}

/**
 * The material of a wiring by the run or place it goes to; what belongs to none stands under the last one. Together they are the whole.
 *
 * @param materialOfPart what is bought for a part of the wiring alone
 */
export function placesOfUse(
  { graph }: Pick<WiredDesign, 'graph'>,
  materialOfPart: (only: WiredDesign['graph']) => readonly MaterialLine[],
): PlaceOfUse[] {
  const names = wiringNames(graph);
  const alone = { ...graph, parts: [], accessories: [], links: [] };
  const places = [
    ...graph.parts.map((part) => ({ place: part.name, lines: materialOfPart({ ...alone, parts: [part] }) })),
    ...graph.accessories.map((accessory) => ({
      place: accessory.name,
      lines: materialOfPart({ ...alone, accessories: [accessory] }),
    })),
    ...graph.links.map((link) => ({
      place: `${names.get(link.from) ?? ''} – ${names.get(link.to) ?? ''}`,
      // How far it runs is known from the parts.
      lines: materialOfPart({ ...alone, parts: graph.parts, links: [link] }).filter(
        ({ name }) => name === link.name,
      ),
    })),
  ];
  return places.filter(({ lines }) => lines.length > 0);
}

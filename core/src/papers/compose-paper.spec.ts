import { beforeAll, describe, expect, it } from 'vitest';
import { settingsOf } from '../design/index.js';
import { quantityText } from '../base/index.js';
import { conductorAreaMm2 } from '../rules/details.js';
import { wiringMaterial } from '../wiring/index.js';
import { cardCharges, chargeHours } from './card/charge-hours.js';
import { outageCard } from './card/outage-card.js';
import { composePaper } from './compose-paper.js';
import { languages, paperKinds, paperParts } from './document/paper-request.schema.js';
import type { Paper } from './document/paper.js';
import { partsLines } from './material/parts-lines.js';
import { placesOfUse } from './material/place-of-use.js';
import { packet } from './packet/packet.js';
import { packetOf } from './packet/packet-of.js';
import { householdPrice } from './proposal/offer-lines.js';
import type { DesignStudy } from './study/design-study.js';
import { aCompany, aRequest, farm, sourcesOf, textsOf } from './testing/papers.js';
import { inLanguage } from './words/in-language.js';

const from = sourcesOf(farm);
let study: DesignStudy;
beforeAll(async () => {
  study = await from.study(farm.chosenDesignId);
});
const compose = (kind: Paper['kind'], more = {}): Promise<Paper> =>
  composePaper(aRequest(kind, farm, more), from);
const wordsOf = ({ blocks }: Paper): string => textsOf(blocks).join('\n');

describe('papers say what the stages say', () => {
  it('the proposal: hours, chance and price of the design', async () => {
    const words = wordsOf(await compose('proposal'));
    const { outlook } = study.islands[0]!;
    const written = inLanguage('en', study.plan.supply.system, study.plan.site.units);
    expect(words).toContain(written.quantity(outlook!.nineteenOfTwentyH, 'h'));
    expect(words).toContain(written.share(outlook!.requiredShare));
    expect(words).toContain(written.money(study.price!.afterIncentives, study.price!.currency));
  });

  it('the price a household reads adds up to the one of the stages', () => {
    const price = householdPrice(study.price!);
    const sum = (of: readonly { readonly amount: string }[]): number =>
      of.reduce((all, { amount }) => all + Number(amount), 0);
    expect(Number(price.system) + sum(price.fees) + sum(price.taxes)).toBeCloseTo(Number(price.total), 2);
    expect(Number(price.total) + sum(price.incentives)).toBeCloseTo(Number(price.after), 2);
    expect(price.total).toBe(study.price!.gross);
  });

  it('the card: with a full battery, sun and everything on, the runtime of the strip', () => {
    const [island] = study.islands;
    const sets = chargeHours(study.plan, island!);
    const all = sets.find(({ of }) => of === 'everything')!;
    expect(all.withSun![0]!.nineteenOfTwentyH).toBeCloseTo(island!.outlook!.nineteenOfTwentyH, 6);
    for (const { noSun, withSun } of sets)
      cardCharges.forEach((_, row) => {
        // More charge, and sun, never shorten it.
        if (row > 0)
          expect(noSun[row]!.nineteenOfTwentyH).toBeLessThanOrEqual(noSun[row - 1]!.nineteenOfTwentyH);
        expect(withSun![row]!.nineteenOfTwentyH).toBeGreaterThanOrEqual(noSun[row]!.nineteenOfTwentyH - 1e-6);
      });
    const [essentials] = sets;
    expect(essentials!.meanW).toBeLessThan(all.meanW);
  });

  it('the parts list: what the price of the design counts as goods', () => {
    const list = partsLines(study, from.items, from.book);
    const goods = study.price!.lines.filter(
      ({ group, label }) => group === 'goods' && !/Solar array/.test(label),
    );
    expect(Number(list.total)).toBeCloseTo(
      goods.reduce((sum, { amount }) => sum + Number(amount), 0),
      2,
    );
    expect(list.missing).toEqual(study.price!.missing);
  });

  it('the material by place of use: together the whole', () => {
    const { wired } = study;
    const whole = wiringMaterial(wired, conductorAreaMm2, 0);
    const places = placesOfUse(wired, (graph) =>
      wiringMaterial({ graph, cables: wired.cables }, conductorAreaMm2, 0),
    );
    const sum = new Map<string, number>();
    for (const { lines } of places)
      for (const { name, quantity } of lines) sum.set(name, (sum.get(name) ?? 0) + quantity);
    for (const { name, quantity } of whole) expect(sum.get(name), name).toBeCloseTo(quantity, 0);
  });

  it('the packet: every margin with its verdict, every check that does not hold, the code it is judged by', async () => {
    const words = wordsOf(await compose('packet'));
    for (const { name, verdict, advice } of study.wired.checks)
      if (verdict !== 'holds' && !advice) expect(words).toContain(name);
    for (const { island } of study.islands) expect(words).toContain(island.name);
    expect(words).toContain('NEC 2023');
    expect(words).toContain(
      quantityText(settingsOf(study.plan).floorAreaM2.value, 'm²', study.plan.site.units),
    );
  });
});

describe('a paper', () => {
  it('is made of the parts it offers, in their order, and leaves out what is not wanted', async () => {
    const all = await packet(packetOf(study, { ...from, jobName: farm.name }));
    expect(all.parts.map(({ id }) => id)).toEqual(paperParts.packet);
    const card = outageCard(study, aCompany, inLanguage('en', 'split-120-240', 'imperial'));
    expect([...new Set(card.parts.map(({ id }) => id))]).toEqual(paperParts.card);
    const without = wordsOf(await compose('card', { without: ['emergency'] }));
    expect(without).not.toContain('fire service');
  });

  it('says what is missing, and where it is entered', async () => {
    const bare = sourcesOf({ ...farm, parties: { ...farm.parties, client: '' } }, { ...aCompany, name: '' });
    const { missing } = await composePaper(aRequest('packet', farm), bare);
    expect(missing).toContainEqual({ what: 'Owner of the house', at: 'brief', place: 'Brief' });
    expect(missing.map(({ at }) => at)).toContain('/company');
  });

  it('prints no part without content: a job of which nothing is known still makes every paper', async () => {
    const empty = {
      ...farm,
      loads: [],
      survey: { ...farm.survey, services: [], panels: [] },
      lot: { ...farm.lot, walls: [], corners: [], marks: [] },
      designs: farm.designs.slice(0, 1).map((design) => ({
        ...design,
        backup: { ...design.backup, services: [], lanes: [], unplugged: [], kept: [] },
        placement: { ...design.placement, placed: [], works: [] },
        equipment: { ...design.equipment, stacks: [] },
      })),
    };
    const poor = sourcesOf(empty);
    for (const kind of paperKinds) {
      const paper = await composePaper(aRequest(kind, empty), poor);
      const headings = paper.blocks.filter(({ kind: of }) => of === 'heading');
      // No heading is the last thing, and none stands before another of its level.
      expect(paper.blocks.at(-1)?.kind, kind).not.toBe('heading');
      expect(headings.length, kind).toBeLessThan(40);
    }
  });

  it.each(languages)('for a household reads in %s without a gap', async (language) => {
    for (const kind of ['card', 'proposal'] as const) {
      const paper = await compose(kind, { language });
      expect(wordsOf(paper)).not.toMatch(/\{\w+\}|undefined|NaN/);
      expect(paper.language).toBe(language);
    }
  });
});

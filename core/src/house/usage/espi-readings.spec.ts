import { SaxesParser } from 'saxes';
import { describe, expect, it } from 'vitest';
import { analyseReadings } from './analyse-readings.js';
import { EspiReadings } from './espi-readings.js';
import { localTimes } from '../../nature/index.js';
import { channelEnergyWh } from './readings.js';

interface Meter {
  readonly id: number;
  readonly flow: number;
  readonly uom?: number;
  readonly power?: number;
  readonly start: number;
  readonly values: readonly number[];
  /** 900 where nothing is said. */
  readonly lengthS?: number;
}

/**
 * A Green Button file built by hand after the published ESPI schema (NAESB REQ.21, recalled): Atom entries tied by links, Wh in
 * uom 72, direction 1 delivered and 19 received.
 */
function feed(meters: readonly Meter[], prefix = ''): string {
  const p = prefix === '' ? '' : `${prefix}:`;
  const base = 'https://utility.example/espi/1_1/resource';
  const usage = `${base}/RetailCustomer/9/UsagePoint/1`;
  const entries = meters.flatMap(({ id, flow, uom = 72, power = 0, start, values, lengthS = 900 }) => {
    const reading = `${usage}/MeterReading/${id}`;
    return [
      `<entry><link rel="self" href="${reading}"/><link rel="up" href="${usage}/MeterReading"/>
        <link rel="related" href="${reading}/IntervalBlock"/><link rel="related" href="${base}/ReadingType/${id}"/>
        <title>${flow === 19 ? 'Received' : 'Delivered'}</title><content><${p}MeterReading/></content></entry>`,
      `<entry><link rel="self" href="${base}/ReadingType/${id}"/><content><${p}ReadingType>
        <${p}accumulationBehaviour>4</${p}accumulationBehaviour><${p}flowDirection>${flow}</${p}flowDirection>
        <${p}intervalLength>${lengthS}</${p}intervalLength><${p}powerOfTenMultiplier>${power}</${p}powerOfTenMultiplier>
        <${p}uom>${uom}</${p}uom></${p}ReadingType></content></entry>`,
      `<entry><link rel="self" href="${reading}/IntervalBlock/1"/><link rel="up" href="${reading}/IntervalBlock"/>
        <content><${p}IntervalBlock><${p}interval><${p}duration>${values.length * lengthS}</${p}duration><${p}start>${start}</${p}start></${p}interval>
        ${values
          .map(
            (value, i) =>
              `<${p}IntervalReading><${p}timePeriod><${p}duration>${lengthS}</${p}duration><${p}start>${start + i * lengthS}</${p}start></${p}timePeriod><${p}value>${value}</${p}value></${p}IntervalReading>`,
          )
          .join('\n')}
        </${p}IntervalBlock></content></entry>`,
    ];
  });
  const namespace = prefix === '' ? '' : ` xmlns:${prefix}="http://naesb.org/espi"`;
  return `<?xml version="1.0"?><feed xmlns="http://www.w3.org/2005/Atom"${namespace}>${entries.join('')}</feed>`;
}

function read(xml: string) {
  const espi = new EspiReadings();
  const parser = new SaxesParser();
  const local = (name: string): string => name.slice(name.indexOf(':') + 1);
  parser.on('opentag', (tag) => espi.open(local(tag.name), tag.attributes as Record<string, string>));
  parser.on('text', (text) => espi.chars(text));
  parser.on('closetag', () => espi.close(parser.line));
  parser.write(xml).close();
  return { ...espi.finish(), problems: espi.problems };
}

const start = Date.UTC(2025, 9, 26) / 1000;

describe('Green Button files', () => {
  it('give a channel for each meter reading, with direction and unit', () => {
    const { readings } = read(
      feed([
        { id: 1, flow: 1, start, values: [100, 200, 300] },
        { id: 2, flow: 19, power: 3, start, values: [0, 1, 2] },
      ]),
    );
    expect(readings!.channels.map(({ name, role }) => [name, role])).toEqual([
      ['Delivered', 'import'],
      ['Received', 'export'],
    ]);
    expect(readings).toMatchObject({ startS: start, intervalS: 900, count: 3 });
    expect(readings!.channels.map((channel) => channelEnergyWh(channel, 900))).toEqual([600, 3000]);
  });

  // Hourly import beside quarter-hourly export: 4 kWh in an hour are 4 kW, not 16 kW in one of its quarters.
  it('keep each channel on its own interval', () => {
    const { readings } = read(
      feed([
        { id: 1, flow: 1, start, values: [4000, 2000], lengthS: 3600 },
        { id: 2, flow: 19, start, values: [0, 0, 100, 0, 0, 200, 0, 0] },
      ]),
    );
    expect(readings).toMatchObject({ startS: start, intervalS: 900, count: 8 });
    expect([...readings!.channels[0]!.milli].map((milli) => milli / 1000)).toEqual([
      1000, 1000, 1000, 1000, 500, 500, 500, 500,
    ]);
    expect(readings!.channels.map((channel) => channelEnergyWh(channel, 900))).toEqual([6000, 300]);
    expect(analyseReadings(readings!, 'UTC').highestW).toBe(4000);
  });

  it('repeat a mean power over the parts of its interval', () => {
    const { readings } = read(
      feed([
        { id: 1, flow: 1, uom: 38, start, values: [1500], lengthS: 1800 },
        { id: 2, flow: 1, uom: 38, start, values: [100, 200, 300, 400, 500, 600], lengthS: 300 },
      ]),
    );
    expect(readings!.intervalS).toBe(300);
    expect(new Set(readings!.channels[0]!.milli)).toEqual(new Set([1_500_000]));
  });

  it('are read with and without a prefix alike', () => {
    const meters = [{ id: 1, flow: 1, start, values: [5, 6] }];
    expect(read(feed(meters, 'espi')).readings).toEqual(read(feed(meters)).readings);
  });

  // The day of change has 25 hours in autumn and 23 in spring, in both hemispheres; moments in UTC pass through evenly.
  it.each([
    ['Europe/Vienna', Date.UTC(2025, 9, 25, 22), 25],
    ['Europe/Vienna', Date.UTC(2025, 2, 29, 23), 23],
    ['Australia/Sydney', Date.UTC(2025, 3, 5, 13), 25],
    ['Australia/Sydney', Date.UTC(2025, 9, 4, 14), 23],
    ['America/Halifax', Date.UTC(2025, 10, 2, 3), 25],
  ])('in %s from %i: the day of change has %i hours', (zone, fromMs, hours) => {
    const values = Array.from({ length: 30 * 4 }, (_, i) => i);
    const { readings } = read(feed([{ id: 1, flow: 1, start: fromMs / 1000, values }]));
    expect(Array.from(readings!.channels[0]!.milli, (value) => value / 1000)).toEqual(values);
    const { day, hour } = localTimes(readings!.startS, 900, readings!.count, zone);
    expect(hour[0]).toBe(0);
    expect(day.filter((d) => d === 0)).toHaveLength(hours * 4);
  });

  it('leave out what is no energy, and say so', () => {
    const { readings, problems, why } = read(feed([{ id: 1, flow: 1, uom: 29, start, values: [230] }]));
    expect(readings).toBeNull();
    expect(why).toContain('no interval readings');
    expect(problems[0]?.reason).toContain('unit 29');
  });

  it('refuse readings without start or value by line, and keep the rest', () => {
    const xml = feed([{ id: 1, flow: 1, start, values: [1, 2, 3] }]).replace(
      '<value>2</value>',
      '<value>two</value>',
    );
    const { readings, problems } = read(xml);
    expect(problems[0]).toMatchObject({
      line: expect.any(Number) as number,
      reason: expect.stringContaining('without a start or a value') as string,
    });
    expect(problems[0]!.line).toBeGreaterThan(1);
    expect(readings!.count).toBe(3);
  });

  it('are told from other XML', () => {
    expect(read('<svg><g/></svg>').why).toContain('not a Green Button');
  });
});

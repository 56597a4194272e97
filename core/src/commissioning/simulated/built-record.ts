import { type Commissioning, emptyCommissioning, type StepEntry } from '../../house/index.js';
import type { SimulatedHouse } from '../../simulator/index.js';
import type { OutageHardware } from '../../study/details.js';
import type { Found } from '../staged/found.js';
import type { OutageSample } from '../staged/outage-sample.js';
import { stagedOutageReport } from '../staged/staged-outage-report.js';
import { expectationOf } from '../staged/expectation.js';
import type { DesignInHand } from '../steps/design-in-hand.js';
import type { Step } from '../steps/step.js';
import { stepsOf } from '../steps/steps-of.js';
import { commission } from './commission.js';
import { stagedEvening } from './staged-evening.js';
import { usualReading } from './usual-reading.js';

/** Who put it into service, when, and where its outage is kept. */
export interface BuiltBy {
  readonly by: string;
  /** The day, as 2023-10-17. */
  readonly on: string;
  readonly host: string;
  readonly recordingId: string;
}

export interface BuiltRecord {
  readonly record: Commissioning;
  /** Its staged outage. */
  readonly samples: readonly OutageSample[];
}

const insulationTester = 'insulation';
/** Minutes of the day at which the steps of a record begin, and how long each takes. */
const fromMin = 8 * 60;
const eachMin = 4;

/**
 * How a simulated house that was built without a fault was put into service: what its devices answer is read from them, the rest is
 * as somebody at the place would find it; a staged outage in the evening; two small things left to do; both sides have signed.
 *
 * @param simulate the house, as on its first day, from a minute of the year on
 */
export function builtRecord(
  design: DesignInHand,
  islandId: string,
  hardware: OutageHardware,
  simulate: (fromMinute: number, charge: number) => SimulatedHouse,
  { by, on, host, recordingId }: BuiltBy,
): BuiltRecord {
  const day = (new Date(on).getTime() - new Date(`${on.slice(0, 4)}-01-01`).getTime()) / 86_400_000;
  const minuteOf = (hour: number): number => (day * 24 + hour) * 60;
  const samples = stagedEvening(simulate(minuteOf(16), 0.97));
  const expects = expectationOf(design, islandId, hardware)!;
  const { findings } = stagedOutageReport(samples, expects, hardware);
  const answered = commission(design, simulate(minuteOf(11), 0.9), hardware, islandId);
  const read = new Map(answered.map(({ step, found }) => [step.id, found]));
  const foundAt = ({ id, probe }: Step): Found | null =>
    (probe?.show === 'outage' ? findings.get(probe.aspect) : null) ?? read.get(id) ?? null;

  const entries = stepsOf(design, { added: [] }).map((step, place): StepEntry => {
    const found = foundAt(step);
    const atMin = fromMin + place * eachMin;
    const measured = step.asks.kind === 'measure' ? usualReading(step.asks) : null;
    return {
      id: step.id,
      reading: found ? found.reading : measured,
      isSo: found ? found.isSo : step.asks.kind === 'so' ? true : null,
      by,
      at: new Date(new Date(`${on}T00:00:00Z`).getTime() + atMin * 60_000).toISOString(),
      instrumentId: !found && measured !== null ? insulationTester : '',
      device: found ? host : '',
      note: found ? found.says.slice(0, 1000) : '',
      override: null,
    };
  });
  return {
    samples,
    record: {
      ...emptyCommissioning(),
      entries,
      instruments: [
        {
          id: insulationTester,
          name: 'Installation tester 4471 (invented)',
          calibratedOn: `${on.slice(0, 4)}-03-02`,
        },
      ],
      punch: [
        {
          id: 'sign',
          text: 'The sign at the meter is of paper: the engraved one comes with the next visit',
          stepId: '',
          who: by,
          dueOn: null,
          doneOn: null,
        },
        {
          id: 'card',
          text: 'The outage card hangs in the hall, not beside the panel',
          stepId: '',
          who: 'the household',
          dueOn: null,
          doneOn: null,
        },
      ],
      signatures: [
        { id: 'installer', name: by, at: `${on}T21:10:00.000Z`, strokes: null },
        { id: 'household', name: 'The household', at: `${on}T21:15:00.000Z`, strokes: null },
      ],
      system: { host, port: 1502, units: '1, 10-13, 20, 30', httpPort: 1580 },
      outages: [
        {
          id: recordingId,
          islandId,
          marks: [
            { id: 'lights', second: 124, text: 'Lights flickered' },
            { id: 'router', second: 190, text: 'The router stayed on' },
          ],
        },
      ],
    },
  };
}

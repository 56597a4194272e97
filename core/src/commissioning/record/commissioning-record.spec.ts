import { readFileSync } from 'node:fs';
import { Ajv2020 } from 'ajv/dist/2020.js';
import addFormats from 'ajv-formats';
import { describe, expect, it } from 'vitest';
import {
  aboutStep,
  addSteps,
  type Commissioning,
  emptyCommissioning,
  type Photo,
  photoSchema,
  photoThings,
  sayOfStep,
  settlePhotos,
} from '../../house/index.js';
import { standOfSteps } from '../judge/stand-of-steps.js';
import { stepsOf } from '../steps/steps-of.js';
import { demosInHand } from '../testing/demos-in-hand.js';
import { commissioningRecord } from './commissioning-record.js';
import { nextVisit } from './next-visit.js';
import { commissioningJsonSchema } from './record-json-schema.js';
import { visitsOf } from './visits-of.js';

const [farm] = demosInHand();
const steps = stepsOf(farm!, emptyCommissioning());
const [first, second, third] = steps.map(({ id }) => id) as [string, string, string];
const photo: Photo = {
  id: 'p',
  digest: 'a'.repeat(64),
  aboutId: aboutStep(first),
  subject: 'step',
  caption: 'Torque marks',
  takenOn: null,
  widthPx: 800,
  heightPx: 600,
};
const answered = (record: Commissioning, id: string, at: string, by: string): Commissioning =>
  sayOfStep(record, id, { reading: 0.004, at, by });

describe('the record that leaves the program', () => {
  const schema = commissioningJsonSchema();
  // ajv is the reference implementation of JSON Schema here, as in the test of the job's.
  const ajv = new Ajv2020({ strict: false, allErrors: true });
  addFormats.default(ajv);
  const validate = ajv.compile(schema);

  it('is as its published schema says', () => {
    const published: unknown = JSON.parse(
      readFileSync(new URL('../../../../docs/levamen-commissioning.schema.json', import.meta.url), 'utf8'),
    );
    expect(published).toEqual(JSON.parse(JSON.stringify(schema)));
    const record = answered(emptyCommissioning(), first, '2026-11-28T09:00:00Z', 'Ada');
    const left = commissioningRecord('Farm', standOfSteps(steps, record), record, [photo]);
    expect(validate(JSON.parse(JSON.stringify(left))), JSON.stringify(validate.errors)).toBe(true);
    expect(left.steps.find(({ step }) => step === first)).toMatchObject({
      photos: 'a'.repeat(64),
      device: '',
      by: 'Ada',
    });
    const outage = {
      id: '0f8fad5b-d9cb-469f-a165-70867728950e',
      islandId: 'farm',
      marks: [{ id: 'm', second: 12, text: 'Lights flickered' }],
    };
    expect(validate({ ...left, outages: [outage] })).toBe(true);
    expect(validate({ ...left, outages: [{ ...outage, marks: [{ second: 12 }] }] })).toBe(false);
    expect(validate({ ...left, steps: [{ ...left.steps[0], verdict: 'fine' }] })).toBe(false);
  });

  it('knows the visits: one ends where nobody writes anything for hours', () => {
    let record = answered(emptyCommissioning(), first, '2026-11-27T23:30:00Z', 'Ada');
    record = answered(record, second, '2026-11-28T01:10:00Z', 'Bo');
    record = answered(record, third, '2026-12-03T08:00:00Z', 'Ada');
    expect(visitsOf(record)).toEqual([
      { from: '2026-11-27T23:30:00Z', to: '2026-11-28T01:10:00Z', by: ['Ada', 'Bo'], steps: 2 },
      { from: '2026-12-03T08:00:00Z', to: '2026-12-03T08:00:00Z', by: ['Ada'], steps: 1 },
    ]);
    expect(visitsOf(emptyCommissioning())).toEqual([]);
  });

  it('says what another visit is for, and by when', () => {
    const item = { stepId: '', who: '', doneOn: null } as const;
    const punch = [
      { ...item, id: 'a', text: 'Paint', dueOn: '2027-02-01' },
      { ...item, id: 'b', text: 'Seal', dueOn: '2026-12-20' },
      { ...item, id: 'c', text: 'Sweep', dueOn: '2026-12-01', doneOn: '2026-11-30' },
    ];
    const stand = standOfSteps(steps, emptyCommissioning());
    const next = nextVisit(stand, { punch });
    expect([next?.steps.length, next?.punch.map(({ id }) => id), next?.dueOn]).toEqual([
      steps.length,
      ['a', 'b'],
      '2026-12-20',
    ]);
    expect(nextVisit(standOfSteps([], emptyCommissioning()), { punch: [] })).toBeNull();
  });
});

describe('photos of steps', () => {
  it('are about a step, stay when the design changes, and are found among what photos show', () => {
    expect(photoSchema.safeParse(photo).success).toBe(true);
    expect(photoSchema.safeParse({ ...photo, aboutId: 'no id at all' }).success).toBe(false);
    const { survey, loads, lot } = farm!.plan;
    const house = { survey, loads, lot, photos: [photo, { ...photo, id: 'q', aboutId: 'gone' }] };
    expect(settlePhotos(house).photos.map(({ aboutId }) => aboutId)).toEqual([aboutStep(first), null]);
    expect(photoThings(house).at(-1)).toEqual({ id: aboutStep(first), label: 'Step: Torque marks' });
  });
});

describe('steps of a company', () => {
  it('are taken once, however often and under whichever id', () => {
    const mine = [{ id: 'a', title: 'Look at the roof', how: '' }];
    const company = [
      { id: 'b', title: 'look at the ROOF ', how: 'from below' },
      { id: 'c', title: 'Ring the neighbour', how: '' },
    ];
    const taken = addSteps(mine, company);
    expect(taken.map(({ id }) => id)).toEqual(['a', 'c']);
    expect(addSteps(taken, company)).toEqual(taken);
  });
});

import * as z from 'zod';
import {
  amountSchema,
  countSchema,
  digestSchema,
  field,
  idSchema,
  lineSchema,
  nameSchema,
  noteSchema,
} from '../../base/index.js';
import { measuredStackSchema, stackPartSchema } from '../../equipment/index.js';
import { addedStepSchema } from '../../house/index.js';

/** A licence that is printed, and who holds it. */
export const licenceSchema = z.strictObject({
  id: idSchema,
  kind: field(nameSchema(60), { label: 'Licence', hint: 'for example electrical contractor' }),
  number: field(nameSchema(60), { label: 'Number' }),
  holder: field(lineSchema(80), { label: 'Held by' }),
});

/** A step of the payment. */
export const paymentSchema = z.strictObject({
  id: idSchema,
  when: field(nameSchema(120), { label: 'When', hint: 'for example on acceptance' }),
  share: field(amountSchema(0, 1), { label: 'Share', unit: 'share' }),
});

/** How papers are numbered: {year} and {number} are put in. */
const schemeSchema = z
  .string()
  .max(30, 'Use at most 30 characters')
  .regex(/^[A-Za-z0-9{}._/-]+$/, 'Use letters, digits, . _ / - and {year}, {number}')
  .refine((scheme) => scheme.includes('{number}'), 'Write {number} where the running number goes');

/** What the outages of one house taught about its loads. */
export const learnedHouseSchema = z.strictObject({
  jobId: z.uuid(),
  jobName: nameSchema(120),
  on: z.iso.date('Write the day as 2026-02-28'),
  /** What loads took over what was entered: those that run in any weather, and those that heat and cool. */
  ordinaryTimes: amountSchema(0.1, 10),
  weatherTimes: amountSchema(0.1, 10),
  /** How many outages it rests on. */
  outages: countSchema(1, 300),
  /** Its units, and what they were measured to be; null = nothing was. */
  battery: z
    .strictObject({ parts: z.array(stackPartSchema).min(1).max(12), measured: measuredStackSchema })
    .nullable(),
});
export type LearnedHouse = Readonly<z.infer<typeof learnedHouseSchema>>;

/** What a company prints on its papers, entered once. */
export const companySheetSchema = z
  .strictObject({
    name: field(lineSchema(120), { label: 'Name of the company' }),
    address: field(lineSchema(200), { label: 'Address' }),
    phone: field(lineSchema(60), { label: 'Telephone' }),
    mail: field(lineSchema(120), { label: 'Mail' }),
    emergencyPhone: field(lineSchema(60), {
      label: 'Telephone for the household',
      hint: 'whom to call when something is wrong; on the outage card',
    }),
    licences: z.array(licenceSchema).max(12, 'Print at most 12 licences'),
    logo: digestSchema('picture').nullable(),
    numberScheme: field(schemeSchema, {
      label: 'Numbers of papers',
      hint: '{year} and {number} are put in',
    }),
    validDays: field(countSchema(1, 365).nullable(), {
      label: 'A proposal is valid for, days',
      unit: 'count',
    }),
    payments: z.array(paymentSchema).max(8, 'Use at most 8 steps of payment'),
    terms: field(noteSchema(), { label: 'Terms', hint: 'printed at the end of a proposal', rows: 4 }),
    notIncluded: field(noteSchema(), {
      label: 'Never included',
      hint: 'a line each; printed in every proposal',
      rows: 4,
    }),
    /** Steps the company adds to every commissioning; sheets of before know none. */
    steps: z.array(addedStepSchema).max(60, 'Keep at most 60 steps of commissioning').default([]),
    /** What its houses taught; sheets of before know nothing. */
    learned: z.array(learnedHouseSchema).max(200, 'Keep at most 200 houses').default([]),
  })
  .superRefine(({ payments }, context) => {
    const sum = payments.reduce((all, { share }) => all + share, 0);
    if (payments.length > 0 && Math.abs(sum - 1) > 1e-6)
      context.addIssue({
        code: 'custom',
        path: ['payments'],
        message: `The steps of the payment come to ${Number((sum * 100).toFixed(4))} %; make them 100 %`,
      });
  });
export type CompanySheet = Readonly<z.infer<typeof companySheetSchema>>;

/** Of a company that has entered nothing. */
export const emptyCompanySheet = (): CompanySheet => ({
  name: '',
  address: '',
  phone: '',
  mail: '',
  emergencyPhone: '',
  licences: [],
  logo: null,
  numberScheme: '{year}-{number}',
  validDays: null,
  payments: [],
  terms: '',
  notIncluded: '',
  steps: [],
  learned: [],
});

import type { Job } from '@levamen/core/job';
import type { CompanySheet } from '@levamen/core/papers';

/** Who the demo jobs belong to and how far they are. Everything is invented. */
export const demoFacts: readonly Pick<Job, 'parties' | 'course'>[] = [
  {
    parties: {
      client: 'Household at Gullrock (invented)',
      contact: '555 0117',
      address: '3 Lantern Lane, Gullrock Harbour',
      utility: 'Capelight Power (invented)',
      utilityAccount: '40-0071-3',
      authority: 'Gullrock electrical inspection (invented)',
      country: 'Canada',
      region: 'North-east coast',
      codeEdition: '',
    },
    course: {
      steps: [
        { id: 'enquiry', on: '2026-10-05', by: '', note: 'Called after the October storm' },
        { id: 'proposed', on: '2026-10-29', by: '', note: '' },
      ],
      comments: [],
    },
  },
  {
    parties: {
      client: 'Household at Rebenau (invented)',
      contact: '',
      address: 'Kellergasse 8, Rebenau',
      utility: 'Hügelnetz (invented)',
      utilityAccount: '',
      authority: '',
      country: 'Austria',
      region: '',
      codeEdition: '',
    },
    course: { steps: [{ id: 'enquiry', on: '2026-11-12', by: '', note: '' }], comments: [] },
  },
];

/** The house of the demo that was built. Invented. */
export const builtFacts = {
  id: '00000000-0000-4000-8000-0000000000b1',
  name: 'Farmhouse on Lamp Point, built in 2023',
  by: 'J. Marlow',
  on: '2023-10-17',
  recordingId: '00000000-0000-4000-8000-0000000000b2',
  /** Of its five outages, in their order; one was only told. */
  outageIds: [
    '00000000-0000-4000-8000-0000000000c1',
    '',
    '00000000-0000-4000-8000-0000000000c3',
    '00000000-0000-4000-8000-0000000000c4',
    '00000000-0000-4000-8000-0000000000c5',
  ],
  parties: {
    client: 'Household on Lamp Point (invented)',
    contact: '555 0163',
    address: '1 Lamp Point Road, Gullrock Harbour',
    utility: 'Capelight Power (invented)',
    utilityAccount: '40-0066-8',
    authority: 'Gullrock electrical inspection (invented)',
    country: 'Canada',
    region: 'North-east coast',
    codeEdition: '',
  },
  course: {
    steps: [
      { id: 'enquiry', on: '2023-04-11', by: '', note: '' },
      { id: 'proposed', on: '2023-05-02', by: '', note: '' },
      { id: 'accepted', on: '2023-05-09', by: '', note: '' },
      { id: 'permitted', on: '2023-07-20', by: '', note: '' },
      { id: 'installed', on: '2023-10-13', by: '', note: '' },
      { id: 'commissioned', on: '2023-10-17', by: '', note: '' },
    ],
    comments: [],
  },
} as const satisfies Pick<Job, 'course'> & Record<string, unknown>;

/** What the demo company prints. Invented. */
export const demoSheet: CompanySheet = {
  name: 'Hollow Lane Electric (invented)',
  address: '14 Foundry Row, Port Elsworth',
  phone: '555 0142',
  mail: 'office@hollowlane.example',
  emergencyPhone: '555 0199',
  licences: [
    { id: 'contractor', kind: 'Electrical contractor', number: 'EC-20417', holder: 'J. Marlow' },
    { id: 'storage', kind: 'Storage installer', number: 'SI-0093', holder: '' },
  ],
  logo: null,
  numberScheme: 'HL-{year}-{number}',
  validDays: 45,
  payments: [
    { id: 'acceptance', when: 'On acceptance', share: 0.3 },
    { id: 'delivery', when: 'When the equipment is delivered', share: 0.5 },
    { id: 'commissioning', when: 'After commissioning', share: 0.2 },
  ],
  terms:
    'Work is done within twelve weeks of the permit.\nPrices hold for the equipment named; what replaces it is agreed first.\nThe household gives access to panels, walls and attic on the days agreed.',
  notIncluded: 'Painting and plastering\nTree work and snow clearing',
  steps: [
    {
      id: 'photo-of-every-open-box',
      title: 'A photo of every open box before its cover goes on',
      how: 'Terminals and torque marks in focus; taken at the step of that box.',
    },
    {
      id: 'key-to-the-battery-room',
      title: 'The household knows where the key to the battery hangs',
      how: 'They fetch it themselves.',
    },
  ],
  learned: [],
};

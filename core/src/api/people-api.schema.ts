import * as z from 'zod';
import { field, nameSchema } from '../base/index.js';

/** What somebody may do, from the least to the most. */
export const roles = ['viewer', 'surveyor', 'designer', 'owner'] as const;
export type Role = (typeof roles)[number];

export const roleNames: Readonly<Record<Role, string>> = {
  viewer: 'Viewer',
  surveyor: 'Surveyor',
  designer: 'Designer',
  owner: 'Owner',
};

/** What a role may do, in words. */
export const roleWords: Readonly<Record<Role, string>> = {
  viewer: 'sees every job, and changes nothing',
  surveyor: 'surveys the jobs that are given to him: house, panels, loads, photos, readings',
  designer: 'works on every job, and on equipment, prices and rules',
  owner: 'may do everything, and says who may do what',
};

const roleSchema = field(z.enum(roles, { error: 'Choose a role' }), {
  label: 'Role',
  choices: roles.map((role) => [role, roleNames[role]] as const),
});

const emailSchema = field(
  z
    .string({ error: 'Enter a mail address' })
    .trim()
    .toLowerCase()
    .max(254, 'A mail address has at most 254 characters')
    .pipe(z.email('Enter a mail address, such as ada@example.org')),
  { label: 'Mail address' },
);

/** From 12 characters on, all of them allowed, none of them asked for (OWASP ASVS 4.0, 2.1.1 to 2.1.9, recalled). */
export const leastPasswordLength = 12;
const newPasswordSchema = field(
  z
    .string({ error: 'Enter a password' })
    .min(
      leastPasswordLength,
      `A password has at least ${leastPasswordLength} characters; several words are easy to keep`,
    )
    .max(128, 'A password has at most 128 characters'),
  { label: 'Password', hint: `at least ${leastPasswordLength} characters; several words, for example` },
);
const givenPasswordSchema = z.string({ error: 'Enter your password' }).min(1, 'Enter your password').max(128);

const personName = field(nameSchema(60), { label: 'Your name' });

/** The first of all: makes the account that owns the installation. */
export const setupRequestSchema = z.strictObject({
  company: field(nameSchema(80), { label: 'Company' }),
  name: personName,
  email: emailSchema,
  password: newPasswordSchema,
});

/** Six digits by the clock, or a recovery code. */
const codeSchema = z.string({ error: 'Enter the code' }).trim().min(6, 'Enter the code').max(20);

export const signInRequestSchema = z.strictObject({
  email: emailSchema,
  password: givenPasswordSchema,
  /** Left out where no second factor is known of. */
  code: codeSchema.optional(),
});

/** Asks for a letter with a link that sets the password anew. */
export const forgottenRequestSchema = z.strictObject({ email: emailSchema });

/** A secret for an authenticator, until a code of it has come back. */
export const factorOfferSchema = z.strictObject({ secret: z.string(), uri: z.string() });
export type FactorOffer = z.infer<typeof factorOfferSchema>;
export const factorConfirmSchema = z.strictObject({ code: codeSchema });
export const factorRemoveSchema = z.strictObject({ password: givenPasswordSchema });
/** Shown once. */
export const recoveryCodesSchema = z.strictObject({ codes: z.array(z.string()) });
export const policySchema = z.strictObject({ secondFactor: z.boolean() });

const daysSchema = (least: number, label: string) =>
  field(
    z
      .number({ error: 'Enter whole days' })
      .int('Enter whole days')
      .min(least, `Enter at least ${least} days, or nothing: then it is kept for good`)
      .max(36_500, 'Enter at most 36500 days, or nothing: then it is kept for good')
      .nullable(),
    { label, hint: 'empty = for good' },
  );

/** How long a company keeps what nobody works on any more; null = for good. */
export const retentionSchema = z.strictObject({
  binDays: daysSchema(1, 'Days a deleted job lies in the bin'),
  logDays: daysSchema(30, 'Days the log is kept'),
});
export type Retention = z.infer<typeof retentionSchema>;

/** Everything a company keeps of one of its people. */
export const personalDataSchema = z.strictObject({
  name: z.string(),
  email: z.string(),
  since: z.iso.datetime(),
  role: z.string(),
  memberSince: z.iso.datetime(),
  secondFactor: z.boolean(),
  sessions: z.array(z.strictObject({ device: z.string(), signedInAt: z.string() })),
  jobsGiven: z.array(z.string()),
  /** What he did, oldest first: saves of jobs, lines of the log, changes of equipment and rules. */
  did: z.array(
    z.strictObject({
      at: z.iso.datetime(),
      what: z.string(),
      device: z.string(),
      job: z.string().nullable(),
    }),
  ),
});
export type PersonalData = z.infer<typeof personalDataSchema>;

/** Another company of the same installation; its owner joins by a link. */
export const companyRequestSchema = z.strictObject({
  name: field(nameSchema(80), { label: 'Company' }),
  email: emailSchema,
});

export const passwordChangeSchema = z.strictObject({
  before: givenPasswordSchema,
  password: newPasswordSchema,
});

const workspaceSchema = z.strictObject({ id: z.uuid(), name: z.string(), role: z.enum(roles) });

/** Who asks, and what he may do. */
export const sessionSchema = z.discriminatedUnion('state', [
  /** Nobody has an account yet: the first one is asked for. */
  z.strictObject({ state: z.literal('setup') }),
  z.strictObject({
    state: z.literal('signed-out'),
    /** A forgotten password can be set anew by a letter. */
    mail: z.boolean(),
  }),
  z.strictObject({
    state: z.literal('signed-in'),
    /** null where the program signs in by itself. */
    accountId: z.uuid().nullable(),
    name: z.string(),
    email: z.string(),
    workspace: workspaceSchema,
    /** All he is a member of. */
    workspaces: z.array(workspaceSchema),
    /** The demo, on this machine: nobody signed in. */
    automatic: z.boolean(),
    /** He signs in with a second factor. */
    secondFactor: z.boolean(),
    /** The company asks for one: until it is there nothing else is to be had. */
    mustAddFactor: z.boolean(),
    /** Sent back with every request that changes something; '' where none is asked for. */
    token: z.string(),
  }),
]);
export type Session = z.infer<typeof sessionSchema>;

/** Title of the answer to a token of another session than the one that asks: a sign-in in another window made a new one. */
export const staleToken = 'Not from this page';

/** The header that carries the token of a session. */
export const tokenHeader = 'x-levamen-token';

/** Somebody's own sessions, the newest first. */
export const sessionListSchema = z.array(
  z.strictObject({
    id: z.string(),
    device: z.string(),
    signedInAt: z.iso.datetime(),
    isThis: z.boolean(),
  }),
);
export type SessionEntry = z.infer<typeof sessionListSchema>[number];

const memberSchema = z.strictObject({
  accountId: z.uuid(),
  name: z.string(),
  email: z.string(),
  role: z.enum(roles),
  secondFactor: z.boolean(),
  since: z.iso.datetime(),
});
export type Member = z.infer<typeof memberSchema>;

/** What a link is good for: to join, or to set a password anew, by the owner's word or one's own. */
const linkKindSchema = z.enum(['invitation', 'reset', 'forgotten']);
export type LinkKind = z.infer<typeof linkKindSchema>;

const invitationSchema = z.strictObject({
  id: z.uuid(),
  kind: linkKindSchema,
  email: z.string(),
  role: z.enum(roles),
  expiresAt: z.iso.datetime(),
});
export type Invitation = z.infer<typeof invitationSchema>;

export const peopleSchema = z.strictObject({
  /** Members sign in with a second factor. */
  secondFactor: z.boolean(),
  retention: retentionSchema,
  /** Other companies are founded from here. */
  mayFound: z.boolean(),
  members: z.array(memberSchema),
  /** Those that nobody has used yet. */
  invitations: z.array(invitationSchema),
});
export type People = z.infer<typeof peopleSchema>;

export const invitationRequestSchema = z.strictObject({ email: emailSchema, role: roleSchema });

/** A link that was made: the server keeps only its digest. */
export const invitationLinkSchema = z.strictObject({
  id: z.uuid(),
  /** Shown once; null = it went out by mail. */
  path: z.string().nullable(),
  /** Whether a letter took it: none, where the installation sends no mail. */
  mail: z.enum(['none', 'sent', 'failed']),
});
export type InvitationLink = z.infer<typeof invitationLinkSchema>;

export const roleChangeSchema = z.strictObject({ role: roleSchema });

/** What a link is good for. */
export const invitedSchema = z.strictObject({
  kind: linkKindSchema,
  email: z.string(),
  company: z.string(),
  role: z.enum(roles),
  /** Somebody of this mail address has an account: its password joins them. */
  hasAccount: z.boolean(),
});
export type Invited = z.infer<typeof invitedSchema>;

export const acceptRequestSchema = z.strictObject({
  /** Left out where there is an account already. */
  name: personName.optional(),
  password: givenPasswordSchema,
});

/** Members to whom a job is given; a surveyor sees no other. */
export const assignedSchema = z.strictObject({ accountIds: z.array(z.uuid()).max(200) });

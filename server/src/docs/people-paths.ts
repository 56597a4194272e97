import {
  acceptRequestSchema,
  assignedSchema,
  factorConfirmSchema,
  factorOfferSchema,
  factorRemoveSchema,
  companyRequestSchema,
  forgottenRequestSchema,
  personalDataSchema,
  policySchema,
  retentionSchema,
  recoveryCodesSchema,
  invitationLinkSchema,
  invitationRequestSchema,
  invitedSchema,
  passwordChangeSchema,
  peopleSchema,
  roleChangeSchema,
  sessionListSchema,
  sessionSchema,
  setupRequestSchema,
  signInRequestSchema,
} from '@levamen/core/api';

/** Shapes of what is said about people and sessions. */
export const peopleSchemas = {
  Session: sessionSchema,
  SessionList: sessionListSchema,
  SetupRequest: setupRequestSchema,
  SignInRequest: signInRequestSchema,
  PasswordChange: passwordChangeSchema,
  Invited: invitedSchema,
  AcceptRequest: acceptRequestSchema,
  People: peopleSchema,
  InvitationRequest: invitationRequestSchema,
  InvitationLink: invitationLinkSchema,
  RoleChange: roleChangeSchema,
  Assigned: assignedSchema,
  FactorOffer: factorOfferSchema,
  FactorConfirm: factorConfirmSchema,
  FactorRemove: factorRemoveSchema,
  RecoveryCodes: recoveryCodesSchema,
  Policy: policySchema,
  Retention: retentionSchema,
  PersonalData: personalDataSchema,
  CompanyRequest: companyRequestSchema,
  ForgottenRequest: forgottenRequestSchema,
} as const;

interface Writers {
  readonly answer: (description: string, name?: keyof typeof peopleSchemas) => object;
  readonly problem: (description: string) => object;
  readonly body: (name: keyof typeof peopleSchemas) => object;
}

const inPath = (name: string) => ({ name, in: 'path', required: true, schema: { type: 'string' } });

/** Addresses of sessions, people, and whom a job is given to. */
export function peoplePaths({ answer, problem, body }: Writers): Record<string, object> {
  const done = { 204: { description: 'Done' } };
  const id = [inPath('id')];
  return {
    '/api/session': {
      get: { summary: 'Who asks, and what he may do', responses: { 200: answer('So it is', 'Session') } },
      post: {
        summary: 'Sign in',
        requestBody: body('SignInRequest'),
        responses: {
          201: { description: 'Signed in: a cookie says so' },
          401: problem('Mail address and password do not belong together'),
          429: problem('Too many have failed of late'),
        },
      },
      delete: { summary: 'Sign out', responses: done },
    },
    '/api/session/setup': {
      post: {
        summary: 'Enter the owner, where nobody has an account yet',
        requestBody: body('SetupRequest'),
        responses: {
          201: { description: 'Signed in' },
          409: problem('There is an owner'),
          422: problem('A weak password'),
        },
      },
    },
    '/api/session/list': {
      get: { summary: 'One’s own sessions', responses: { 200: answer('Newest first', 'SessionList') } },
    },
    '/api/session/data': {
      get: {
        summary: 'Everything that is kept of oneself',
        responses: { 200: answer('All of it', 'PersonalData') },
      },
    },
    '/api/session/forgotten': {
      post: {
        summary: 'Ask for a letter with a link that sets a forgotten password anew',
        requestBody: body('ForgottenRequest'),
        responses: {
          202: { description: 'The same, whether there is such an account or not' },
          409: problem('This installation sends no mail'),
        },
      },
    },
    '/api/session/others': { delete: { summary: 'End all of them but this one', responses: done } },
    '/api/session/password': {
      put: {
        summary: 'Change one’s own password; all other sessions end',
        requestBody: body('PasswordChange'),
        responses: { ...done, 422: problem('The old one is wrong, or the new one weak') },
      },
    },
    '/api/session/second-factor': {
      post: {
        summary: 'Ask for a key for an authenticator',
        responses: { 201: answer('The key, until a code of it has come back', 'FactorOffer') },
      },
      put: {
        summary: 'Add it as a second factor, by a code of it',
        requestBody: body('FactorConfirm'),
        responses: {
          200: answer('Recovery codes, shown this once', 'RecoveryCodes'),
          422: problem('Not its code'),
        },
      },
      delete: {
        summary: 'Remove the second factor',
        requestBody: body('FactorRemove'),
        responses: { ...done, 409: problem('The company asks for one'), 422: problem('Another password') },
      },
    },
    '/api/people/policy': {
      put: {
        summary: 'Ask members for a second factor, or not',
        requestBody: body('Policy'),
        responses: done,
      },
    },
    '/api/session/workspace': {
      put: {
        summary: 'Work for another company one is a member of',
        responses: { ...done, 404: problem('No member of it') },
      },
    },
    '/api/session/join/{link}': {
      parameters: [inPath('link')],
      get: { summary: 'What a link is good for', responses: { 200: answer('This', 'Invited') } },
      post: {
        summary: 'Use it: become a member, or set the password anew',
        requestBody: body('AcceptRequest'),
        responses: { 201: { description: 'Signed in' }, 404: problem('Not good any more') },
      },
    },
    '/api/people': {
      get: { summary: 'Who is a member, and who is invited', responses: { 200: answer('These', 'People') } },
    },
    '/api/people/invitations': {
      post: {
        summary: 'Invite somebody',
        requestBody: body('InvitationRequest'),
        responses: {
          201: answer('The link, shown this once', 'InvitationLink'),
          409: problem('A member already'),
        },
      },
    },
    '/api/people/invitations/{id}': {
      parameters: id,
      delete: { summary: 'Withdraw an invitation', responses: done },
    },
    '/api/people/{id}': {
      parameters: id,
      put: {
        summary: 'Give a member another role',
        requestBody: body('RoleChange'),
        responses: { ...done, 409: problem('The last owner') },
      },
      delete: { summary: 'Remove a member', responses: { ...done, 409: problem('The last owner') } },
    },
    '/api/people/retention': {
      put: {
        summary: 'How long deleted jobs and the log are kept',
        requestBody: body('Retention'),
        responses: done,
      },
    },
    '/api/people/companies': {
      post: {
        summary: 'Found another company of this installation; its owner joins by a link',
        requestBody: body('CompanyRequest'),
        responses: {
          201: answer('The link', 'InvitationLink'),
          403: problem('Only from the company that was first'),
        },
      },
    },
    '/api/people/{id}/data': {
      parameters: id,
      get: {
        summary: 'Everything that is kept of a member',
        responses: { 200: answer('All of it', 'PersonalData'), 404: problem('No such member') },
      },
    },
    '/api/people/{id}/erasure': {
      parameters: id,
      post: {
        summary: 'Take a member out of everything; what he did stays, without his name',
        responses: { ...done, 409: problem('The last owner, or a member of another company') },
      },
    },
    '/api/people/{id}/reset': {
      parameters: id,
      post: {
        summary: 'A link by which a member sets his password anew',
        responses: { 201: answer('The link, shown this once', 'InvitationLink') },
      },
    },
    '/api/jobs/{id}/people': {
      parameters: id,
      get: { summary: 'To whom a job is given', responses: { 200: answer('To these', 'Assigned') } },
      put: { summary: 'Give a job to others', requestBody: body('Assigned'), responses: done },
    },
  };
}

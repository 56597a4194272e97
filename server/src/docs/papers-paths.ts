import {
  acceptPaperSchema,
  clientLinkRequestSchema,
  companySheetChangeSchema,
  givenPaperSchema,
  issuedPaperListSchema,
  keptCompanySheetSchema,
  newClientLinkSchema,
  paperLinksSchema,
  paperOrderRequestSchema,
  paperOrderSchema,
} from '@levamen/core/api';

export const papersSchemas = {
  CompanySheet: keptCompanySheetSchema,
  CompanySheetChange: companySheetChangeSchema,
  PaperOrder: paperOrderSchema,
  PaperOrderRequest: paperOrderRequestSchema,
  IssuedPaperList: issuedPaperListSchema,
  PaperLinks: paperLinksSchema,
  ClientLinkRequest: clientLinkRequestSchema,
  NewClientLink: newClientLinkSchema,
  GivenPaper: givenPaperSchema,
  AcceptPaper: acceptPaperSchema,
} as const;
type Name = keyof typeof papersSchemas;

interface Writers {
  readonly answer: (description: string, name?: Name) => object;
  readonly problem: (description: string) => object;
  readonly body: (name: Name) => object;
}

const uuid = (name: string) => ({
  name,
  in: 'path',
  required: true,
  schema: { type: 'string', format: 'uuid' },
});
const text = (name: string, pattern: string) => ({
  name,
  in: 'path',
  required: true,
  schema: { type: 'string', pattern },
});

/** Addresses of what the company prints, of papers, and of links by which households read them. */
export function papersPaths({ answer, problem, body }: Writers): object {
  const missing = { 404: problem('No such job, paper, order or link') };
  const invalid = { 400: problem('Says what to change') };
  const secret = text('secret', '^[A-Za-z0-9_-]{32}$');
  const [id, paperId, orderId, linkId] = ['id', 'paperId', 'orderId', 'linkId'].map(uuid);
  return {
    '/api/company-sheet': {
      get: {
        summary: 'What the company prints on its papers',
        responses: { 200: answer('As it is now', 'CompanySheet') },
      },
      put: {
        summary: 'Change it; names the revision it started from',
        requestBody: body('CompanySheetChange'),
        responses: {
          200: answer('As it is now', 'CompanySheet'),
          409: problem('Changed by somebody else'),
          ...invalid,
        },
      },
    },
    '/api/company-sheet/logo': {
      post: {
        summary: 'Keep a mark: PNG or JPEG',
        requestBody: { required: true, content: { 'image/png': {}, 'image/jpeg': {} } },
        responses: {
          201: answer('Its SHA-256'),
          415: problem('Not a picture'),
          422: problem('Not one to print'),
        },
      },
    },
    '/api/company-sheet/logo/{digest}': {
      parameters: [text('digest', '^[0-9a-f]{64}$')],
      get: { summary: 'The mark', responses: { 200: answer('The picture'), ...missing } },
    },
    '/api/jobs/{id}/papers': {
      parameters: [id],
      get: {
        summary: 'Papers that were issued, and what differs since',
        responses: { 200: answer('Newest first', 'IssuedPaperList'), ...missing },
      },
    },
    '/api/jobs/{id}/papers/orders': {
      parameters: [id],
      post: {
        summary: 'Have a paper made: a draft, or one to be issued',
        requestBody: body('PaperOrderRequest'),
        responses: { 202: answer('It waits', 'PaperOrder'), ...missing, ...invalid },
      },
    },
    '/api/jobs/{id}/papers/orders/{orderId}': {
      parameters: [id, orderId],
      get: { summary: 'How far it is', responses: { 200: answer('Now', 'PaperOrder'), ...missing } },
      delete: { summary: 'Call it off', responses: { 204: answer('Called off'), ...missing } },
    },
    '/api/jobs/{id}/papers/orders/{orderId}/file': {
      parameters: [id, orderId],
      get: { summary: 'What was made, for an hour', responses: { 200: answer('The file'), ...missing } },
    },
    '/api/jobs/{id}/papers/{paperId}': {
      parameters: [id, paperId],
      delete: {
        summary: 'Erase a paper; its number and digest stay',
        responses: { 204: answer('Erased'), ...missing },
      },
    },
    '/api/jobs/{id}/papers/{paperId}/file': {
      parameters: [id, paperId],
      get: {
        summary: 'An issued paper, byte for byte as it was issued',
        responses: {
          200: answer('The sheet'),
          410: problem('It was erased; says its number and digest'),
          ...missing,
        },
      },
    },
    '/api/jobs/{id}/papers/{paperId}/links': {
      parameters: [id, paperId],
      get: {
        summary: 'Links to a paper, and what was accepted',
        responses: { 200: answer('All of them', 'PaperLinks'), ...missing },
      },
      post: {
        summary: 'Make a link by which a household reads it',
        requestBody: body('ClientLinkRequest'),
        responses: {
          201: answer('With its secret, shown once', 'NewClientLink'),
          409: problem('No paper for a household'),
          ...missing,
          ...invalid,
        },
      },
    },
    '/api/jobs/{id}/papers/{paperId}/links/{linkId}': {
      parameters: [id, paperId, linkId],
      delete: { summary: 'End a link', responses: { 204: answer('It has ended'), ...missing } },
    },
    '/api/given/{secret}': {
      parameters: [secret],
      get: {
        summary: 'What a household reads by its link',
        responses: { 200: answer('The paper', 'GivenPaper'), ...missing },
      },
    },
    '/api/given/{secret}/file': {
      parameters: [secret],
      get: { summary: 'A proposal as PDF, by its link', responses: { 200: answer('The sheet'), ...missing } },
    },
    '/api/given/{secret}/accept': {
      parameters: [secret],
      post: {
        summary: 'Say yes to a design of a proposal; on record',
        requestBody: body('AcceptPaper'),
        responses: {
          201: answer('Accepted'),
          409: problem('Accepted already, or replaced'),
          ...missing,
          ...invalid,
        },
      },
    },
  };
}

import {
  deviceNetworksSchema,
  foundSystemSchema,
  recordingListSchema,
  recordingImportSchema,
  rememberedOutagesSchema,
  recordingRequestSchema,
  recordingRowsSchema,
  recordingSchema,
  systemEventSchema,
  systemRequestSchema,
} from '@levamen/core/api';

/** Shapes of what is said about devices and recordings. */
export const deviceSchemas = {
  DeviceNetworks: deviceNetworksSchema,
  SystemAddress: systemRequestSchema,
  FoundSystem: foundSystemSchema,
  SystemEvent: systemEventSchema,
  RecordingRequest: recordingRequestSchema,
  RecordingImport: recordingImportSchema,
  RememberedOutages: rememberedOutagesSchema,
  Recording: recordingSchema,
  RecordingList: recordingListSchema,
  RecordingRows: recordingRowsSchema,
} as const;

interface Writers {
  readonly answer: (description: string, name?: keyof typeof deviceSchemas) => object;
  readonly problem: (description: string) => object;
  readonly body: (name: keyof typeof deviceSchemas) => object;
}

const inPath = (name: string) => ({
  name,
  in: 'path',
  required: true,
  schema: { type: 'string', format: 'uuid' },
});
const query = (name: string, schema: object) => ({ name, in: 'query', schema });

/** Addresses of devices that are asked, and of what is recorded of them. */
export function devicePaths({ answer, problem, body }: Writers): Record<string, object> {
  const refused = { 403: problem('In no network an owner allowed'), 404: problem('No such job') };
  return {
    '/api/device-networks': {
      get: {
        summary: 'Networks in which the server may ask devices',
        responses: { 200: answer('None at first', 'DeviceNetworks') },
      },
      put: {
        summary: 'Allows networks; an owner does',
        requestBody: body('DeviceNetworks'),
        responses: {
          200: answer('Allowed', 'DeviceNetworks'),
          400: problem('Not networks'),
          422: problem('Networks beyond a house'),
        },
      },
    },
    '/api/jobs/{id}/system/find': {
      parameters: [inPath('id')],
      post: {
        summary: 'What stands behind the unit ids of a system',
        requestBody: body('SystemAddress'),
        responses: {
          200: answer('Devices and their models', 'FoundSystem'),
          ...refused,
          502: problem('Nobody answers'),
        },
      },
    },
    '/api/jobs/{id}/system/live': {
      parameters: [
        inPath('id'),
        query('host', { type: 'string' }),
        query('port', { type: 'integer', minimum: 1 }),
        query('units', { type: 'string' }),
        query('httpPort', { type: 'string' }),
      ],
      get: {
        summary: 'What the devices of a system show, once a second',
        responses: {
          200: {
            description: 'Server-sent events; each is one of these',
            content: { 'text/event-stream': { schema: { $ref: '#/components/schemas/SystemEvent' } } },
          },
          ...refused,
        },
      },
    },
    '/api/jobs/{id}/system/recordings': {
      parameters: [inPath('id')],
      get: {
        summary: 'Recordings of a job, newest first',
        responses: { 200: answer('All of them', 'RecordingList'), 404: problem('No such job') },
      },
      post: {
        summary: 'Begins a recording: each second is kept until it is ended',
        requestBody: body('RecordingRequest'),
        responses: { 201: answer('It goes on', 'Recording'), ...refused, 409: problem('Another goes on') },
      },
    },
    '/api/jobs/{id}/system/outages': {
      parameters: [inPath('id')],
      post: {
        summary: 'Asks a system for the outages it remembers, and keeps those that are new',
        requestBody: body('SystemAddress'),
        responses: { 200: answer('What came of it', 'RememberedOutages'), ...refused },
      },
    },
    '/api/jobs/{id}/system/recordings/import': {
      parameters: [inPath('id')],
      post: {
        summary: 'Keeps readings of a file as a recording',
        requestBody: body('RecordingImport'),
        responses: {
          201: answer('It is kept', 'Recording'),
          ...refused,
          409: problem('Too many recordings'),
        },
      },
    },
    '/api/jobs/{id}/system/recordings/{recording}': {
      parameters: [inPath('id'), inPath('recording')],
      get: {
        summary: 'Readings of a recording, a row each',
        parameters: [query('after', { type: 'integer', minimum: -1 })],
        responses: { 200: answer('In their order', 'RecordingRows'), 404: problem('No such recording') },
      },
    },
    '/api/jobs/{id}/system/recordings/{recording}/end': {
      parameters: [inPath('id'), inPath('recording')],
      post: {
        summary: 'Ends a recording',
        responses: { 204: { description: 'Ended' }, 404: problem('No such recording') },
      },
    },
  };
}

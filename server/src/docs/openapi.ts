import { courseStateNames } from '@levamen/core/house';
import { jobSchema } from '@levamen/core/job';
import {
  conflictSchema,
  createRequestSchema,
  deedListSchema,
  companyRulesChangeSchema,
  companyRulesSchema,
  equipmentChangeSchema,
  equipmentListSchema,
  equipmentRevisionsSchema,
  itemHistorySchema,
  healthSchema,
  jobPageSchema,
  jobSorts,
  listPaperSchema,
  liveEventSchema,
  liveSampleSchema,
  problemSchema,
  readinessSchema,
  readingSetListSchema,
  readingSetSchema,
  revisionListSchema,
  savedJobSchema,
  savedReadingSetSchema,
  savedWeatherListSchema,
  savedWeatherSchema,
  saveRequestSchema,
  saveResultSchema,
  storageSchema,
  tableSchema,
  unreadableJobSchema,
  weatherHoursSchema,
  xlsxType,
} from '@levamen/core/api';
import { drawingRequestSchema } from '@levamen/core/wiring';
import * as z from 'zod';
import { devicePaths, deviceSchemas } from './device-paths.js';
import { backupPaths, backupSchemas } from './backup-paths.js';
import { housesPaths, housesSchemas } from './houses-paths.js';
import { trainingPaths, trainingSchemas } from './training-paths.js';
import { papersPaths, papersSchemas } from './papers-paths.js';
import { peoplePaths, peopleSchemas } from './people-paths.js';

const schemas = {
  Job: jobSchema,
  JobPage: jobPageSchema,
  Health: healthSchema,
  Readiness: readinessSchema,
  Storage: storageSchema,
  DeedList: deedListSchema,
  UnreadableJob: unreadableJobSchema,
  SavedJob: savedJobSchema,
  CreateRequest: createRequestSchema.extend({ document: jobSchema }),
  SaveRequest: saveRequestSchema.safeExtend({ document: jobSchema.optional() }),
  SaveResult: saveResultSchema,
  RevisionList: revisionListSchema,
  Conflict: conflictSchema,
  Problem: problemSchema,
  EquipmentList: equipmentListSchema,
  CompanyRules: companyRulesSchema,
  CompanyRulesChange: companyRulesChangeSchema,
  DrawingRequest: drawingRequestSchema,
  ListPaper: listPaperSchema,
  EquipmentChange: equipmentChangeSchema,
  EquipmentRevisions: equipmentRevisionsSchema,
  ItemHistory: itemHistorySchema,
  Table: tableSchema,
  ReadingSet: readingSetSchema,
  ReadingSetChange: readingSetSchema.pick({ name: true, channels: true }),
  SavedReadingSet: savedReadingSetSchema,
  ReadingSetList: readingSetListSchema,
  LiveEvent: liveEventSchema,
  LiveSample: liveSampleSchema,
  SavedWeather: savedWeatherSchema,
  SavedWeatherList: savedWeatherListSchema,
  WeatherHours: weatherHoursSchema,
  ...deviceSchemas,
  ...trainingSchemas,
  ...housesSchemas,
  ...backupSchemas,
  ...peopleSchemas,
  ...papersSchemas,
} as const;
type SchemaName = keyof typeof schemas;

const json = (name: SchemaName, type = 'application/json') => ({
  [type]: { schema: { $ref: `#/components/schemas/${name}` } },
});
const answer = (description: string, name?: SchemaName) => ({
  description,
  ...(name ? { content: json(name) } : {}),
});
const problem = (description: string, name: SchemaName = 'Problem') => ({
  description,
  content: json(name, 'application/problem+json'),
});
const body = (name: SchemaName) => ({ required: true, content: json(name) });

const missing = { 404: problem('No such job') };
const invalid = {
  400: problem('Not JSON, or a field is missing'),
  413: problem('Larger than a job may be'),
  422: problem('Not a valid job; says what to change'),
};
const path = (name: string, type: 'string' | 'integer') => ({
  name,
  in: 'path',
  required: true,
  schema: type === 'string' ? { type, format: 'uuid' } : { type, minimum: 1 },
});
const id = path('id', 'string');
const digest = { ...path('digest', 'string'), schema: { type: 'string', pattern: '^[0-9a-f]{64}$' } };
const seed = { ...path('seed', 'integer'), schema: { type: 'integer', minimum: 0 } };
const query = (name: string, schema: object) => ({ name, in: 'query', schema });
const history = ['fromS', 'toS', 'intervalS'].map((name) => ({
  name,
  in: 'query',
  required: name !== 'intervalS',
  schema: { type: 'integer', minimum: 0 },
}));
const binary = (description: string) => ({ description, content: { 'application/octet-stream': {} } });

/** OpenAPI 3.1 description of the API, generated from the schemas the server validates with. */
export function openApiDocument(): object {
  return {
    openapi: '3.1.0',
    info: {
      title: 'Levamen',
      version: '1',
      description:
        'Jobs, their revisions, and the catalogue. Quantities are in W, Wh, A, V, s, h, m² and °C, as their names say.',
    },
    paths: {
      ...devicePaths({ answer, problem, body }),
      ...trainingPaths({ answer, problem, body }),
      ...backupPaths(answer),
      ...housesPaths({ answer, problem, body }),
      ...peoplePaths({ answer, problem, body }),
      ...papersPaths({ answer, problem, body }),
      '/api/health': {
        get: {
          summary: 'Is the server up and its database reachable?',
          responses: { 200: answer('Yes; and whose jobs they are', 'Health'), 503: problem('No') },
        },
      },
      '/api/ready': {
        get: {
          summary: 'Should this server be sent requests now?',
          responses: {
            200: answer('Yes', 'Readiness'),
            503: answer('No, and what it waits for', 'Readiness'),
          },
        },
      },
      '/api/jobs': {
        get: {
          summary: 'A page of the jobs, or of the bin',
          parameters: [
            query('search', { type: 'string' }),
            query('sort', { enum: jobSorts }),
            query('order', { enum: ['up', 'down'] }),
            query('page', { type: 'integer', minimum: 1 }),
            query('bin', { type: 'boolean' }),
            query('state', { enum: ['', 'none', ...courseStateNames] }),
          ],
          responses: { 200: answer('Fifty a page', 'JobPage'), 400: problem('Not a page') },
        },
        post: {
          summary: 'Create a job',
          requestBody: body('CreateRequest'),
          responses: { 201: answer('Created', 'SavedJob'), ...invalid },
        },
      },
      '/api/jobs/import': {
        post: {
          summary: 'Create a job from a .levamen.json file of any version',
          requestBody: body('Job'),
          responses: { 201: answer('Created', 'SavedJob'), ...invalid },
        },
      },
      '/api/jobs/{id}': {
        parameters: [id],
        get: {
          summary: 'Read a job',
          responses: {
            200: answer('As last saved', 'SavedJob'),
            422: problem('It is kept but no longer valid; says which ways there are on', 'UnreadableJob'),
            ...missing,
          },
        },
        put: {
          summary: 'Save a job; names the revision it started from',
          requestBody: body('SaveRequest'),
          responses: {
            200: answer('Saved', 'SaveResult'),
            409: problem('Saved elsewhere in the meantime; holds theirs and the common base', 'Conflict'),
            ...missing,
            ...invalid,
          },
        },
        delete: {
          summary: 'Delete a job; it can be restored',
          responses: { 204: answer('Deleted'), ...missing },
        },
      },
      '/api/jobs/{id}/restore': {
        parameters: [id],
        post: { summary: 'Undo a deletion', responses: { 200: answer('Restored', 'SavedJob'), ...missing } },
      },
      '/api/jobs/{id}/purge': {
        parameters: [id],
        delete: {
          summary: 'Remove a deleted job for good; the log says so',
          responses: { 204: answer('Gone'), ...missing },
        },
      },
      '/api/jobs/{id}/raw': {
        parameters: [id],
        get: {
          summary: 'The document exactly as it is stored, valid or not',
          responses: { 200: answer('The file'), ...missing },
        },
      },
      '/api/storage': {
        get: { summary: 'What the database keeps', responses: { 200: answer('Bytes', 'Storage') } },
      },
      '/api/log': {
        get: {
          summary: 'Who did what; only ever added to',
          parameters: [
            query('before', { type: 'integer', minimum: 1 }),
            query('limit', { type: 'integer', minimum: 1, maximum: 500 }),
          ],
          responses: { 200: answer('Newest first', 'DeedList') },
        },
      },
      '/api/jobs/{id}/duplicate': {
        parameters: [id],
        post: { summary: 'Copy a job', responses: { 201: answer('The copy', 'SavedJob'), ...missing } },
      },
      '/api/jobs/{id}/export': {
        parameters: [id],
        get: {
          summary: 'The job as a .levamen.json file',
          responses: { 200: answer('The file', 'Job'), ...missing },
        },
      },
      '/api/jobs/{id}/revisions': {
        parameters: [id],
        get: {
          summary: 'Revisions, newest first: when, by whom, what changed',
          parameters: [
            query('before', { type: 'integer', minimum: 1 }),
            query('limit', { type: 'integer', minimum: 1, maximum: 500 }),
          ],
          responses: { 200: answer('At most 500 at once', 'RevisionList'), ...missing },
        },
      },
      '/api/jobs/{id}/revisions/{revision}': {
        parameters: [id, path('revision', 'integer')],
        get: { summary: 'One revision', responses: { 200: answer('As saved then', 'SavedJob'), ...missing } },
      },
      '/api/jobs/{id}/live': {
        parameters: [id, query('window', { type: 'string', format: 'uuid' })],
        get: {
          summary: 'Who has the job open, and what is saved in it, as it happens',
          responses: {
            200: {
              description: 'Server-sent events; each is one of these',
              content: { 'text/event-stream': { schema: { $ref: '#/components/schemas/LiveEvent' } } },
            },
            ...missing,
          },
        },
      },
      '/api/jobs/{id}/panels/{panelId}/schedule.{format}': {
        parameters: [
          id,
          { ...path('panelId', 'string'), schema: { type: 'string' } },
          { ...path('format', 'string'), schema: { enum: ['csv', 'xlsx', 'pdf'] } },
          query('as', { enum: ['surveyed', 'planned'] }),
          query('design', { type: 'string' }),
        ],
        get: {
          summary: 'Schedule of a panel, as surveyed or as a design will make it',
          responses: { 200: answer('The file'), ...missing },
        },
      },
      '/api/weather': {
        get: {
          summary: 'Years of weather that were read from files',
          responses: { 200: answer('Newest first', 'SavedWeatherList') },
        },
        post: {
          summary: 'Read an hourly year in EPW or TMY3 format',
          requestBody: { required: true, content: { 'text/csv': {} } },
          responses: { 201: answer('Kept; the same file is kept once', 'SavedWeather'), ...invalid },
        },
      },
      '/api/weather/{id}': {
        parameters: [id],
        get: {
          summary: 'A year of weather with its hours',
          responses: { 200: answer('8,760 values of each', 'WeatherHours'), ...missing },
        },
        delete: { summary: 'Remove a year', responses: { 204: answer('Removed'), ...missing } },
      },
      '/api/jobs/{id}/documents/{digest}': {
        parameters: [id, digest],
        get: {
          summary: 'A document of a job’s logbook, by the SHA-256 of its bytes',
          responses: {
            200: { description: 'The document, to be saved', content: { 'application/pdf': {} } },
            404: problem('No such job or document'),
          },
        },
        put: {
          summary: 'Keep a document: a PDF file',
          requestBody: { required: true, content: { 'application/pdf': {} } },
          responses: {
            204: answer('Kept'),
            413: problem('Larger than a document may be'),
            415: problem('No PDF file'),
            422: problem('Its bytes have another digest'),
          },
        },
      },
      '/api/jobs/{id}/photos/{digest}': {
        parameters: [id, digest],
        get: {
          summary: 'A photo of a job, by the SHA-256 of its bytes',
          responses: {
            200: { description: 'The photo', content: { 'image/jpeg': {} } },
            404: problem('No such job or photo'),
          },
        },
        put: {
          summary: 'Keep a photo: a JPEG scaled down, with nothing beside the picture',
          requestBody: { required: true, content: { 'image/jpeg': {} } },
          responses: {
            204: answer('Kept'),
            413: problem('Larger than a photo may be'),
            415: problem('Not sent as image/jpeg'),
            422: problem('Not such a picture, or not the one its digest says'),
            ...missing,
          },
        },
      },
      '/api/jobs/{id}/readings': {
        parameters: [id],
        get: {
          summary: 'Sets of meter data',
          responses: { 200: answer('Newest first', 'ReadingSetList'), ...missing },
        },
        post: {
          summary: 'Begin a set of meter data; its channels follow one by one',
          requestBody: body('ReadingSet'),
          responses: { 201: answer('Begun', 'SavedReadingSet'), ...missing, ...invalid },
        },
      },
      '/api/jobs/{id}/readings/{set}': {
        parameters: [id, path('set', 'string')],
        get: {
          summary: 'A set',
          responses: { 200: answer('Without its values', 'SavedReadingSet'), ...missing },
        },
        put: {
          summary: 'Say something else of it: makes a new set with the same values in its place',
          requestBody: body('ReadingSetChange'),
          responses: { 200: answer('The new set', 'SavedReadingSet'), ...missing, ...invalid },
        },
        delete: {
          summary: 'Take a set out of the list; older revisions still find it',
          responses: { 204: answer('Removed'), ...missing },
        },
      },
      '/api/jobs/{id}/readings/{set}/channels/{position}': {
        parameters: [
          id,
          path('set', 'string'),
          { ...path('position', 'integer'), schema: { type: 'integer', minimum: 0 } },
        ],
        get: {
          summary: 'Values of a channel',
          responses: { 200: binary('Packed and deflated, see docs/method.md'), ...missing },
        },
        put: {
          summary: 'Send the values of a channel',
          requestBody: { required: true, content: { 'application/octet-stream': {} } },
          responses: {
            204: answer('Kept'),
            409: problem('It has other values already'),
            ...missing,
            ...invalid,
          },
        },
      },
      '/api/monitor/{seed}/live.json': {
        parameters: [seed],
        get: {
          summary: 'Simulated circuit monitor: now',
          responses: { 200: answer('32 channels', 'LiveSample'), ...missing },
        },
      },
      '/api/monitor/{seed}/live.csv': {
        parameters: [seed],
        get: { summary: 'The same as CSV', responses: { 200: answer('One row'), ...missing } },
      },
      '/api/monitor/{seed}/history.csv': {
        parameters: [seed, ...history],
        get: {
          summary: 'Simulated circuit monitor: history',
          responses: { 200: answer('A row an interval'), ...missing, ...invalid },
        },
      },
      '/api/monitor/{seed}/history.json': {
        parameters: [seed, ...history],
        get: {
          summary: 'The same as JSON',
          responses: { 200: answer('A row an interval'), ...missing, ...invalid },
        },
      },
      '/api/monitor/{seed}/switch': {
        parameters: [seed],
        put: {
          summary: 'Switch what hangs on a channel on or off',
          requestBody: { required: true, content: { 'application/json': {} } },
          responses: { 204: answer('Done'), ...missing, ...invalid },
        },
      },
      '/api/tables': {
        post: {
          summary: 'Cells of the first sheet of an XLSX workbook, as text',
          requestBody: { required: true, content: { [xlsxType]: {} } },
          responses: {
            200: answer('Row by row', 'Table'),
            415: problem('Not sent as XLSX'),
            422: problem('Not a workbook'),
          },
        },
      },
      '/api/drawings/pdf': {
        post: {
          summary: 'A drawing as PDF, its lines as vectors',
          requestBody: body('DrawingRequest'),
          responses: {
            200: { description: 'The sheet', content: { 'application/pdf': {} } },
            ...invalid,
          },
        },
      },
      '/api/papers/list': {
        post: {
          summary: 'A list as PDF, with a box to tick before each row',
          requestBody: body('ListPaper'),
          responses: {
            200: { description: 'The sheet', content: { 'application/pdf': {} } },
            ...invalid,
          },
        },
      },
      '/api/rules': {
        get: {
          summary: 'The rules the company adds to the code, for every job that begins after them',
          responses: { 200: answer('As they are now', 'CompanyRules') },
        },
        put: {
          summary: 'Keep other rules: one new revision',
          requestBody: body('CompanyRulesChange'),
          responses: {
            200: answer('The rules after it', 'CompanyRules'),
            409: problem('Somebody else has changed them since that revision'),
            ...invalid,
          },
        },
      },
      '/api/equipment': {
        get: {
          summary: 'The company’s equipment',
          parameters: [query('revision', { type: 'integer', minimum: 0 })],
          responses: {
            200: answer('As it was at that revision; the newest where none is asked for', 'EquipmentList'),
            404: problem('No such revision'),
          },
        },
        put: {
          summary: 'Enter items, or take them out: one new revision',
          requestBody: body('EquipmentChange'),
          responses: {
            200: answer('The list after it', 'EquipmentList'),
            400: problem('A field does not fit'),
            409: problem('Somebody else has changed one of these items since that revision'),
            413: problem('Too large'),
            422: problem('Something about it cannot be; says what to change'),
          },
        },
      },
      '/api/equipment/revisions': {
        get: {
          summary: 'Who changed the equipment when',
          responses: { 200: answer('Newest first', 'EquipmentRevisions') },
        },
      },
      '/api/equipment/items/{itemId}/history': {
        parameters: [{ name: 'itemId', in: 'path', required: true, schema: { type: 'string' } }],
        get: {
          summary: 'What an item was',
          responses: { 200: answer('Newest first', 'ItemHistory') },
        },
      },
      '/api/equipment/list.{format}': {
        parameters: [
          { name: 'format', in: 'path', required: true, schema: { enum: ['csv', 'xlsx', 'json'] } },
          query('revision', { type: 'integer', minimum: 0 }),
          query('sample', { enum: ['yes'] }),
        ],
        get: {
          summary: 'The equipment as a file; with the sample line where it is asked for',
          responses: { 200: binary('The file'), 404: problem('No such format or revision') },
        },
      },
      '/api/equipment/prices.{format}': {
        parameters: [
          { name: 'format', in: 'path', required: true, schema: { enum: ['csv', 'xlsx'] } },
          query('revision', { type: 'integer', minimum: 0 }),
        ],
        get: {
          summary: 'Prices by supplier as a file',
          responses: { 200: binary('The file'), 404: problem('No such format, or nothing has a price') },
        },
      },
      '/api/equipment/schema.json': {
        get: { summary: 'JSON Schema of the file', responses: { 200: { description: 'The schema' } } },
      },
      '/api/schema/job.json': {
        get: {
          summary: 'JSON Schema of the .levamen.json file',
          responses: { 200: answer('Draft 2020-12') },
        },
      },
      '/api/schema/commissioning.json': {
        get: {
          summary: 'JSON Schema of the record of commissioning',
          responses: { 200: answer('Draft 2020-12') },
        },
      },
    },
    components: {
      schemas: Object.fromEntries(
        Object.entries(schemas).map(([name, schema]) => {
          const { $schema: _, ...rest } = z.toJSONSchema(schema);
          return [name, rest];
        }),
      ),
    },
  };
}

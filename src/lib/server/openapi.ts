import { toJsonSchema } from '@valibot/to-json-schema';
import type * as v from 'valibot';
import * as requests from '../contract/requests';

interface Operation {
  readonly summary: string;
  /** Schema of the JSON body, or the media types of a body of bytes. */
  readonly body?: v.GenericSchema | readonly string[];
  readonly query?: Readonly<Record<string, string>>;
  /** Status and what it means. */
  readonly answers: Readonly<Record<number, string>>;
  readonly gives?: string;
}

const PICTURE_TYPES = ['image/png', 'image/jpeg', 'image/webp', 'application/octet-stream'];

/** Every address of the API: a test sees to it that this list and the routes are the same. */
export const OPERATIONS: Readonly<Record<string, Operation>> = {
  'GET /api/openapi.json': { summary: 'This document', answers: { 200: 'OpenAPI 3.1' } },
  'GET /api/health': {
    summary: 'Whether server and database answer',
    answers: { 200: 'They do', 503: 'The database does not' },
  },
  'POST /api/trace': {
    summary: 'Turn a picture into SVG artwork; the work of `odd-quill trace`',
    body: PICTURE_TYPES,
    query: {
      colours: '"auto" or a number of colours in all, ground included',
      ground: '"keep", "drop" (wherever its colour shows) or "outside" (dropped, but for what the figure encloses)',
      stacking: '"stacked" or "cutout"',
      palette: 'Inks that are given, as hex with commas between, ground included',
      tolerance: 'How far the trace may stray from the edges found, in pixels; 0.2 when left out',
      symmetry: '"auto" looks for an axis of symmetry, "off" does not, "exact" makes the artwork symmetrical about it',
      gradients: '"true" makes gradients of colours that change evenly, instead of bands',
      specks: 'Areas smaller than this, in px², go to their surroundings; 12 when left out',
    },
    answers: {
      200: '{svg, widthPx, heightPx, inks: [{hex, pieces, gradient?}], segments, corners, certainty, symmetry: {x, y, angleDeg, share} or null, gradients, fit: {meanPx, maxPx}, bytes, ms}',
      413: 'Too large',
      422: 'Not a picture',
    },
  },
  'POST /api/candidates': {
    summary: 'Ask the image engine for candidates that belong to no commission; the work of `odd-quill candidates`',
    body: requests.CandidatesRequest,
    answers: {
      200: '{candidates: [{file, seed, widthPx, heightPx, sketch}], figures: [{word, drawn, via}], parts, credits, ms}; `file` is an address here',
      422: 'The prompt cannot be drawn',
      503: 'The image engine is away',
    },
  },
  'GET /api/finishes': {
    summary: 'The finishes that candidates can be drawn in',
    answers: { 200: '[{name, about}]', 503: 'The image engine is away' },
  },
  'GET /api/finishes/{name}': {
    summary: 'An example of a finish, drawn by the image engine',
    answers: { 200: 'The PNG', 404: 'No such finish', 503: 'The image engine is away' },
    gives: 'image/png',
  },
  'POST /api/read': {
    summary: 'How the image engine understands a prompt; nothing is drawn or charged',
    body: requests.PromptReading,
    answers: { 200: '{parts, figures}', 503: 'The image engine is away' },
  },
  'GET /api/pictures/{id}': {
    summary: 'A picture by the SHA-256 of its PNG',
    answers: { 200: 'The PNG' },
    gives: 'image/png',
  },
  'GET /api/commissions': { summary: 'All commissions, newest first', answers: { 200: 'A list of cards' } },
  'POST /api/commissions': {
    summary: 'Start a commission with its brief',
    body: requests.CommissionStart,
    answers: { 201: 'The commission' },
  },
  'GET /api/commissions/{id}': {
    summary: 'A commission with its brief and credits',
    answers: { 200: 'The commission' },
  },
  'PATCH /api/commissions/{id}': {
    summary: 'Change the brief, archive, or bring back',
    body: requests.CommissionChange,
    answers: { 200: 'The commission', 409: 'It was changed since it was read' },
  },
  'POST /api/commissions/{id}/undo': {
    summary: 'Take back the last change to the brief or to a decision',
    answers: { 200: '{told, undo, redo}: what was taken back, and what is next', 409: 'Nothing to undo' },
  },
  'POST /api/commissions/{id}/redo': {
    summary: 'Make the last undone change again',
    answers: { 200: '{told, undo, redo}', 409: 'Nothing to redo' },
  },
  'GET /api/commissions/{id}/thread': {
    summary: 'The lines of descent of its concepts',
    answers: { 200: 'The thread' },
  },
  'GET /api/commissions/{id}/rounds': {
    summary: 'The wall: rounds with their candidates, and pictures brought in',
    answers: { 200: 'The wall' },
  },
  'POST /api/commissions/{id}/rounds': {
    summary: 'Ask for a round; it is drawn by a job, and the events tell how far it is',
    body: requests.RoundStart,
    answers: { 202: 'The round', 409: 'The allowance does not cover it' },
  },
  'POST /api/commissions/{id}/pictures': {
    summary: 'Bring in a picture as a candidate',
    body: PICTURE_TYPES,
    query: { name: 'The name of the file' },
    answers: { 201: 'The candidate', 413: 'Too large', 422: 'Not a picture, or a broken one' },
  },
  'POST /api/commissions/{id}/references': {
    summary: 'Keep a picture that is to be given with a prompt, without making a candidate of it',
    body: PICTURE_TYPES,
    answers: { 201: '{pictureId, widthPx, heightPx}', 413: 'Too large', 422: 'Not a picture, or a broken one' },
  },
  'GET /api/commissions/{id}/deliveries': { summary: 'Its deliveries, newest first', answers: { 200: 'A list' } },
  'GET /api/commissions/{id}/events': {
    summary: 'What happens to a commission, as server-sent events',
    answers: { 200: '{subject, id, commissionId, state, progress} an event' },
    gives: 'text/event-stream',
  },
  'GET /api/rounds/{id}': { summary: 'A round without its candidates', answers: { 200: 'The round' } },
  'GET /api/rounds/{id}/previews/{position}': {
    summary: 'A candidate of a running round as it is so far',
    answers: { 200: 'The PNG', 404: 'Nothing to be seen yet, or finished' },
    gives: 'image/png',
  },
  'POST /api/rounds/{id}/cancel': { summary: 'Cancel a round that is not finished', answers: { 200: 'The round' } },
  'POST /api/rounds/{id}/again': {
    summary: 'Try a failed or cancelled round again',
    answers: { 202: 'The round', 409: 'It did not fail' },
  },
  'GET /api/candidates/{id}': { summary: 'A candidate', answers: { 200: 'The candidate' } },
  'PATCH /api/candidates/{id}': {
    summary: 'Keep it, set it aside, or neither',
    body: requests.Decision,
    answers: { 200: 'The candidate' },
  },
  'POST /api/candidates/{id}/artwork': {
    summary: 'Keep a trace of it: its artwork, or a new version of that',
    body: requests.TraceKeep,
    answers: { 201: 'The artwork', 409: 'The artwork was changed since it was read', 422: 'The drawing is not one' },
  },
  'GET /api/artworks/{id}': { summary: 'An artwork as it stands, and its steps', answers: { 200: 'The artwork' } },
  'GET /api/artworks/{id}/drawing.svg': {
    summary: 'It as SVG',
    query: { step: 'One of its steps; its head when left out' },
    answers: { 200: 'The SVG' },
    gives: 'image/svg+xml',
  },
  'POST /api/artworks/{id}/edits': {
    summary: 'Make an edit, as a new step',
    body: requests.ArtworkEdit,
    answers: { 201: 'The artwork', 409: 'It was changed since it was read', 422: 'The edit does not fit it' },
  },
  'POST /api/artworks/{id}/undo': {
    summary: 'Move to the step before',
    body: requests.HeadMove,
    answers: { 200: 'The artwork', 409: 'Nothing to undo, or it was changed since it was read' },
  },
  'POST /api/artworks/{id}/redo': {
    summary: 'Move to the newest step after',
    body: requests.HeadMove,
    answers: { 200: 'The artwork', 409: 'Nothing to redo, or it was changed since it was read' },
  },
  'POST /api/artworks/{id}/steps/{step}/return': {
    summary: 'Make an earlier step the head again',
    body: requests.HeadMove,
    answers: { 200: 'The artwork', 409: 'It was changed since it was read' },
  },
  'POST /api/artworks/{id}/deliveries': {
    summary: 'Deliver it as it stands; the package is made by a job',
    body: requests.DeliveryStart,
    answers: { 202: 'The delivery', 409: 'It was changed since it was read' },
  },
  'GET /api/deliveries/{id}': {
    summary: 'A delivery: what it was made from and what is in it',
    answers: { 200: 'The delivery' },
  },
  'POST /api/deliveries/{id}/again': {
    summary: 'Make its package again, of the same version',
    answers: { 202: 'The delivery' },
  },
  'GET /api/deliveries/{id}/package.zip': {
    summary: 'The package',
    answers: { 200: 'The zip', 409: 'Not made yet' },
    gives: 'application/zip',
  },
};

const isSchema = (body: Operation['body']): body is v.GenericSchema => body !== undefined && !Array.isArray(body);

const PROBLEM = {
  type: 'object',
  required: ['error'],
  properties: {
    error: {
      type: 'object',
      required: ['code', 'message'],
      properties: {
        code: { type: 'string' },
        message: { type: 'string' },
        fields: { type: 'object', additionalProperties: { type: 'string' } },
      },
    },
  },
};

function operationObject(address: string, operation: Operation): Record<string, unknown> {
  const { summary, body, query = {}, answers, gives = 'application/json' } = operation;
  const path = address.split(' ')[1];
  const parameters = [
    ...[...path.matchAll(/\{(\w+)\}/g)].map(([, name]) => ({
      name,
      in: 'path',
      required: true,
      schema: { type: 'string' },
    })),
    ...Object.entries(query).map(([name, description]) => ({
      name,
      in: 'query',
      description,
      schema: { type: 'string' },
    })),
  ];
  const problem = { 'application/json': { schema: { $ref: '#/components/schemas/Problem' } } };
  const responses = Object.fromEntries(
    Object.entries(answers).map(([status, description]) => [
      status,
      { description, content: Number(status) < 300 ? { [gives]: { schema: {} } } : problem },
    ]),
  );
  const content = isSchema(body)
    ? { 'application/json': { schema: toJsonSchema(body, { errorMode: 'ignore', typeMode: 'input' }) } }
    : Object.fromEntries((body ?? []).map((type) => [type, { schema: {} }]));
  return {
    summary,
    ...(parameters.length ? { parameters } : {}),
    ...(body ? { requestBody: { required: true, content } } : {}),
    responses: { ...responses, default: { description: 'A refusal', content: problem } },
  };
}

/** The API as an OpenAPI 3.1 document. */
export function openApi(): Record<string, unknown> {
  const paths: Record<string, Record<string, unknown>> = {};
  for (const [address, operation] of Object.entries(OPERATIONS)) {
    const [method, path] = address.split(' ');
    (paths[path] ??= {})[method.toLowerCase()] = operationObject(address, operation);
  }
  return {
    openapi: '3.1.0',
    info: {
      title: 'Odd Quill',
      version: '1',
      description:
        'From a brief to clean vector brand files. Requests that change something are refused when they come from another site.',
    },
    paths,
    components: { schemas: { Problem: PROBLEM } },
  };
}

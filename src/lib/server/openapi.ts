import { toJsonSchema } from '@valibot/to-json-schema';
import type * as v from 'valibot';
import * as requests from '../contract/requests';
import { KEY_HEADER } from './once';

interface Operation {
  readonly summary: string;
  /** Schema of the JSON body. */
  readonly body?: v.GenericSchema;
  /** Whether that may be left out. */
  readonly isBodyOptional?: boolean;
  /** Media types of a body of bytes. */
  readonly files?: readonly string[];
  /** Parts of a form, and what each of them is. */
  readonly form?: Readonly<Record<string, string>>;
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
    files: PICTURE_TYPES,
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
  'POST /api/mend': {
    summary: 'Fill an area of a picture to match what is around it; the work of `odd-quill mend`',
    form: { picture: 'The picture', area: 'A picture of the same size, white where it is to be mended' },
    query: { count: 'How many fills, 1 to 16; 4 when left out', seed: 'Decides about chance in patches' },
    answers: {
      200: '{fills: [{how, png}], ms}, the likeliest first; `png` in base64',
      400: 'Not such a form',
      422: 'Not a picture, or an area that is empty, of another size, or all there is',
    },
  },
  'POST /api/cut-out': {
    summary: 'Take the ground off a picture; the work of `odd-quill cut-out`',
    files: PICTURE_TYPES,
    query: { inner: 'Enclosed areas of its colour: "auto", "keep" or "drop"' },
    answers: {
      200: '{png, groundHex, inner: [{box: [x, y, w, h], dropped}], ms}; `png` in base64',
      422: 'Not a picture',
    },
  },
  'POST /api/retouch': {
    summary: 'Make the steps of a list of a picture (docs/retouch.md); the work of `odd-quill retouch`',
    form: { picture: 'The picture', steps: 'The steps, as a JSON array' },
    answers: {
      200: '{png, widthPx, heightPx, faults: [{id, message}], ms}; `png` in base64; a step that does not fit is passed over, its place in the list its id',
      400: 'Not such a form, or steps that are none',
      422: 'Not a picture',
    },
  },
  'POST /api/read-lettering': {
    summary: 'Find and read the lettering of a picture; the work of `odd-quill read-lettering`',
    files: PICTURE_TYPES,
    query: { asked: 'What it should say; left out, a word is wrong that is none and was read with doubt' },
    answers: {
      200: '{found: [{text, confidence, box: [x, y, w, h], onArc}], verdict: "none", "right" or "wrong", ms}; an entry a word, `confidence` 0 to 1, boxes upright in pixels',
      422: 'Not a picture',
      503: 'Recognition does not work on this machine, or too many wait',
    },
  },
  'GET /api/candidates/{id}/lettering': {
    summary: 'The lettering of a candidate, held against what its prompt asked for; read once, then known',
    answers: {
      200: '{asked, verdict, lines: [{words, outline, asked, isRight}]}; `outline` is path data about its letters, in pixels',
      503: 'Recognition does not work on this machine',
    },
  },
  'GET /api/works/{id}/lettering': {
    summary: 'The lettering of a retouched picture as it is now, held against what its candidate was asked for',
    answers: { 200: '{asked, verdict, lines}', 503: 'Recognition does not work on this machine' },
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
  'GET /api/faces': {
    summary: 'The faces that ship, with their licences',
    query: {
      mood: 'Words that they are to fit, the best first',
      class: 'Of one class alone',
      having: 'Characters that they are to have',
    },
    answers: { 200: 'A list' },
  },
  'GET /api/faces/{id}': {
    summary: 'A face, that ships or was brought in: its files, its licence, what embedding it allows',
    answers: { 200: '{id, name, licence, licenceText, embedding, files}', 404: 'No such face' },
  },
  'GET /api/faces/{id}/files/{part}': {
    summary: 'A part of a face as a font file',
    query: { weight: 'The nearest that there is is given', italic: '"true" for the italic' },
    answers: { 200: 'The file', 404: 'No such face or part' },
    gives: 'font/sfnt',
  },
  'POST /api/specimens': {
    summary: 'A text shown in several faces',
    body: requests.SpecimensAsked,
    answers: {
      200: '[{family, weight, d, box, missing}], capitals 100 px high; `d` is null where a face has not all characters',
    },
  },
  'GET /api/commissions/{id}/faces': {
    summary: 'Faces that were brought in for a commission, and those that are marked for it',
    answers: { 200: '{faces, favourites}' },
  },
  'POST /api/commissions/{id}/faces': {
    summary: 'Bring in a face (OTF, TTF, WOFF, WOFF2); its licence and what embedding it allows are read',
    files: ['font/otf', 'font/ttf', 'font/woff', 'font/woff2', 'application/octet-stream'],
    answers: { 201: 'What the file says', 413: 'Too large', 422: 'It is broken, or no font' },
  },
  'PUT /api/commissions/{id}/faces': {
    summary: 'Mark a face for a commission, or no longer',
    body: requests.FavouriteFace,
    answers: { 200: '{favourites}' },
  },
  'POST /api/commissions/{id}/lockups': {
    summary: 'Begin a lockup of an artwork and a name, in a layout',
    body: requests.LockupStart,
    answers: { 201: 'The lockup', 404: 'No such artwork or colourway', 422: 'It cannot be arranged so' },
  },
  'PATCH /api/commissions/{id}/lockups': {
    summary: 'Give lockups of a commission a spelling of its name, each as a step that can be undone',
    body: requests.Respell,
    answers: { 200: '{changed}', 404: 'No such lockup' },
  },
  'GET /api/works/{id}/faces': {
    summary: 'The faces that ship, the likest to an artwork first',
    answers: { 200: 'Each with its weight and what it has in common with it' },
  },
  'POST /api/lettering': {
    summary: 'Set a text in one of them, as outlines',
    body: requests.LetteringSet,
    answers: { 200: 'Its outlines as SVG, and where each glyph stands', 422: 'It cannot be set so' },
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
  'POST /api/names': {
    summary: 'Names for a client, by rules and word lists; the work of `odd-quill names`',
    body: requests.NamesWanted,
    answers: { 200: 'A list of {name, way, of, told, syllables, rhythm, marks}', 400: 'No trade' },
  },
  'POST /api/app-reading': {
    summary:
      'What an app is, from its description and pictures of its screens, and prompts for its icon; the first sentence counts three times',
    body: requests.AppDescribed,
    answers: {
      200: '{things: [{word, weight}], acts: [{word, weight}], look: {colours: [{hex, share}], isShaded} or null, directions: [{title, prompt, leaveOut, reasons}]}',
      400: 'No description',
      422: 'A screen is no picture',
    },
  },
  'GET /api/commissions/{id}/prompts': {
    summary: 'Three prompts from its brief, each in a direction of its own; the work of `odd-quill prompt`',
    query: { seed: 'Which ones; 1 when left out' },
    answers: {
      200: 'A list of {title, prompt, leaveOut, reasons}',
      404: 'No such commission',
      400: 'Not such a seed',
    },
  },
  'GET /api/commissions/{id}/names': {
    summary: 'The names that were kept or set aside for its client, kept ones first',
    answers: { 200: 'A list of {id, name, way, of, told, decision}', 404: 'No such commission' },
  },
  'POST /api/commissions/{id}/names': {
    summary: 'Keep a name, set it aside, or take that back',
    body: requests.NameDecision,
    answers: { 200: 'The name', 404: 'No such commission' },
  },
  'GET /api/commissions/{id}/wording': {
    summary:
      'Its prompts with what each gave, kept ones first; words that led to what was kept and to what was set aside; cost and time by round and by thread',
    query: { search: 'Words that a prompt is to have, all of them' },
    answers: { 200: '{prompts, words: {kept, aside}, rounds, economy, threads, besides}', 404: 'No such commission' },
  },
  'GET /api/patterns': { summary: 'Prompts with a gap for their figure, newest first', answers: { 200: 'A list' } },
  'POST /api/patterns': {
    summary: 'Keep a prompt with a gap (___) for every commission',
    body: requests.PatternStart,
    answers: { 201: 'The pattern', 400: 'No gap' },
  },
  'PATCH /api/patterns/{id}': {
    summary: 'Put a pattern away, or bring it back',
    body: requests.PatternChange,
    answers: { 200: 'The pattern', 404: 'No such pattern' },
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
    body: requests.ChangesOf,
    isBodyOptional: true,
    answers: { 200: '{told, undo, redo}: what was taken back, and what is next', 409: 'Nothing to undo' },
  },
  'POST /api/commissions/{id}/redo': {
    summary: 'Make the last undone change again',
    body: requests.ChangesOf,
    isBodyOptional: true,
    answers: { 200: '{told, undo, redo}', 409: 'Nothing to redo' },
  },
  'GET /api/commissions/{id}/thread': {
    summary: 'The lines of descent of its concepts',
    answers: { 200: 'The thread' },
  },
  'GET /api/commissions/{id}/other-colourways': {
    summary: 'Colourways of the artworks of other commissions, to take colours from',
    answers: { 200: 'A list' },
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
    files: PICTURE_TYPES,
    query: { name: 'The name of the file' },
    answers: { 201: 'The candidate', 413: 'Too large', 422: 'Not a picture, or a broken one' },
  },
  'POST /api/commissions/{id}/references': {
    summary: 'Keep a picture that is to be given with a prompt, without making a candidate of it',
    files: PICTURE_TYPES,
    answers: { 201: '{pictureId, widthPx, heightPx}', 413: 'Too large', 422: 'Not a picture, or a broken one' },
  },
  'GET /api/commissions/{id}/deliveries': {
    summary: 'Its deliveries, newest first, without their files',
    answers: { 200: 'A list' },
  },
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
  'POST /api/candidates/{id}/artworks': {
    summary:
      'Keep a trace of it: its first makes an artwork, or another where that is asked for; with a head, a new version of that',
    body: requests.TraceKeep,
    answers: { 201: 'The artwork', 409: 'The artwork was changed since it was read', 422: 'The drawing is not one' },
  },
  'POST /api/commissions/{id}/artworks': {
    summary: 'An artwork of an SVG file; or, as JSON, one of nothing, to be drawn',
    query: { name: 'The name of the file' },
    files: ['image/svg+xml', 'application/octet-stream'],
    body: requests.ArtworkStart,
    answers: {
      201: 'The artwork, and what the file has and an artwork cannot',
      413: 'The file is too large',
      422: 'The file cannot be read',
      503: 'Too much is being computed: ask again after the time that is said',
    },
  },
  'POST /api/candidates/{id}/retouched': {
    summary: 'Begin a retouched picture of it; a candidate can have several',
    body: requests.RetouchStart,
    answers: { 201: 'The retouched picture: its `drawing` is the list' },
  },
  'GET /api/commissions/{id}/colours': {
    summary: 'Colours that were picked and kept with it',
    answers: { 200: 'A list of hex colours' },
  },
  'POST /api/commissions/{id}/colours': {
    summary: 'Keep a picked colour, or drop it',
    body: requests.ColourPicked,
    answers: { 200: 'All that are kept' },
  },
  'POST /api/works/{id}/artworks': {
    summary: 'Keep a trace of a retouched picture, as of a candidate',
    body: requests.TraceKeep,
    answers: { 201: 'The artwork', 409: 'The artwork was changed since it was read', 422: 'The drawing is not one' },
  },
  'GET /api/works/{id}/picture': {
    summary: 'Which picture a retouched picture is, and what of its list did not fit',
    query: { step: 'One of its steps; its head when left out' },
    answers: { 200: '{pictureId, widthPx, heightPx, faults}', 503: 'Too much is being computed' },
  },
  'GET /api/works/{id}/picture.png': {
    summary: 'A retouched picture as PNG',
    query: { step: 'One of its steps; its head when left out' },
    answers: { 200: 'The PNG', 503: 'Too much is being computed' },
    gives: 'image/png',
  },
  'GET /api/works/{id}': { summary: 'A work as it stands, and its steps', answers: { 200: 'The work' } },
  'GET /api/works/{id}/steps/{step}': { summary: 'The state of one of its steps', answers: { 200: 'The state' } },
  'GET /api/works/{id}/drawing.svg': {
    summary: 'An artwork as SVG',
    query: {
      step: 'One of its steps; its head when left out',
      colourway: 'The id of one of its colourways; the master when left out',
      look: 'Or one of its looks: "one-colour", "reversed", a colourway’s id',
    },
    answers: { 200: 'The SVG' },
    gives: 'image/svg+xml',
  },
  'GET /api/works/{id}/construction': {
    summary: 'The fewest circles, lines and angles that an artwork lies on, and the unit they share',
    query: { step: 'One of its steps; its head when left out' },
    answers: {
      200: '{lines, circles, angles, unit, share, greatestPx}',
      422: 'Nothing is drawn',
      503: 'Too much is being computed',
    },
  },
  'GET /api/works/{id}/construction.svg': {
    summary: 'A drawing of that',
    query: { step: 'One of its steps; its head when left out' },
    answers: { 200: 'The SVG', 422: 'Nothing is drawn', 503: 'Too much is being computed' },
    gives: 'image/svg+xml',
  },
  'POST /api/works/{id}/colourways': {
    summary: 'Schemes for the inks of an artwork, whose contrasts hold; nothing is kept',
    body: requests.Shuffle,
    answers: {
      200: '{schemes: [{hexes, how, leastContrast}], told, least}',
      422: 'It has no such ink',
      503: 'Too much is being computed',
    },
  },
  'POST /api/works/{id}/one-colour': {
    summary: 'An artwork in one colour, or reversed; nothing is kept',
    body: requests.InOneColour,
    answers: { 200: '{svg, states, merged}', 503: 'Too much is being computed' },
  },
  'POST /api/works/{id}/acts': {
    summary: 'Edit it, undo, redo or return to a step: several acts in turn, each made once however often it is sent',
    body: requests.WorkActs,
    answers: {
      200: 'Where its head stands, and what could not be done',
      409: 'It was changed since it was read, or there is nothing to undo or redo',
      422: 'The first edit does not fit it',
    },
  },
  'POST /api/works/{id}/lockups': {
    summary: 'An artwork and a name in layouts; nothing is kept',
    body: requests.LockupsAsked,
    answers: { 200: 'Each as SVG, and the face', 422: 'It cannot be arranged so' },
  },
  'POST /api/works/{id}/copies': {
    summary: 'Copy a work, or one of its steps, to one with a history of its own',
    body: requests.CopyStart,
    answers: { 201: 'The copy' },
  },
  'GET /api/works/{id}/package': {
    summary: 'All that a package of its commission’s works could have: works, looks, what makes sense of each, files',
    answers: { 200: 'The plan' },
  },
  'POST /api/works/{id}/package': {
    summary: 'The same in sets that are other than what they are begun with',
    body: requests.PackageAsked,
    answers: { 200: 'The plan' },
  },
  'POST /api/works/{id}/looks': {
    summary:
      'A look of an artwork or a lockup: what a press would stumble over, its inks, what its files’ sizes follow from',
    body: requests.LookAsked,
    answers: { 200: 'The facts', 422: 'It has no such look' },
  },
  'GET /api/works/{id}/motion.svg': {
    summary: 'A movement of an artwork or a lockup, as animated SVG',
    query: {
      kind: 'drawn, assembled, unfolded, turned, floated or blinked',
      look: '"master", a colourway’s id, "one-colour" or "reversed"',
      seconds: '0.2 to 20',
      ease: 'soft, even or lively',
      loop: 'true or false',
      order: 'stacking or distance',
    },
    answers: { 200: 'The SVG', 422: 'It cannot move so' },
    gives: 'image/svg+xml',
  },
  'POST /api/works/{id}/deliveries': {
    summary: 'Deliver works of a commission as they stand; the package is made by a job',
    body: requests.DeliveryStart,
    answers: {
      202: 'The delivery',
      409: 'A work was changed since it was read',
      422: 'A work has no such look, or nothing is wanted',
    },
  },
  'GET /api/deliveries/{id}': {
    summary: 'A delivery: what it was made from and what is in it',
    answers: { 200: 'The delivery' },
  },
  'POST /api/deliveries/{id}/again': {
    summary: 'Make its package again, of the same version',
    answers: { 202: 'The delivery' },
  },
  'POST /api/deliveries/{id}/cancel': {
    summary: 'Stop making it; what was delivered before stays',
    answers: { 200: 'The delivery' },
  },
  'GET /api/deliveries/{id}/files/{name}': {
    summary: 'A file of the package made last, by its name with its folder',
    answers: { 200: 'The file' },
    gives: 'application/octet-stream',
  },
  'GET /api/deliveries/{id}/package.zip': {
    summary: 'The package made last',
    query: { sha256: 'Another that was made of it, by the SHA-256 of its bytes' },
    answers: { 200: 'The zip', 409: 'Not made yet' },
    gives: 'application/zip',
  },
};

const KEY = {
  name: KEY_HEADER,
  in: 'header',
  description:
    'A key of one’s own, 8 to 64 letters, digits and hyphens: sent again with it, the request is done once and answered as before',
  schema: { type: 'string' },
};

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

/** A schema as JSON Schema; what it defines for itself goes among the document's own schemas, under names that begin with the operation's. */
function schemaOf(schema: v.GenericSchema, stem: string, shared: Record<string, unknown>): unknown {
  const {
    $defs,
    $schema: _,
    ...own
  } = toJsonSchema(schema, { errorMode: 'ignore', typeMode: 'input' }) as Record<string, unknown>;
  const nameOf = (key: string) => `${stem}_${key}`;
  const moved = (value: unknown): unknown => {
    if (Array.isArray(value)) return value.map(moved);
    if (typeof value !== 'object' || value === null) return value;
    return Object.fromEntries(
      Object.entries(value).map(([k, x]) => [
        k,
        k === '$ref' && typeof x === 'string' ? x.replace('#/$defs/', `#/components/schemas/${stem}_`) : moved(x),
      ]),
    );
  };
  for (const [key, value] of Object.entries(($defs as Record<string, unknown> | undefined) ?? {}))
    shared[nameOf(key)] = moved(value);
  return moved(own);
}

function operationObject(
  address: string,
  operation: Operation,
  shared: Record<string, unknown>,
): Record<string, unknown> {
  const {
    summary,
    body,
    isBodyOptional = false,
    files = [],
    form = null,
    query = {},
    answers,
    gives = 'application/json',
  } = operation;
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
    ...(address.startsWith('GET') ? [] : [{ $ref: '#/components/parameters/Key' }]),
  ];
  const problem = { 'application/json': { schema: { $ref: '#/components/schemas/Problem' } } };
  const responses = Object.fromEntries(
    Object.entries(answers).map(([status, description]) => [
      status,
      { description, content: Number(status) < 300 ? { [gives]: { schema: {} } } : problem },
    ]),
  );
  const stem = address.replace(/\W+/g, '_');
  const content = {
    ...(body ? { 'application/json': { schema: schemaOf(body, stem, shared) } } : {}),
    ...Object.fromEntries(files.map((type) => [type, { schema: {} }])),
    ...(form ? { 'multipart/form-data': { schema: formSchema(form) } } : {}),
  };
  return {
    summary,
    ...(parameters.length ? { parameters } : {}),
    ...(body || files.length || form ? { requestBody: { required: !isBodyOptional, content } } : {}),
    responses: { ...responses, default: { description: 'A refusal', content: problem } },
  };
}

/** The parts of a form, all of them wanted, as files. */
const formSchema = (form: Readonly<Record<string, string>>): object => ({
  type: 'object',
  required: Object.keys(form),
  properties: Object.fromEntries(
    Object.entries(form).map(([name, description]) => [name, { type: 'string', format: 'binary', description }]),
  ),
});

/** The API as an OpenAPI 3.1 document. */
export function openApi(): Record<string, unknown> {
  const paths: Record<string, Record<string, unknown>> = {};
  const schemas: Record<string, unknown> = { Problem: PROBLEM };
  for (const [address, operation] of Object.entries(OPERATIONS)) {
    const [method, path] = address.split(' ');
    (paths[path] ??= {})[method.toLowerCase()] = operationObject(address, operation, schemas);
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
    components: { schemas, parameters: { Key: KEY } },
  };
}

/**
 * The demo data: two made-up commissions, made by the application itself from seeds, over its own API. A database that has a
 * commission already is left alone.
 */
import type {
  ActsAnswer,
  BroughtIn,
  Candidate,
  Commission,
  Delivery,
  PackagePlan,
  Round,
  Wall,
  RetouchedState,
  WorkState,
} from '../src/lib/contract/answers';
import { textsOf, type Lockup } from '../core/lockup';
import type { Name } from '../core/naming';
import { lookAt } from '../core/retouch';
import { TRACE_DEFAULTS, trace } from '../core/trace';
import {
  allPieces,
  appIconDepth,
  applyEdits,
  colourwayFrom,
  gradientOver,
  figuresOf,
  shuffledFor,
  tileEdits,
  symmetriesOfArtwork,
  type Artwork,
  type Edit,
  type Piece,
} from '../core/vector';
import { decodePicture } from '../node/pictures';
import { hedgehogDrawn } from './hedgehog';

interface DemoRound {
  readonly prompt: string;
  readonly leaveOut?: string;
  readonly leeway: number;
  readonly seed: number;
  readonly colours?: number;
  readonly keep?: readonly number[];
  readonly aside?: readonly number[];
  readonly finish?: string;
  /** How closely to follow the client's sketch. */
  readonly closeness?: number;
}

const NOCTULE = {
  name: 'Noctule Night Rail',
  client: 'Maren Holt, managing director',
  trade: 'sleeper trains between northern cities',
  audience: 'people who would rather wake up there',
  mood: 'quiet, punctual, a little magical',
  coloursWanted: 'midnight blue, lamp yellow',
  coloursUnwanted: 'red',
  kindOfMark: 'pictorial',
  notes: 'A bat and a moon. On carriages, tickets and enamel signs; must work as a stamp. No stars, no Halloween.',
  allowance: 120,
  grounds: [
    { name: 'carriage blue', hex: '#20346E' },
    { name: 'linen', hex: '#F2EBDC' },
    { name: 'white', hex: '#FFFFFF' },
  ],
};

const NOCTULE_ROUNDS: readonly DemoRound[] = [
  { prompt: 'noctule bat and a crescent moon, night sky, flat, few details', leeway: 70, seed: 11, aside: [0, 2, 3] },
  {
    prompt: 'emblem of a noctule bat and a crescent moon, midnight blue and lamp yellow, flat, few details',
    leeway: 45,
    seed: 23,
    aside: [1],
    keep: [0],
  },
  {
    prompt:
      'noctule bat over a crescent moon, two colours midnight blue and lamp yellow, flat, few details, white ground',
    leaveOut: 'stars, text',
    leeway: 30,
    seed: 5,
    keep: [0],
    aside: [1],
  },
  {
    prompt:
      'sheet of icons: berth, lamp, washroom, bicycle, luggage, breakfast, two colours midnight blue and lamp yellow, flat, white ground',
    leeway: 30,
    seed: 8,
    keep: [1],
  },
  {
    prompt:
      'mascot: a bat conductor holding a lantern, midnight blue, carriage blue and lamp yellow, flat, white ground',
    leeway: 40,
    seed: 31,
    keep: [0],
    aside: [3],
  },
];

const JUNIPER = {
  name: 'Juniper Row Seed Library',
  client: 'Juniper Row Town Council, Odile Brandt',
  trade: 'a shelf in the town hall from which seeds are lent and brought back',
  audience: 'neighbours with a balcony or a bed',
  mood: 'patient, earthy, welcoming',
  coloursWanted: 'juniper green, seed brown',
  coloursUnwanted: 'black, neon',
  kindOfMark: 'emblem',
  notes: 'The client drew a hedgehog. It should stay recognisable. An app icon for the lending list as well.',
  allowance: 80,
  grounds: [
    { name: 'paper', hex: '#F9F8F5' },
    { name: 'juniper', hex: '#3B5F5B' },
    { name: 'kraft', hex: '#C7A77B' },
  ],
};

const JUNIPER_ROUNDS: readonly DemoRound[] = [
  {
    prompt: 'emblem of a hedgehog with a leaf, juniper green and seed brown, flat, white ground',
    leeway: 60,
    seed: 2,
    keep: [2],
    aside: [1],
  },
  {
    prompt: 'hedgehog, juniper green, seed brown and cream, flat, white ground',
    leeway: 40,
    seed: 9,
    closeness: 85,
    keep: [0],
  },
  {
    prompt: 'emblem of a hedgehog in a ring, named Juniper Row, juniper green and seed brown, flat, white ground',
    leeway: 60,
    seed: 3,
    keep: [1],
  },
  { prompt: 'app icon of a hedgehog, juniper green, seed brown and cream', leeway: 55, seed: 4 },
];

interface DemoLockup {
  readonly layout: string;
  readonly name: string;
  readonly line: string;
  readonly face: string;
  readonly weight: number;
}
const NOCTULE_LOCKUPS: readonly DemoLockup[] = [
  { layout: 'emblem', name: 'Noctule Night Rail', line: 'Sleeper trains since 1998', face: 'Jost', weight: 600 },
  { layout: 'beside-line', name: 'Noctule Night Rail', line: 'Sleeper trains since 1998', face: 'Jost', weight: 600 },
];
const JUNIPER_LOCKUPS: readonly DemoLockup[] = [
  { layout: 'beside-stacked', name: 'Juniper Row Seed Library', line: '', face: 'Fraunces', weight: 600 },
  { layout: 'emblem', name: 'Juniper Row Seed Library', line: 'Borrow · sow · return', face: 'Fraunces', weight: 600 },
];

/** Loads the demo data over the API of the application at an address; tells what it does. */
export async function loadDemo(address: string, tell: (line: string) => void): Promise<void> {
  async function call<T>(method: string, path: string, body?: unknown): Promise<T> {
    const bytes = body instanceof Uint8Array;
    const type = bytes ? 'application/octet-stream' : 'application/json';
    const send = (key: string): Promise<Response> =>
      fetch(address + path, {
        method,
        headers: body === undefined ? {} : { 'content-type': type, 'idempotency-key': key },
        body: body === undefined ? undefined : bytes ? new Uint8Array(body) : JSON.stringify(body),
      });
    const key = crypto.randomUUID();
    // A line that lay idle while something was worked out here may be closed: sent again, it is done once.
    const response = await send(key).catch(() => send(key));
    const answer = (await response.json()) as T & { error?: { message: string } };
    if (!response.ok) throw new Error(`${method} ${path}: ${answer.error?.message}`);
    return answer;
  }

  async function until<T>(ask: () => Promise<T | null>): Promise<T> {
    for (let i = 0; i < 6000; i++) {
      const answer = await ask();
      if (answer !== null) return answer;
      await new Promise((resolve) => setTimeout(resolve, 100));
    }
    throw new Error('the demo data took too long');
  }

  async function makeRound(
    commissionId: string,
    number: number,
    { keep = [], aside = [], closeness, ...asked }: DemoRound,
    sketchId?: string,
  ): Promise<readonly Candidate[]> {
    const { id } = await call<Round>('POST', `/api/commissions/${commissionId}/rounds`, {
      requestKey: `demo-round-${number}`,
      ...asked,
      references: sketchId && closeness !== undefined ? [{ pictureId: sketchId, closeness }] : [],
    });
    const round = await until(async () => {
      const wall = await call<Wall>('GET', `/api/commissions/${commissionId}/rounds`);
      const found = wall.rounds.find((r) => r.id === id);
      if (found?.state === 'failed') throw new Error(found.error ?? 'a round failed');
      return found?.state === 'done' ? found : null;
    });
    for (const i of keep) await call('PATCH', `/api/candidates/${round.candidates[i].id}`, { decision: 'kept' });
    for (const i of aside) await call('PATCH', `/api/candidates/${round.candidates[i].id}`, { decision: 'aside' });
    return round.candidates;
  }

  /** Names found for a client, some of them decided about, and a pattern for whoever comes next. */
  async function makeWords(commissionId: string): Promise<void> {
    const { trade, mood, audience } = JUNIPER;
    const names = await call<Name[]>('POST', '/api/names', { trade, mood, audience, count: 12, seed: 5 });
    for (const [i, { name, way, of, told }] of names.slice(0, 4).entries())
      await call('POST', `/api/commissions/${commissionId}/names`, { name, way, of, told, decision: i < 3 ? 'kept' : 'aside' }); // prettier-ignore
    await call('POST', '/api/patterns', { prompt: 'emblem of a ___ in a ring, two colours, flat' });
  }

  const pictureOf = async (id: string): Promise<Uint8Array> =>
    new Uint8Array(await (await fetch(`${address}/api/pictures/${id}`)).arrayBuffer());

  async function traceOf(candidate: Candidate): Promise<WorkState> {
    const options = { ...TRACE_DEFAULTS };
    const { artwork, groundHex } = trace(await decodePicture(await pictureOf(candidate.pictureId)), options);
    return call<WorkState>('POST', `/api/candidates/${candidate.id}/artworks`, {
      options,
      groundHex,
      drawing: artwork,
      head: null,
    });
  }

  /** Retouches a candidate by what is noticed in it and puts right at one press, and makes it square about its figure. */
  async function retouch({ id, pictureId }: Candidate): Promise<void> {
    const { noticed } = lookAt(await decodePicture(await pictureOf(pictureId)));
    const steps = noticed.flatMap((n) => (n.isSmall && n.step ? [n.step] : []));
    const { id: work } = await call<RetouchedState>('POST', `/api/candidates/${id}/retouched`, {
      steps: [...steps, { kind: 'crop', box: null, margin: 0.1 }, { kind: 'square' }],
    });
    await call('GET', `/api/works/${work}/picture`);
  }

  /** Makes edits, those of a list together as one step, and gives the head after them. */
  let edits = 0;
  const edit = async ({ id, head }: WorkState, steps: readonly (readonly Edit[])[]): Promise<string> =>
    (
      await call<ActsAnswer>('POST', `/api/works/${id}/acts`, {
        head,
        acts: steps.map((list) => ({ kind: 'edit', key: `demo-edit-${++edits}`, edits: list })),
      })
    ).head;

  /** Draws the client's sketch anew. */
  async function redraw(commissionId: string, { id, widthPx, heightPx }: Candidate): Promise<void> {
    const { artwork } = await call<BroughtIn>('POST', `/api/commissions/${commissionId}/artworks`, {
      name: "the client's hedgehog, redrawn",
      widthPx,
      heightPx,
      overCandidateId: id,
    });
    const head = await edit(artwork, hedgehogDrawn());
    const { drawing } = await call<WorkState>('GET', `/api/works/${artwork.id}`);
    const others = colourwaysFor(
      drawing,
      JUNIPER.grounds,
      [
        ['heather', 14],
        ['moss', 19],
        ['clay', 15],
      ],
      'juniper',
    );
    await edit(
      { ...artwork, head },
      others.map((e) => [e]),
    );
    await makeLockups(commissionId, artwork.id, JUNIPER_LOCKUPS);
    await makeIcon(artwork.id);
  }

  /** Sets the name beside the mark, its pairs kerned optically. */
  async function makeLockups(commissionId: string, artworkId: string, list: readonly DemoLockup[]): Promise<void> {
    for (const asked of list) {
      const lockup = await call<WorkState<Lockup>>('POST', `/api/commissions/${commissionId}/lockups`, { artworkId, ...asked }); // prettier-ignore
      const edits = textsOf(lockup.drawing).map((t) => ({
        kind: 'change-part',
        id: t.id,
        set: { kerning: 'optical' },
      }));
      await call('POST', `/api/works/${lockup.id}/acts`, {
        head: lockup.head,
        acts: [{ kind: 'edit', key: `demo-lockup-${lockup.id.slice(0, 8)}`, edits }],
      });
    }
  }

  /** The app icon that the brief asks for: a copy on a tile, with depth. */
  async function makeIcon(workId: string): Promise<void> {
    const copy = await call<WorkState>('POST', `/api/works/${workId}/copies`, {});
    const { drawing } = copy;
    const size = Math.max(drawing.widthPx, drawing.heightPx);
    const tile = tileEdits(drawing, '#F1E3CB');
    const laid = applyEdits(drawing, tile).artwork;
    const inkId = laid.inks[laid.inks.length - 1].id;
    const gradient = gradientOver({ x: 0, y: 0, width: size, height: size }, 'linear', '#F1E3CB');
    await edit(copy, [
      tile,
      [{ kind: 'ink-gradient', inkId, gradient: gradient as never }],
      [{ kind: 'depth', of: [], parts: appIconDepth(size, 'soft') }],
    ]);
  }

  /** What makes sense of a work and of its lockups, as one would tick it. */
  async function deliver(id: string, note: string): Promise<void> {
    const { works } = await call<PackagePlan>('GET', `/api/works/${id}/package`);
    const { stepId: head } = works.find((w) => w.workId === id)!;
    const rows = works.flatMap((w) => w.looks.map((l) => ({ workId: w.workId, head: w.stepId, look: l.look.key, for: l.for }))); // prettier-ignore
    const made = await call<Delivery>('POST', `/api/works/${id}/deliveries`, {
      requestKey: `demo-${note.replace(/\W+/g, '-')}`,
      head,
      note,
      rows,
    });
    await until(async () =>
      (await call<Delivery>('GET', `/api/deliveries/${made.id}`)).state === 'done' ? true : null,
    );
  }

  const existing = await call<unknown[]>('GET', '/api/commissions');
  if (existing.length) return;
  tell('making the demo data');

  const juniper = await call<Commission>('POST', '/api/commissions', JUNIPER);
  await makeWords(juniper.id);
  const sketch = await call<{ candidates: { file: string }[] }>('POST', '/api/candidates', {
    prompt: 'hedgehog, pencil sketch, off white ground',
    seed: 6,
    count: 1,
    leeway: 0,
  });
  const sketchId = sketch.candidates[0].file.split('/').pop()!;
  const broughtIn = await call<Candidate>(
    'POST',
    `/api/commissions/${juniper.id}/pictures?name=${encodeURIComponent("client's sketch.png")}`,
    await pictureOf(sketchId),
  );
  const wall: (readonly Candidate[])[] = [];
  for (const [i, asked] of JUNIPER_ROUNDS.entries()) wall.push(await makeRound(juniper.id, i + 1, asked, sketchId));
  await traceOf(wall[1][0]);
  await redraw(juniper.id, broughtIn);
  await retouch(wall[wall.length - 1].find((k) => k.id !== wall[1][0].id)!);

  const noctule = await call<Commission>('POST', '/api/commissions', NOCTULE);
  const made: (readonly Candidate[])[] = [];
  for (const [i, asked] of NOCTULE_ROUNDS.entries()) made.push(await makeRound(noctule.id, i + 1, asked));
  const mark = await traceOf(made[2][0]);
  const inkOf = (words: RegExp) => mark.drawing.inks.find((i) => words.test(i.name))?.id;
  const yellow = inkOf(/yellow|lamp/);
  const blue = inkOf(/midnight|blue|navy/);
  const changes: Edit[] = [];
  if (yellow) changes.push({ kind: 'ink-name', inkId: yellow, name: 'lamp' });
  if (blue) changes.push({ kind: 'ink-name', inkId: blue, name: 'midnight' });
  if (yellow) changes.push({ kind: 'ink-colour', inkId: yellow, hex: '#F4C552' });
  if (blue) changes.push(...batMadeExact(mark.drawing, blue));
  const head = changes.length
    ? await edit(
        mark,
        changes.map((change) => [change]),
      )
    : mark.head;
  const { drawing } = await call<WorkState>('GET', `/api/works/${mark.id}`);
  await edit({ ...mark, head }, colourwaysFor(drawing, NOCTULE.grounds, [['ember', 13], ['fen', 7], ['slate', 14]], 'noctule').map((e) => [e])); // prettier-ignore
  await makeLockups(noctule.id, mark.id, NOCTULE_LOCKUPS);
  await deliver(mark.id, 'for the enamel signs');
  await retouch(made[4][0]);
  tell('the demo data is in place');
}

/** Colourways of an artwork, each by its name: one of the schemes that a seed gives, on grounds. */
function colourwaysFor(
  artwork: Artwork,
  grounds: readonly { readonly hex: string }[],
  wanted: readonly (readonly [name: string, seed: number])[],
  stem: string,
): Edit[] {
  return wanted.flatMap(([name, seed]): Edit[] => {
    const ask = { locked: [], grounds: grounds.slice(0, 1).map((g) => g.hex), least: 1.6, count: 1, seed };
    const [scheme] = shuffledFor(artwork, ask).schemes;
    if (!scheme) return [];
    const colourway = colourwayFrom(artwork, `${stem}-${name}`, name, scheme.hexes, scheme.how);
    return [{ kind: 'add-colourway', colourway: colourway as never }];
  });
}

/** How far off the bat's axis may be to be made exact, in px. */
const AXIS_WITHIN_PX = 4;

/** The pieces of one ink made symmetrical and grouped as the bat, the largest other one named the moon. */
function batMadeExact(artwork: Artwork, inkId: string): Edit[] {
  const pieces = allPieces(artwork);
  const nodes = pieces.filter((p) => p.inkId === inkId).map((p) => p.id);
  if (nodes.length < 2) return [];
  const [axis] = symmetriesOfArtwork(artwork, nodes, AXIS_WITHIN_PX);
  const size = (p: Piece): number => figuresOf(artwork, [p.id]).areaPx2;
  const moon = pieces.filter((p) => p.inkId !== inkId).sort((p, q) => size(q) - size(p))[0];
  return [
    ...(axis ? [{ kind: 'symmetry' as const, nodes, withinPx: AXIS_WITHIN_PX }] : []),
    { kind: 'group-nodes', nodeIds: nodes, groupId: 'bat' },
    { kind: 'node-name', nodeIds: ['bat'], name: 'bat' },
    ...(moon ? [{ kind: 'node-name' as const, nodeIds: [moon.id], name: 'moon' }] : []),
  ];
}

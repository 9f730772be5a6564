import * as v from 'valibot';
import { describe, expect, it } from 'vitest';
import * as requests from './requests';

const UUID = '6f1c2c0e-8d0f-4b57-9c0a-0c6f5a4a1f11';
const PICTURE = 'ab'.repeat(32);
const KEY = 'a-request-key';

/** What a schema makes of a value; throws what is wrong, with the path to it. */
function read(schema: v.GenericSchema, value: unknown): unknown {
  const result = v.safeParse(schema, value);
  if (result.success) return result.output;
  throw new Error(result.issues.map((i) => `${v.getDotPath(i) ?? ''}: ${i.message}`).join('; '));
}

describe('a commission', () => {
  it('starts with a name, trimmed, and whatever else of the brief', () => {
    expect(read(requests.CommissionStart, { name: '  Noctule  ' })).toEqual({ name: 'Noctule' });
    expect(
      read(requests.CommissionStart, { name: 'Noctule', grounds: [{ name: 'Paper', hex: '#f4f1ea' }], allowance: 40 }),
    ).toMatchObject({ grounds: [{ name: 'Paper', hex: '#F4F1EA' }], allowance: 40 });
  });

  it('is refused with the field that is wrong and why', () => {
    for (const [value, says] of [
      [{}, /name/],
      [{ name: '   ' }, /name: a commission needs a name/],
      [{ name: 'x'.repeat(121) }, /name: at most 120/],
      [{ name: 'N', notes: 'x'.repeat(4001) }, /notes: at most 4000/],
      [{ name: 'N', allowance: -1 }, /allowance: 0 or more/],
      [{ name: 'N', allowance: 1.5 }, /allowance: a whole number/],
      [{ name: 'N', grounds: [{ name: 'Paper', hex: 'white' }] }, /grounds.0.hex: a colour is written/],
      [{ name: 'N', grounds: Array.from({ length: 13 }, () => ({ name: 'P', hex: '#FFFFFF' })) }, /at most 12 grounds/],
    ] as const)
      expect(() => read(requests.CommissionStart, value)).toThrow(says);
  });

  it('changes only what is given, and says what it saw', () => {
    expect(read(requests.CommissionChange, { revision: 3, archived: true })).toEqual({ revision: 3, archived: true });
    expect(() => read(requests.CommissionChange, { archived: true })).toThrow(/names the revision/);
    expect(read(requests.CommissionChange, { archived: true, seen: { archived: false } })).toMatchObject({
      archived: true,
    });
    expect(() => read(requests.CommissionChange, { revision: 3, name: '' })).toThrow(/needs a name/);
  });
});

describe('a round', () => {
  it('has what designers mostly want where nothing is said', () => {
    expect(read(requests.RoundStart, { requestKey: KEY, prompt: 'a bat' })).toEqual({
      requestKey: KEY,
      prompt: 'a bat',
      leaveOut: '',
      leeway: 50,
      ratio: '1:1',
      colours: null,
      count: 4,
      finish: null,
      kind: null,
      detail: null,
      flaws: 20,
      references: [],
      way: null,
    });
  });

  it('needs words, a picture, or something to grow from', () => {
    const start = (more: object) => read(requests.RoundStart, { requestKey: KEY, prompt: ' ', ...more });
    expect(() => start({})).toThrow(/The prompt is empty/);
    expect(start({ references: [{ pictureId: PICTURE, closeness: 60 }] })).toMatchObject({ prompt: ' ' });
    expect(start({ way: { kind: 'offshoot', candidateId: UUID } })).toMatchObject({ way: { drift: 25 } });
    expect(start({ way: { kind: 'crossing', candidateIds: [UUID, UUID] } })).toMatchObject({ way: { balance: 50 } });
    expect(start({ way: { kind: 'enlarge', candidateId: UUID, factor: 4 } })).toMatchObject({ way: { factor: 4 } });
  });

  it('is refused where its numbers are beyond what can be drawn', () => {
    for (const [more, says] of [
      [{ prompt: 'x'.repeat(2001) }, /2001 characters; at most 2000/],
      [{ leeway: 101 }, /leeway: 100 or less/],
      [{ count: 0 }, /count: 1 or more/],
      [{ colours: 7 }, /colours: 6 or less/],
      [{ ratio: '3/2' }, /ratio: a ratio is written like 3:2/],
      [{ seed: 2 ** 32 }, /seed/],
      [{ kind: 'poster' }, /kind/],
      [{ references: [{ pictureId: 'abc', closeness: 50 }] }, /references.0.pictureId: a picture is named/],
      [
        { references: Array.from({ length: 9 }, () => ({ pictureId: PICTURE, closeness: 1 })) },
        /at most \d references/,
      ],
      [{ requestKey: 'short' }, /requestKey/],
      [{ requestKey: 'with spaces in it' }, /requestKey/],
      [{ way: { kind: 'enlarge', candidateId: UUID, factor: 3 } }, /factor/],
      [{ way: { kind: 'redo', candidateId: UUID, area: { x: 0, y: 0, width: 1.2, height: 1 } } }, /area.width/],
      [{ way: { kind: 'offshoot', candidateId: 'one' } }, /candidateId/],
      [{ way: { kind: 'copy', candidateId: UUID } }, /way.kind/],
    ] as const)
      expect(
        () => read(requests.RoundStart, Object.assign({ requestKey: KEY, prompt: 'a bat' }, more)),
        JSON.stringify(more),
      ).toThrow(says);
  });

  it('can be had for nobody in particular', () => {
    expect(read(requests.CandidatesRequest, { prompt: 'a bat' })).toMatchObject({ size: 1024, balance: null });
    expect(() => read(requests.CandidatesRequest, { prompt: '' })).toThrow(/The prompt is empty/);
    expect(() => read(requests.CandidatesRequest, { prompt: 'a bat', size: 63 })).toThrow(/size: 64 or more/);
  });
});

describe('a trace that is kept', () => {
  const options = { colours: 'auto', ground: 'drop', stacking: 'stacked', speckPx2: 12, smoothness: 30 };
  const drawing = {
    widthPx: 100,
    heightPx: 80,
    inks: [{ id: 'ink-1', hex: '#20346e', name: 'Navy' }],
    nodes: [
      {
        kind: 'piece',
        id: 'piece-1',
        inkId: 'ink-1',
        contours: [
          {
            start: [0, 0],
            segments: [
              { kind: 'line', to: [50, 0] },
              { kind: 'curve', c1: [60, 10], c2: [60, 30], to: [50, 40] },
              { kind: 'arc', radius: 30, large: false, clockwise: true, to: [0, 0] },
            ],
          },
        ],
      },
    ],
  };
  const keep = (more: object) => read(requests.TraceKeep, { options, groundHex: null, drawing, head: null, ...more });

  it('is taken with its drawing as it is', () => {
    expect(keep({})).toMatchObject({ drawing: { ...drawing, inks: [{ hex: '#20346E' }] }, options });
    expect(keep({ options: { ...options, palette: ['#aabbcc'], symmetry: 'exact', gradients: true } })).toMatchObject({
      options: { palette: ['#AABBCC'] },
    });
  });

  it('is refused where a drawing is none', () => {
    const withSegment = (segment: object) => ({
      drawing: { ...drawing, nodes: [{ ...drawing.nodes[0], contours: [{ start: [0, 0], segments: [segment] }] }] },
    });
    for (const [more, says] of [
      [{ drawing: { ...drawing, widthPx: 0 } }, /widthPx/],
      [{ drawing: { ...drawing, inks: [{ id: 'ink-1', hex: 'navy', name: 'Navy' }] } }, /hex: a colour/],
      [withSegment({ kind: 'line', to: [NaN, 0] }), /to.0/],
      [withSegment({ kind: 'line', to: [Infinity, 0] }), /to.0/],
      [withSegment({ kind: 'arc', radius: -1, large: false, clockwise: true, to: [0, 0] }), /radius/],
      [withSegment({ kind: 'spline', to: [0, 0] }), /kind/],
      [{ options: { ...options, colours: 33 } }, /colours/],
      [{ options: { ...options, smoothness: 101 } }, /smoothness/],
      [{ groundHex: 'white' }, /groundHex/],
      [{ head: 'latest' }, /head/],
    ] as const)
      expect(() => keep(more), JSON.stringify(more)).toThrow(says);
  });
});

describe('acts on a work', () => {
  const act = (value: object) => read(requests.WorkActs, { head: UUID, acts: [value] });
  const edit = (value: object) => act({ kind: 'edit', key: KEY, edits: [value] });

  it('are edits that belong together, or moves along the history', () => {
    for (const value of [
      { kind: 'ink-colour', inkId: 'ink-1', hex: '#AA0000' },
      { kind: 'merge-inks', inkId: 'ink-1', intoInkId: 'ink-2' },
      { kind: 'piece-ink', nodeIds: ['piece-1'], inkId: 'ink-2' },
      { kind: 'remove-nodes', nodeIds: ['piece-1'] },
    ])
      expect(edit(value)).toEqual({ head: UUID, acts: [{ kind: 'edit', key: KEY, edits: [value] }] });
    for (const kind of ['undo', 'redo'])
      expect(act({ kind, key: KEY })).toEqual({ head: UUID, acts: [{ kind, key: KEY }] });
    expect(act({ kind: 'return', key: KEY, stepId: UUID })).toMatchObject({ acts: [{ stepId: UUID }] });
  });

  it('are refused where something is missing', () => {
    for (const [value, says] of [
      [{ kind: 'ink-colour', inkId: 'ink-1' }, /hex/],
      [{ kind: 'ink-name', inkId: 'ink-1', name: '  ' }, /name/],
      [{ kind: 'gradient-stop', inkId: 'ink-1', stop: 64, hex: '#AA0000' }, /stop/],
      [{ kind: 'remove-nodes' }, /nodeIds/],
      [{ kind: 'flatten' }, /kind/],
    ] as const)
      expect(() => edit(value)).toThrow(says);
    expect(() => act({ kind: 'undo' })).toThrow(/key/);
    expect(() => read(requests.WorkActs, { head: UUID, acts: [] })).toThrow(/acts/);
    expect(() => read(requests.WorkActs, { acts: [{ kind: 'undo', key: KEY }] })).toThrow(/head/);
  });
});

describe('text that cannot be stored', () => {
  it('is refused where it is written', () => {
    for (const text of ['a\u0000b', 'a\ud800']) {
      expect(() => read(requests.CommissionStart, { name: text })).toThrow(/control characters/);
      expect(() => read(requests.RoundStart, { requestKey: KEY, prompt: text })).toThrow(/control characters/);
      expect(() => read(requests.Ground, { name: text, hex: '#112233' })).toThrow(/control characters/);
    }
    expect(read(requests.CommissionStart, { name: 'Ночь 🌙', notes: 'two\nlines' })).toMatchObject({ name: 'Ночь 🌙' });
  });
});

describe('decisions and deliveries', () => {
  it('are what they can be', () => {
    expect(read(requests.Decision, { decision: 'kept' })).toEqual({ decision: 'kept' });
    expect(() => read(requests.Decision, { decision: 'maybe' })).toThrow(/decision/);
    expect(read(requests.DeliveryStart, { requestKey: KEY, head: UUID })).toEqual({
      requestKey: KEY,
      head: UUID,
      note: '',
      sets: {},
    });
    const row = { workId: UUID, head: UUID, look: 'master', for: ['print', 'web'] };
    const asked = (more: object) => read(requests.DeliveryStart, { requestKey: KEY, head: UUID, rows: [row], ...more });
    expect(asked({})).toMatchObject({ rows: [row] });
    expect(asked({ sets: { press: { '#f4c552': { spot: ' Lamp ' } } } })).toMatchObject({ sets: { press: { '#F4C552': { spot: 'Lamp' } } } }); // prettier-ignore
    expect(() => asked({ rows: [{ ...row, for: ['posters'] }] })).toThrow();
    expect(() => asked({ sets: { large: [{ name: 'a/b', longerMm: 900 }] } })).toThrow('small letters');
    expect(() => asked({ sets: { web: { basePx: 256, times: [] } } })).toThrow('at least one');
    expect(() => asked({ sets: { stickers: { longerMm: [60_000], cutMm: 2 } } })).toThrow('50 m or less');
    expect(() => asked({ sets: { press: { '#F4C552': { cmyk: [0, 0, 0, 101] } } } })).toThrow();
    expect(() => read(requests.DeliveryStart, { requestKey: KEY, head: UUID, note: 'x'.repeat(301) })).toThrow(
      /at most 300/,
    );
  });
});

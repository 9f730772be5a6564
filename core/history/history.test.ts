import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { applyDelta, deltaBetween, DeltaError, keepsWhole, reversed, type Delta } from './index';

/** States as works have them: records, lists of members with ids that nest, lists without. */
const leaf = fc.oneof(fc.integer({ min: -9, max: 9 }), fc.string({ maxLength: 3 }), fc.boolean(), fc.constant(null));
const plainList = fc.array(fc.oneof(leaf, fc.tuple(fc.integer(), fc.integer())), { maxLength: 6 });
const member = (depth: number): fc.Arbitrary<{ id: string }> =>
  fc.record(
    {
      id: fc.constantFrom(...'abcdefghij'),
      name: leaf,
      at: plainList,
      ...(depth > 0 ? { nodes: members(depth - 1) } : {}),
    },
    { requiredKeys: ['id'] },
  ) as fc.Arbitrary<{ id: string }>;
const members = (depth: number) => fc.uniqueArray(member(depth), { maxLength: 7, selector: (m) => m.id });
const state = fc.record(
  { size: leaf, nodes: members(2), inks: members(0), more: plainList },
  { requiredKeys: ['nodes'] },
);

const throughJson = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;

describe('what changed', () => {
  it('leads from one state to the other, and back, through JSON as well', () => {
    fc.assert(
      fc.property(state, state, (before, after) => {
        const delta = deltaBetween(before, after);
        if (!delta) return expect(before).toEqual(after);
        const kept = throughJson(delta);
        expect(applyDelta(before, kept)).toEqual(after);
        expect(applyDelta(after, reversed(kept))).toEqual(before);
        return undefined;
      }),
      { numRuns: 600 },
    );
  });

  it('is nothing between states that are the same', () => {
    fc.assert(fc.property(state, (s) => deltaBetween(s, throughJson(s)) === null));
  });

  it('leaves the state that it is applied to as it was, and shares what did not change', () => {
    const before = {
      nodes: [
        { id: 'a', at: [1, 2] },
        { id: 'b', at: [3] },
      ],
    };
    const text = JSON.stringify(before);
    const after = applyDelta(
      before,
      deltaBetween(before, {
        nodes: [
          { id: 'a', at: [1, 2] },
          { id: 'b', at: [4] },
        ],
      })!,
    );
    expect(JSON.stringify(before)).toBe(text);
    expect(after.nodes[0]).toBe(before.nodes[0]);
  });

  it('is small where little changed, also when a member moves through a long list', () => {
    const nodes = Array.from({ length: 3000 }, (_, k) => ({
      id: `piece-${k}`,
      contours: [{ start: [k, k], segments: [{ to: [1, 2] }] }],
    }));
    const [first, ...rest] = nodes;
    const moved = deltaBetween({ nodes }, { nodes: [...rest.slice(0, 1500), first, ...rest.slice(1500)] })!;
    expect(JSON.stringify(moved).length).toBeLessThan(120);
    const recoloured = deltaBetween({ nodes }, { nodes: nodes.map((n, k) => (k === 700 ? { ...n, inkId: 'x' } : n)) })!;
    expect(JSON.stringify(recoloured).length).toBeLessThan(120);
    const point = deltaBetween(
      { nodes },
      {
        nodes: nodes.map((n, k) =>
          k === 700 ? { ...n, contours: [{ ...n.contours[0], segments: [{ to: [5, 2] }] }] } : n,
        ),
      },
    )!;
    expect(JSON.stringify(point).length).toBeLessThan(220);
  });

  it('is refused by a state that it was not made of', () => {
    const delta = deltaBetween({ nodes: [{ id: 'a' }, { id: 'b' }] }, { nodes: [{ id: 'b' }] })!;
    expect(() => applyDelta({ nodes: [{ id: 'x' }] }, delta)).toThrow(DeltaError);
    expect(() => applyDelta({ nodes: 5 } as unknown as { nodes: [] }, delta)).toThrow(DeltaError);
    const within: Delta = { fields: { nodes: { left: [], came: [], within: { q: { to: 1 } } } } };
    expect(() => applyDelta({ nodes: [{ id: 'a' }] }, within)).toThrow(DeltaError);
  });
});

describe('whole states', () => {
  it('are kept so often that few steps are gone through, and so seldom that they cost little', () => {
    let [wholes, steps, bytes] = [0, 0, 0];
    for (let k = 0; k < 1000; k++) {
      steps++;
      bytes += 300;
      if (!keepsWhole(steps, bytes, 300_000)) continue;
      wholes++;
      [steps, bytes] = [0, 0];
    }
    expect(wholes).toBe(25);
    // A change as large as the state is not worth going through.
    expect(keepsWhole(1, 400_000, 300_000)).toBe(true);
  });
});

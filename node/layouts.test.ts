/** Layouts of marks with the faces that ship. */
import { describe, expect, it } from 'vitest';
import { drawLockup, LAYOUTS, layoutsOf, type LaidOut } from '../core/typeset';
import { circleOfArcs, mapContour, rectangle, tightBox, type Box } from '../core/path';
import { allPieces, findNode, piecesWithin, type Artwork } from '../core/vector';
import { familyNamed, openFamily } from './faces';

const mark: Artwork = {
  widthPx: 100,
  heightPx: 60,
  inks: [
    { id: 'a', hex: '#F2C14E', name: 'lamp' },
    { id: 'b', hex: '#182A5C', name: 'midnight' },
  ],
  nodes: [
    { kind: 'piece', id: 'disc', inkId: 'a', contours: [circleOfArcs(50, 30, 28)] },
    { kind: 'piece', id: 'bar', inkId: 'b', contours: [rectangle(10, 25, 80, 10)] },
  ],
  guides: [],
};
const NAME = 'Noctule Night Rail';
const LINE = 'Sleeper trains since 1998';
type Lockup = LaidOut & { readonly artwork: Artwork };
const of = { workId: crypto.randomUUID(), stepId: crypto.randomUUID(), artwork: mark };
const all = async (name = NAME, line = LINE, face = 'Jost'): Promise<Lockup[]> => {
  const facts = familyNamed(face)!;
  const family = await openFamily(facts, name + name.toUpperCase() + line + line.toUpperCase());
  const familyOf = () => family;
  return layoutsOf({ mark: of, name, line, face: { family: facts.id, weight: 400 }, familyOf }).map((l) => ({
    ...l,
    artwork: drawLockup(l.lockup, { artworkOf: () => mark, familyOf }).artwork,
  }));
};

/** Where a part of a lockup lies, by its name. */
function boxOfPart({ artwork }: Lockup, name: string): Box | null {
  const nodes = artwork.nodes.filter((n) => n.name === name);
  const contours = nodes.flatMap((n) =>
    piecesWithin(findNode(artwork, n.id)!).flatMap((p) => p.node.contours.map((c) => mapContour(p.map, c))),
  );
  return tightBox(contours);
}
const middle = (b: Box): [number, number] => [b.x + b.width / 2, b.y + b.height / 2];
const by = (list: readonly Lockup[], id: string): Lockup => list.find((l) => l.id === id)!;

describe('layouts', () => {
  it('are twelve and more, each with the mark and the name whole, and clear space about them', async () => {
    const list = await all();
    expect(list.length).toBeGreaterThanOrEqual(12);
    expect(list.map((l) => l.id)).toEqual(LAYOUTS.map((l) => l.id));
    for (const lockup of list) {
      const { widthPx, heightPx, inks } = lockup.artwork;
      const letters = allPieces({ ...lockup.artwork, nodes: lockup.artwork.nodes.filter((n) => n.name === 'Name') });
      expect(inks.find((i) => i.id === letters[0]?.inkId)?.name).toBe(
        lockup.id === 'ribbon' ? 'lamp' : lockup.id === 'monogram' ? undefined : 'midnight',
      );
      const parts = ['Mark', 'Name', 'Text', 'Line', 'Double ring', 'Shield', 'Ribbon'].flatMap(
        (n) => boxOfPart(lockup, n) ?? [],
      );
      for (const b of parts) {
        expect(b.x, lockup.id).toBeGreaterThan(20);
        expect(b.x + b.width, lockup.id).toBeLessThan(widthPx - 20);
        expect(b.y, lockup.id).toBeGreaterThan(20);
        expect(b.y + b.height, lockup.id).toBeLessThan(heightPx - 20);
      }
      const m = boxOfPart(lockup, 'Mark');
      if (m) expect(m.width / m.height).toBeCloseTo(80 / 56, 1);
    }
  });

  it('stand as they say: beside, above, in the middle of a ring, as wide as one another', async () => {
    const list = await all();
    const beside = by(list, 'beside');
    const [m, n] = ['Mark', 'Name'].map((k) => boxOfPart(beside, k)!);
    expect(m.x + m.width).toBeLessThan(n.x);
    const above = by(list, 'above-line');
    const [am, an, al] = ['Mark', 'Name', 'Line'].map((k) => boxOfPart(above, k)!);
    expect(am.y + am.height).toBeLessThan(an.y);
    expect(an.y + an.height).toBeLessThan(al.y);
    for (const b of [am, al]) expect(middle(b)[0]).toBeCloseTo(middle(an)[0], 0);
    expect(al.width / an.width).toBeCloseTo(1, 2);
    const emblem = by(list, 'emblem');
    const [em, er, en, el] = ['Mark', 'Double ring', 'Name', 'Line'].map((k) => boxOfPart(emblem, k)!);
    expect(middle(em)[0]).toBeCloseTo(middle(er)[0], 1);
    expect(middle(em)[1]).toBeCloseTo(middle(er)[1], 1);
    expect(middle(en)[1]).toBeLessThan(middle(er)[1]);
    expect(middle(el)[1]).toBeGreaterThan(middle(er)[1]);
  });

  it('are those that the name, the line and the script allow', async () => {
    const plain = await all('Noctule', '');
    expect(plain.map((l) => l.id)).not.toContain('beside-line');
    expect(plain.map((l) => l.id)).not.toContain('between');
    expect(plain.map((l) => l.id)).toContain('emblem');
    const long = await all('The Quite Exceedingly Long Name of a Society for Night Trains', 'since 1998');
    const ring = boxOfPart(by(long, 'emblem'), 'Double ring')!;
    const name = boxOfPart(by(long, 'emblem'), 'Name')!;
    expect(name.width).toBeLessThan(ring.width);
    expect((await all('夜行列車', '', 'Noto Sans JP')).length).toBeGreaterThan(6);
    expect((await all('שלום עולם', '', 'Rubik')).length).toBeGreaterThan(6);
    const family = await openFamily(familyNamed('Jost')!, 'A');
    const bare = { ...of, artwork: { ...mark, inks: [], nodes: [] } };
    const nothing = layoutsOf({ mark: bare, name: 'A', face: { family: 'jost', weight: 400 }, familyOf: () => family }, ['name']); // prettier-ignore
    expect(nothing).toHaveLength(1);
  });
});

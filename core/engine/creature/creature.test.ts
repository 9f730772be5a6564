import { describe, expect, it } from 'vitest';
import { axisOf, boxOfRuns, grown, intersect, moved, sizeOf, subtract, union, type Area } from '../../path';
import { disc } from '../area';
import { outlineOf, silhouetteOf, type Figure, type Part } from '../figure';
import { curledParts, CREATURES, creatureOf, dressFrom, EXPRESSION_NAMES, expressionOf, faceParts, figureParts, GESTURES, handParts, hasProfile, headParts, isRole, profileParts, POSES, ROLE_NAMES, sideParts, STANCE_NAMES, stanceOf, TONES } from '.'; // prettier-ignore
import { hatParts, type Hat } from './dress';
import { measuresOf } from './head';
import { browOf } from './upright';
import { bone, DARK, filleted, LIGHT, spline, taper } from './pieces';

const still = (): number => 0;
const figure = (parts: readonly Part[]): Figure => ({ name: 'probe', tones: TONES, parts });
const silhouette = (parts: readonly Part[]): Area => silhouetteOf(figure(parts));
/** Pieces that do not touch one another. */
const islands = (area: Area): number => area.filter((ring) => sizeOf([ring]) > 2).length;
const kinds = [...CREATURES];
/** What two areas share of what they cover. */
const overlap = (p: Area, q: Area): number => sizeOf(intersect(p, q)) / sizeOf(union(p, q));
/** How alike two outlines are, each brought to the same box. */
function alike(p: Area, q: Area): number {
  const fit = (a: Area): Area => {
    const b = boxOfRuns(a)!;
    const s = 100 / Math.max(b.width, b.height);
    return moved(a, [s, 0, 0, s, 50 - s * (b.x + b.width / 2), 50 - s * (b.y + b.height / 2)]);
  };
  return overlap(fit(p), fit(q));
}

describe('bones', () => {
  it('are the convex hull of two discs', () => {
    const area = bone([20, 50, 8], [70, 50, 4]);
    expect(sizeOf(subtract(union(disc(20, 50, 8), disc(70, 50, 4)), grown(area, 0.05)))).toBeLessThan(0.01);
    // By the formula for two circles with outer tangents.
    const [d, R, r] = [50, 8, 4];
    const alpha = Math.asin((R - r) / d);
    const exact =
      Math.sqrt(d * d - (R - r) ** 2) * (R + r) + R * R * (Math.PI / 2 + alpha) + r * r * (Math.PI / 2 - alpha);
    expect(sizeOf(area)).toBeCloseTo(exact, -1);
    expect(Math.abs(sizeOf(area) / exact - 1)).toBeLessThan(0.005);
  });
  it('within each other are the larger disc', () => {
    expect(sizeOf(bone([50, 50, 20], [52, 50, 5]))).toBeCloseTo(sizeOf(disc(50, 50, 20, 56)), 3);
  });
  it('go smoothly through their points', () => {
    const points = [[10, 10, 1], [30, 40, 2], [60, 20, 3]]; // prettier-ignore
    const line = spline(points, false);
    for (const p of points) expect(line.some((q) => Math.hypot(q[0] - p[0], q[1] - p[1]) < 1e-6)).toBe(true);
    expect(islands(taper([10, 10, 3], [30, 40, 2], [60, 20, 3]))).toBe(1);
  });
  it('are rounded where they meet, and nowhere thinner', () => {
    const cross = union(bone([20, 50, 4], [80, 50, 4]), bone([50, 20, 4], [50, 80, 4]));
    const soft = filleted(cross, 3);
    expect(sizeOf(subtract(cross, grown(soft, 0.05)))).toBeLessThan(0.5);
    expect(sizeOf(soft)).toBeGreaterThan(sizeOf(cross) + 4);
  });
});

describe('heads', () => {
  it('are of more than forty kinds, each known by its outline', () => {
    expect(kinds.length).toBeGreaterThan(60);
    const outlines = kinds.filter(([, k]) => k.muzzle !== 'human').map(([name, kind]) => [name, silhouette(headParts(kind, 'calm', still)), headParts(kind, 'calm', still)] as const); // prettier-ignore
    // Where two outlines are one, as of a crow and a robin, what is on them is not.
    for (const [i, [p, a, pa]] of outlines.entries())
      for (const [q, b, pb] of outlines.slice(i + 1)) {
        const names = `${p} and ${q}`;
        if (alike(a, b) < 0.97) continue;
        const differs = pa.length !== pb.length || pa.some((p, k) => p.tone !== pb[k].tone || alike(p.area, pb[k].area) < 0.97); // prettier-ignore
        expect(differs, names).toBe(true);
      }
    let same = 0;
    for (const [i, [, a]] of outlines.entries()) if (outlines.slice(0, i).some(([, b]) => alike(a, b) > 0.97)) same++;
    expect(outlines.length - same).toBeGreaterThanOrEqual(40);
  });
  it.each(kinds)('of a %s is in one piece, and even but for hair and what winks', (_, kind) => {
    const parts = headParts(kind, 'calm', still);
    expect(islands(silhouette(parts).filter((r) => sizeOf([r]) > 12))).toBe(1);
    const isUneven = kind.marks.some((m) => ['quiff', 'hair', 'long hair', 'forelock', 'shell'].includes(m)) || kind.muzzle === 'trunk'; // prettier-ignore
    if (isUneven) return;
    const area = outlineOf(figure(parts));
    expect(overlap(area, moved(area, [-1, 0, 0, 1, 100, 0]))).toBeGreaterThan(0.985);
  });
  it.each(EXPRESSION_NAMES)('make a face that is %s and no other', (name) => {
    for (const kind of ['fox', 'bear', 'frog', 'man'].map((k) => CREATURES.get(k)!)) {
      const own = headParts(kind, name, still);
      for (const other of EXPRESSION_NAMES) {
        if (other === name) continue;
        // Told by what is dark, or on a dark face by what is light.
        const differ = [DARK, LIGHT].map((tone) => {
          const [p, q] = [own, headParts(kind, other, still)].map((parts) => union(...parts.filter((part) => part.tone === tone).map((part) => part.area))); // prettier-ignore
          return sizeOf(subtract(p, q)) + sizeOf(subtract(q, p));
        });
        // A fox smiles with its eyes alone.
        if (kind.muzzle === 'mask' && ['calm', 'happy'].includes(name) && ['calm', 'happy'].includes(other)) continue;
        expect(Math.max(...differ)).toBeGreaterThan(1);
      }
    }
  });
  it('stray by their measures', () => {
    const kind = CREATURES.get('fox')!;
    const a = silhouette(headParts(kind, 'calm', () => 1));
    const b = silhouette(headParts(kind, 'calm', () => -1));
    expect(alike(a, b)).toBeLessThan(0.97);
    expect(alike(a, b)).toBeGreaterThan(0.6);
  });
});

describe('heads in profile', () => {
  const seen = kinds.filter(([, kind]) => hasProfile(kind));
  it('are of more than forty kinds, and of none that is known from the front', () => {
    expect(seen.length).toBeGreaterThan(40);
    for (const name of ['octopus', 'koala', 'frog', 'owl', 'man']) expect(profileParts(CREATURES.get(name)!, still), name).toBeNull(); // prettier-ignore
  });
  it.each(seen)('of a %s look to the right, with one eye in the head, unlike from the front', (_, kind) => {
    const parts = profileParts(kind, still)!;
    const head = parts.find((p) => p.tone === 0 && sizeOf(p.area) > 1200)!.area;
    const all = silhouette(parts);
    const b = boxOfRuns(all)!;
    // The neck is at the left and below, the face ahead of it.
    const [low, high] = [0.92, 0.45].map((k) => boxOfRuns(intersect(all, [[b.x - 1, b.y + k * b.height, b.x + b.width + 1, b.y + k * b.height, b.x + b.width + 1, b.y + (k + 0.06) * b.height, b.x - 1, b.y + (k + 0.06) * b.height]]))!); // prettier-ignore
    expect(low.x + low.width / 2).toBeLessThan(high.x + high.width);
    const eyes = parts.filter((p) => sizeOf(p.area) > 8 && sizeOf(p.area) < 60 && sizeOf(subtract(p.area, grown(head, 1))) < 1);
    expect(eyes.length).toBeGreaterThanOrEqual(1);
    expect(alike(all, silhouette(headParts(kind, 'calm', still)))).toBeLessThan(0.9);
    // Two of them are not one animal: what stands out of the head is its own.
    expect(parts.length).toBeGreaterThanOrEqual(4);
  }); // prettier-ignore
});

describe('faces', () => {
  it('are where they are put', () => {
    const parts = faceParts({ x: 30, y: 40, apart: 8, eye: 3, mouth: { y: 54, half: 5 } }, 'happy');
    const box = boxOfRuns(parts.flatMap((p) => p.area))!;
    expect(box.x + box.width / 2).toBeCloseTo(30, 0);
    expect(box.y).toBeGreaterThan(33);
    expect(box.y + box.height).toBeLessThan(62);
  });
  it('follow what is said', () => {
    expect(expressionOf('grinning')).toBe('laughing');
    expect(expressionOf('furious')).toBe('angry');
    expect(expressionOf('wooden')).toBeNull();
    expect(expressionOf(null)).toBeNull();
  });
});

const bodied = kinds.filter(([, k]) => k.body);
describe('whole animals', () => {
  it.each(bodied)('a %s stands, sits, runs, flies and leaps in one piece', (_, kind) => {
    const outlines = POSES.map((pose) => {
      const parts = sideParts(kind, pose, still)!;
      const area = silhouette(parts);
      // What spouts from a whale is not joined to it.
      const main = [...area].sort((p, q) => sizeOf([q]) - sizeOf([p]))[0];
      expect(sizeOf([main])).toBeGreaterThan(0.97 * area.filter((r) => sizeOf([r]) > 0).reduce((s, r) => s + sizeOf([r]), 0) - 40); // prettier-ignore
      return area;
    });
    if (kind.body!.build === 'penguin' || kind.body!.build === 'raptor') return;
    const different = outlines.filter((a, i) => outlines.every((b, j) => j <= i || alike(a, b) < 0.93));
    expect(different.length).toBeGreaterThanOrEqual(4);
  });
  it('hold their joints together however they stray', () => {
    for (const name of ['cat', 'horse', 'giraffe', 'mouse', 'bear'])
      for (const by of [-1, -0.4, 0.6, 1])
        for (const pose of POSES) {
          const parts = sideParts(CREATURES.get(name)!, pose, (n) => by * (n.length % 2 ? 1 : -1))!;
          expect(islands(silhouette(parts).filter((r) => sizeOf([r]) > 12))).toBe(1);
        }
  });
  it('have the weight low when they sit, and lie long when they run', () => {
    for (const name of ['fox', 'dog', 'cat', 'horse']) {
      const box = (pose: (typeof POSES)[number]) =>
        boxOfRuns(silhouette(sideParts(CREATURES.get(name)!, pose, still)!))!;
      expect(box('sitting').height / box('sitting').width).toBeGreaterThan(
        box('standing').height / box('standing').width,
      );
      expect(box('running').width / box('running').height).toBeGreaterThan(1.5);
      expect(Math.abs(axisOf(silhouette(sideParts(CREATURES.get(name)!, 'running', still)!))!.angleRad)).toBeLessThan(
        0.4,
      );
    }
  });
  it('lie low and long, and stretch with the head before and the rump up', () => {
    for (const name of ['fox', 'dog', 'cat', 'lion', 'bear', 'horse']) {
      const kind = CREATURES.get(name)!;
      const box = (pose: 'standing' | 'lying' | 'stretching') => boxOfRuns(silhouette(sideParts(kind, pose, still)!))!;
      const [stands, lies] = [box('standing'), box('lying')];
      expect(lies.width / lies.height, name).toBeGreaterThan(1.1 * (stands.width / stands.height));
      expect(islands(silhouette(sideParts(kind, 'lying', still)!).filter((r) => sizeOf([r]) > 12)), name).toBe(1);
      const bowed = silhouette(sideParts(kind, 'stretching', still)!);
      const b = boxOfRuns(bowed)!;
      // Of what is above the middle, most is behind it.
      const high = intersect(bowed, [[b.x, b.y, b.x + b.width, b.y, b.x + b.width, b.y + 0.4 * b.height, b.x, b.y + 0.4 * b.height]]); // prettier-ignore
      const behind = intersect(high, [[b.x, b.y, b.x + b.width / 2, b.y, b.x + b.width / 2, b.y + b.height, b.x, b.y + b.height]]); // prettier-ignore
      expect(sizeOf(behind) / sizeOf(high), name).toBeGreaterThan(0.4);
    }
  });
  it('raise a trunk over the head, and not the head', () => {
    const elephant = CREATURES.get('elephant')!;
    const [down, up] = (['standing', 'howling'] as const).map((pose) => boxOfRuns(silhouette(sideParts(elephant, pose, still)!))!); // prettier-ignore
    expect(up.y).toBeLessThan(down.y);
    expect(up.x + up.width).toBeGreaterThan(down.x + down.width);
  });
  it('curl up round', () => {
    const box = boxOfRuns(silhouette(curledParts(CREATURES.get('fox')!, still)!))!;
    expect(box.width / box.height).toBeLessThan(1.7);
    expect(curledParts(CREATURES.get('eagle')!, still)).toBeNull();
    expect(curledParts(CREATURES.get('octopus')!, still)).toBeNull();
  });
  it('that are built like another are told', () => {
    expect(creatureOf('puppy')).toBe('dog');
    expect(creatureOf('arctic fox')).toBe('fox');
    expect(creatureOf('teapot')).toBeNull();
  });
});

/** Somebody plain, standing. */
const options = {
  stance: 'standing',
  expression: 'happy',
  age: 'grown',
  dress: {},
  held: null,
  crop: 'whole',
} as const;

describe('upright figures', () => {
  const fox = CREATURES.get('fox')!;
  it.each(kinds)('of a %s are in one piece', (_, kind) => {
    expect(islands(silhouette(figureParts(kind, options, still)).filter((r) => sizeOf([r]) > 14))).toBe(1);
  });
  it('stand in six ways that one can tell apart, with one head', () => {
    const all = STANCE_NAMES.map((stance) => silhouette(figureParts(fox, { ...options, stance }, still)));
    for (const [i, a] of all.entries()) for (const b of all.slice(i + 1)) expect(alike(a, b)).toBeLessThan(0.93);
    const heads = STANCE_NAMES.map((stance) => figureParts(fox, { ...options, stance }, still).slice(-headParts(fox, 'happy', still).length)); // prettier-ignore
    for (const h of heads) expect(h).toEqual(heads[0]);
  });
  it('are the younger the larger their heads are', () => {
    const headShare = (age: 'young' | 'grown' | 'tall'): number =>
      sizeOf(silhouette(figureParts(fox, { ...options, age, crop: 'head' }, still))) / sizeOf(silhouette(figureParts(fox, { ...options, age }, still))); // prettier-ignore
    expect(headShare('young')).toBeGreaterThan(headShare('grown') * 1.15);
    expect(headShare('grown')).toBeGreaterThan(headShare('tall') * 1.15);
  });
  it('have what they hold in the hand, with fingers before it', () => {
    const bar: Area = [[-0.06, -0.5, 0.06, -0.5, 0.06, 0.5, -0.06, 0.5]];
    const held = { parts: [{ tone: 5, area: bar }], size: 40, isWide: false };
    const parts = figureParts(fox, { ...options, held }, still);
    const at = parts.findIndex((p) => p.tone === 5);
    const over = union(...parts.slice(at + 1).map((p) => p.area));
    expect(sizeOf(intersect(parts[at].area, over))).toBeGreaterThan(4);
    // Most of it shows all the same.
    expect(sizeOf(subtract(parts[at].area, over))).toBeGreaterThan(0.6 * sizeOf(parts[at].area));
    expect(islands(silhouette(parts))).toBe(1);
  });
  it('are cut at the chest as a bust', () => {
    const bust = boxOfRuns(silhouette(figureParts(fox, { ...options, crop: 'bust' }, still)))!;
    const whole = boxOfRuns(silhouette(figureParts(fox, options, still)))!;
    expect(bust.height).toBeLessThan(0.75 * whole.height);
  });
  it('take a word for what somebody does', () => {
    expect(stanceOf('waving')).toBe('waving');
    expect(stanceOf('jogging')).toBe('running');
    expect(stanceOf('meditating')).toBe('sitting');
    expect(stanceOf('glowing')).toBeNull();
  });
});

describe('dress', () => {
  it('there is for more than thirty trades, each unlike a bare figure', () => {
    const dresses = new Set(ROLE_NAMES.map((r) => JSON.stringify({ ...dressFrom(r), tools: undefined })));
    expect(dresses.size).toBeGreaterThanOrEqual(30);
    for (const role of ROLE_NAMES) {
      expect(isRole(role)).toBe(true);
      expect(Object.keys(dressFrom(`a fox ${role}`)).length).toBeGreaterThan(0);
    }
    expect(isRole('bakers')).toBe(true);
    expect(isRole('teapot')).toBe(false);
  });
  it('follows what is named over the trade', () => {
    expect(dressFrom('a fox baker with a top hat and a scarf')).toMatchObject({
      hat: 'top hat',
      neck: 'scarf',
      top: 'apron',
    });
    expect(dressFrom('a fox')).toEqual({});
    // A word within another is not the word.
    expect(dressFrom('an owl for a business of captains')).toMatchObject({ hat: 'cap' });
  });
  it.each(['cap', 'chef', 'helmet', 'straw', 'cowboy', 'crown', 'top hat', 'beret', 'beanie', 'mortarboard', 'nurse', 'wizard', 'pirate', 'sailor', 'bandana', 'headband', 'fire', 'detective', 'viking', 'space', 'headphones', 'goggles', 'helm'] as Hat[])(
    'a %s sits on the head',
    (hat) => {
      const { behind, front } = hatParts(hat, { x: 50, y: 30, half: 22, middle: 52, cheek: 30 }, 1, 2);
      const box = boxOfRuns([...behind, ...front].flatMap((p) => p.area))!;
      expect(Math.abs(box.x + box.width / 2 - 50)).toBeLessThan(9);
      expect(box.y).toBeLessThan(34);
      expect(box.y + box.height).toBeGreaterThan(27);
    },
  ); // prettier-ignore
});

describe('hands', () => {
  it.each(GESTURES)('%s is in one piece, and no other', (gesture) => {
    const own = silhouette(handParts(gesture, still));
    expect(islands(own)).toBe(1);
    for (const other of GESTURES) if (other !== gesture) expect(alike(own, silhouette(handParts(other, still)))).toBeLessThan(0.93); // prettier-ignore
  });
});

describe('where a hat sits', () => {
  it('leaves the eyes free, on every head', () => {
    for (const [name, kind] of kinds) {
      const m = measuresOf(kind, still);
      const peak = boxOfRuns(union(...hatParts('cap', browOf(kind, m), 1, 2).front.map((p) => p.area)))!;
      const isBetween = kind.marks.includes('bumps');
      if (isBetween) expect(peak.width / 2, name).toBeLessThan(m.apart - 3);
      else expect(peak.y + peak.height, name).toBeLessThan(m.eyeY - 3);
    }
  });
  it('has long ears lean out beside it', () => {
    const rabbit = CREATURES.get('rabbit')!;
    const widthOf = (isCovered: boolean): number => boxOfRuns(silhouette(headParts(rabbit, 'calm', still, isCovered)))!.width; // prettier-ignore
    expect(widthOf(true)).toBeGreaterThan(widthOf(false) + 15);
  });
});

describe('animals that stand as people do', () => {
  const dress = {};
  const plain = { stance: 'standing', expression: 'happy', age: 'grown', dress, held: null, crop: 'whole' } as const;
  const standing = (name: string, more: object = {}): Part[] => figureParts(CREATURES.get(name)!, { ...plain, ...more }, still); // prettier-ignore
  const heightOf = (parts: readonly Part[]): number => boxOfRuns(silhouette(parts))!.height;

  it('have larger heads than people have', () => {
    const share = (name: string): number => heightOf(standing(name, { crop: 'head' })) / heightOf(standing(name));
    for (const name of ['bear', 'cat', 'fox', 'mouse']) expect(share(name)).toBeGreaterThan(share('man') + 0.05);
  });
  it.each(['goose', 'swan', 'heron', 'flamingo'])('have, as a %s, a small head on a long neck', (name) => {
    const [head, whole] = [standing(name, { crop: 'head' }), standing(name)].map((parts) =>
      boxOfRuns(silhouette(parts))!,
    );
    const duck = boxOfRuns(silhouette(standing('duck', { crop: 'head' })))!;
    expect(head.width).toBeLessThan(0.8 * duck.width);
    // Between the head and the body it is slim.
    const y = head.y + head.height + 3;
    const neck = boxOfRuns(intersect(silhouette(standing(name)), [[0, y, 100, y, 100, y + 2, 0, y + 2]]))!;
    expect(neck.width).toBeLessThan(0.5 * whole.width);
  });
  it('have dark pupils in white eyes where their fur is dark, and what shines in them is cut out', () => {
    const head = headParts(CREATURES.get('bear')!, 'calm', still);
    const { eyeY, apart } = measuresOf(CREATURES.get('bear')!, still);
    const eye = disc(50 + apart, eyeY, 9);
    const within = (tone: number): number => sizeOf(intersect(eye, union(...head.filter((p) => p.tone === tone).map((p) => p.area)))); // prettier-ignore
    expect(within(DARK)).toBeGreaterThan(20);
    expect(within(3)).toBeGreaterThan(within(DARK));
    const pupil = head.find((p) => p.tone === DARK && sizeOf(intersect(p.area, eye)) > 20)!;
    expect(sizeOf(intersect(pupil.area, disc(50 + apart - 1.4, eyeY - 2.2, 1)))).toBeLessThan(0.5);
  });
  it('hold two things, one in each hand, mirrored', () => {
    const stick = {
      parts: [{ tone: 5, area: [[-0.1, -0.5, 0.1, -0.5, 0.1, 0.5, -0.1, 0.5]] }],
      size: 30,
      isWide: false,
    };
    const sword = { ...stick, parts: [{ ...stick.parts[0], tone: 6 }] };
    const parts = standing('bear', { held: stick, other: sword });
    const [right, left] = [5, 6].map((tone) => boxOfRuns(parts.filter((p) => p.tone === tone).flatMap((p) => p.area))!);
    expect(right.x + right.width / 2 + left.x + left.width / 2).toBeCloseTo(100, 0);
    expect(right.x).toBeGreaterThan(60);
    expect(right.y).toBeCloseTo(left.y, 1);
    // A wide thing takes both hands, and leaves none for another.
    const wide = standing('bear', { held: { ...stick, isWide: true }, other: sword });
    expect(wide.some((p) => p.tone === 6)).toBe(false);
  });
});

describe('birds that fly', () => {
  it.each(['crow', 'hawk', 'pigeon', 'robin'])('have, as a %s, wings longer than their bodies are high', (name) => {
    const kind = CREATURES.get(name)!;
    const [flying, sitting] = (['flying', 'sitting'] as const).map((pose) => boxOfRuns(silhouette(sideParts(kind, pose, still)!))!); // prettier-ignore
    expect(flying.height).toBeGreaterThan(1.25 * sitting.height);
  });
});

describe('what a body says', () => {
  const wolf = CREATURES.get('wolf')!;
  const box = (parts: readonly Part[]) => boxOfRuns(silhouette(parts))!;
  it('by a howl: the muzzle is up, higher than the ears are of who sits', () => {
    const [sits, howls] = (['sitting', 'howling'] as const).map((pose) => sideParts(wolf, pose, still)!);
    expect(alike(silhouette(sits), silhouette(howls))).toBeLessThan(0.92);
    // The nose is the foremost dark disc of a head: the last but one of its parts.
    const nose = (parts: readonly Part[]): number => boxOfRuns(parts.at(-2)!.area)!.y;
    expect(nose(howls)).toBeLessThan(nose(sits) - 8);
    expect(islands(silhouette(howls))).toBe(1);
  });
  it('by grazing: the head is down at the feet, for every build on four of them', () => {
    for (const name of ['deer', 'horse', 'cow', 'sheep', 'wolf', 'cat']) {
      const [stands, grazes] = (['standing', 'grazing'] as const).map((pose) => sideParts(CREATURES.get(name)!, pose, still)!); // prettier-ignore
      const eye = (parts: readonly Part[]): number => boxOfRuns(parts.at(-1)!.area)!.y;
      const b = box(grazes);
      expect(eye(grazes), name).toBeGreaterThan(eye(stands) + 12);
      expect(eye(grazes), name).toBeGreaterThan(b.y + 0.45 * b.height);
    }
  });
  it('by boots: they are on the feet, reach up the shin, and take the colour that is said of them', () => {
    const of = (dress: ReturnType<typeof dressFrom>) => figureParts(CREATURES.get('fox')!, { stance: 'standing', expression: 'happy', dress, held: null, age: 'grown', crop: 'whole' } as unknown as Parameters<typeof figureParts>[1], still); // prettier-ignore
    expect(dressFrom('a fox in rubber boots').hasBoots).toBe(true);
    expect(dressFrom('a boot').hasBoots).toBeUndefined();
    const [bare, shod] = [of({}), of({ hasBoots: true, dyes: { feet: '#aa0000' } })];
    const red = shod.filter((p) => p.dye === '#aa0000');
    expect(red.length).toBeGreaterThanOrEqual(2);
    const [b, r] = [box(bare), boxOfRuns(union(...red.map((p) => p.area)))!];
    expect(r.y).toBeGreaterThan(b.y + 0.7 * b.height);
    expect(r.height).toBeGreaterThan(0.06 * b.height);
  });
});

describe('what has no legs', () => {
  const upright = (name: string, more: object = {}): Part[] => figureParts(CREATURES.get(name)!, { ...options, ...more }, still); // prettier-ignore
  const bar: Area = [[-0.06, -0.5, 0.06, -0.5, 0.06, 0.5, -0.06, 0.5]];
  const held = { parts: [{ tone: 5, area: bar }], size: 40, isWide: false };
  const areaOf = (parts: readonly Part[], of: string): Area =>
    union(...parts.filter((p) => p.of === of).map((p) => p.area));

  it.each(['shark', 'whale', 'dolphin', 'orca', 'fish'])(
    'stands, as a %s, on its tail, its face over its belly',
    (name) => {
      const parts = upright(name);
      const [whole, tail, face] = [silhouette(parts), areaOf(parts, 'tail'), areaOf(parts, 'face')].map((a) =>
        boxOfRuns(a)!,
      );
      expect(tail.y + tail.height).toBeCloseTo(whole.y + whole.height, 3);
      expect(Math.abs(tail.x + tail.width / 2 - 50)).toBeLessThan(0.01);
      // The face is in the middle, and in its upper half.
      expect(Math.abs(face.x + face.width / 2 - 50)).toBeLessThan(0.5);
      expect(face.y + face.height).toBeLessThan(whole.y + 0.62 * whole.height);
      expect(silhouette(upright(name, { stance: 'jumping' }))).not.toEqual(silhouette(parts));
    },
  );
  it.each(['shark', 'fish', 'snake'])('has, as a %s, truly hold of what it holds', (name) => {
    const parts = upright(name, { held });
    const at = parts.findIndex((p) => p.tone === 5);
    const over = intersect(parts[at].area, union(...parts.slice(at + 1).map((p) => p.area)));
    expect(sizeOf(over)).toBeGreaterThan(4);
    expect(sizeOf(over)).toBeLessThan(0.5 * sizeOf(parts[at].area));
    expect(islands(silhouette(parts))).toBe(1);
  });
  it('leaves the eyes of what swims free under any hat', () => {
    for (const name of ['shark', 'whale', 'dolphin', 'fish'])
      for (const hat of ['cap', 'chef', 'sailor', 'straw'] as const) {
        const parts = upright(name, { dress: { hat } });
        const eye = parts.findIndex((p) => p.of === 'face');
        const over = union(...parts.slice(parts.findLastIndex((p) => p.of === 'face') + 1).map((p) => p.area));
        expect(sizeOf(intersect(parts[eye].area, over)), `${name} ${hat}`).toBeLessThan(0.12 * sizeOf(parts[eye].area));
      }
  });
  it('grins with teeth, as a shark, where it is in a mood for it', () => {
    const faces = (['happy', 'sad'] as const).map((expression) =>
      upright('shark', { expression }).filter((p) => p.of === 'face'),
    );
    expect(faces[0].length).toBeGreaterThan(faces[1].length);
  });
  it('is cut, as a bust, over its tail', () => {
    expect(areaOf(upright('whale', { crop: 'bust' }), 'tail')).toEqual([]);
    expect(boxOfRuns(silhouette(upright('snake', { crop: 'bust' })))!.height).toBeLessThan(
      boxOfRuns(silhouette(upright('snake')))!.height,
    );
  });
});

describe('who looks back', () => {
  const named = ['deer', 'fox', 'horse', 'wolf', 'cat', 'elephant'];
  it.each(named)('has the head of a %s over the shoulder, and the body where it was', (name) => {
    const kind = CREATURES.get(name)!;
    const [ahead, back] = (['standing', 'looking back'] as const).map((pose) => boxOfRuns(silhouette(sideParts(kind, pose, still)!))!);
    // The muzzle no longer reaches out before the chest.
    expect(back.x + back.width).toBeLessThan(ahead.x + ahead.width - 2);
    expect(Math.abs(back.x - ahead.x)).toBeLessThan(1);
    expect(Math.abs(back.y + back.height - ahead.y - ahead.height)).toBeLessThan(1);
    expect(islands(silhouette(sideParts(kind, 'looking back', still)!))).toBe(1);
  }); // prettier-ignore
});

describe('what is made, and what is small', () => {
  const upright = (name: string, more: Partial<Parameters<typeof figureParts>[1]> = {}): Part[] =>
    figureParts(CREATURES.get(name)!, { stance: 'standing', expression: 'happy', age: 'grown', dress: {}, held: null, crop: 'whole', ...more }, still); // prettier-ignore
  const named = (parts: readonly Part[], of: string): Area => union(...parts.filter((p) => p.of === of).map((p) => p.area)); // prettier-ignore
  it('a robot has its face on a dark pane, which the face does not leave', () => {
    for (const expression of EXPRESSION_NAMES) {
      const parts = headParts(CREATURES.get('robot')!, expression, still);
      const at = parts.findIndex((p) => p.tone === DARK && sizeOf(p.area) > 600);
      const [pane, ...face] = parts.slice(at);
      expect(at).toBeGreaterThan(0);
      expect(sizeOf(subtract(union(...face.map((p) => p.area)), pane.area)), expression).toBeLessThan(12);
      // What is not dark tells the face on it.
      expect(face.some((p) => p.tone === LIGHT)).toBe(true);
    }
  });
  it('its aerial makes room for a hat, and feelers come out beside one', () => {
    const top = (name: string, isCovered: boolean): number =>
      boxOfRuns(silhouette(headParts(CREATURES.get(name)!, 'calm', still, isCovered)))!.y;
    expect(top('robot', true)).toBeGreaterThan(top('robot', false) + 10);
    const width = (isCovered: boolean): number =>
      boxOfRuns(silhouette(headParts(CREATURES.get('ant')!, 'calm', still, isCovered)))!.width;
    expect(width(true)).toBeGreaterThan(width(false) + 10);
  });
  it('its grips are open, and close about what it holds', () => {
    const thing = { parts: [{ tone: 5, area: disc(0, 0, 0.5) }], size: 30, isWide: false };
    const [empty, full] = [upright('robot'), upright('robot', { held: thing })];
    expect(full.some((p) => p.tone === 5)).toBe(true);
    expect(empty.some((p) => p.tone === 5)).toBe(false);
    for (const parts of [empty, full]) expect(islands(silhouette(parts))).toBe(1);
  });
  it.each([
    ['butterfly', 'wing'],
    ['moth', 'wing'],
    ['dragonfly', 'wing'],
    ['ladybug', 'shell'],
  ])('a %s has its %ss on both sides, behind all of it', (name, of) => {
    const parts = upright(name);
    const area = named(parts, of);
    expect(parts[0].of).toBe(of);
    expect(overlap(area, moved(area, [-1, 0, 0, 1, 100, 0]))).toBeGreaterThan(0.99);
    // It is seen beside the body.
    const body = union(...parts.filter((p) => p.of !== of).map((p) => p.area));
    expect(sizeOf(subtract(area, body))).toBeGreaterThan(0.2 * sizeOf(area));
  });
  it.each(['spider', 'grasshopper', 'fly', 'firefly'])('a %s is broader than what has nothing on its back', (name) => {
    const width = (parts: readonly Part[]): number => boxOfRuns(silhouette(parts))!.width;
    expect(width(upright(name))).toBeGreaterThan(width(upright('ant')) + 6);
  });
});

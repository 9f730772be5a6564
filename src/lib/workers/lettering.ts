import { FaceShelf, type FaceAsked } from '$core/lettering';
import { lettersFor, textsOf, type Lockup } from '$core/lockup';
import { alternatesOf, drawLockup, layoutsOf, lockupLines } from '$core/typeset';
import { nearlyWithin, symmetriesOfArtwork, type Artwork } from '$core/vector';
import type { FaceToldOf } from '$lib/contract/answers';
import type { AlternatesShown, Artworks, LetteringResult, LetteringWant } from './messages';

/** What a face and its files are, from the server; what is not there is null, what does not answer an Error. */
async function fetched(path: string): Promise<Response | null> {
  const response = await fetch(path);
  if (response.status === 404) return null;
  if (!response.ok) throw new Error('A face could not be loaded: change something to try again');
  return response;
}

const shelf = new FaceShelf({
  async files(family) {
    const response = await fetched(`/api/faces/${family}`);
    return response ? ((await response.json()) as FaceToldOf).files : null;
  },
  async sfnt(family, part, weight, isItalic) {
    const response = await fetched(
      `/api/faces/${family}/files/${part}?weight=${weight}${isItalic ? '&italic=true' : ''}`,
    );
    return response ? new Uint8Array(await response.arrayBuffer()) : null;
  },
});

const familyOf = (face: FaceAsked, text: string) => shelf.family(face, text);

async function drawn(lockup: Lockup, artworks: Artworks, ground: string, lettersOf: string | null = null) {
  await Promise.all(textsOf(lockup).map((t) => shelf.load(t.face, lettersFor(t))));
  return drawLockup(lockup, { artworkOf: (mark) => artworks[mark.stepId] ?? null, familyOf }, { ground, lettersOf });
}

const axes = new Map<string, readonly { at: number; told: string }[]>();
/** Axes of no more groups than this are looked for. */
const GROUPS_MOST = 6;

/** The upright axes of an artwork and of its groups; a step never changes, so they are found once. */
function axesOf(step: string, artwork: Artwork): readonly { at: number; told: string }[] {
  let own = axes.get(step);
  if (!own) {
    const groups = artwork.nodes.filter((n) => n.kind === 'group').slice(0, GROUPS_MOST);
    own = [null, ...groups].flatMap((group) => {
      const found = symmetriesOfArtwork(artwork, group ? [group.id] : 'all', 2 * nearlyWithin(artwork));
      const axis = found.find((s) => s.kind === 'mirror' && Math.abs(s.angleDeg - 90) < 1);
      return axis?.kind === 'mirror' ? [{ at: axis.through[0], told: `axis of ${group?.name ?? 'the mark'}` }] : [];
    });
    axes.set(step, own);
  }
  return own;
}

/** What a request about lettering asks for. */
export async function answerTo(asked: LetteringWant): Promise<LetteringResult> {
  switch (asked.want) {
    case 'draw':
      return drawn(asked.lockup, asked.artworks, asked.ground, asked.lettersOf);
    case 'look':
      return {
        lines: lockupLines(
          asked.lockup,
          await drawn(asked.lockup, asked.artworks, '#FFFFFF'),
          familyOf,
          asked.artworks,
        ),
        axes: Object.fromEntries(
          Object.entries(asked.artworks).map(([step, artwork]) => [step, axesOf(step, artwork)]),
        ),
      };
    case 'layouts': {
      const { mark, name, line, face, inkId } = asked;
      const text = name + line;
      await shelf.load(face, text + text.toUpperCase());
      const made = layoutsOf({ mark, name, line, face, familyOf, ...(inkId ? { inkId } : {}) });
      const of = { artworkOf: () => mark.artwork, familyOf };
      return made.map((l) => ({ ...l, artwork: drawLockup(l.lockup, of, { ground: '#FFFFFF' }).artwork }));
    }
    case 'alternates': {
      const { face, text } = asked;
      await shelf.load(face, text);
      const family = familyOf(face, text);
      const files = shelf.filesOf(face.family);
      const found: AlternatesShown = {
        alternates: family ? alternatesOf(family, text) : [],
        axes: family?.main.axes.filter((a) => a.tag !== 'wght') ?? [],
        weights: files?.weights ?? [],
        hasItalic: files?.hasItalic ?? false,
        hasSmallCapitals: family?.main.features.includes('smcp') ?? false,
      };
      return found;
    }
  }
}

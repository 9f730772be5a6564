import { readFileSync } from 'node:fs';
import { fileFault } from './outputs';
import { UsageError } from './usage';

type Command = (args: readonly string[]) => Promise<number>;

/** Each is loaded only when it is asked for: what candidates are drawn of is large, and what lettering is set with too. */
const COMMANDS: Readonly<Record<string, () => Promise<Command>>> = {
  trace: async () => (await import('./trace')).traceCommand,
  import: async () => (await import('./drawings')).importCommand,
  shapes: async () => (await import('./drawings')).shapesCommand,
  construct: async () => (await import('./drawings')).constructCommand,
  colourways: async () => (await import('./colourways')).colourwaysCommand,
  lettering: async () => (await import('./lettering')).letteringCommand,
  faces: async () => (await import('./lettering')).facesCommand,
  lockup: async () => (await import('./lockup')).lockupCommand,
  package: async () => (await import('./package')).packageCommand,
  'cut-out': async () => (await import('./retouch')).cutOutCommand,
  mend: async () => (await import('./retouch')).mendCommand,
  retouch: async () => (await import('./retouch')).retouchCommand,
  'read-lettering': async () => (await import('./reading')).readLetteringCommand,
  candidates: async () => (await import('./candidates')).candidatesCommand,
  read: async () => (await import('./read')).readCommand,
  names: async () => (await import('./names')).namesCommand,
  prompt: async () => (await import('./prompt')).promptCommand,
  finishes: async () => (await import('./candidates')).finishesCommand,
};

/** Errors by their classes that say that the command, not a file, was wrong; and those whose message is enough. */
const MISUNDERSTOOD = ['UsageError', 'RequestError', 'AreaError', 'RetouchError', 'TraceOptionsError'];
const TOLD = ['PictureFileError', 'TaskError'];

const HELP = `odd-quill: candidates, traces and drawings from the command line

  odd-quill trace INPUT... [options]
      Turns PNG, JPEG or WebP pictures into SVG artwork.
      --out DIR|FILE.svg         where it goes; a folder when there are several inputs (beside the input)
      --colours N|auto           colours in all, ground included (auto)
      --ground keep|drop|outside keep the ground as a piece, leave it out, or leave it out
                                 outside the figure only (keep)
      --stacking stacked|cutout  pieces lie on each other, or are cut out of each other (stacked)
      --palette HEX,HEX          inks that are given, ground included, instead of found ones
      --tolerance PX             how far the trace may stray from the edges found (0.2)
      --specks PX2               areas smaller than this go to their surroundings (12)
      --symmetry auto|off|exact  look for an axis of symmetry, do not, or make the artwork symmetrical about it (auto)
      --gradients                colours that change evenly become gradients instead of bands
      --json                     one JSON object a line on standard output

  odd-quill import FILE.svg... --out DIR|FILE.svg [--json]
      Reads any static SVG as an artwork, says what is left out of it, and writes that artwork.

  odd-quill shapes FILE.svg --edits FILE.json --out FILE.svg [--json]
      Makes the edits of a JSON array to it, in turn (docs/edits.md); its pieces are n1, n2 ... from the bottom.

  odd-quill construct FILE.svg [--within PX] [--out FILE.svg] [--json]
      Finds the fewest circles, lines and angles that its outlines lie on, and the unit they share, if there is one.
      --within PX                how far outlines may lie from them (from the size of the drawing)
      --out FILE.svg             a drawing of that

  odd-quill colourways FILE.svg --out DIR [options]
      Writes it in other colours: harmonies whose contrasts hold, no two alike.
      --count N, --seed N        how many (12), and which ones (1)
      --lock NAME|HEX,...        inks that stay as they are
      --grounds HEX,...          what it will stand on (#FFFFFF)
      --least N                  contrast of inks that touch, and of those at the edge with every ground (3)
      --wanted, --unwanted HEX,... colours that are to be in, and not to be
      --free                     what is dark and what is light need not stay so
      --one-colour HEX           instead: in one colour, what touches kept apart
      --reversed HEX             instead, or as well: in one colour for a dark ground
      --json                     one JSON object a line on standard output

  odd-quill lettering --text TEXT --face NAME --out FILE.svg [options]
      Sets a text, in any script that the face has, and writes its outlines; \\n begins a line.
      --weight N, --italic       the nearest that the face has (400)
      --size PX                  the size of the type (100)
      --tracking EM              added between letters (0)
      --kerning face|optical|none   as the face says, by the letters' shapes, or none
      --leading N, --align left|centre|right   from line to line as a multiple of the size (1.2), and how lines stand
      --width PX                 made so wide, as printed: by its size, or with --size by its tracking
      --arc RADIUS --side above|below   on a circle about 0, 0, the baseline's radius in px
      --even baseline|middle|outside    where letters on it are spaced as on a straight line
      --hex HEX                  its ink (#111111)
      --json                     one JSON object on standard output: each glyph's origin, turn and advance

  odd-quill faces [--mood TEXT] [--class NAME] [--like FILE.svg] [--json]
      Lists the faces that ship, with their licences, or those that words such as "quiet, punctual" fit.
      --like FILE.svg            the likest first: in stroke weight, contrast and how round corners are

  odd-quill lockup --mark FILE.svg --name TEXT --out FILE.svg|DIR [options]
      Arranges a mark and a name: in one layout, or all that can be made of them, into a folder.
      --line TEXT                a second line
      --layout NAME              beside, beside-line, behind, above, above-line, above-rules, stacked, beside-stacked,
                                 three-lines, emblem, round, between, name, name-line, monogram, small
      --face NAME, --weight N    the face; the one that is likest to the mark when left out
      --json                     one JSON object a line on standard output

  odd-quill package FILE.svg... --name NAME --out DIR|FILE.zip [options]
      Makes and checks the files that a client is owed: a folder for each purpose, a README, what was checked, where it
      came from. A FILE may also be the -work.json of a package, with its colourways.
      --for LIST|all             print, web, shops, social, stickers, large, office, developers, motion, sheet (what
                                 makes sense of each colourway)
      --colourways LIST|all      own, one-colour, reversed (all three), a colour such as #1F2D50 for all of it, or the
                                 names of a work's colourways
      --date DAY                 the day of the delivery, which every file carries (today)
      --json                     one JSON object on standard output: files and checks

  odd-quill cut-out INPUT --out FILE.png [--inner auto|keep|drop] [--json]
      Takes the ground off a picture, with true partial coverage at its edges; the picture keeps its size.
      --inner                    enclosed areas of the ground's colour: told each (auto), all kept, all dropped

  odd-quill mend INPUT --area MASK.png --out DIR [--count 4] [--seed N] [--json]
      Fills an area (white in the mask) to match what is around it, in as many ways as asked for, the likeliest first.

  odd-quill retouch INPUT --steps FILE.json --out FILE.png [--json]
      Makes the steps of a JSON array in turn (docs/retouch.md): cover, fill, mend, take out, cut out, ground,
      colours, tone, frame.

  odd-quill read-lettering INPUT... [--asked TEXT] [--json]
      Finds and reads the lettering of pictures, straight and on arcs; a line for each picture.
      --asked TEXT               what it should say: each word is right or wrong; without, a word is wrong that is
                                 none and was read with doubt

  odd-quill candidates --prompt TEXT [options]
      Draws candidates with the stand-in image engine and writes PNG files.
      --out DIR                  where they go (the current folder)
      --count N                  how many, 1 to 8 (4)
      --seed N                   the same seed gives the same pictures (from the prompt)
      --size N                   the longer side in pixels, 64 to 4096 (1024)
      --ratio W:H                width to height (1:1)
      --leeway 0..100            how freely the engine may depart from the prompt (50)
      --leave-out TEXT           what must not appear
      --colours N                inks besides the ground, 1 to 6 (from the prompt)
      --finish NAME              over what the prompt says; \`odd-quill finishes\` lists them
      --kind NAME                pictorial, abstract, lettermark, wordmark, combination, emblem, negative space,
                                 mascot, app icon, icon sheet
      --detail 0..100            from minimal to detailed (45)
      --reference FILE           a sketch or picture to follow; may be given up to four times
      --closeness 0..100         how closely to follow the reference in the same place (50)
      --balance 0..100           cross two references: the share of the second
      --offshoot-of FILE.json    grow from a candidate of a report written by --json; FILE.json:2 is its second;
                                 or SEED..., the seed of a round (SEED:2 its third candidate) and of later generations
      --drift 0..100             how far offshoots stray (25)
      --flaws 0..100             flaws of the kind such pictures have, none to many (20)
      --contact-sheet FILE.png   all candidates on one sheet; alone, nothing else is written
      --json                     one JSON object on standard output

  odd-quill read PROMPT [--leave-out TEXT] [--json]
      What is understood of a prompt: figures, how they stand to one another, and what every word was read as.

  odd-quill names --trade TEXT [options]
      Names for a client, made by rules from word lists: how each was made, how it is said, what is said against it.
      --place TEXT, --mood TEXT, --audience TEXT
      --earlier NAME,...         names there were: near-twins of them are marked
      --count N, --seed N        how many (50), and which ones (1)
      --json                     one JSON object a line

  odd-quill prompt --brief FILE.json [--seed N] [--json]
      Three prompts from a brief, each in a direction of its own, with reasons. The file has trade, mood, notes,
      coloursWanted, coloursUnwanted, kindOfMark, as the API gives them.

  odd-quill finishes [--out DIR] [--contact-sheet FILE.png] [--size N] [--json]
      Lists the finishes, and draws an example of each.

  odd-quill --help               this text
  odd-quill --version

Exit codes: 0 done, 1 an input could not be used or a file not written, 2 the command was not understood.
`;

/** Runs the command with its arguments; gives the exit code. */
export async function main(args: readonly string[]): Promise<number> {
  const [command, ...rest] = args;
  try {
    if (command === '--version') {
      const { version } = JSON.parse(readFileSync(new URL('../package.json', import.meta.url), 'utf8')) as {
        version: string;
      };
      console.log(version);
      return 0;
    }
    if (command === '--help' || command === '-h' || command === 'help' || rest.includes('--help')) {
      process.stdout.write(HELP);
      return 0;
    }
    const load = Object.hasOwn(COMMANDS, command ?? '') ? COMMANDS[command] : null;
    if (load) return await (await load())(rest);
    const names = Object.keys(COMMANDS);
    throw new UsageError(
      command === undefined
        ? `say what to do: ${names.slice(0, -1).join(', ')} or ${names[names.length - 1]}`
        : `there is no command "${command}"`,
    );
  } catch (error) {
    const { message, path, syscall } = error as NodeJS.ErrnoException;
    console.error(`odd-quill: ${syscall ? `${path ?? syscall}: ${fileFault(error)}` : message}`);
    const { name } = (error as Error).constructor;
    if (MISUNDERSTOOD.includes(name)) {
      console.error('odd-quill --help lists what there is');
      return 2;
    }
    const known = TOLD.includes(name) || 'code' in (error as object);
    if (!known) console.error((error as Error).stack);
    return 1;
  }
}

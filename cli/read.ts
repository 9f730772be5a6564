import { understand } from '../core/engine';
import type { PromptFigure } from '../core/prompt';
import { readArgs, UsageError } from './usage';

/** How a figure is told in one line: "3 herons, standing: inside of 0". */
function told(figure: PromptFigure, index: number): string {
  const colours = figure.colours.map((c) => (c.of ? `${c.of} ${c.word}` : c.word));
  const about = [...colours, ...figure.modifiers, figure.pose, figure.expression].filter(Boolean).join(', ');
  const stands = figure.relation ? `${figure.turned ? `${figure.relation}, turned round,` : figure.relation} ${figure.to ?? 'the lettering'}${figure.place ? ` (${figure.place})` : ''}` : ''; // prettier-ignore
  const drawn = figure.via === 'name' ? '' : figure.via === 'none' ? 'has no drawing' : `drawn as ${figure.drawn}`;
  return `  ${index}  ${figure.count > 1 ? `${figure.count} x ` : ''}${[figure.word, about && `(${about})`, stands, drawn].filter(Boolean).join('  ')}`; // prettier-ignore
}

/** `odd-quill read`: what is understood of a prompt, every word of it. */
export async function readCommand(args: readonly string[]): Promise<number> {
  const { values, positionals } = readArgs({
    args: [...args],
    allowPositionals: true,
    options: { 'leave-out': { type: 'string', default: '' }, json: { type: 'boolean', default: false } },
  });
  const prompt = positionals.join(' ');
  if (!prompt.trim()) throw new UsageError('read wants a prompt, for example "a fox with a lantern"');
  const { parts } = understand(prompt, values['leave-out']);
  if (values.json) {
    console.log(JSON.stringify({ prompt, ...parts }));
    return 0;
  }
  parts.figures.forEach((figure, i) => console.log(told(figure, i)));
  if (!parts.figures.length) console.log('  no figure');
  const rest: [string, string | number | null][] = [
    ['kind', parts.kind],
    ['role', parts.role],
    ['finish', parts.finish],
    ['manner', parts.manner.join(', ')],
    ['shape', parts.shape],
    ['detail', parts.detail],
    ['colours', parts.colours.map((c) => c.word).join(', ')],
    ['ground', parts.ground?.word ?? null],
    ['mood', parts.mood],
    ['setting', parts.settings.join(', ')],
    ['lettering', parts.lettering.join(', ')],
    ['leave out', parts.leaveOut.join(', ')],
    ['not understood', parts.notUnderstood.join(', ')],
  ];
  for (const [name, value] of rest) if (value !== null && value !== '') console.log(`  ${name}: ${value}`);
  return 0;
}

/** Sheets of icons: their cells, and what stands in each. */
import { arrangement, finished, form, fieldOf, type Stage } from './stage';
import { onField } from './field';
import { disc, ringOf, tile } from './area';
import { buildFigure } from './build';
import { placed } from './figure';
import { type Layer } from './layer';
import { isThing } from './things';

/** Rows and columns of a sheet: what was asked for, or as near to the picture's shape as the number of figures allows. */
export function sheetGrid(count: number, parts: Stage['parts'], aspect: number): { rows: number; columns: number } {
  const most = 8;
  if (parts.rows && parts.columns) return { rows: Math.min(most, parts.rows), columns: Math.min(most, parts.columns) };
  if (parts.rows)
    return { rows: Math.min(most, parts.rows), columns: Math.min(most, Math.max(1, Math.ceil(count / parts.rows))) };
  if (parts.columns)
    return { rows: Math.min(most, Math.ceil(count / parts.columns)), columns: Math.min(most, parts.columns) };
  const columns = Math.max(1, Math.min(count, Math.round(Math.sqrt(count * aspect))));
  return { rows: Math.ceil(count / columns), columns };
}

/** One cell of a sheet, in units of the scene. */
export interface Cell {
  readonly row: number;
  readonly column: number;
  readonly cx: number;
  readonly cy: number;
  readonly side: number;
}

export function cellsOf(stage: Pick<Stage, 'parts' | 'aspect'>): Cell[] {
  const { rows, columns } = sheetGrid(Math.max(1, stage.parts.figures.length), stage.parts, stage.aspect);
  const { width, height } = fieldOf(stage as Stage);
  const side = Math.min(width / columns, height / rows) * 0.94;
  return Array.from({ length: rows * columns }, (_, i) => {
    const [row, column] = [Math.floor(i / columns), i % columns];
    return { row, column, cx: 50 + side * (column - (columns - 1) / 2), cy: 50 + side * (row - (rows - 1) / 2), side };
  });
}

/** Related things for the cells of a row that names one subject: other drawings of it, then it with other proportions. */
export function sheet(stage: Stage): Layer[] {
  const { figures } = stage.parts;
  const cells = cellsOf(stage);
  const columns = Math.max(...cells.map((c) => c.column)) + 1;
  const rows = Math.max(...cells.map((c) => c.row)) + 1;
  const ways = ['plain', 'disc', 'tile', 'ring'] as const;
  const way = arrangement(stage, ways);
  const [first] = stage.palette.inks;
  const out: Layer[] = [];
  cells.forEach((cell, i) => {
    // As many subjects as rows: each row has its own, drawn in several ways.
    const perRow = figures.length === rows && columns > 1 && figures.length < cells.length;
    const at = perRow ? cell.row : i % figures.length;
    const copy = perRow ? cell.column : Math.floor(i / figures.length);
    const figure = figures[at];
    const knobs =
      copy === 0
        ? stage.knobs
        : Object.assign((name: string) => stage.knobs(`${name}/copy${copy}`), stage.knobs, {
            spread: (name: string) => stage.knobs.spread(`${name}/copy${copy}`),
          });
    const drawing =
      copy === 0 && at === 0 && stage.given
        ? stage.given.figure
        : buildFigure(isThing(figure.drawn) ? figure.drawn : 'seed', {
            ...stage,
            idea: undefined,
            knobs,
            leeway: copy ? Math.max(60, stage.leeway) : Math.min(40, stage.leeway),
          });
    const r = cell.side * 0.42;
    if (way === 'disc') out.push(...form(stage, disc(cell.cx, cell.cy, r, 120), first));
    if (way === 'tile') out.push(...form(stage, tile(cell.cx, cell.cy, r, r * 0.36), first));
    if (way === 'ring')
      out.push(...form(stage, ringOf(cell.cx, cell.cy, r, r - Math.max(0.5, cell.side * 0.035)), first));
    const field = way === 'disc' || way === 'tile';
    const place = { cx: cell.cx, cy: cell.cy, side: cell.side * (way === 'plain' ? 0.84 : 0.54), fill: 0.85 };
    out.push(
      ...finished(
        stage,
        placed(drawing, place),
        field ? first : stage.palette.groundHex,
        field ? onField(stage, first) : stage.palette.inks,
      ),
    );
  });
  return out;
}

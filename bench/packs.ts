/** Drawings of permissively licensed packs as SVG files of their own. */
import { readdirSync, readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';

const folder = fileURLToPath(new URL('../node_modules/@iconify-json/', import.meta.url));

interface Pack {
  readonly icons: Readonly<Record<string, { body: string; width?: number; height?: number }>>;
  readonly width?: number;
  readonly height?: number;
}

/** Packs left out: those with companies' signs among their drawings. */
const LEFT_OUT = new Set(['mdi']);

export interface PackDrawing {
  readonly name: string;
  readonly svg: string;
}

/** So many drawings, taken evenly out of all packs from a place on; the same count and place give the same ones. */
export function packDrawings(count: number, from = 0): PackDrawing[] {
  const packs = readdirSync(folder)
    .filter((p) => !LEFT_OUT.has(p))
    .sort();
  const each = Math.ceil(count / packs.length);
  return packs
    .flatMap((name) => {
      const pack = JSON.parse(readFileSync(`${folder}${name}/icons.json`, 'utf8')) as Pack;
      const names = Object.keys(pack.icons);
      const step = Math.max(1, Math.floor(names.length / each));
      return Array.from({ length: Math.min(each, names.length) }, (_, k) => {
        const key = names[(from + k * step) % names.length];
        const { body, width = pack.width ?? 16, height = pack.height ?? 16 } = pack.icons[key];
        return {
          name: `${name}/${key}`,
          svg: `<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" viewBox="0 0 ${width} ${height}">${body}</svg>`,
        };
      });
    })
    .slice(0, count);
}

// the same traces before and after? prints a hash per drawing
import { drawingsOf, pictureOf } from './drawings';
import { trace } from '../core/trace';
import { artworkToSvg } from '../core/vector';
import { writeFileSync } from 'node:fs';
const out: string[] = []; let ms=0;
for (const kind of ['single','many'] as const) for (const worn of [false,true]) for (const d of drawingsOf(kind, 12, 5)) {
  const { picture } = await pictureOf(d, worn);
  for (const o of [{ground:'keep'},{order:'cutout'}] as const) { const s=performance.now(); const r = trace(picture, o as never); ms+=performance.now()-s; out.push(d.name+' '+worn+' '+r.figures.segments+' '+artworkToSvg(r.artwork)); }
}
writeFileSync(process.argv[2], out.join('\n=====\n')); console.log(ms.toFixed(0),'ms');

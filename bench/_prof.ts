import { drawCandidate } from '../core/engine';
import { trace } from '../core/trace';
const one = drawCandidate({ prompt: 'moon, black, flat, white ground', leeway: 0 }, 0).picture;
for (let i = 0; i < 8; i++) {
  const t = performance.now();
  const tr = trace(one);
  console.log(Math.round(performance.now() - t), tr.figures.segments);
}

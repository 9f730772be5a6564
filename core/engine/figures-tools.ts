/** Tools, household things and small finds: what trades are told by. */
import { accent, body, both, circle, ellipse, hole, light, lines, path, polygon, rectangle, second, symmetric, turned, type Drawing, type Proportion } from './drawing'; // prettier-ignore

type Draw = (t: Proportion) => Drawing;

const LEAN = Math.PI / 4;

export const TOOLS: Readonly<Record<string, Draw>> = {
  apron: (t) => [
    lines('second', 4, 'M36 30C34 12 66 12 64 30M22 52C12 54 8 50 5 46M78 52C88 54 92 50 95 46'),
    body(symmetric(`M50 28L64 28C65 40 70 46 80 50L${82 + 2 * t('hem')} 92L50 92`)),
    second(path('M36 62L64 62L64 76C64 80 60 82 50 82C40 82 36 80 36 76Z')),
  ],
  arrow: (t) => [body(path(`M8 44L56 44L56 ${24 - 2 * t('head')}L94 50L56 ${76 + 2 * t('head')}L56 56L8 56Z`))],
  beak: (t) => [
    body(path(`M12 44C30 ${22 - 2 * t('arch')} 66 22 94 56C70 50 40 50 12 52Z`)),
    second(path('M14 56C40 54 62 54 82 60C62 76 34 78 16 68Z')),
    light(circle(34, 40, 2.6)),
  ],
  beard: (t) => [
    body(symmetric(`M50 46C58 36 76 34 90 22C92 56 80 ${88 + 2 * t('length')} 50 ${94 + 2 * t('length')}`)),
    second(symmetric('M50 34C56 26 70 28 76 38C68 46 56 44 50 40')),
    light(ellipse(50, 52, 12, 4)),
  ],
  bracelet: () => [
    lines('body', 9, 'M14 50C14 24 86 24 86 50C86 76 14 76 14 50'),
    second(circle(50, 70, 8), circle(28, 65, 6), circle(72, 65, 6)),
    light(circle(50, 70, 3)),
  ],
  button: (t) => [
    body(circle(50, 50, 42)),
    second(circle(50, 50, 33)),
    light(...both(circle(59 + t('gap'), 42, 4.6)), ...both(circle(59 + t('gap'), 58, 4.6))),
  ],
  chalk: () => [
    body(turned(rectangle(14, 40, 62, 20, 4), -LEAN)),
    second(turned(rectangle(50, 40, 26, 20, 4), -LEAN)),
    lines('accent', 4, 'M12 88C28 82 40 94 58 86'),
  ],
  comb: () => [
    body(rectangle(10, 24, 80, 22, 8), ...Array.from({ length: 9 }, (_, i) => rectangle(12 + 8.8 * i, 40, 5, 36, 2))),
  ],
  cork: (t) => [
    body(path(`M30 14L70 14L${66 - t('taper')} 88L${34 + t('taper')} 88Z`)),
    second(ellipse(50, 14, 20, 6)),
    light(circle(44, 40, 2.6), circle(56, 52, 3), circle(46, 66, 2.2), circle(58, 74, 2.4)),
  ],
  dragonfly: (t) => [
    second(...both(turned(ellipse(76, 32, 23, 7), -0.28 - 0.06 * t('wings'), 54, 36))),
    second(...both(turned(ellipse(74, 46, 21, 6.4), 0.18 + 0.06 * t('wings'), 54, 42))),
    body(circle(50, 20, 9), symmetric('M50 26C57 28 58 40 54 48C54 64 53 84 50 95')),
    light(...both(circle(54, 18, 2.4))),
  ],
  easel: () => [
    lines('body', 6, 'M50 6L22 94M50 6L78 94M50 50L50 88M16 66L84 66'),
    second(rectangle(20, 20, 60, 44, 2)),
    light(rectangle(26, 26, 48, 32, 1)),
    accent(circle(60, 37, 6)),
    body(path('M28 58L42 40L52 52L58 46L70 58Z')),
  ],
  glue: () => [
    body(path('M26 40C26 34 40 32 43 26L57 26C60 32 74 34 74 40L74 90C74 93 71 95 68 95L32 95C29 95 26 93 26 90Z')),
    second(path('M43 24L47 5L53 5L57 24Z')),
    light(rectangle(33, 54, 34, 24, 3)),
    accent(circle(50, 66, 7)),
  ],
  harp: (t) => [
    lines('second', 2.4, 'M34 30L34 78M42 33L42 76M50 35L50 72M58 34L58 67M66 31L66 58M74 28L74 48'),
    lines('body', 8, `M24 92L24 18C40 ${36 + 2 * t('neck')} 60 34 76 12C88 18 90 32 84 42L30 86`),
    body(rectangle(14, 88, 30, 7, 3)),
  ],
  hose: () => [
    lines('body', 8, 'M88 26C60 26 60 52 40 52C18 52 16 84 44 84C70 84 70 58 46 60'),
    second(path('M80 17L96 12L96 40L80 35Z')),
    accent(circle(34, 90, 3), circle(22, 94, 2.4)),
  ],
  ink: () => [
    body(path('M36 34L64 34C66 42 86 46 86 62L86 84C86 90 82 94 76 94L24 94C18 94 14 90 14 84L14 62C14 46 34 42 36 34Z')),
    second(rectangle(33, 14, 34, 17, 4)),
    light(path('M22 66C40 60 60 72 78 64L78 60C76 54 66 50 60 46L40 46C34 50 22 56 22 62Z')),
  ],
  mole: (t) => [
    body(path('M10 70C10 42 34 26 58 32C76 36 86 50 95 60C92 68 84 72 76 74C70 84 20 86 10 70Z')),
    accent(circle(93, 61, 4), path('M60 72L78 74L84 82L76 80L78 88L70 81L66 88L64 80L56 82Z')),
    light(circle(74 + t('eye'), 52, 2)),
    second(ellipse(26, 80, 9, 4)),
  ],
  nail: (t) => [
    body(turned(polygon([[45, 18], [55, 18], [54, 82], [50, 96], [46, 82]]), 0.3)), // prettier-ignore
    body(turned(rectangle(32 - t('head'), 8, 36 + 2 * t('head'), 11, 3), 0.3)),
  ],
  raft: () => [
    second(path('M46 12L82 46L46 46Z')),
    lines('body', 4.4, 'M44 8L44 62'),
    body(...[0, 1, 2, 3, 4].map((i) => rectangle(8 + 17 * i, 58, 15, 22, 7))),
    lines('accent', 4, 'M8 66L92 66'),
    lines('second', 4, 'M6 90C18 84 26 94 38 90C50 84 58 94 70 90C80 84 88 92 94 90'),
  ],
  sandcastle: () => [
    body(path('M10 90L16 46L16 36L22 36L22 42L28 42L28 36L34 36L34 42L40 46L40 30L45 30L45 36L50 36L50 30L55 30L55 36L60 36L60 46L66 42L66 36L72 36L72 42L78 42L78 36L84 36L84 46L90 90Z')),
    light(path('M42 90L42 72C42 60 58 60 58 72L58 90Z')),
    lines('second', 3, 'M50 30L50 8'),
    accent(path('M50 8L68 14L50 20Z')),
  ],
  'sewing machine': () => [
    body(path('M14 20C14 14 18 12 24 12L80 12C88 12 90 18 90 24L90 74L66 74L66 40L36 40L36 52L18 52L18 34C16 32 14 28 14 24Z'), rectangle(8, 74, 84, 14, 4)),
    second(circle(92, 30, 7)),
    lines('second', 3.4, 'M27 50L27 74'),
    light(circle(74, 26, 5)),
    accent(rectangle(38, 4, 12, 8, 2)),
  ],
  spring: () => [lines('body', 6.4, 'M22 10L78 10L24 24L76 32L24 42L76 50L24 60L76 68L24 78L78 90L22 90')],
  syringe: () => [
    body(turned(rectangle(39, 30, 22, 42, 3), LEAN), turned(rectangle(34, 26, 32, 6, 2), LEAN), turned(rectangle(40, 6, 20, 5, 2), LEAN)),
    lines('body', 4, 'M64 36L82 18M30 70L14 86'),
    light(turned(rectangle(43, 44, 14, 24, 1), LEAN)),
    accent(turned(rectangle(43, 54, 14, 14, 1), LEAN)),
  ],
  toilet: () => [
    body(rectangle(16, 10, 22, 40, 4), path('M20 50L88 50C88 68 76 76 64 78L66 94L30 94L34 76C26 70 20 62 20 50Z')),
    second(rectangle(14, 46, 78, 8, 4)),
    light(rectangle(24, 20, 7, 4, 2)),
  ],
  toothpaste: () => [
    body(path('M34 34L66 34L76 94L24 94Z')),
    second(rectangle(38, 16, 24, 18, 4)),
    light(path('M36 52L64 52L68 78L32 78Z')),
    accent(path('M50 58C56 58 60 62 58 70C56 76 44 76 42 70C40 62 44 58 50 58Z')),
  ],
  wig: (t) => [
    body(symmetric(`M50 8C80 8 90 30 88 54C90 70 ${84 + t('curl')} 84 76 92C66 92 66 76 68 62C68 46 60 34 50 34`)),
    lines('light', 2.6, 'M74 60C80 64 80 68 76 72M72 76C78 80 78 84 74 86M26 60C20 64 20 68 24 72M28 76C22 80 22 84 26 86M36 22C44 16 56 16 64 22'),
  ],
  zip: () => [
    second(path('M34 6L48 6L48 94L34 94Z'), path('M52 6L66 6L66 94L52 94Z')),
    body(...[0, 1, 2, 3, 4, 5, 6].flatMap((i) => [rectangle(40, 44 + 7 * i, 12, 3.4, 1), rectangle(48, 47.4 + 7 * i, 12, 3.4, 1)])),
    accent(path('M40 26L60 26L64 42L36 42Z'), rectangle(46, 42, 8, 24, 3)),
  ],
  'rolling pin': () => [
    body(turned(rectangle(20, 38, 60, 24, 6), -LEAN)),
    second(turned(rectangle(2, 45, 16, 10, 5), -LEAN), turned(rectangle(82, 45, 16, 10, 5), -LEAN)),
    lines('light', 3, 'M38 54L56 36'),
  ],
  whisk: (t) => [
    lines('body', 3.4, `M50 58C${26 - 2 * t('wide')} 50 26 6 50 6C74 6 ${74 + 2 * t('wide')} 50 50 58M50 58C40 44 40 10 50 6M50 58C60 44 60 10 50 6`),
    second(rectangle(45, 56, 10, 38, 5)),
  ],
  spatula: () => [
    body(path('M32 8C44 4 56 4 68 8L66 40C60 46 40 46 34 40Z')),
    light(rectangle(40, 14, 4, 20, 2), rectangle(48, 14, 4, 20, 2), rectangle(56, 14, 4, 20, 2)),
    second(rectangle(46, 42, 8, 54, 4)),
  ],
  ladle: () => [body(path('M8 54L56 54C56 76 44 88 32 88C20 88 8 76 8 54Z')), lines('second', 7, 'M52 56L72 14C76 6 86 8 88 16')],
  trowel: () => [
    body(path('M50 4L74 44C66 52 58 54 54 54L54 62L46 62L46 54C42 54 34 52 26 44Z')),
    second(rectangle(43, 62, 14, 34, 6)),
    lines('light', 3, 'M50 18L50 42'),
  ],
  propeller: (t) => [
    body(...[0, 1, 2].map((i) => turned(path(`M50 50C38 40 34 22 42 6C56 ${8 + t('blade')} 60 30 50 50Z`), (i * 2 * Math.PI) / 3))),
    second(circle(50, 50, 9)),
    light(circle(50, 50, 3.4)),
  ],
  badge: () => [
    body(path('M50 4L62 18L80 14L84 32L98 44L90 60L96 78L78 82L68 96L50 90L32 96L22 82L4 78L10 60L2 44L16 32L20 14L38 18Z')),
    light(polygon(Array.from({ length: 10 }, (_, i): [number, number] => { const r = i % 2 ? 10 : 23; const a = (Math.PI * i) / 5 - Math.PI / 2; return [50 + r * Math.cos(a), 51 + r * Math.sin(a)]; }))),
  ],
  medal: () => [
    second(path('M22 4L44 4L58 46L44 52Z'), path('M78 4L56 4L42 46L56 52Z')),
    body(circle(50, 68, 27)),
    light(polygon(Array.from({ length: 10 }, (_, i): [number, number] => { const r = i % 2 ? 7 : 16; const a = (Math.PI * i) / 5 - Math.PI / 2; return [50 + r * Math.cos(a), 68 + r * Math.sin(a)]; }))),
  ],
  'pocket watch': (t) => [
    lines('second', 4, `M50 16C50 4 62 2 70 8C82 16 ${90 + t('chain')} 6 96 10`),
    body(circle(50, 60, 34), rectangle(44, 14, 12, 14, 3)),
    light(circle(50, 60, 26)),
    lines('body', 3.4, 'M50 44L50 60L61 67'),
  ],
  'loaf of bread': () => [
    body(path('M10 50C4 30 24 22 36 26C46 16 58 18 64 26C82 20 96 34 90 50L90 78C90 82 88 84 84 84L16 84C12 84 10 82 10 78Z')),
    lines('light', 4.4, 'M30 36L40 54M48 34L58 52M66 36L76 54'),
  ],
  'coffee cup': (t) => [
    body(path('M14 42L74 42C74 70 66 84 44 84C22 84 14 70 14 42Z')),
    lines('body', 6, 'M72 50C90 46 92 70 68 70'),
    second(rectangle(8, 88, 72, 6, 3)),
    lines('accent', 4, `M34 34C28 26 40 22 34 ${12 - t('steam')}M52 34C46 26 58 22 52 ${12 - t('steam')}`),
  ],
  cocktail: () => [
    body(path('M10 14L90 14L54 54L54 86L70 90L70 95L30 95L30 90L46 86L46 54Z')),
    light(path('M26 22L74 22L66 31L34 31Z')),
    accent(circle(78, 14, 9)),
    lines('second', 3, 'M50 40L72 4'),
  ],
  beehive: (t) => [
    body(rectangle(34, 8, 32, 16, 8), rectangle(22, 24, 56, 16, 8), rectangle(14, 40, 72, 17, 8), rectangle(10 - t('base'), 57, 80 + 2 * t('base'), 17, 8), rectangle(16, 74, 68, 18, 8)),
    light(path('M42 92L42 80C42 70 58 70 58 80L58 92Z')),
    lines('second', 2.4, 'M26 40L74 40M18 57L82 57M18 74L82 74M38 24L62 24'),
  ],
  scepter: () => [
    body(turned(rectangle(46, 34, 8, 60, 4), 0.4)),
    second(circle(63, 22, 13)),
    accent(polygon([[64, 0], [68, 8], [76, 6], [72, 13], [78, 18]])), // prettier-ignore
    light(circle(59, 18, 3.4)),
  ],
  'playing card': () => [
    body(turned(rectangle(24, 8, 52, 84, 6), 0.14)),
    light(turned(rectangle(28, 12, 44, 76, 4), 0.14)),
    accent(turned(path('M50 34C56 26 68 34 62 44L50 62L38 44C32 34 44 26 50 34Z'), 0.14)),
    body(circle(41, 21, 3), circle(59, 79, 3)),
  ],
  'walking stick': () => [lines('body', 8, 'M30 26C30 4 62 4 62 26L58 94'), second(rectangle(53, 88, 10, 8, 2))],
  'treasure map': () => [
    body(path('M8 18L36 10L64 18L92 10L92 82L64 90L36 82L8 90Z')),
    second(path('M36 10L64 18L64 90L36 82Z')),
    lines('light', 3.4, 'M18 70L24 66M30 60L36 58M44 62L50 62M58 54L62 46'),
    lines('accent', 5, 'M66 26L80 40M80 26L66 40'),
  ],
  vinyl: () => [body(circle(50, 50, 44)), lines('second', 1.6, 'M50 18C68 18 82 32 82 50M50 26C63 26 74 37 74 50M50 82C32 82 18 68 18 50M50 74C37 74 26 63 26 50'), accent(circle(50, 50, 15)), light(circle(50, 50, 3.6))],
  lifebuoy: (t) => [
    body(circle(50, 50, 43), hole(circle(50, 50, 19 + t('hole')))),
    light(...[0, 1, 2, 3].map((i) => turned(path('M40 8.4C46 6.6 54 6.6 60 8.4L55 30.4C52 29.6 48 29.6 45 30.4Z'), LEAN + (i * Math.PI) / 2))),
  ],
  buoy: () => [
    body(path('M42 22L58 22L70 72L30 72Z'), path('M14 72L86 72C86 84 70 92 50 92C30 92 14 84 14 72Z')),
    light(path('M38 38L62 38L65 52L35 52Z')),
    accent(circle(50, 14, 8)),
  ],
  bellows: () => [
    body(path('M50 94L42 84C18 74 14 36 34 24L66 24C86 36 82 74 58 84Z')),
    second(rectangle(38, 4, 8, 24, 4), rectangle(54, 4, 8, 24, 4)),
    lines('light', 3, 'M30 40L70 40M27 52L73 52M30 64L70 64'),
  ],
  sieve: () => [
    body(path('M6 36L70 36C70 62 56 74 38 74C20 74 6 62 6 36Z')),
    light(...[0, 1, 2, 3].flatMap((i) => [circle(20 + 12 * i, 46, 2.4), circle(26 + 12 * i - (i === 3 ? 12 : 0), 57, 2.4)])),
    second(rectangle(4, 30, 68, 8, 4), rectangle(70, 31, 28, 6, 3)),
    accent(circle(26, 84, 2), circle(38, 90, 2), circle(50, 83, 2)),
  ],
  loom: () => [
    body(rectangle(10, 6, 8, 88, 2), rectangle(82, 6, 8, 88, 2), rectangle(10, 10, 80, 7, 2), rectangle(10, 80, 80, 7, 2)),
    lines('second', 2, 'M26 17L26 80M34 17L34 80M42 17L42 80M50 17L50 80M58 17L58 80M66 17L66 80M74 17L74 80'),
    accent(rectangle(20, 52, 60, 28, 1)),
    lines('light', 2.4, 'M22 60L78 60M22 70L78 70'),
  ],
  thimble: () => [
    body(path('M34 12C44 6 56 6 66 12L76 86C60 94 40 94 24 86Z')),
    light(...[0, 1, 2].flatMap((r) => [0, 1, 2, 3].map((i) => circle(36 + 9.4 * i - r * 1 + (r % 2) * 2, 26 + 14 * r, 2.2)))),
    second(path('M25 78C42 86 58 86 75 78L76 86C60 94 40 94 24 86Z')),
  ],
  chisel: () => [
    body(polygon([[40, 4], [60, 4], [60, 12], [57, 52], [43, 52], [40, 12]])), // prettier-ignore
    second(path('M40 58L60 58L64 90C64 95 36 95 36 90Z')),
    accent(rectangle(40, 52, 20, 6, 1)),
  ].map((p) => ({ ...p, contours: p.contours.map((c) => turned(c, LEAN)) })),
  mallet: () => [body(turned(rectangle(20, 12, 60, 34, 6), LEAN / 1.6)), second(turned(rectangle(45, 44, 10, 52, 4), LEAN / 1.6))],
  trellis: () => [lines('body', 5, 'M20 6L20 94M50 6L50 94M80 6L80 94M8 24L92 24M8 50L92 50M8 76L92 76'), accent(turned(ellipse(36, 37, 9, 5), 0.6), turned(ellipse(64, 63, 9, 5), -0.6), turned(ellipse(64, 34, 8, 4.4), 0.8), turned(ellipse(36, 64, 8, 4.4), -0.7))],
  wheelbarrow: () => [
    body(path('M18 34L78 34L66 66L36 66Z')),
    lines('second', 5, 'M78 36L98 28M62 66L76 88M36 66L28 76'),
    second(circle(24, 78, 14)),
    light(circle(24, 78, 5)),
  ],
  weathervane: () => [
    lines('body', 4.4, 'M50 40L50 94M22 66L78 66'),
    body(path('M10 36L64 36L64 28L88 40L64 52L64 44L10 44L18 40Z')),
    second(path('M36 34C32 22 40 14 50 18C52 10 62 10 62 18L68 20L62 24C62 32 56 34 50 34Z')),
    accent(circle(22, 66, 5), circle(78, 66, 5)),
  ],
  sundial: () => [body(ellipse(50, 66, 44, 18), path('M40 80L60 80L66 96L34 96Z')), light(ellipse(50, 63, 36, 13)), second(path('M48 64L84 54L48 18Z')), lines('body', 2.4, 'M20 62L28 63M30 70L35 68M50 75L50 71M70 70L65 68')],
  gramophone: (t) => [
    body(path(`M44 58C46 40 30 36 12 ${32 - t('horn')}C8 14 40 4 62 14C60 34 58 44 54 58Z`), rectangle(20, 74, 66, 20, 4)),
    second(ellipse(53, 70, 32, 6)),
    lines('body', 5, 'M49 58C52 66 62 62 64 70'),
    light(rectangle(46, 80, 14, 8, 2)),
  ],
  'paper boat': () => [body(path('M6 50L94 50L76 82L24 82Z')), second(path('M50 14L78 50L22 50Z')), light(path('M50 26L50 50L32 50Z'))],
  hammock: () => [
    lines('second', 6, 'M10 6L10 94M90 6L90 94'),
    body(path('M12 34C30 50 70 50 88 34C86 66 68 76 50 76C32 76 14 66 12 34Z')),
    lines('light', 2.6, 'M24 50C40 60 60 60 76 50M30 62C42 68 58 68 70 62'),
  ],
  snowshoe: () => [
    lines('body', 5, 'M50 6C76 6 76 40 68 62L50 94L32 62C24 40 24 6 50 6'),
    lines('second', 2.4, 'M30 24L70 24M28 40L72 40M32 58L68 58M40 10L40 74M60 10L60 74'),
  ],
  net: () => [
    lines('second', 2.2, 'M22 20L40 62M38 12L46 66M54 12L50 66M70 20L54 62M18 32L74 32M24 46L66 46'),
    lines('body', 5, 'M14 22C14 6 78 6 78 22C78 36 14 36 14 22M14 22C20 50 34 68 46 68C58 68 72 50 78 22'),
    lines('body', 6, 'M74 30L94 92'),
  ],
  corkscrew: () => [body(rectangle(20, 8, 60, 16, 8)), lines('body', 5, 'M50 24L50 40C62 44 62 50 50 52C38 54 38 60 50 62C62 64 62 70 50 72C40 74 42 80 50 94')],
  candlestick: (t) => [
    accent(path(`M50 26C42 20 44 12 50 ${3 - t('flame')}C56 12 58 20 50 26Z`)),
    second(rectangle(43, 28, 14, 30, 2)),
    body(path('M36 56L64 56C64 62 56 64 55 68L57 84L76 88L76 95L24 95L24 88L43 84L45 68C44 64 36 62 36 56Z')),
  ],
  teabag: () => [lines('second', 2.6, 'M50 40C50 24 66 28 68 16'), body(path('M50 36L74 52L74 94L26 94L26 52Z')), accent(rectangle(58, 2, 22, 18, 2)), light(rectangle(34, 60, 32, 26, 3))],
  honeycomb: () => [body(...([[50, 26], [28, 39], [72, 39], [50, 52], [28, 65], [72, 65], [50, 78]] as const).map(([x, y]) => polygon(Array.from({ length: 6 }, (_, i): [number, number] => [x + 13 * Math.cos((Math.PI * i) / 3), y + 11.4 * Math.sin((Math.PI * i) / 3)])))), light(circle(50, 52, 5)), accent(path('M72 72C76 80 78 84 78 88C78 94 66 94 66 88C66 84 68 80 72 72Z'))],
  fig: (t) => [body(path(`M46 8L54 8C54 22 84 40 ${84 + t('belly')} 66C84 86 68 94 50 94C32 94 16 86 ${16 - t('belly')} 66C16 40 46 22 46 8Z`)), lines('light', 2.6, 'M50 30C36 46 32 66 38 84M50 30C64 46 68 66 62 84M50 30L50 86')],
  pomegranate: () => [body(circle(50, 58, 37), path('M36 26L32 6L43 13L50 4L57 13L68 6L64 26Z')), light(path('M50 40C66 44 70 62 62 78C50 84 38 80 34 66C34 52 42 42 50 40Z')), accent(circle(48, 52, 5), circle(58, 58, 5), circle(46, 64, 5), circle(57, 70, 5))],
  artichoke: (t) => [second(path('M44 84L56 84L54 99L46 99Z')), body(path(`M50 2C62 14 66 22 66 30C78 34 ${88 + t('scale')} 46 86 62C84 78 68 88 50 88C32 88 16 78 14 62C${12 - t('scale')} 46 22 34 34 30C34 22 38 14 50 2Z`)), lines('light', 3, 'M34 30C38 34 44 36 50 28C56 36 62 34 66 30M20 48C28 54 38 52 42 42C44 52 56 52 58 42C62 52 72 54 80 48M16 66C26 72 34 70 38 58C42 70 58 70 62 58C66 70 74 72 84 66M30 82C36 84 44 80 46 72C48 78 52 78 54 72C56 80 64 84 70 82')],
  asparagus: () => [body(path('M50 3C58 12 62 22 61 34L57 96L43 96L39 34C38 22 42 12 50 3Z')), lines('light', 2.6, 'M42 28L50 38L58 28M43 48L50 57L57 48M44 68L50 76L56 68')],
  beet: () => [accent(path('M50 40C36 34 26 18 34 6C48 10 54 26 50 40Z'), path('M50 40C64 34 74 18 66 6C52 10 46 26 50 40Z')), body(path('M50 38C76 38 84 62 70 76C62 84 54 86 51 98L49 98C46 86 38 84 30 76C16 62 24 38 50 38Z')), lines('light', 2.6, 'M36 60C42 70 58 70 64 60')],
  bamboo: (t) => [
    body(...[0, 1, 2, 3].map((i) => rectangle(30, 6 + 23 * i, 13, 20, 3)), ...[0, 1, 2].map((i) => rectangle(56, 24 + 24 * i, 11, 21, 3))),
    accent(turned(ellipse(80, 34, 14, 5), -0.4 + 0.1 * t('leaf')), turned(ellipse(80, 48, 13, 4.6), 0.3), turned(ellipse(16, 46, 13, 4.6), 0.5)),
  ],
  bonsai: () => [second(path('M20 82L80 82L74 95L26 95Z')), lines('body', 8, 'M50 82C40 66 64 60 54 46M52 60C44 54 36 54 30 50'), accent(ellipse(56, 28, 30, 15), ellipse(28, 46, 18, 10), ellipse(78, 48, 14, 8))],
  starfish: (t) => [body(path(`M50 4C56 20 60 32 64 34C68 36 84 36 96 38C86 50 76 58 75 62C74 66 80 82 82 94C68 88 56 80 50 80C44 80 32 88 18 94C20 82 26 66 25 62C24 58 14 50 4 38C16 36 32 36 36 34C40 32 44 20 50 4Z`)), light(circle(50, 26 + t('a'), 2.6), circle(50, 52, 3.4), circle(70, 45, 2.6), circle(30, 45, 2.6), circle(62, 70, 2.6), circle(38, 70, 2.6))],
  seahorse: (t) => [
    body(path(`M44 10C58 4 72 14 70 28C68 40 62 44 66 54C72 68 66 84 52 92C42 98 30 92 32 82C34 74 46 74 46 82C52 78 50 70 46 64C38 54 38 46 44 38C36 38 26 34 ${20 - t('snout')} 30L22 24C30 26 36 24 38 20Z`)),
    second(path('M68 44C80 44 84 54 78 64C74 58 70 54 66 54Z')),
    light(circle(53, 20, 2.8)),
    lines('light', 2.2, 'M48 48L58 46M50 58L62 56M54 68L64 68'),
  ],
  stingray: () => [body(symmetric('M50 18C66 18 84 34 97 42C86 62 66 70 52 72L51 97L50 98')), light(...both(circle(57, 30, 2.4))), lines('second', 2.6, 'M36 46C44 54 56 54 64 46')],
  narwhal: () => [second(path('M84 36L99 6L90 40Z')), body(path('M90 46C82 30 56 26 38 36C28 42 22 52 16 56C10 52 6 46 2 46C4 54 6 58 10 62C6 68 4 74 6 80C14 78 18 72 22 66C34 78 60 80 76 70C86 64 92 56 90 46Z')), light(path('M30 68C44 62 66 66 84 58C80 68 66 76 50 75C42 75 36 72 30 68Z'), circle(76, 46, 2.4)), second(path('M54 68C52 78 46 84 40 84C42 78 44 72 46 68Z'))],
  axolotl: () => [accent(...both(path('M72 34L94 22L84 36L98 40L84 46L94 58L74 48Z'))), body(symmetric('M50 22C72 22 82 36 78 50C74 62 66 64 64 72C64 86 58 92 50 96')), light(...both(circle(63, 40, 3))), lines('light', 2.6, 'M42 50C46 54 54 54 58 50'), second(...both(path('M62 70L78 80L72 84L60 80Z')))],
  chameleon: () => [lines('second', 5, 'M4 78L96 74'), body(path('M94 40C92 26 76 20 64 26C44 24 26 36 24 52C10 56 6 74 20 80C32 84 38 70 28 66C26 72 20 72 18 68C18 62 28 58 36 62L40 76L46 76L46 64L64 62L66 75L72 75L72 60C84 58 96 52 94 40Z')), light(circle(78, 38, 6)), body(circle(79, 38, 2.6)), lines('light', 2.4, 'M36 44C44 40 50 40 58 42')],
  armadillo: () => [second(path('M76 60L98 74C96 80 86 80 78 76Z'), path('M24 70L4 80L22 78Z')), body(path('M20 78C14 48 36 30 56 32C76 34 86 54 82 78Z')), lines('light', 3, 'M36 40C32 52 32 66 34 78M48 34C46 48 46 64 46 78M60 34C60 48 60 64 58 78M71 42C73 54 72 66 70 78'), light(circle(86, 70, 1.8))],
  meerkat: () => [body(symmetric('M50 6C62 6 68 14 66 24C64 30 60 32 60 36C66 46 68 70 64 92L50 92')), second(...both(ellipse(57, 18, 5, 4))), light(...both(circle(56.6, 18, 1.8)), ellipse(50, 62, 9, 22)), body(ellipse(50, 26, 4, 3)), lines('body', 5, 'M62 92C76 92 86 88 92 80')],
  pelican: (t) => [body(path('M10 78C10 56 28 46 44 48C50 40 42 28 48 18C52 10 64 10 68 18C70 24 66 30 64 36C68 52 62 78 40 82C28 84 16 84 10 78Z')), accent(path(`M66 18L98 40C90 ${52 + t('pouch')} 70 50 62 34Z`)), light(circle(58, 18, 2.4)), second(path('M16 72C22 58 36 54 48 58C44 70 30 78 16 72Z')), lines('accent', 3, 'M34 82L34 94M44 81L44 94')],
  kingfisher: (t) => [body(path('M12 90C20 60 30 36 48 28C58 24 68 28 70 36C72 56 56 74 36 78Z')), accent(path(`M68 32L99 ${40 + t('beak')}L69 41Z`), path('M66 46C66 60 54 72 40 76C48 62 54 50 58 42Z')), light(circle(60, 35, 2.6), path('M48 36C52 44 54 46 58 42C54 38 52 34 48 36Z')), second(path('M24 66C30 50 38 40 46 36C48 50 40 62 24 66Z'))],
  woodpecker: () => [second(rectangle(74, 2, 18, 96, 4)), body(path('M50 16C62 14 66 24 62 34C70 50 64 70 46 80L30 98L34 74C30 52 36 36 42 30Z')), accent(path('M36 22C42 8 56 8 60 18C52 18 46 22 44 30Z'), path('M62 20L76 24L62 28Z')), light(circle(54, 22, 2.2), path('M44 42C52 44 54 58 46 68C40 60 40 50 44 42Z'))],
  hummingbird: (t) => [second(path(`M44 46C30 30 20 ${12 - t('wing')} 24 2C44 8 58 28 60 44Z`)), body(path('M96 24L70 34C60 30 54 36 54 46C42 56 30 72 12 84L30 82L26 92C48 84 66 66 70 46Z')), accent(path('M70 36C74 46 68 58 60 66C58 56 60 46 62 42Z')), light(circle(65, 37, 2.2))],
  moth: (t) => [body(...both(path(`M52 34C66 18 86 ${16 - t('wing')} 97 22C96 42 82 56 54 54Z`))), second(...both(path('M53 54C72 58 80 70 76 82C64 84 54 72 52 62Z'))), light(...both(circle(76, 34, 6))), body(...both(circle(76, 34, 2.6)), symmetric('M50 26C56 28 56 44 54 60C53 72 52 80 50 86')), lines('body', 2.6, 'M48 28C44 16 38 12 30 12M52 28C56 16 62 12 70 12')],
  caterpillar: () => [body(...[0, 1, 2, 3].map((i) => circle(16 + 16 * i, 66 - 6 * Math.sin((i * Math.PI) / 3), 13)), circle(82, 54, 16)), second(circle(32, 60, 7), circle(64, 66, 7)), light(...[circle(86, 50, 3)]), lines('body', 3, 'M76 40C74 30 70 26 66 26M86 39C88 29 92 26 96 27'), lines('light', 2.4, 'M80 60C84 63 88 62 91 59')],
  fern: (t) => [lines('body', 3.6, 'M50 96C50 70 48 40 52 8'), body(...[0, 1, 2, 3, 4, 5].flatMap((i) => { const y = 82 - 13 * i; const w = 24 - 3.4 * i + t('w'); return [turned(ellipse(50 + w * 0.62, y - 6, w * 0.62, 4.6), -0.45, 50, y), turned(ellipse(50 - w * 0.62, y - 6, w * 0.62, 4.6), 0.45, 50, y)]; }))],
  reed: () => [lines('body', 3.4, 'M40 96C40 70 38 50 36 34M60 96C60 72 62 56 66 44'), second(rectangle(31, 8, 10, 30, 5), rectangle(62, 20, 9, 26, 4.5)), body(path('M50 96C46 70 30 52 12 46C30 66 36 80 42 96Z'), path('M54 96C58 76 74 64 92 62C76 74 68 84 64 96Z'))],
  'sugar cube': () => [body(polygon([[50, 12], [88, 30], [88, 72], [50, 92], [12, 72], [12, 30]])), second(polygon([[50, 12], [88, 30], [50, 50], [12, 30]])), light(circle(30, 58, 2.4), circle(40, 72, 2.4), circle(24, 70, 2), circle(66, 62, 2.2), circle(74, 72, 2.4))], // prettier-ignore
  tank: () => [body(path('M14 62L86 62C96 62 98 78 88 82L12 82C2 78 4 62 14 62Z'), path('M24 58L34 40L64 40L74 58Z')), lines('body', 6, 'M60 46L98 38'), light(...[0, 1, 2, 3, 4].map((i) => circle(20 + 15 * i, 72, 4.4)))],
  wand: (t) => [
    body(turned(rectangle(46, 30, 8, 66, 3), LEAN / 1.4)),
    light(turned(rectangle(46, 30, 8, 9, 3), LEAN / 1.4), turned(rectangle(46, 86, 8, 10, 3), LEAN / 1.4)),
    accent(path(`M68 ${2 - t('star')}L73 14L86 15L76 23L79 36L68 29L57 36L60 23L50 15L63 14Z`)),
  ],
  medallion: () => [lines('second', 5, 'M20 4L50 40L80 4'), body(circle(50, 64, 30)), light(circle(50, 64, 22)), accent(path('M50 48L58 64L50 80L42 64Z'))],
}; // prettier-ignore

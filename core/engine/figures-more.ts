/** Second and third drawings of what marks are mostly of: built or seen otherwise than the first, so that four candidates can be four ideas. */
import { accent, body, circle, ellipse, light, lines, path, rectangle, second, symmetric, turned, type Drawing, type Proportion } from './drawing'; // prettier-ignore

import { SHOP } from './figures-shop';

type Draw = (t: Proportion) => Drawing;

const NATURE: Readonly<Record<string, readonly Draw[]>> = {
  tree: [
    // A poplar, a conifer of three tiers, a broad one of five clumps, a bare one with leaves at its ends.
    (t) => [second(rectangle(46, 70, 8, 28)), body(symmetric(`M50 3C${66 + t('crown')} 16 70 40 68 58C66 74 58 80 50 80`)), lines('light', 2.6, 'M50 90L50 34M50 62L60 50M50 54L40 43')],
    (t) => [second(rectangle(45, 84, 10, 14)), body(path('M50 2L70 34L30 34Z'), path(`M50 24L${78 + t('tier')} 62L${22 - t('tier')} 62Z`), path('M50 48L88 88L12 88Z'))],
    (t) => [second(path('M45 98L45 66L30 52L33 48L47 57L49 44L54 44L55 56L68 46L71 50L56 66L57 98Z')), body(circle(50, 22, 19), circle(25, 38, 18 + t('clump')), circle(75, 36, 18 + t('clump')), circle(38, 48, 14), circle(63, 48, 14))],
    (t) => [lines('second', 5, 'M50 98L50 40M50 74L28 54M50 66L73 46M50 50L36 30M50 46L62 24'), body(ellipse(26, 48, 12 + t('leaf'), 9), ellipse(75, 40, 12 + t('leaf'), 9), ellipse(33, 22, 12, 9), ellipse(64, 15, 12, 9), ellipse(48, 34, 9, 11), ellipse(14, 62, 9, 7), ellipse(86, 58, 9, 7))],
  ],
  pine: [
    (t) => [lines('body', 4.6, 'M50 98L50 6'), lines('body', 5, `M50 22L36 34M50 22L64 34M50 40L${26 - t('bough')} 56M50 40L${74 + t('bough')} 56M50 60L18 78M50 60L82 78M50 80L30 92M50 80L70 92`)],
    (t) => [second(rectangle(45, 82, 10, 16)), body(symmetric(`M50 2L62 24L56 24L70 46L62 46L${80 + t('tier')} 70L66 70L84 86L50 86`))],
  ],
  sunflower: [(t) => [lines('body', 4.6, 'M50 56L50 98'), body(path('M50 84C62 70 78 70 84 72C80 86 66 92 50 90Z'), path('M50 88C38 76 24 76 16 78C20 92 36 96 50 94Z')), second(...Array.from({ length: 12 }, (_, i) => turned(ellipse(50, 11 - 0.4 * t('petal'), 5.4, 12), (i * Math.PI) / 6, 50, 34))), accent(circle(50, 34, 15)), light(circle(50, 34, 4))]],
  flame: [
    (t) => [body(path(`M50 2C58 22 ${84 + t('side')} 38 82 66C80 86 66 98 50 98C34 98 18 86 18 64C18 50 26 42 30 30C36 36 38 42 38 48C48 38 52 22 50 2Z`)), second(path('M50 46C56 58 66 66 66 78C66 88 58 94 50 94C42 94 34 88 34 78C34 70 40 66 44 58C46 54 48 50 50 46Z'))],
    (t) => [body(path(`M40 4C60 18 76 36 78 60C80 82 68 98 48 98C28 98 16 84 20 64C22 54 28 48 30 38C36 42 39 48 40 54C48 44 48 24 40 4Z`)), light(path(`M52 62C60 70 64 78 60 88C56 94 44 94 40 86C38 78 44 74 46 68C48 70 50 72 50 74C52 70 52 66 52 ${62 + t('heart')}Z`))],
  ],
  acorn: [(t) => [body(path('M20 44L80 44C80 70 66 88 50 97C34 88 20 70 20 44Z')), second(path(`M10 42C10 24 26 14 50 14C74 14 90 24 90 42C90 46 86 48 82 48L18 48C14 48 10 46 10 42Z`), path('M46 16L44 3L54 3L54 16Z')), lines('light', 2.6, `M30 58C32 72 38 80 ${44 + t('shine')} 86`)]],
  moon: [(t) => [body(path(`M50 4A46 46 0 1 1 49.9 4Z`)), second(circle(36, 38, 10 + t('crater')), circle(66, 60, 8), circle(40, 70, 5), circle(64, 30, 4))]],
  rainbow: [(t) => [body(path('M4 72A46 46 0 0 1 96 72L84 72A34 34 0 0 0 16 72Z')), second(path('M19 72A31 31 0 0 1 81 72L70 72A20 20 0 0 0 30 72Z')), light(ellipse(10, 74, 14, 10 + t('cloud')), ellipse(90, 74, 14, 10)), accent(ellipse(10, 76, 12, 8), ellipse(20, 78, 8, 6), ellipse(90, 76, 12, 8), ellipse(80, 78, 8, 6))]],
  feather: [(t) => [body(path(`M90 6C60 6 34 22 26 50C24 58 23 66 24 74L6 94L10 98L28 80C44 82 64 76 74 60L60 62L80 48C86 36 90 22 90 6Z`)), lines('light', 2.8, `M72 26C52 38 38 54 ${28 + t('quill')} 74`)]],
  planet: [(t) => [body(circle(50, 50, 30)), lines('second', 5, `M22 62C2 72 ${-2 - t('ring')} 82 8 84C26 86 92 48 97 26C98 16 84 18 76 24`), lines('light', 3, 'M30 40C42 46 58 40 66 34M26 54C36 60 50 58 58 54')]],
}; // prettier-ignore

const KITCHEN: Readonly<Record<string, readonly Draw[]>> = {
  teapot: [
    // Tall with a handle over it, and round from the front with its spout up.
    (t) => [lines('second', 5, 'M26 42C20 2 80 2 74 42'), body(path(`M24 42L76 42C${86 + t('belly')} 58 84 82 72 94L28 94C16 82 ${14 - t('belly')} 58 24 42Z`), path('M18 64L4 42L14 40L24 52Z')), accent(rectangle(30, 34, 40, 7, 3), circle(50, 30, 5)), light(rectangle(22, 62, 56, 3.4))],
    (t) => [body(path('M30 26L70 26L82 92C82 95 80 96 78 96L22 96C20 96 18 95 18 92Z'), path('M22 56L8 26L20 24L30 46Z')), second(path(`M76 42C${98 + t('handle')} 40 98 78 80 78L79 70C90 70 88 50 77 50Z`), path('M34 24C36 12 64 12 66 24Z')), accent(circle(50, 10, 5)), light(rectangle(24, 74, 52, 3.4))],
  ],
  kettle: [(t) => [lines('second', 5, 'M24 46C26 6 74 6 76 46'), body(path(`M22 50C26 38 74 38 78 50L${90 + t('base')} 90C90 94 88 96 84 96L16 96C12 96 10 94 ${10 - t('base')} 90Z`), path('M80 62L96 50L99 56L86 74Z')), accent(ellipse(50, 40, 16, 4), circle(50, 34, 4)), light(rectangle(20, 82, 60, 3))]],
  cup: [
    // A tall mug with a straight side.
    (t) => [second(path('M74 30C98 28 98 72 74 72L74 63C86 62 86 40 74 39Z')), body(path(`M16 16L76 16L${74 - t('foot')} 88C74 93 71 95 67 95L25 95C21 95 18 93 ${18 + t('foot')} 88Z`)), light(rectangle(16, 26, 60, 4))],
  ],
  // To take away.
  'coffee cup': [(t) => [body(path(`M22 26L78 26L${70 - t('taper')} 94C70 96 68 98 66 98L34 98C32 98 30 96 ${30 + t('taper')} 94Z`)), second(path('M18 16L82 16L84 26L16 26Z'), path('M26 8L74 8L78 16L22 16Z')), light(path('M26 46L74 46L71 72L29 72Z')), accent(ellipse(50, 59, 8, 10))]],
  bowl: [(t) => [second(ellipse(50, 36, 46, 12)), body(path(`M4 38C10 44 90 44 96 38C96 68 ${80 + t('foot')} 84 66 88L66 94L34 94L34 88C${20 - t('foot')} 84 4 68 4 38Z`)), light(ellipse(50, 35, 36, 7))]],
  'silverware fork': [(t) => [body(path(`M38 4L42 4L43 30L47 30L48 4L52 4L53 30L57 30L58 4L62 4L63 34C63 44 58 48 54 50L56 92C56 98 44 98 44 92L46 50C42 48 37 44 37 34Z`)), light(ellipse(50, 88, 1.8, 3 + 0.3 * t('hole')))]],
  spoon: [(t) => [body(ellipse(50, 22, 16, 20), path('M47 40L53 40L56 92C56 99 44 99 44 92Z')), light(ellipse(50, 21, 9, 12 + 0.6 * t('bowl')))]],
  pan: [(t) => [second(path('M68 58L96 86C99 90 94 96 90 92L62 66Z')), body(circle(40, 38, 36)), light(circle(40, 38, 28)), body(circle(40, 38, 25)), accent(ellipse(36, 40, 15, 12 + t('egg'))), light(circle(36, 40, 5))]],
  pot: [(t) => [second(path('M4 42L18 42L18 50L4 50Z'), path('M82 42L96 42L96 50L82 50Z')), body(path('M16 36L84 36L84 84C84 90 80 94 74 94L26 94C20 94 16 90 16 84Z')), accent(path(`M16 32C20 ${18 - t('lid')} 80 ${18 - t('lid')} 84 32Z`), circle(50, 16, 5)), light(rectangle(16, 54, 68, 3.4))]],
  bottle: [(t) => [body(path(`M44 4L56 4L57 34C62 42 66 48 66 56L66 92C66 95 64 97 61 97L39 97C36 97 34 95 34 92L34 56C34 48 38 42 43 34Z`)), accent(rectangle(43, 2, 14, 12 + t('cap'), 2)), light(path('M34 60L66 60L66 82L34 82Z')), second(circle(50, 71, 6))]],
  'wine glass': [(t) => [body(path(`M24 4L76 4C80 34 70 52 54 54L54 88L72 93L72 97L28 97L28 93L46 88L46 54C30 52 20 34 24 4Z`)), light(path('M29 9L71 9L72 20L28 20Z')), accent(path(`M28 24L72 24C72 38 64 48 50 48C36 48 28 38 28 ${24 + 0.4 * t('wine')}Z`))]],
  donut: [(t) => [second(circle(50, 50, 46)), body(path(`M50 8C74 8 90 26 90 46C92 58 82 56 80 64C76 74 68 66 62 74C54 82 46 72 38 78C28 80 26 70 20 66C8 60 ${8 - t('icing')} 52 10 46C12 24 28 8 50 8Z`)), light(circle(50, 50, 15), rectangle(28, 30, 3, 9, 1), rectangle(66, 26, 9, 3, 1), rectangle(72, 48, 3, 9, 1), rectangle(22, 52, 9, 3, 1), rectangle(46, 18, 9, 3, 1))]],
  cake: [(t) => [second(rectangle(8, 88, 84, 7, 3)), body(rectangle(16, 58, 68, 30), rectangle(26, 32, 48, 26)), light(path('M16 58L84 58L84 64C80 72 74 64 68 66C62 74 56 64 50 66C44 74 38 64 32 66C26 74 18 72 16 64Z'), path('M26 32L74 32L74 37C70 44 66 38 62 40C56 46 52 38 48 40C42 46 38 38 34 40C30 44 26 42 26 37Z')), accent(rectangle(47.6, 16, 4.8, 16), path(`M50 ${3 - t('flame')}C55 8 55 14 50 15C45 14 45 8 50 3Z`))]],
  croissant: [(t) => [body(path(`M4 70C2 60 10 52 20 52L30 58L24 74C16 82 6 80 4 70Z`), path('M24 46C28 36 36 30 44 30L48 60L30 68Z'), path(`M49 28C56 ${26 - t('arch')} 62 ${28 - t('arch')} 66 32L62 62L52 62Z`), path('M70 34C78 38 84 46 84 54L68 66L64 62Z'), path(`M86 56C94 58 98 66 95 74C92 82 82 80 76 74L72 68Z`))]],
  apple: [(t) => [body(path(`M50 28C58 18 ${82 + t('shoulder')} 16 90 34C98 58 78 96 62 96C56 96 54 93 50 93C46 93 44 96 38 96C22 96 2 58 10 34C18 16 42 18 50 28Z`)), light(path('M50 34C56 30 70 28 76 40C80 56 68 84 58 86C54 86 54 84 50 84C46 84 46 86 42 86C32 84 20 56 24 40C30 28 44 30 50 34Z')), accent(ellipse(45, 62, 3.4, 6), ellipse(55, 62, 3.4, 6)), lines('second', 4, 'M50 28C50 18 54 10 60 6')]],
  orange: [SHOP['citrus slice']],
  tomato: [(t) => [body(path(`M50 22C76 12 98 30 96 56C94 82 74 96 50 96C26 96 6 82 4 56C2 30 24 12 50 22Z`)), second(path(`M50 26L64 34L60 24L76 20L58 16L${56 + t('leaf')} 4L48 14L34 8L40 18L26 24L40 26L38 36Z`)), light(path('M16 52C16 44 20 38 26 36C22 44 20 52 20 60C17 58 16 56 16 52Z'))]],
}; // prettier-ignore

const THINGS: Readonly<Record<string, readonly Draw[]>> = {
  lantern: [
    // Of paper, round; and one of iron to hang on a hook, with four panes.
    (t) => [second(rectangle(34, 10, 32, 7, 2), rectangle(34, 80, 32, 7, 2)), lines('second', 3.4, 'M50 10L50 1M50 87L50 98'), body(path(`M36 17L64 17C${92 + t('belly')} 30 92 68 64 80L36 80C8 68 ${8 - t('belly')} 30 36 17Z`)), lines('light', 2.6, 'M42 20C28 34 28 64 42 78M58 20C72 34 72 64 58 78M50 18L50 79')],
    (t) => [lines('second', 4, 'M40 14C38 2 62 2 60 14'), body(path(`M50 10L${80 + t('roof')} 32L${20 - t('roof')} 32Z`), rectangle(22, 84, 56, 9, 2), rectangle(25, 32, 5, 52), rectangle(70, 32, 5, 52), rectangle(47.6, 32, 4.8, 52), rectangle(25, 56, 50, 4)), accent(path('M50 46C58 56 60 62 56 68C53 72 47 72 44 68C40 62 42 56 50 46Z'))],
  ],
  'paint brush': [(t) => [second(path('M45 4C45 1 55 1 55 4L57 52L43 52Z')), accent(rectangle(38, 52, 24, 12, 1)), body(path(`M38 64L62 64C66 76 ${62 + t('tip')} 86 50 98C${38 - t('tip')} 86 34 76 38 64Z`))]],
  'hot air balloon': [(t) => [body(path(`M50 3C${82 + t('width')} 3 90 28 86 42C82 56 66 66 62 74L38 74C34 66 18 56 14 42C10 28 ${18 - t('width')} 3 50 3Z`)), second(path('M50 3C60 14 62 54 55 74L45 74C38 54 40 14 50 3Z')), lines('body', 2.4, 'M40 74L42 84M60 74L58 84'), accent(path('M38 84L62 84L59 98L41 98Z'))]],
  'light bulb': [(t) => [body(path(`M50 4C76 4 ${88 + t('glass')} 24 84 42C81 56 68 60 66 74L34 74C32 60 19 56 16 42C12 24 24 4 50 4Z`)), second(rectangle(34, 77, 32, 6, 3), rectangle(36, 85, 28, 6, 3), path('M42 93L58 93C56 99 44 99 42 93Z')), lines('light', 3, 'M42 74L40 48L50 56L60 48L58 74')]],
  crown: [(t) => [body(path(`M6 ${26 - t('point')}L26 50L38 12L50 44L62 12L74 50L94 ${26 - t('point')}L86 76L14 76Z`), rectangle(14, 80, 72, 10, 2)), second(circle(6, 22, 5), circle(38, 9, 5), circle(62, 9, 5), circle(94, 22, 5)), light(circle(50, 64, 4.6), circle(30, 65, 3.4), circle(70, 65, 3.4))]],
  sword: [(t) => [body(path('M50 2L57 14L55 66L45 66L43 14Z')), second(rectangle(26, 66, 48, 7, 3)), accent(rectangle(46, 73, 8, 18), circle(50, 94, 5 + 0.4 * t('pommel'))), lines('light', 2, 'M50 12L50 62')]],
  medal: [(t) => [second(path('M28 2L44 2L54 40L42 44Z'), path('M72 2L56 2L46 40L58 44Z')), body(circle(50, 68, 29)), light(circle(50, 68, 21)), accent(path(`M50 ${52 - 0.5 * t('star')}L55 63L67 64L58 72L61 84L50 77L39 84L42 72L33 64L45 63Z`))]],
  bag: [(t) => [lines('second', 5, 'M34 40C34 2 66 2 66 40'), body(path(`M16 32L84 32L${90 + t('foot')} 96L${10 - t('foot')} 96Z`)), light(circle(34, 42, 3.2), circle(66, 42, 3.2))]],
  box: [(t) => [body(path('M4 34L50 44L50 97L10 86Z')), second(path('M96 34L50 44L50 97L90 86Z')), accent(path(`M4 34L20 ${12 - t('flap')}L62 20L50 44Z`), path(`M96 34L80 12L50 ${20 - t('flap')}L50 44Z`))]],
  drum: [(t) => [body(path('M10 34L90 34L90 76C80 90 20 90 10 76Z')), second(ellipse(50, 34, 40, 12)), lines('light', 2.8, 'M12 46L26 82L40 50L54 86L68 50L80 80L89 48'), lines('accent', 4, `M40 30L${76 + t('stick')} 4M58 32L18 8`)]],
  piano: [(t) => [body(path(`M8 22C24 ${6 - t('lid')} 58 10 66 26C72 38 92 36 94 52L94 64L6 64Z`), rectangle(10, 68, 84, 8, 2), rectangle(14, 76, 6, 22), rectangle(82, 76, 6, 22), rectangle(50, 76, 5, 22)), light(rectangle(12, 56, 76, 5, 1)), second(rectangle(20, 56, 4, 3), rectangle(32, 56, 4, 3), rectangle(44, 56, 4, 3), rectangle(60, 56, 4, 3), rectangle(72, 56, 4, 3))]],
  vase: [(t) => [body(path(`M38 4L62 4L58 24C78 36 ${86 + t('belly')} 62 66 96L34 96C${14 - t('belly')} 62 22 36 42 24Z`)), second(path('M22 50L78 50L79 60L21 60Z')), light(path('M20 54L30 50L40 58L50 50L60 58L70 50L80 54L79 57L70 54L60 61L50 54L40 61L30 54L21 57Z'))]],
  sofa: [(t) => [second(rectangle(18, 20, 64, 40, 8)), body(path(`M4 46C4 36 20 36 20 46L20 58L80 58L80 46C80 36 96 36 96 46L96 84L4 84Z`), rectangle(12, 84, 7, 10 + t('leg')), rectangle(81, 84, 7, 10 + t('leg'))), light(rectangle(49, 24, 2.4, 30)), accent(rectangle(22, 58, 56, 10, 3))]],
  arrow: [(t) => [body(path(`M4 42L56 42L56 ${20 - t('head')}L97 50L56 ${80 + t('head')}L56 58L4 58Z`))], (t) => [lines('body', 6, 'M10 90L84 16'), body(path('M97 3L90 40L60 10Z')), second(path(`M4 78L22 ${60 - t('vane')}L30 68L12 86Z`), path('M22 96L40 78L32 70L14 88Z'))]],
  'speech bubble': [(t) => [body(path(`M50 8C78 8 97 24 97 44C97 64 78 78 50 78C44 78 40 78 36 77L${14 - t('tail')} 95L20 71C9 65 3 55 3 44C3 24 22 8 50 8Z`)), light(circle(28, 44, 5.4), circle(50, 44, 5.4), circle(72, 44, 5.4))]],
  ship: [(t) => [body(path(`M2 60L98 60C94 78 86 88 78 92L18 92C10 86 4 74 2 60Z`)), second(rectangle(22, 42, 52, 16, 2), rectangle(32, 28, 34, 14, 2)), accent(path(`M44 6L58 6L60 28L42 28Z`)), light(circle(22, 72, 3.6), circle(38, 72, 3.6), circle(54, 72, 3.6), circle(70, 72, 3.6 + 0.2 * t('port')))]],
  boat: [(t) => [lines('second', 4, 'M48 66L48 4'), accent(path(`M52 8C70 22 ${84 + t('sail')} 44 86 60L52 60Z`), path('M44 16C34 30 24 46 14 60L44 60Z')), body(path('M4 66L96 66C92 82 84 92 74 94L26 94C16 92 8 82 4 66Z'))]],
  tower: [(t) => [body(path(`M28 98L34 36L66 36L72 98Z`), path('M22 16L32 16L32 22L42 22L42 16L58 16L58 22L68 22L68 16L78 16L78 34L22 34Z')), light(path('M44 98L44 82C44 74 56 74 56 82L56 98Z'), path('M47 48L53 48L53 62L47 62Z')), second(path(`M50 14L50 0L${66 + t('flag')} 5L52 9L52 14Z`))]],
  skyscraper: [(t) => [second(rectangle(8, 46, 26, 52), rectangle(68, 34, 24, 64)), body(path(`M36 98L36 22L50 ${8 - t('spire')}L64 22L64 98Z`), rectangle(48.6, 0, 2.8, 12)), light(...[30, 42, 54, 66, 78].flatMap((y) => [rectangle(42, y, 6, 6), rectangle(53, y, 6, 6)]))]],
  map: [(t) => [body(path('M4 14L34 4L34 86L4 96Z'), path('M66 14L96 4L96 86L66 96Z')), second(path('M34 4L66 14L66 96L34 86Z')), lines('light', 3, 'M12 74C24 60 26 50 44 54C60 58 58 38 74 40'), accent(path(`M80 ${18 - t('pin')}C90 18 92 28 88 34L80 46L72 34C68 28 70 18 80 18Z`))]],
  hat: [(t) => [body(ellipse(50, 74, 48, 12), path(`M24 74L28 ${28 - t('crown')}C30 18 44 24 50 24C56 24 70 18 72 ${28 - t('crown')}L76 74Z`)), second(path('M25 60L75 60L76 70L24 70Z'))]],
  boot: [(t) => [body(path(`M30 4L62 4L62 52C74 60 92 62 94 78L94 86L30 86C28 60 28 30 30 4Z`)), second(path('M28 86L96 86L96 95L64 95L58 91L52 95L28 95Z'), rectangle(28, 4, 36, 10 + t('cuff'), 2)), lines('light', 2.6, 'M50 26L62 26M50 38L62 38M52 50L64 50')]],
  shoe: [(t) => [body(path(`M6 40C14 46 24 46 30 34L40 30L62 54C74 62 94 60 96 74L96 80L4 80C4 64 2 52 6 40Z`)), second(rectangle(3, 80, 94, 9 + 0.6 * t('sole'), 4)), lines('light', 2.8, 'M40 40L50 34M47 48L57 42M55 56L65 50')]],
  key: [(t) => [body(circle(50, 22, 19), path(`M46 36L54 38L54 97L46 97Z`), path(`M54 74L70 74L70 82L54 82Z`), path(`M54 88L${66 + t('bit')} 88L66 96L54 96Z`)), light(circle(50, 19, 8))]],
  squirrel: [(t) => [second(path(`M30 92C8 88 2 64 8 42C12 24 28 14 38 24C46 32 42 44 34 46C42 54 42 70 40 82Z`)), body(path('M36 94C34 72 44 62 58 60C52 54 50 44 56 36L58 24L66 32C78 32 86 40 88 50L78 56C84 66 82 82 76 94Z')), light(circle(74, 44, 2.8)), accent(path(`M80 62C86 60 92 64 92 70C90 76 84 78 80 76L${76 - t('paw')} 70Z`))]],
  ladybug: [(t) => [second(circle(50, 20, 15), path('M38 8C34 4 30 4 28 2L30 0C34 0 40 4 42 7Z'), path('M62 8C66 4 70 4 72 2L70 0C66 0 60 4 58 7Z')), body(ellipse(50, 60, 38 + t('width'), 38)), light(rectangle(48.6, 24, 2.8, 74)), second(circle(32, 46, 6), circle(68, 46, 6), circle(28, 68, 6), circle(72, 68, 6), circle(40, 84, 5), circle(60, 84, 5))]],
  swallow: [(t) => [body(path(`M4 30C22 28 38 34 48 44C58 26 76 14 97 10C90 26 80 40 66 52L${60 + t('tail')} 60L64 96L50 70L30 92L40 62C28 56 14 44 4 30Z`)), light(path('M52 46C60 36 70 28 80 24C74 34 66 42 58 48Z'))]],
  hummingbird: [(t) => [second(path(`M44 46C30 36 22 20 22 4C40 8 56 22 60 40Z`)), body(path('M99 18L74 28C68 22 58 22 54 30C44 40 36 54 28 70L8 94L32 84C52 80 68 62 70 40L76 34Z')), light(circle(64, 31, 2.6)), accent(path(`M60 46C64 54 60 66 48 74C46 64 50 52 60 46Z`), path(`M20 ${80 + t('tail')}L8 94L24 88Z`))]],
  violin: [(t) => [body(path('M36 40C24 42 22 58 34 62C22 68 22 96 50 96C78 96 78 68 66 62C78 58 76 42 64 40C58 36 42 36 36 40Z')), second(rectangle(46, 6, 8, 52, 1), path('M44 2C44 -1 56 -1 56 2L55 10L45 10Z')), lines('light', 2, 'M38 68C34 72 42 78 38 84M62 68C66 72 58 78 62 84'), accent(rectangle(42, 76, 16, 3 + 0.2 * t('bridge')))]],
}; // prettier-ignore

/** More drawings by what they are of, each with seeded proportions. */
export const MORE: Readonly<Record<string, readonly Draw[]>> = { ...NATURE, ...KITCHEN, ...THINGS };

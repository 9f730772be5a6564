import {
  accent,
  body,
  both,
  circle,
  hole,
  light,
  lines,
  path,
  polygon,
  rectangle,
  second,
  symmetric,
  turned,
  type Drawing,
  type Proportion,
} from './drawing';

function house(t: Proportion): Drawing {
  const s = 3 * t('roof');
  return [
    second(path('M70 16L80 16L80 40L70 32Z')),
    body(path(`M50 ${12 - s}L94 50L86 56L82 53L82 88L18 88L18 53L14 56L6 50Z`)),
    light(path('M42 88L42 68C42 58 58 58 58 68L58 88Z'), circle(50, 42, 6)),
  ];
}

function key(t: Proportion): Drawing {
  const r = 17 + 1.5 * t('bow');
  return [
    body(
      circle(31, 31, r + 5),
      hole(circle(31, 31, r - 6)),
      path('M43 49L49 43L90 84L90 92L80 92L80 84L72 84L72 76L64 76Z'),
    ),
    second(circle(31, 31, 4)),
  ];
}

function anchor(t: Proportion): Drawing {
  const s = 2 * t('arms');
  return [
    body(circle(50, 17, 11), hole(circle(50, 17, 5))),
    body(rectangle(45.5, 27, 9, 60, 2), rectangle(30, 36, 40, 8, 4)),
    body(symmetric(`M50 94C72 92 ${86 + s} 78 ${88 + s} 62L94 66L86 50L72 60L78 61C76 72 66 80 50 82`)),
  ];
}

function boat(t: Proportion): Drawing {
  const s = 3 * t('sail');
  return [
    body(path(`M47 ${8 - s}L47 66L12 66C26 52 40 32 47 ${8 - s}Z`)),
    second(path('M53 18C70 32 80 48 84 66L53 66Z')),
    body(path('M6 72L94 72C90 84 82 92 72 92L28 92C18 92 10 84 6 72Z')),
  ];
}

function train(t: Proportion): Drawing {
  const s = 2 * t('nose');
  return [
    body(
      path(
        `M24 26C24 14 34 ${8 - s} 50 ${8 - s}C66 ${8 - s} 76 14 76 26L80 70C80 77 75 80 70 80L30 80C25 80 20 77 20 70Z`,
      ),
    ),
    light(path('M31 28C31 24 34 22 38 22L62 22C66 22 69 24 69 28L71 46C71 48 70 49 68 49L32 49C30 49 29 48 29 46Z')),
    second(...both(circle(67, 64, 5.4))),
    lines('body', 4, 'M32 80L22 94M68 80L78 94M27 88L73 88'),
    accent(rectangle(43, 12.5, 14, 4.6, 2.3)),
  ];
}

function bicycle(t: Proportion): Drawing {
  const r = 18.5 + 0.8 * t('wheel');
  const ring = (cx: number) => [circle(cx, 64, r + 2.2), hole(circle(cx, 64, r - 2.2))];
  return [
    body(...ring(25), ...ring(75)),
    lines('body', 4.4, 'M25 64L40 36L66 36L50 64L25 64M50 64L37 29M75 64L64 26L54 26'),
    lines('second', 5.4, 'M30 28L44 28'),
    lines('second', 4.4, 'M64 26C70 25 74 28 73 33'),
    second(circle(50, 64, 5)),
  ];
}

function suitcase(t: Proportion): Drawing {
  const s = 2 * t('height');
  return [
    lines('body', 6, `M36 ${30 - s}L36 ${22 - s}C36 18 38 16 42 16L58 16C62 16 64 18 64 ${22 - s}L64 ${30 - s}`),
    body(rectangle(8, 28 - s, 84, 58 + s, 9)),
    light(rectangle(23, 28 - s, 4.4, 58 + s), rectangle(72.6, 28 - s, 4.4, 58 + s)),
    second(rectangle(41, 50, 18, 12, 3)),
  ];
}

function bed(t: Proportion): Drawing {
  const s = 2 * t('pillow');
  return [
    second(rectangle(16, 46 - s, 24, 14 + s, 6)),
    body(
      path(
        'M6 26C6 21 14 21 14 26L14 60L86 60C92 60 94 63 94 68L94 82C94 87 86 87 86 82L86 78L14 78L14 82C14 87 6 87 6 82Z',
      ),
    ),
    body(path('M42 56L42 50C42 44 46 41 52 41L76 41C86 41 92 47 93 56Z')),
    light(rectangle(14, 62.8, 80, 3.6)),
  ];
}

function bunk(t: Proportion): Drawing {
  const s = 2 * t('pillow');
  return [
    body(rectangle(6, 12, 7, 78, 3.5), rectangle(87, 12, 7, 78, 3.5)),
    body(rectangle(10, 42, 80, 8), rectangle(10, 78, 80, 8)),
    second(rectangle(17, 30 - s, 20, 10 + s, 5), rectangle(17, 66 - s, 20, 10 + s, 5)),
    body(
      path('M40 40L40 37C40 31 43 28 49 28L74 28C82 28 86 33 86 40Z'),
      path('M40 76L40 73C40 67 43 64 49 64L74 64C82 64 86 69 86 76Z'),
    ),
  ];
}

function lamp(t: Proportion): Drawing {
  const s = 3 * t('shade');
  return [
    body(symmetric(`M50 10L${64 + s / 2} 10L82 50L50 50`)),
    second(path('M38 53L62 53C61 60 56 64 50 64C44 64 39 60 38 53Z')),
    body(rectangle(46.5, 50, 7, 34), symmetric('M50 80L62 80C68 80 72 84 72 90L50 90')),
    light(path('M41 16L48 16L42 44L29 44Z')),
  ];
}

function lantern(t: Proportion): Drawing {
  const s = 2 * t('belly');
  return [
    lines('body', 4, 'M36 22C36 2 64 2 64 22'),
    body(symmetric('M50 16L60 16L68 28L50 28'), rectangle(26, 84, 48, 9, 3)),
    body(symmetric(`M50 31L67 31L${73 + s} 81L50 81`)),
    light(symmetric(`M50 37L61 37L${66 + s} 75L50 75`)),
    second(
      path(
        'M50 44C52 52 60 56 60 65C60 71 56 75 50 75C44 75 40 71 40 65C40 60 44 58 45 54C47 56 48 57 49 57C48 52 48 48 50 44Z',
      ),
    ),
  ];
}

function cup(t: Proportion): Drawing {
  const s = 2 * t('steam');
  return [
    lines('second', 4, `M36 ${32 + s}C30 26 42 20 36 ${12 - s}M52 ${32 + s}C46 26 58 20 52 ${12 - s}`),
    lines('body', 6, 'M72 48C90 44 94 66 68 70'),
    body(path('M14 40L74 40L74 56C74 72 64 82 52 82L36 82C24 82 14 72 14 56Z')),
    body(rectangle(8, 87, 74, 6, 3)),
    light(path('M22 47L28 47L28 56C28 64 31 70 36 74C27 72 22 64 22 56Z')),
  ];
}

function breakfast(t: Proportion): Drawing {
  const s = 2 * t('egg');
  return [
    body(path('M16 58L84 58C84 76 72 84 50 84C28 84 16 76 16 58Z'), rectangle(36, 82, 28, 9, 3)),
    second(path(`M50 ${12 - s}C64 ${12 - s} 72 36 72 52L28 52C28 36 36 ${12 - s} 50 ${12 - s}Z`)),
    light(
      polygon([
        [28, 46],
        [36, 40],
        [43, 46],
        [50, 40],
        [57, 46],
        [64, 40],
        [72, 46],
        [72, 49],
        [64, 43.5],
        [57, 49.5],
        [50, 43.5],
        [43, 49.5],
        [36, 43.5],
        [28, 49],
      ]),
    ),
    lines('light', 3, 'M24 66L76 66'),
  ];
}

function tap(t: Proportion): Drawing {
  const s = 2 * t('spout');
  return [
    body(rectangle(26, 14, 34, 8, 4), rectangle(39, 18, 8, 18)),
    body(path(`M8 36L60 36C78 36 88 46 88 62L88 66L72 66L72 62C72 55 68 52 60 52L8 52Z`)),
    body(rectangle(68, 64, 24, 6, 2)),
    second(path(`M80 ${73 + s}C83 80 87 84 87 89C87 93 84 96 80 96C76 96 73 93 73 89C73 84 77 80 80 ${73 + s}Z`)),
  ];
}

function book(t: Proportion): Drawing {
  const s = 2 * t('open');
  return [
    body(path(`M48 26C38 ${18 - s} 22 ${18 - s} 6 22L6 78C22 74 38 75 48 83Z`)),
    second(path(`M52 26C62 ${18 - s} 78 ${18 - s} 94 22L94 78C78 74 62 75 52 83Z`)),
    lines('light', 3, 'M16 36C24 34 32 35 39 38M16 48C24 46 32 47 39 50M16 60C24 58 32 59 39 62'),
  ];
}

function quill(t: Proportion): Drawing {
  const s = 3 * t('curl');
  return [
    body(
      path(
        `M90 6C${70 + s} 8 44 24 36 52C34 60 33 66 32 72L40 68C44 68 50 67 54 64L50 60C58 60 66 54 70 46L64 44C74 42 84 28 90 6Z`,
      ),
    ),
    lines('light', 2.4, 'M80 18C62 32 46 50 37 70'),
    lines('body', 3.6, 'M37 66L26 90'),
    second(rectangle(10, 90, 60, 4.4, 2.2)),
  ];
}

function crown(t: Proportion): Drawing {
  const s = 3 * t('points');
  return [
    body(
      polygon([
        [12, 72],
        [6, 30],
        [30, 50],
        [50, 18 - s],
        [70, 50],
        [94, 30],
        [88, 72],
      ]),
    ),
    second(circle(6, 27, 5), circle(50, 14 - s, 5.4), circle(94, 27, 5)),
    body(rectangle(12, 77, 76, 9, 2)),
    light(
      polygon([
        [50, 52],
        [56, 60],
        [50, 68],
        [44, 60],
      ]),
    ),
  ];
}

function bell(t: Proportion): Drawing {
  const s = 3 * t('flare');
  return [
    second(circle(50, 84, 8)),
    body(circle(50, 14, 6), symmetric(`M50 16C66 16 74 28 75 46C76 60 80 66 ${88 + s / 2} 74C89 77 88 80 84 80L50 80`)),
    lines('light', 3, 'M34 60C34 44 36 32 44 26'),
  ];
}

function gear(t: Proportion): Drawing {
  const n = 8 + Math.round(1.4 * (t('teeth') + 1));
  const teeth = Array.from({ length: n }, (_, i) =>
    turned(
      polygon([
        [42.5, 20],
        [44.5, 6],
        [55.5, 6],
        [57.5, 20],
      ]),
      (2 * Math.PI * i) / n,
    ),
  );
  return [body(...teeth, circle(50, 50, 33)), light(circle(50, 50, 15)), second(circle(50, 50, 8))];
}

function candle(t: Proportion): Drawing {
  const s = 2 * t('flame');
  return [
    second(path(`M50 ${6 - s}C54 16 61 21 61 29C61 36 56 40 50 40C44 40 39 36 39 29C39 21 46 16 50 ${6 - s}Z`)),
    body(rectangle(37, 46, 26, 36, 3), path('M20 80L80 80C80 88 74 93 66 93L34 93C26 93 20 88 20 80Z')),
    lines('body', 5, 'M79 80C94 78 93 92 76 90'),
    light(path('M43 46L49 46L49 60C49 64 43 64 43 60Z')),
  ];
}

function umbrella(t: Proportion): Drawing {
  const s = 2 * t('dome');
  return [
    lines('body', 5, 'M50 50L50 80C50 92 66 92 66 81'),
    body(
      path(
        `M6 54C8 ${28 - s} 26 ${12 - s} 50 ${12 - s}C74 ${12 - s} 92 ${28 - s} 94 54C88 47 80 47 75 54C70 47 56 47 50 54C44 47 30 47 25 54C20 47 12 47 6 54Z`,
      ),
    ),
    second(path('M50 12C60 22 67 36 69 49.5C62 47 55 48 50 54C45 48 38 47 31 49.5C33 36 40 22 50 12Z')),
    lines('body', 5, 'M50 14L50 7'),
  ];
}

function shield(t: Proportion): Drawing {
  const s = 3 * t('foot');
  return [
    body(symmetric(`M50 8C62 14 74 16 86 16C88 44 82 72 50 ${94 + s / 3}`)),
    second(symmetric('M50 19C60 23 68 25 77 25C77 46 72 67 50 83')),
    light(path('M50 19C60 23 68 25 77 25C77 32 76.5 39 75 45L50 45Z'), path('M50 45L50 83C36 73 28 60 25 45Z')),
  ];
}

function wheel(t: Proportion): Drawing {
  const n = t('spokes') > 0 ? 8 : 6;
  const spokes = Array.from({ length: n }, (_, i) => turned(rectangle(48, 14, 4, 30), (2 * Math.PI * i) / n));
  return [
    body(circle(50, 50, 43), hole(circle(50, 50, 34))),
    body(...spokes),
    body(circle(50, 50, 10)),
    light(circle(50, 50, 4)),
  ];
}

function basket(t: Proportion): Drawing {
  const s = 2 * t('handle');
  return [
    lines('body', 5, `M22 46C22 ${12 - s} 78 ${12 - s} 78 46`),
    second(circle(36, 42, 9), circle(54, 40, 10), circle(69, 44, 7)),
    body(path('M10 46L90 46L82 84C81 88 78 90 74 90L26 90C22 90 19 88 18 84Z')),
    lines('light', 2.6, 'M16 60L84 60M19 74L81 74M36 50L39 86M50 50L50 86M64 50L61 86'),
  ];
}

function envelope(t: Proportion): Drawing {
  const s = 3 * t('flap');
  return [
    body(rectangle(6, 22, 88, 58, 6)),
    lines('light', 4, `M10 27L50 ${56 + s}L90 27`),
    second(circle(50, 56 + s, 8)),
  ];
}

function window(t: Proportion): Drawing {
  const s = 2 * t('arch');
  return [
    body(path(`M16 92L16 42C16 ${20 - s} 32 ${8 - s} 50 ${8 - s}C68 ${8 - s} 84 ${20 - s} 84 42L84 92Z`)),
    light(path('M24 48L46 48L46 17C33 19 24 29 24 42Z'), path('M54 17C67 19 76 29 76 42L76 48L54 48Z')),
    second(rectangle(24, 55, 22, 29), rectangle(54, 55, 22, 29)),
  ];
}

function hat(t: Proportion): Drawing {
  const s = 2 * t('crown');
  return [
    body(path(`M22 52C16 38 22 ${24 - s} 50 ${24 - s}C78 ${24 - s} 84 38 78 52Z`)),
    second(path('M22 54L78 54L80 64L20 64Z')),
    body(path('M18 66C34 62 66 62 82 66C90 70 92 76 88 78C68 70 32 70 12 78C8 76 10 70 18 66Z')),
    light(circle(50, 42, 5)),
  ];
}

export const THINGS = {
  house,
  key,
  anchor,
  boat,
  train,
  bicycle,
  suitcase,
  bed,
  bunk,
  lamp,
  lantern,
  cup,
  breakfast,
  tap,
  book,
  quill,
  crown,
  bell,
  gear,
  candle,
  umbrella,
  shield,
  wheel,
  basket,
  envelope,
  window,
  hat,
};

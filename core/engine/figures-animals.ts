import {
  accent,
  body,
  both,
  circle,
  ellipse,
  light,
  lines,
  path,
  second,
  symmetric,
  turned,
  type Drawing,
  type Proportion,
} from './drawing';

const eyes = (x: number, y: number, r: number) => both(circle(x, y, r));

function bat(t: Proportion): Drawing {
  const lift = 5 * t('wings');
  const ear = 3 * t('ears');
  const wing = path(
    `M56 42C64 34 70 ${27 - lift} 80 ${26 - lift}C87 ${25 - lift} 93 ${29 - lift} 97 ${34 - lift}C90 ${37 - lift} 88 ${44 - lift} 89 ${54 - lift}C84 ${49 - lift} 77 ${50 - lift} 74 ${60 - lift / 2}C70 54 64 56 60 66L54 60Z`,
  );
  return [
    body(...both(wing)),
    body(
      symmetric(
        `M50 36C53 36 55 36.5 57 37.5L${63 + ear} ${20 - ear}C65 29 66 37 65 44C64 53 61 57 59 62C57 69 53 74 50 78`,
      ),
    ),
    light(...eyes(55.5, 46, 2.5)),
    second(symmetric('M50 55L52.5 55C52 58 51 59.5 50 60')),
  ];
}

function hedgehog(t: Proportion): Drawing {
  const n = 11 + Math.round(t('spines'));
  const spine: string[] = [];
  const [cx, cy, r] = [46, 57, 33];
  for (let i = 0; i <= n; i++) {
    const a = Math.PI * (1.02 + (0.98 * i) / n) - 0.16;
    const b = a + (Math.PI * 0.98) / n / 2;
    spine.push(`${cx + r * Math.cos(a)} ${cy + r * 0.9 * Math.sin(a)}`);
    if (i < n) spine.push(`${cx + (r + 9) * Math.cos(b + 0.05)} ${cy + (r + 9) * 0.92 * Math.sin(b + 0.05)}`);
  }
  return [
    second(
      path('M30 66C48 52 62 48 70 51C80 55 84 64 93 68C96 70 95 75 91 76C84 78 78 79 70 79L30 79C24 79 24 70 30 66Z'),
    ),
    body(path(`M${spine.join('L')}C77 58 71 64 64 70C56 77 44 79 30 79L20 79C14 74 12 66 13 58Z`)),
    body(circle(92.5, 71, 3.2)),
    body(circle(79, 64.5, 2.4)),
    second(ellipse(34, 80.5, 6, 3.4), ellipse(62, 80.5, 6, 3.4)),
    lines(
      'light',
      2.2,
      `M32 50L27 42M44 44L42 ${34 + t('a')}M56 46L58 38M38 60L32 54M50 56L49 47M62 58L65 50M28 65L21 61`,
    ),
  ];
}

function owl(t: Proportion): Drawing {
  const tuft = 3 * t('tufts');
  return [
    body(symmetric(`M50 20C57 20 62 19 ${74 + tuft} 9C76 18 77 27 77 38C77 68 68 84 50 90`)),
    second(symmetric('M50 54C58 54 64 50 66 47C67 64 62 76 50 82')),
    light(...eyes(62, 37, 11.5)),
    body(...eyes(61, 37, 5.6)),
    accent(symmetric('M50 42L54.5 46L50 55')),
    lines('body', 2, 'M42 62L45 66L48 62M52 62L55 66L58 62M47 70L50 74L53 70'),
  ];
}

function cat(t: Proportion): Drawing {
  const ear = 3 * t('ears');
  return [
    body(symmetric(`M50 30C56 30 61 31 65 33L${80 + ear / 2} ${14 + ear}C84 30 86 44 85 54C84 74 68 86 50 86`)),
    second(...both(path(`M69 37L${78 + ear / 2} ${24 + ear}C80 31 80 38 80 44Z`))),
    light(...both(path('M58 54C61 47 70 46 74 51C71 59 63 61 58 54Z'))),
    body(...both(ellipse(66.5, 52.8, 2.1, 4.6))),
    second(symmetric('M50 66L55 66C54 69 52 71 50 72')),
    lines(
      'light',
      2,
      'M50 72L50 75M50 75C47 79 43 79 40 77M50 75C53 79 57 79 60 77M74 66L88 62M74 70L88 72M26 66L12 62M26 70L12 72',
    ),
  ];
}

function fox(t: Proportion): Drawing {
  const ear = 4 * t('ears');
  return [
    body(symmetric(`M50 36C55 36 60 37 64 39L${82 + ear / 2} ${10 + ear}C86 26 88 40 89 52C80 58 72 72 50 90`)),
    light(...both(path('M82 54.5C75 59 68 69 57 79C54.5 73 55 65 58 61C63 56 73 53.5 82 54.5Z'))),
    second(...both(path(`M70 40L${80 + ear / 2} ${23 + ear}C82 31 83 38 83 46Z`))),
    light(...both(path('M56 51C59 47 65 46 69 48C66 52 60 54 56 51Z'))),
    second(symmetric('M50 81L55.5 81C55 86 52 89 50 90')),
  ];
}

function rabbit(t: Proportion): Drawing {
  const lean = 0.14 + 0.08 * t('lean');
  const ear = turned(ellipse(60, 27, 8, 23), lean, 58, 48);
  const inner = turned(ellipse(60, 28, 3.6, 16), lean, 58, 48);
  return [
    body(...both(ear)),
    second(...both(inner)),
    body(symmetric('M50 40C66 40 78 51 78 66C78 81 66 90 50 90')),
    light(...eyes(62, 62, 3.6)),
    second(symmetric('M50 71L54.5 71C54 74 52 76 50 76.5')),
    lines('light', 2, 'M50 77L50 80M50 80C47 84 43 84 41 82M50 80C53 84 57 84 59 82'),
  ];
}

function bear(t: Proportion): Drawing {
  const s = 1.2 * t('muzzle');
  return [
    body(...both(circle(76, 29, 13)), symmetric('M50 19C72 19 86 35 86 55C86 76 70 87 50 87')),
    second(...both(circle(76.5, 28.5, 6.5))),
    light(ellipse(50, 66, 19 + s, 15 + s)),
    body(ellipse(50, 60, 7.5, 5.2)),
    light(...eyes(66, 47, 3.6)),
    lines('body', 2.4, 'M50 65L50 70M50 70C46 76 40 75 38 72M50 70C54 76 60 75 62 72'),
  ];
}

function bird(t: Proportion): Drawing {
  const tail = 3 * t('tail');
  return [
    body(
      path(
        `M8 ${42 + tail}C16 48 22 50 30 50C34 34 46 24 62 24C76 24 84 33 84 44C84 66 66 80 48 80C34 80 24 72 18 62Z`,
      ),
    ),
    second(path('M34 52C46 46 60 50 66 60C58 70 42 70 34 52Z')),
    accent(path('M82 37L96 43L83 48Z')),
    light(circle(70, 38, 3.4)),
    lines('body', 2.6, 'M46 79L44 91M44 91L38 92M44 91L50 92M58 77L58 91M58 91L52 92M58 91L64 92'),
  ];
}

function swallow(t: Proportion): Drawing {
  const s = 3 * t('wing');
  return [
    body(
      path(
        `M94 30C88 28 83 30 80 33C70 22 50 ${14 - s} 28 ${12 - s}C46 22 56 32 60 44C48 52 28 66 8 70C24 72 36 70 46 68L26 92C44 86 58 76 68 62C82 58 88 46 86 37Z`,
      ),
    ),
    second(path('M86 37L97 34L90 30C88 31 86 34 86 37Z')),
    light(circle(82.5, 36, 1.9)),
    second(path('M70 58C74 50 76 44 77 40C84 44 82 54 70 58Z')),
  ];
}

function fish(t: Proportion): Drawing {
  const fin = 3 * t('fin');
  return [
    second(
      path(`M46 33C52 ${20 - fin} 62 ${16 - fin} 70 ${20 - fin}C66 26 66 30 68 36Z`),
      path('M48 67C52 77 60 80 66 78C64 73 64 69 66 65Z'),
    ),
    body(
      path(
        'M92 50C84 34 68 28 54 30C42 32 34 40 27 48C20 40 14 33 7 31C11 43 11 57 7 69C14 67 20 60 27 52C34 61 42 69 54 70C68 72 84 66 92 50Z',
      ),
    ),
    light(circle(77, 46, 3.4)),
    lines('light', 2.4, 'M65 38C60 46 60 54 65 62M54 41C50 47 50 53 54 59M43 44C41 48 41 52 43 56'),
  ];
}

function whale(t: Proportion): Drawing {
  const s = 2 * t('spout');
  return [
    body(
      path(
        'M8 58C8 40 24 30 44 30C64 30 70 46 80 46C84 40 82 32 76 28C84 27 89 30 91 35C94 31 97 29 100 29C100 42 94 54 88 60C82 74 66 82 46 82C22 82 8 74 8 58Z',
      ),
    ),
    second(path('M8 58C22 66 46 66 58 78C54 81 50 82 46 82C22 82 8 74 8 58Z')),
    light(circle(25, 54, 2.8)),
    lines('second', 3, `M42 25C42 18 38 ${14 - s} 32 14M42 25C42 18 46 ${14 - s} 52 14`),
  ];
}

function snail(t: Proportion): Drawing {
  const r = 1.5 * t('shell');
  return [
    second(
      path(
        'M6 80C18 80 24 78 30 72L64 74C72 74 78 66 78 56C78 50 82 46 87 46C93 46 96 50 95 56C94 72 84 82 66 82L12 83C8 83 5 82 6 80Z',
      ),
    ),
    lines('second', 2.6, 'M85 48L81 34M90 48L93 35'),
    second(circle(81, 33, 2.6), circle(93, 34, 2.6)),
    { ...body(circle(44, 50, 28 + r)), of: 'shell' },
    lines(
      'light',
      4,
      'M44 52C40 52 39 47 43 44C49 40 57 45 56 53C55 63 44 68 35 63C25 57 25 42 34 34C42 27 55 28 62 36',
    ),
  ];
}

function bee(t: Proportion): Drawing {
  const w = 0.1 * t('wing');
  return [
    second(...both(turned(ellipse(72, 36, 20, 11), -0.45 + w, 56, 46))),
    second(...both(turned(ellipse(67, 54, 13, 7.5), 0.3, 56, 50))),
    body(circle(50, 26, 10), symmetric('M50 34C61 34 67 44 67 56C67 70 59 82 50 92')),
    light(
      path('M34.6 50C44 53 56 53 65.4 50L66.6 58C56 61 44 61 33.4 58Z'),
      path('M35.4 66C45 69 55 69 64.6 66L61 74C54 76 46 76 39 74Z'),
    ),
    lines('body', 2.2, 'M46 18C44 12 41 10 37 10M54 18C56 12 59 10 63 10'),
  ];
}

function butterfly(t: Proportion): Drawing {
  const s = 3 * t('wing');
  return [
    body(...both(path(`M53 46C58 28 72 ${16 - s} 86 ${18 - s}C94 ${19 - s} 95 30 92 38C89 48 76 54 53 52Z`))),
    second(...both(path('M53 54C70 54 82 58 83 68C84 78 76 86 68 84C60 82 55 68 53 60Z'))),
    light(...both(circle(79, 33, 5))),
    body(path('M50 32C53 32 54 38 54 50C54 66 52 78 50 84C48 78 46 66 46 50C46 38 47 32 50 32Z')),
    lines('body', 2, 'M49 33C47 24 43 19 37 17M51 33C53 24 57 19 63 17'),
  ];
}

export const ANIMALS = {
  bat,
  hedgehog,
  owl,
  cat,
  fox,
  rabbit,
  bear,
  bird,
  swallow,
  fish,
  whale,
  snail,
  bee,
  butterfly,
};

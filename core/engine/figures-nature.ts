import {
  accent,
  body,
  circle,
  ellipse,
  light,
  lines,
  path,
  polygon,
  second,
  symmetric,
  turned,
  type Drawing,
  type Point,
  type Proportion,
} from './drawing';
import { star as starShape } from '../path';

function moon(t: Proportion): Drawing {
  const d = 3 * t('crescent');
  return [
    body(
      path(
        `M${58 + d / 2} 7C34 4 9 23 9 50C9 75 28 93 52 93C70 93 86 82 92 66C83 74 70 77 ${59 + d} 73C${42 + d} 68 ${34 + d} 52 ${37 + d} 35C${39 + d} 23 ${47 + d} 13 ${58 + d / 2} 7Z`,
      ),
    ),
  ];
}

function star(t: Proportion): Drawing {
  const n = t('points') > 0.6 ? 6 : t('points') < -0.7 ? 4 : 5;
  return [body(starShape(50, n === 5 ? 53 : 50, n, 44, n === 4 ? 13 : n === 5 ? 18.5 : 23))];
}

function sun(t: Proportion): Drawing {
  const n = 12 + 2 * Math.round(1.4 * t('rays'));
  const rays = Array.from({ length: n }, (_, i) =>
    turned(
      polygon([
        [46.6, 21],
        [50, 5 + (i % 2) * 5],
        [53.4, 21],
      ]),
      (2 * Math.PI * i) / n,
    ),
  );
  return [second(...rays), body(circle(50, 50, 24))];
}

function cloud(t: Proportion): Drawing {
  const s = 3 * t('top');
  return [
    body(
      path(
        `M26 76C14 76 6 68 6 58C6 48 14 41 23 41C25 29 35 ${22 - s} 47 ${22 - s}C58 ${22 - s} 66 28 70 37C84 35 95 44 95 57C95 68 87 76 76 76Z`,
      ),
    ),
  ];
}

function drop(t: Proportion): Drawing {
  const s = 2 * t('belly');
  return [
    body(symmetric(`M50 7C58 24 ${78 + s} 42 ${78 + s} 63C${78 + s} 80 65 93 50 93`)),
    light(path('M34 62C34 74 40 81 48 84C38 86 27 78 27 65C27 60 29 56 31 52C33 55 34 58 34 62Z')),
  ];
}

function flame(t: Proportion): Drawing {
  const s = 3 * t('tip');
  return [
    body(
      path(
        `M${50 + s} 6C53 24 76 36 76 62C76 80 64 93 50 93C36 93 24 80 24 64C24 52 30 46 34 38C36 44 38 48 42 50C40 34 43 18 ${50 + s} 6Z`,
      ),
    ),
    second(
      path(
        'M51 50C54 60 64 64 64 76C64 86 58 93 50 93C42 93 36 86 36 77C36 72 38 68 41 65C42 68 43 70 46 71C45 63 47 56 51 50Z',
      ),
    ),
  ];
}

function leaf(t: Proportion): Drawing {
  const s = 3 * t('width');
  return [
    body(path(`M88 10C${90 + s / 2} 46 76 78 40 80C30 80 22 76 18 70C${12 - s} 48 32 14 88 10Z`)),
    lines('light', 3, 'M24 86C34 62 50 42 72 26M38 62L56 64M48 49L66 50M45 53L44 36M55 42L55 28'),
    lines('body', 4.4, 'M12 92C17 86 21 80 24 74'),
  ];
}

function sprout(t: Proportion): Drawing {
  const s = 4 * t('leaf');
  return [
    lines('body', 5, 'M50 90C50 74 50 62 50 46'),
    body(path(`M52 52C52 ${30 - s} 66 ${16 - s} 92 16C92 38 78 54 52 52Z`)),
    second(path('M48 64C48 46 36 34 10 34C10 54 24 68 48 64Z')),
    lines('light', 2.2, 'M57 47C64 38 71 31 80 26M42 60C36 53 29 47 21 42'),
    second(symmetric('M50 86C62 86 72 88 78 93L50 93')),
  ];
}

function seed(t: Proportion): Drawing {
  const s = 2 * t('belly');
  return [
    body(
      path(
        `M50 8C62 22 ${74 + s} 38 ${74 + s} 58C${74 + s} 78 63 92 50 92C37 92 ${26 - s} 78 ${26 - s} 58C${26 - s} 38 38 22 50 8Z`,
      ),
    ),
    second(path('M50 92C63 92 74 78 74 58C74 52 73 46 71 41C63 56 54 74 50 92Z')),
    lines('light', 2.6, 'M48 28C42 38 38 50 38 62'),
  ];
}

function acorn(t: Proportion): Drawing {
  const s = 2 * t('nut');
  return [
    second(symmetric(`M50 44L${76 + s} 44C${76 + s} 66 64 82 53 88L50 94`)),
    body(path('M18 46C18 28 32 20 50 20C68 20 82 28 82 46C82 49 80 50 78 50L22 50C20 50 18 49 18 46Z')),
    lines('body', 5, 'M50 21C50 15 53 10 58 7'),
    lines('light', 2, 'M28 36L40 46M38 28L56 46M52 25L72 46M72 34L62 46M62 28L44 46M48 25L28 46'),
  ];
}

function mushroom(t: Proportion): Drawing {
  const s = 3 * t('cap');
  return [
    second(symmetric('M50 50L60 50C60 64 63 76 66 86C62 90 56 91 50 91')),
    body(
      path(
        `M8 54C8 ${30 - s} 26 ${12 - s} 50 ${12 - s}C74 ${12 - s} 92 ${30 - s} 92 54C92 58 88 59 84 58C62 54 38 54 16 58C12 59 8 58 8 54Z`,
      ),
    ),
    light(ellipse(40, 30, 8, 6.5), ellipse(64, 34, 6, 5), ellipse(24, 44, 4.6, 4), ellipse(79, 47, 3.8, 3.4)),
  ];
}

function tree(t: Proportion): Drawing {
  const s = 3 * t('crown');
  return [
    second(symmetric('M50 50L54 50C54 66 56 80 62 92L50 92')),
    body(
      path(
        `M50 ${8 - s}C63 ${8 - s} 70 15 72 23C83 25 90 34 88 46C87 58 77 65 66 63C60 69 40 69 34 63C23 65 13 58 12 46C10 34 17 25 28 23C30 15 37 ${8 - s} 50 ${8 - s}Z`,
      ),
    ),
    lines('light', 2.6, 'M50 63L50 36M50 54L61 43M50 47L40 37'),
  ];
}

function pine(t: Proportion): Drawing {
  const s = 3 * t('tiers');
  return [
    second(symmetric('M50 78L56 78L56 94L50 94')),
    body(symmetric(`M50 5L66 30L58 30L${75 + s} 55L64 55L${83 + s} 81L50 81`)),
    lines('light', 2.2, 'M50 20L50 74M50 44L57 37M50 44L43 37M50 66L60 56M50 66L40 56'),
  ];
}

function mountain(t: Proportion): Drawing {
  const s = 4 * t('peak');
  return [
    second(path('M44 82L72 36L97 82Z')),
    body(path(`M3 82L${40 + s} 14L78 82Z`)),
    second(path(`M${40 + s} 14L${51 + s * 0.7} 34L${45 + s} 40L${40 + s} 33L${34 + s} 41L${28.5 + s * 0.7} 35Z`)),
  ];
}

function flower(t: Proportion): Drawing {
  const n = t('petals') > 0.3 ? 8 : t('petals') < -0.4 ? 5 : 6;
  const petals = Array.from({ length: n }, (_, i) => turned(ellipse(50, 26, 92 / n, 19), (2 * Math.PI * i) / n));
  return [body(...petals), second(circle(50, 50, 13)), light(circle(50, 50, 4.5))];
}

function tulip(t: Proportion): Drawing {
  const s = 3 * t('cup');
  return [
    lines('second', 5, 'M50 54L50 94'),
    second(path('M51 92C52 74 64 62 84 58C84 78 72 92 51 92Z'), path('M49 92C48 80 38 70 20 68C22 84 32 93 49 92Z')),
    body(symmetric(`M50 28L60 8C${68 + s} 18 ${75 + s} 26 ${74 + s} 38C73 50 62 58 50 58`)),
    light(path('M50 28L58 40C58 48 54 53 50 53C46 53 42 48 42 40Z')),
  ];
}

function apple(t: Proportion): Drawing {
  const s = 2 * t('cheek');
  return [
    body(
      symmetric(`M50 34C56 28 66 26 74 29C${86 + s} 34 ${90 + s} 48 ${86 + s} 62C82 80 68 94 58 92C54 91 52 90 50 90`),
    ),
    lines('body', 4.4, 'M50 34C50 26 52 19 57 13'),
    second(path('M55 24C58 12 70 7 84 9C82 22 70 29 55 24Z')),
    light(path('M26 44C22 52 22 62 26 70C20 66 18 52 26 44Z')),
  ];
}

function pear(t: Proportion): Drawing {
  const s = 2 * t('belly');
  return [
    body(symmetric(`M50 20C58 20 64 26 64 34C64 46 ${80 + s} 52 ${80 + s} 70C${80 + s} 84 68 94 50 94`)),
    lines('body', 4.2, 'M50 21C50 15 52 10 56 6'),
    second(path('M54 17C58 8 68 5 80 8C77 18 66 23 54 17Z')),
    light(path('M30 66C29 74 32 82 38 87C28 84 23 74 30 66Z')),
  ];
}

function wave(t: Proportion): Drawing {
  const s = 2 * t('crest');
  return [
    body(path(`M4 74C4 40 26 ${16 - s} 56 ${18 - s}C76 20 90 34 88 50C80 40 66 38 58 46C50 56 58 70 74 74Z`)),
    second(path('M4 82C24 74 40 90 58 82C72 76 84 80 96 82L96 90C80 88 72 86 60 91C42 98 24 84 4 91Z')),
    lines('light', 3, 'M18 70C20 46 36 30 58 29'),
  ];
}

function lightning(t: Proportion): Drawing {
  const s = 3 * t('lean');
  const points: Point[] = [
    [58 + s, 5],
    [20, 56],
    [45, 56],
    [38 - s, 95],
    [80, 39],
    [54, 39],
  ];
  return [body(polygon(points))];
}

function heart(t: Proportion): Drawing {
  const s = 2 * t('lobe');
  return [
    body(symmetric(`M50 30C54 ${18 - s} 64 ${12 - s} 74 ${13 - s}C86 ${14 - s} 94 24 93 37C91 58 70 72 50 90`)),
    light(path('M24 27C17 31 15 41 19 49C11 42 12 28 24 27Z')),
  ];
}

function feather(t: Proportion): Drawing {
  const s = 3 * t('barb');
  return [
    body(path(`M92 6C${95 + s / 3} 34 80 64 44 74L32 76L28 72C26 62 30 48 40 36L44 42L46 30C58 16 74 8 92 6Z`)),
    light(
      polygon([
        [58, 62],
        [66, 50],
        [52, 67],
      ]),
      polygon([
        [74, 50],
        [78, 38],
        [69, 53],
      ]),
    ),
    lines('light', 2.6, 'M84 14C64 30 46 50 34 72'),
    lines('body', 4.4, 'M36 69C28 78 20 87 12 94'),
  ];
}

function abstract(t: Proportion): Drawing {
  const n = 3 + Math.round(2.49 * (t('fold') + 1));
  const petal = path(`M50 50C${62 + 8 * t('swell')} 40 ${66 + 8 * t('bulge')} 18 50 7C42 22 40 36 50 50Z`);
  const turns = Array.from({ length: n }, (_, i) => turned(petal, (2 * Math.PI * i) / n));
  return [
    body(...turns.filter((_, i) => i % 2 === 0)),
    second(...turns.filter((_, i) => i % 2 === 1)),
    ...(t('eye') > 0 ? [accent(circle(50, 50, 7)), light(circle(50, 50, 3.2))] : []),
  ];
}

function shell(t: Proportion): Drawing {
  const s = 2 * t('fan');
  const ribs = [-0.62, -0.31, 0, 0.31, 0.62].map((a) => {
    const [x, y] = [50 + 66 * Math.sin(a), 84 - 66 * Math.cos(a)];
    return `M50 80L${x} ${y}`;
  });
  return [
    second(symmetric('M50 78L62 78L66 90L50 90')),
    body(symmetric(`M50 12C57 12 60 16 63 ${17 - s}C72 18 76 23 78 29C87 33 91 41 90 50C87 64 72 74 58 82L50 84`)),
    lines('light', 2.8, ribs.join('')),
  ];
}

export const NATURE = {
  moon,
  star,
  sun,
  cloud,
  drop,
  flame,
  leaf,
  sprout,
  seed,
  acorn,
  mushroom,
  tree,
  pine,
  mountain,
  flower,
  tulip,
  apple,
  pear,
  wave,
  lightning,
  heart,
  feather,
  shell,
  abstract,
};

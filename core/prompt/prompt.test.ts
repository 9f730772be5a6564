import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { understand } from '../engine';
import { diffWords, splitList, WORD_PARTS } from './index';

const partsOf = (prompt: string, leaveOut = '') => understand(prompt, leaveOut).parts;

describe('who follows a trade', () => {
  it.each([
    ['mascot: a walrus ferry captain', 'walrus', 'captain'],
    ['mascot: a light bulb teacher', 'light bulb', 'teacher'],
    ['mascot: a coffee cup waiter', 'coffee cup', 'waiter'],
    ['a robot chef', 'robot', 'chef'],
    ['a pencil detective', 'pencil', 'detective'],
    ['a fox barber', 'fox', 'barber'],
  ])('is what it is, and dressed: %s', (prompt, drawn, role) => {
    const { figures, role: told, notUnderstood } = partsOf(prompt);
    expect([figures.map((f) => f.drawn), told, notUnderstood]).toEqual([[drawn], role, []]);
  });

  it.each([
    ['a taxi driver', 'driver'],
    ['a lighthouse keeper', 'keeper'],
    ['mascot: a train conductor', 'conductor'],
  ])('is somebody where the thing is what the trade is with: %s', (prompt, drawn) => {
    expect(partsOf(prompt).figures.map((f) => f.drawn)).toEqual([drawn]);
  });
});

describe('lettering in a prompt', () => {
  it.each([
    ['a monogram of interlocking C and R with a thistle', 'CR', ['thistle']],
    ['a monogram combining T and W', 'TW', []],
    ['monogram of an interlocked M and S', 'MS', []],
  ])('is two letters by themselves: %s', (prompt, letters, drawn) => {
    const { lettering, figures } = partsOf(prompt);
    expect([lettering, figures.map((f) => f.drawn)]).toEqual([[letters], drawn]);
  });

  it.each([
    ['wordmark "Brook" with waves under the letters', 'under'],
    ['wordmark "Reed" with a feather beneath the name', 'under'],
    ['wordmark "Alto" with a bird over the word', 'above'],
  ])('has a figure where one is said to be: %s', (prompt, where) => {
    const [figure] = partsOf(prompt).figures;
    expect(figure.modifiers).toContain(where);
    expect(partsOf(prompt).notUnderstood).toEqual([]);
  });
});

describe('which letter', () => {
  it.each([
    ['wordmark "Pepper" with a chili pepper as the second p', { letter: 'p', isDot: false, nth: 1 }],
    ['wordmark "Noon" with a sun as the last n', { letter: 'n', isDot: false, nth: -1 }],
    ['wordmark "Luna" with a moon for the u', { letter: 'u', isDot: false }],
  ])('is told: %s', (prompt, letterAt) => {
    expect(partsOf(prompt).letterAt).toEqual(letterAt);
  });

  it('is what something forms', () => {
    const { figures, lettering, kind } = partsOf('a snake forming the letter S');
    expect([figures.map((f) => [f.drawn, f.relation]), lettering, kind]).toEqual([[['snake', 'as']], ['S'], 'lettermark']); // prettier-ignore
  });
});

describe('words of two meanings', () => {
  it.each([
    ['a squirrel with a nut', 'chestnut'],
    ['a bolt and a nut', 'nut'],
    ['a seagull stealing a chip', 'french fries'],
    ['a hedgehog with pins for spines', 'sewing pin'],
    ['a map with a pin', 'pin'],
    ['a ball of yarn with a needle', 'knitting needle'],
    ['a needle through a button', 'needle'],
  ])('are told by the company they keep: %s', (prompt, drawn) => {
    expect(partsOf(prompt).figures.map((f) => f.drawn)).toContain(drawn);
  });

  it('say where one looks', () => {
    expect(partsOf('a deer looking back over its shoulder').figures[0].pose).toBe('looking back');
    expect(partsOf('a fox looking at a moon').figures[0].pose ?? '').not.toMatch(/back/);
  });
});

describe('reading a prompt', () => {
  it('finds figures, their relation, kind, finish, colours, ground and count', () => {
    const parts = partsOf(
      'emblem of a noctule bat over a crescent moon, two colours midnight blue and lamp yellow, flat, few details, white ground',
    );
    expect(parts.figures.map((f) => [f.word, f.drawn, f.via, f.relation])).toEqual([
      ['noctule bat', 'bat', 'synonym', null],
      ['crescent moon', 'crescent moon', 'name', 'over'],
    ]);
    expect(parts).toMatchObject({ kind: 'emblem', finish: 'flat', colourCount: 2, detail: 20 });
    expect(parts.colours.map((c) => c.hex)).toEqual(['#182A5C', '#F2C14E']);
    expect(parts.ground?.hex).toBe('#FFFFFF');
    expect(parts.notUnderstood).toEqual([]);
  });

  it.each([
    ['an owl reading a book', ['owl', 'book holding 0']],
    ['a pot with a heart for steam', ['pot', 'heart as 0 turned steam']],
    ['a lamp with a tulip for a shade', ['lamp', 'tulip as 0 turned shade']],
    ['two dice', ['2 dice']],
    ['a pawn between two hands', ['pawn', '2 hands between 0']],
    ['a lion with a sun for a mane', ['lion', 'sun as 0 turned mane']],
    ['a waterwheel with wheat on both sides', ['waterwheel', 'wheat with 0']],
    ['a hand holding a seedling', ['hand', 'seedling holding 0']],
    ['a bear drawn by hand', ['bear']],
    ['a snail with a house as its shell', ['snail', 'house as 0 turned shell']],
    ['a hedgehog with a leaf on its nose', ['hedgehog', 'leaf on 0 turned nose']],
    ['two swords behind a shield with a lion on it', ['2 swords', 'shield behind 0', 'lion on 1 turned']],
    ['a bunch of grapes and a corkscrew', ['grapes', 'corkscrew beside 0']],
    ['a key whose bow is a heart', ['key', 'heart as 0 turned bow']],
    ['a bicycle with pizzas for wheels', ['bicycle', 'pizzas as 0 turned wheels']],
    ['a teapot with a mountain inside', ['teapot', 'mountain inside 0 turned']],
    ['a mountain inside a teapot', ['mountain', 'teapot inside 0']],
    ['a butterfly landing on a finger', ['butterfly', 'finger on 0']],
    ['a fox curled around a lantern', ['fox', 'lantern around 0']],
    ['a lighthouse between two waves', ['lighthouse', '2 waves between 0']],
    ['a ship sailing through a keyhole', ['ship', 'keyhole through 0']],
    ['a penguin waiter carrying a cup', ['penguin', 'cup holding 0']],
    ["a shield with a stag's head", ['shield', 'stag with 0']],
    ["a parrot on a pirate's shoulder", ['parrot', 'pirate on 0 shoulder']],
    ['a loaf of bread on a plate', ['bread', 'plate on 0']],
    ['a dozen eggs in a nest', ['12 eggs', 'nest inside 0']],
    ['a pair of swans, seal', ['2 swans']],
    ['a rocket rising from a book', ['rocket', 'book coming out of 0']],
    ['a witch on a broom in front of the moon', ['witch', 'broom on 0', 'moon in front of 0']],
    ['a scale with a feather and a stone', ['scale', 'feather with 0', 'stone with 0']],
    ['a needle and thread forming a heart', ['needle', 'thread beside 0', 'heart as 1']],
    ['a pig in a chef hat', ['pig', 'chef hat wearing 0']],
    ['a crow dropping a stone into a pitcher', ['crow', 'stone toward 0', 'pitcher inside 1']],
    ['an eagle with spread wings', ['eagle']],
    ['a speech bubble with a question mark', ['speech bubble', 'question mark with 0']],
    ['a slice of lemon on a glass', ['lemon', 'glass on 0']],
    ['Please draw me a wren that sits on a teapot', ['wren', 'teapot on 0']],
  ])('has every figure of "%s", and how they stand to one another', (prompt, figures) => {
    const { figures: found, notUnderstood } = partsOf(prompt);
    const told = found.map((f) => [f.count > 1 ? f.count : '', f.word, f.relation ?? '', f.to ?? '', f.turned ? 'turned' : '', f.place ?? ''].filter((t) => t !== '').join(' ')); // prettier-ignore
    expect([told, notUnderstood]).toEqual([figures, []]);
  });

  it('says what is told of a figure: its pose, its face, and what else stands before it', () => {
    expect(partsOf('a sleeping red fox').figures[0]).toMatchObject({
      word: 'fox',
      pose: 'sleeping',
      modifiers: ['red'],
    });
    expect(partsOf('an angry rooster, mascot').figures[0]).toMatchObject({ expression: 'angry', pose: null });
    expect(partsOf('a battery with a smile').figures).toMatchObject([{ word: 'battery', expression: 'smiling' }]);
    expect(partsOf('a three-legged stool, one continuous line').figures[0].modifiers).toEqual(['three-legged']);
    expect(partsOf('a wolf howling at the moon').figures[0]).toMatchObject({ word: 'wolf', pose: 'howling' });
    expect(partsOf('a penguin waiter').role).toBe('waiter');
  });

  it('tells manner, setting and what it is for from figures', () => {
    const parts = partsOf('a running horse at dawn, speed lines, one line weight, geometric, for a riding school');
    expect(parts.figures.map((f) => f.word)).toEqual(['horse']);
    expect(parts.manner).toEqual(expect.arrayContaining(['speed lines', 'one line weight', 'geometric']));
    expect(parts).toMatchObject({ settings: ['dawn'], finish: 'outline' });
    expect(partsOf('a house made of pencils').finish).toBeNull();
    expect(partsOf('a bear, pencil').finish).toBe('pencil sketch');
    expect(partsOf('sunrise').figures).toMatchObject([{ word: 'sunrise' }]);
    expect(partsOf('a fox at sunrise').figures).toHaveLength(1);
    expect(partsOf('pencil')).toMatchObject({ finish: null, figures: [{ word: 'pencil' }] });
    expect(partsOf('an olive branch, olive').colours.map((c) => c.word)).toEqual(['olive']);
    expect(partsOf('a unicorn jumping through a ring')).toMatchObject({ shape: null, figures: [{}, { word: 'ring' }] });
  });

  it('knows what is to be left out, in the words that people have for it', () => {
    for (const [prompt, out] of [
      ['a fox, no text, shadows or stars', ['text', 'shadows', 'stars']],
      ['a fox without any text', ['text']],
      ['a fox, avoid circles', ['circles']],
      ['a fox, leave out the tail', ['tail']],
      ['a bee, no wings spread', ['wings']],
      ["a bee, don't use black", ['black']],
    ] as const)
      expect(partsOf(prompt).leaveOut, prompt).toEqual(out);
  });

  it('guesses what was mistyped, where letters changed places or were doubled, and nothing else', () => {
    expect(partsOf('a pengiun on a bycicle').figures.map((f) => [f.word, f.drawn])).toEqual([['pengiun', 'penguin'], ['bycicle', 'bicycle']]); // prettier-ignore
    expect(partsOf('a girafe').figures[0]).toMatchObject({ word: 'girafe', drawn: 'giraffe', via: 'synonym' });
    for (const word of ['filled', 'blorfing'])
      expect(partsOf(`a cat, ${word}`).figures.map((f) => f.word)).toEqual(['cat']);
  });

  it('takes letters that are named by themselves, and a stamp or a seal as a kind', () => {
    expect(partsOf('monogram of M and T').lettering).toEqual(['MT']);
    expect(partsOf('letters A, B and C').lettering).toEqual(['ABC']);
    expect(partsOf('number 7 in green').lettering).toEqual(['7']);
    expect(partsOf('a seal on a rock').figures[0].drawn).toBe('seal');
    expect(partsOf('a barn, stamp, red')).toMatchObject({ kind: 'emblem', figures: [{ word: 'barn' }] });
    expect(partsOf('a quill, not black').leaveOut).toEqual(['black']);
  });

  it('reads hex colours, black and white, and a ground on a colour', () => {
    expect(partsOf('fox, #ab3412').colours[0].hex).toBe('#AB3412');
    expect(partsOf('fox, black and white').colourCount).toBe(1);
    expect(partsOf('fox on a navy ground').ground?.word).toBe('navy');
  });

  it('takes lettering out of the sentence', () => {
    const parts = partsOf('owl with a book, "Night Owl Books"');
    expect(parts.lettering).toEqual(['Night Owl Books']);
    expect(parts.figures.map((f) => f.drawn)).toEqual(['owl', 'book']);
  });

  it('leaves out what the sentence or the field says', () => {
    expect(partsOf('fox and a star, no stars').figures.map((f) => f.drawn)).toEqual(['fox']);
    expect(partsOf('fox and a moon', 'moon, text').figures.map((f) => f.drawn)).toEqual(['fox']);
    expect(partsOf('fox without a tail').leaveOut).toEqual(['tail']);
  });

  it('says how a figure was found, and what was not understood', () => {
    expect(understand('finch').figures[0]).toEqual({ word: 'finch', drawn: 'bird', via: 'broader' });
    expect(understand('zorgle').figures[0]).toEqual({ word: 'zorgle', drawn: 'abstract', via: 'none' });
    expect(partsOf('fox quux').notUnderstood).toEqual(['quux']);
  });

  it('knows what a mascot is by trade', () => {
    const parts = partsOf('mascot: a bat conductor holding a lantern');
    expect(parts).toMatchObject({ kind: 'mascot', role: 'conductor', notUnderstood: [] });
    expect(parts.figures[1]).toMatchObject({ drawn: 'lantern', relation: 'holding' });
  });

  it('takes a fruit in a trade for a mascot of that fruit, and who deals in it for somebody', () => {
    expect(partsOf('mascot: a radish gardener')).toMatchObject({ role: 'gardener', figures: [{ word: 'radish', drawn: 'radish' }] }); // prettier-ignore
    expect(partsOf('mascot: a lemon pirate')).toMatchObject({ role: 'pirate', colours: [], figures: [{ drawn: 'lemon' }] }); // prettier-ignore
    expect(partsOf('mascot: a tooth superhero').figures[0].drawn).toBe('tooth');
    expect(partsOf('mascot: a carrot farmer').figures[0].drawn).toBe('farmer');
    expect(partsOf('a radish gardener').figures[0].drawn).toBe('gardener');
  });

  it('takes what stands before a part for what stands for it', () => {
    const [owl, clock] = partsOf('an owl with clock eyes').figures;
    expect(owl.drawn).toBe('owl');
    expect(clock).toMatchObject({ drawn: 'clock', relation: 'as', turned: true, to: 0, place: 'eyes' });
    expect(partsOf('a cat with green eyes').figures).toHaveLength(1);
    expect(partsOf('a fox with wolf ears').figures.map((f) => f.relation)).not.toContain('as');
  });

  it('draws wings on what has none of its own', () => {
    expect(partsOf('a pig with golden wings').figures.map((f) => f.drawn)).toEqual(['pig', 'wing']);
    for (const who of ['a lemur', 'a wombat', 'an elephant']) expect(partsOf(`${who} with golden wings`).figures, who).toHaveLength(2); // prettier-ignore
    expect(partsOf('an eagle with spread wings').figures.map((f) => f.drawn)).toEqual(['eagle']);
    expect(partsOf('a reindeer with a red nose').figures).toHaveLength(1);
  });

  it.each([
    ['a pig wearing red boots', ['', 'red']],
    ['a red fox and a blue owl', ['red', 'blue']],
    ['a red and white lighthouse on a blue sea', ['red white', 'blue']],
    ['a small blue bird on a dark green branch with pink flowers', ['blue', 'dark green', 'pink']],
    ['a black cat with green eyes', ['black green:eyes']],
    ['a penguin in a red scarf with a yellow beak', ['yellow:beak', 'red']],
    ['a lion with golden mane and blue eyes', ['golden:mane blue:eyes']],
    ['a dragon with golden wings and red eyes', ['golden:wings red:eyes']],
    ['a turtle with an orange shell', ['orange:shell']],
    ['a man with a white beard and a blue cap', ['white:beard', 'blue']],
    ['black and white cow with a yellow bell', ['black white', 'yellow']],
    ['a yellow lemon with green leaves', ['yellow', 'green']],
    ['a tortoise with a blue stack of books', ['', 'blue']],
    ['a red pair of scissors and a ribbon', ['red', '']],
    ['a sloth pouring black coffee', ['', 'black']],
    ['a fox and an owl, red and blue', ['', '']],
    ['navy badge with an anchor', ['']],
    ['fox head in orange, navy background', ['']],
  ])('says of whom a colour is said: %s', (prompt, said) => {
    const { figures } = partsOf(prompt);
    expect(figures.map((f) => f.colours.map((c) => (c.of ? `${c.word}:${c.of}` : c.word)).join(' '))).toEqual(said);
  });

  it('knows what is worn on a head, what is not, and who is under one umbrella', () => {
    const relations = (prompt: string): (string | null)[] => partsOf(prompt).figures.map((f) => f.relation);
    expect(relations('a frog with a crown')).toEqual([null, 'wearing']);
    expect(relations('a lemon with a straw hat and a drink, mascot')).toEqual([null, 'wearing', 'with']);
    expect(relations('a fox wearing a hat and a scarf')).toEqual([null, 'wearing', 'wearing']);
    expect(relations('an elephant and a mouse under one umbrella')).toEqual([null, 'beside', 'under']);
    expect(partsOf('a boat on waves under a full moon').figures.map((f) => f.to)).toEqual([null, 0, 0]);
    expect(partsOf('a mug with a mustache').figures).toHaveLength(2);
    expect(partsOf('a man with a beard').figures).toHaveLength(1);
  });

  it('has what is black and white in one ink where no other colour is said', () => {
    expect(partsOf('black and white logo of a cow')).toMatchObject({ colourCount: 1 });
    expect(partsOf('black and white cow with a yellow bell').colourCount).toBeNull();
  });

  it('looks past the colours of what is worn or held', () => {
    expect(partsOf('a cat wearing blue shoes').figures[1]).toMatchObject({ word: 'shoes', relation: 'wearing', to: 0 });
    expect(partsOf('a fox holding green leaves').figures[1]).toMatchObject({ drawn: 'leaf', relation: 'holding' });
    const bear = partsOf('a bear carrying red and white flowers');
    expect(bear.figures[1]).toMatchObject({ drawn: 'flower', relation: 'holding' });
    expect(bear.colours.map((c) => c.word)).toEqual(['red', 'white']);
    // Two figures of which each has its colour stay two.
    expect(partsOf('a red fox and a blue owl').figures.map((f) => f.drawn)).toEqual(['fox', 'owl']);
  });

  it('knows the young of an animal by the animal', () => {
    for (const prompt of ['a tiger cub', 'mascot: a tiger cub painter']) expect(partsOf(prompt).figures[0], prompt).toMatchObject({ drawn: 'tiger', modifiers: ['young'] }); // prettier-ignore
    expect(partsOf('a kitten').figures[0].drawn).toBe('cat');
  });

  it('knows what is drunk or carried from a colour', () => {
    const cat = partsOf('a cat drinking coffee');
    expect(cat.colours).toEqual([]);
    expect(cat.figures.map((f) => f.word)).toEqual(['cat', 'coffee']);
    expect(partsOf('a fox carrying an orange').figures.map((f) => f.drawn)).toEqual(['fox', 'orange']);
    expect(partsOf('a fox, coffee and cream').colours.map((c) => c.word)).toEqual(['coffee', 'cream']);
  });

  it('reads a sheet of icons', () => {
    const parts = partsOf('sheet of icons: berth, lamp, washroom, bicycle, luggage, breakfast, 2 rows 3 columns');
    expect(parts.kind).toBe('icon sheet');
    expect(parts.figures).toHaveLength(6);
    expect([parts.rows, parts.columns]).toEqual([2, 3]);
  });

  it('reads letters and names with their capitals, and what kind they make', () => {
    expect(partsOf('letter K in the manner of a fox')).toMatchObject({ kind: 'lettermark', lettering: ['K'] });
    expect(partsOf('letter K in the manner of a fox').figures[0]).toMatchObject({
      drawn: 'fox',
      relation: 'in the manner of',
    });
    expect(partsOf('logo for a bakery named Three Larks, owl').lettering).toEqual(['Three Larks']);
    expect(partsOf('wordmark "Olive Grove"').kind).toBe('wordmark');
    expect(partsOf('fox, "Night Rail"', 'text').lettering).toEqual([]);
  });

  it('takes the figure from the trade only when nothing else is named', () => {
    expect(partsOf('logo for a bakery').figures[0].word).toBe('bakery');
    expect(partsOf('owl logo for a bakery').figures.map((f) => f.drawn)).toEqual(['owl']);
  });

  it('knows whose mark it is where the trade stands before the kind of mark', () => {
    const drawn = (prompt: string) => partsOf(prompt).figures.map((f) => f.word);
    expect(drawn('tea shop logo, a dragon with a cup')).toEqual(['dragon', 'cup']);
    expect(drawn('coffee roaster badge with a fox')).toEqual(['fox']);
    expect(drawn('ice cream parlour logo, a penguin')).toEqual(['penguin']);
    // Of a trade alone its goods are drawn; who has a drawing of his own is no trade.
    expect(drawn('logo for a flower shop')).toEqual(['flower']);
    expect(drawn('wizard logo with a hat')).toEqual(['wizard', 'hat']);
    expect(partsOf('coffee roaster badge with a fox').colours).toEqual([]);
  });

  it('reads what is typed in a hurry', () => {
    const told = (prompt: string) =>
      partsOf(prompt).figures.map((f) => (f.count > 1 ? `${f.count} ${f.word}` : f.word));
    expect(told('owl w/ spectacles')).toEqual(['owl', 'spectacles']);
    expect(told('a crab - claws raised - on a rock')).toEqual(['crab', 'rock']);
    expect(told('swallows on a wire, four of them')).toEqual(['4 swallows', 'wire']);
    expect(told('penguin couple sharing a scarf')).toEqual(['2 penguin', 'scarf']);
    expect(told('a dachshund so long it wraps around a hydrant')).toEqual(['dachshund', 'hydrant']);
    expect(told('pelican, fish in beak, side on')).toEqual(['pelican', 'fish']);
    expect(partsOf('owl w/ spectacles').words.map((w) => w.part)).not.toContain('not understood');
  });

  it('knows who asks, and draws none of it where more is said', () => {
    const drawn = (prompt: string) => partsOf(prompt).figures.map((f) => f.word);
    expect(drawn('we are a small cidery and want an apple with a worm')).toEqual(['apple', 'worm']);
    expect(drawn("dog walker's logo: five leashes")).toEqual(['leashes']);
    expect(drawn('tea house logo, a crane in reeds')).toEqual(['crane', 'reeds']);
    expect(drawn('bakery mascot: a croissant')).toEqual(['croissant']);
    // A house that is no trade is a house, and whose logo alone is named is drawn.
    expect(drawn('red house logo')).toEqual(['house']);
    expect(drawn("a fox's logo").join()).toContain('fox');
  });

  it('reads gradients, moods, shapes, counts and rows', () => {
    expect(partsOf('whale, gradient from plum to apricot').gradient?.map((c) => c.word)).toEqual(['plum', 'apricot']);
    expect(partsOf('fox, warm colours').mood).toBe('warm');
    expect(partsOf('owl in a shield shape').shape).toBe('shield');
    expect(partsOf('three stars in a row')).toMatchObject({ rows: 1, figures: [{ drawn: 'star', count: 3 }] });
    expect(partsOf('fox, no shading').noShading).toBe(true);
    expect(partsOf('icons: fox, owl, 2 by 3')).toMatchObject({ rows: 2, columns: 3 });
  });

  it('takes the second of two names side by side, and a colour word alone for the thing', () => {
    expect(partsOf('lighthouse keeper').figures).toHaveLength(1);
    expect(partsOf('a salmon').figures[0].drawn).toBe(partsOf('one salmon').figures[0].drawn);
    expect(partsOf('salmon fox').colours[0].word).toBe('salmon');
  });

  it('survives anything', () => {
    for (const text of [
      '',
      '   ',
      '|||',
      '"',
      '#',
      'no',
      'a'.repeat(5000),
      '🦇'.repeat(500),
      'with with with',
      '\u0000\uffff',
    ])
      expect(() => partsOf(text)).not.toThrow();
  });

  it('splits lists as people write them', () => {
    expect(splitList('no stars, text and a night sky or  moon;')).toEqual(['stars', 'text', 'night sky', 'moon']);
  });
});

describe('the words of a prompt', () => {
  const nouns = ['fox', 'tall lighthouse', 'sleeping bear', 'watering can', 'chess knight', 'red kite', 'oak leaf', "chef's hat", 'three-legged stool', 'zorgle']; // prettier-ignore
  const links = ['with', 'on', 'holding', 'behind', 'inside', 'around', 'made of', 'and', 'shaped like', 'next to', 'growing out of', 'chasing', 'whose tail is', 'wearing', 'in front of']; // prettier-ignore
  const ends = ['', ', flat, navy and amber', ', no text', ' at night', ', elegant, for a bakery', ', "Larkfell"', ' on its nose', ', one continuous line', '  ,  smooth curves', ' inside it']; // prettier-ignore
  const noun = fc.tuple(fc.constantFrom('a', 'the', 'two', 'several', ''), fc.constantFrom(...nouns)).map(([d, n]) => `${d} ${n}`.trim()); // prettier-ignore
  const prompts = fc
    .tuple(noun, fc.array(fc.tuple(fc.constantFrom(...links), noun), { maxLength: 3 }), fc.constantFrom(...ends))
    .map(([first, more, end]) => first + more.map(([link, n]) => ` ${link} ${n}`).join('') + end);
  /** Words that may be called filler: those that carry nothing. */
  const EMPTY = /^(?:an?|the|of|and|it|its|to|is|are|that|which|who|for|with|as|i|me|please|draw|make|need|something)$/;

  it('are each accounted for, at their places, and no word that carries something is filler', () => {
    fc.assert(
      fc.property(prompts, (prompt) => {
        const { words, figures, notUnderstood } = partsOf(prompt);
        expect(words.map((w) => w.word)).toEqual(prompt.toLowerCase().match(/[\p{L}\p{N}]+(?:['-][\p{L}\p{N}]+)*/gu));
        for (const { word, at, part, figure } of words) {
          expect(prompt.slice(at, at + word.length).toLowerCase()).toBe(word);
          expect(WORD_PARTS).toContain(part);
          if (part === 'filler') expect(word).toMatch(EMPTY);
          if (figure !== null) expect(figures[figure]).toBeDefined();
          if (part === 'not understood') expect(notUnderstood).toContain(word);
        }
      }),
      { numRuns: 300 },
    );
  });

  it('stand in relations that make a tree: each figure to an earlier one', () => {
    fc.assert(
      fc.property(prompts, (prompt) => {
        partsOf(prompt).figures.forEach((f, i) => {
          if (f.to !== null) expect(f.to).toBeLessThan(i);
          if (i > 0) expect(f.relation).not.toBeNull();
        });
      }),
      { numRuns: 300 },
    );
  });

  it('make as many figures as are named', () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.constantFrom('fox', 'lantern', 'boat', 'owl', 'bridge', 'hat'), {
          minLength: 1,
          maxLength: 4,
        }),
        fc.array(fc.constantFrom(' with a ', ' on a ', ' under a ', ' beside a ', ' behind a '), { minLength: 4, maxLength: 4 }), // prettier-ignore
        (names, between) => {
          const prompt = names.reduce((text, name, i) => text + (i ? between[i] : 'a ') + name, '');
          expect(partsOf(prompt).figures.map((f) => f.word)).toEqual(names);
        },
      ),
      { numRuns: 100 },
    );
  });
});

describe('comparing prompts', () => {
  const words = (text: string) => text.split(/\s+/).filter(Boolean);
  const pairs = [
    ['a bat and a moon, night sky', 'a bat over a moon, two colours'],
    ['', 'new words'],
    ['old words', ''],
    ['same words', 'same words'],
    ['one two three four', 'four three two one'],
  ];

  it('gives back both prompts', () => {
    for (const [before, after] of pairs) {
      const changes = diffWords(before, after);
      const of = (...kinds: string[]) => changes.filter((c) => kinds.includes(c.change)).flatMap((c) => words(c.text));
      expect(of('same', 'added')).toEqual(words(after));
      expect(of('same', 'dropped').map((w) => w.replace(/[,]/g, ''))).toEqual(
        words(before).map((w) => w.replace(/[,]/g, '')),
      );
    }
  });

  it('marks only what changed, without regard to commas', () => {
    expect(diffWords('a bat and a moon, flat', 'a bat over a moon flat')).toEqual([
      { change: 'same', text: 'a bat' },
      { change: 'dropped', text: 'and' },
      { change: 'added', text: 'over' },
      { change: 'same', text: 'a moon flat' },
    ]);
  });

  it('is quick on long texts', () => {
    const long = Array.from({ length: 4000 }, (_, i) => `w${i % 97}`).join(' ');
    expect(diffWords(long, long + ' end').some((c) => c.change === 'same')).toBe(true);
  });
});

describe('what a word is by the company it keeps', () => {
  it('a paper plane is no plane of the colour of paper, and a paper fox has one', () => {
    expect(partsOf('app icon of a paper plane')).toMatchObject({ colours: [], figures: [{ drawn: 'paper plane' }] });
    expect(partsOf('a fox, orange and paper').colours.map((c) => c.word)).toEqual(['orange', 'paper']);
  });
  it('a forest school is no school in forest green', () => {
    expect(partsOf('emblem of a stag for a forest school').colours).toEqual([]);
    expect(partsOf('a stag, forest and cream').colours.map((c) => c.word)).toEqual(['forest', 'cream']);
  });
  it('a face is what something makes, and no second thing', () => {
    expect(partsOf('a vase with a smiling face').figures).toMatchObject([{ drawn: 'vase', expression: 'smiling' }]);
    expect(partsOf('a clock with a face').figures.length).toBeGreaterThan(0);
  });
  it('whoever drinks from a flower is before it, and who peeks from a pot in it', () => {
    expect(partsOf('a hummingbird drinking from a tulip').figures[1].relation).toBe('toward');
    expect(partsOf('a mouse peeking from a teapot').figures[1].relation).toBe('coming out of');
  });
  it('poses and expressions are of one mascot', () => {
    expect(partsOf('a fox in six poses')).toMatchObject({
      kind: 'mascot',
      manner: ['poses'],
      figures: [{ drawn: 'fox' }],
    });
    expect(partsOf('owl with eight expressions')).toMatchObject({ kind: 'mascot', manner: ['faces'] });
  });
  it('a rose that is wrapped around something is no colour of it', () => {
    expect(partsOf('a rose wrapped around an anchor')).toMatchObject({ colours: [], figures: [{ word: 'rose' }, { word: 'anchor', relation: 'around' }] }); // prettier-ignore
    expect(partsOf('a rose fox').colours.map((c) => c.word)).toEqual(['rose']);
  });
  it('a poster named by itself says what it is for, and is no figure', () => {
    expect(partsOf('an elephant on a ball, circus poster').figures.map((f) => f.word)).toEqual(['elephant', 'ball']);
    expect(partsOf('a fox holding a poster').figures.map((f) => f.word)).toEqual(['fox', 'poster']);
  });
  it('a face alone is what a thing makes, and a mane how its owner looks', () => {
    expect(partsOf('an acorn with a face').figures).toMatchObject([{ word: 'acorn', expression: 'smiling' }]);
    expect(partsOf('a chess knight with a flowing mane').figures).toHaveLength(1);
    expect(partsOf('a monkey hanging from a vine with one hand').figures.map((f) => f.word)).toEqual(['monkey', 'vine']); // prettier-ignore
  });
  it('what one floats on is no drop, and what one jumps through no ring for a finger', () => {
    expect(partsOf('a lotus over water').figures[1].drawn).toBe('ripples');
    expect(partsOf('a tiger jumping through a ring').figures[1].drawn).toBe('hoop');
    expect(partsOf('a tap with a drop of water').figures[1].drawn).not.toBe('ripples');
    expect(partsOf('a genie coming out of a lamp').figures[1].drawn).toBe('oil lamp');
  });
  it('a letter tied with string is tied, and not who carries it', () => {
    expect(partsOf('a pigeon carrying a letter tied with string').figures[2]).toMatchObject({ to: 1 });
  });
});

describe('what is said beside the figures', () => {
  const figures = (prompt: string) => partsOf(prompt).figures.map((f) => [f.drawn, f.relation, f.to, f.place]);
  it('is whose a badge is, before a colon, and what a mark is printed on', () => {
    expect(figures("seal of a cheese dairy: a cow's head between two stars")).toEqual([['cow', null, null, null], ['star', 'between', 0, null]]); // prettier-ignore
    expect(figures('badge of a rowing club: two crossed oars')).toEqual([['paddle', null, null, null]]);
    expect(figures('poster for a jazz festival: a trumpet')).toEqual([['trumpet', null, null, null]]);
    expect(figures('a sticker of a sloth with a cup of coffee')[0]).toEqual(['sloth', null, null, null]);
    // Of a trade that is all there is, its own picture is drawn.
    expect(figures('emblem of a school')[0][0]).toBe('school');
    // What is printed itself stays a thing.
    expect(figures('a poster on a wall')[0][0]).toBe('poster');
    for (const prompt of ['seal of a cheese dairy: a cow', 'poster mark for a jazz festival: a trumpet'])
      expect(partsOf(prompt).words.filter((w) => w.part === 'filler' || w.part === 'not understood').map((w) => w.word).filter((w) => !/^(?:an?|of|for)$/.test(w)), prompt).toEqual([]); // prettier-ignore
  });
  it('is the place of one in the other', () => {
    expect(figures('an hourglass with a tree in the upper half')[1]).toEqual(['tree', 'inside', 0, 'half']);
    expect(figures('an ice cream cone with a planet as the scoop')[1]).toEqual(['planet', 'as', 0, 'scoop']);
  });
  it('is what a part turns into, whichever is named first', () => {
    expect(figures('a stag head with antlers turning into branches')).toEqual([['stag', null, null, null], ['twig', 'as', 0, 'antlers']]); // prettier-ignore
    expect(figures('an open book whose pages turn into birds')[1]).toEqual(['bird', 'as', 0, 'pages']);
    expect(partsOf('a stag head with antlers turning into branches').words.find((w) => w.word === 'antlers')!.part).toBe('place'); // prettier-ignore
  });
  it('is what one wears besides, and what one has that is said as a participle', () => {
    expect(figures('a gorilla wearing headphones and a gold chain')[2]).toEqual(['chains', 'wearing', 0, null]);
    const [sailor] = partsOf('a bearded sailor smoking a pipe').figures;
    expect([sailor.pose, sailor.modifiers]).toEqual(['smoking', ['bearded']]);
  });
  it('is the head of an animal whose name has two words', () => {
    for (const [prompt, drawn] of [['a polar bear head', 'polar bear'], ['a bald eagle head, emblem', 'eagle'], ['a grizzly bear face', 'bear'], ['a snow leopard head', 'snow leopard']]) {
      const [head] = partsOf(prompt).figures;
      expect(head.drawn, prompt).not.toBe('head profile');
      expect(head.modifiers.some((m) => /head|face/.test(m)), prompt).toBe(true);
      expect(drawn.split(' ').at(-1), prompt).toBe(head.drawn.split(' ').at(-1));
    }
  }); // prettier-ignore
  it('is what a flame is shaped like, and who is curled into a ring', () => {
    expect(figures('a candle with a flame shaped like a heart')[1]).toEqual(['heart', 'as', 0, 'flame']);
    expect(figures('a sleeping fox curled into a ring')).toEqual([['fox', null, null, null]]);
    expect(figures('two foxes curled into a circle')).toEqual([['fox', null, null, null]]);
  });
  it('is no trade where somebody is kin', () => {
    const parts = partsOf('a wolf mother with two pups');
    expect([parts.role, parts.figures.map((f) => f.count)]).toEqual([null, [1, 2]]);
  });
  it('is rain that is drawn, and a palette that one stands on', () => {
    expect(figures('an umbrella with rain inside')[1].slice(1, 3)).toEqual(['inside', 0]);
    expect(figures('a chameleon on a paint palette')[1]).toEqual(['artist palette', 'on', 0, null]);
    expect(partsOf('a fox, muted palette').figures).toHaveLength(1);
  });
  it('is several heads, of which one says how they stand', () => {
    const [heads] = partsOf('two wolf heads facing each other').figures;
    expect([heads.drawn, heads.count, heads.pose, heads.modifiers]).toEqual(['wolf', 2, null, ['head', 'facing each other']]); // prettier-ignore
    expect(partsOf('a stag with antlers and two wheat ears').figures.map((f) => [f.drawn, f.count])).toContainEqual(['wheat', 2]); // prettier-ignore
  });
  it('is a pencil that a lighthouse is, and a manner where one draws in it', () => {
    expect(figures('a lighthouse as a pencil')).toEqual([['lighthouse', null, null, null], ['pencil', 'as', 0, null]]);
    expect([partsOf('a fox in pencil').figures.length, partsOf('a fox in pencil').finish]).toEqual([1, 'pencil sketch']);
  }); // prettier-ignore
  it('is no guard who stands guard', () => {
    const parts = partsOf('a meerkat standing guard on a rock');
    expect([parts.figures.map((f) => f.drawn), parts.manner]).toEqual([['meerkat', 'rock'], ['on guard']]);
    expect(figures('a guard standing by a gate')[0][0]).toBe('guard');
  });
  it('is where a letter is in a name', () => {
    expect(partsOf('wordmark "Cove" with a sailboat in the o').letterAt).toEqual({ letter: 'o', isDot: false });
  });
  it('is what roots form, and from what one hangs upside down', () => {
    expect(figures('a tree with roots forming a heart')[1]).toEqual(['heart', 'as', 0, 'roots']);
    const bat = partsOf('a bat hanging upside down from a branch');
    expect([bat.figures[0].pose, bat.manner]).toEqual(['hanging', ['upside down']]);
  });
  it('is the trade that a word is of: a rook in chess is no crow', () => {
    expect(figures('app icon for a chess club: a black rook')[0][0]).toBe('chess rook');
    expect(figures('a rook on a fence')[0][0]).toBe('crow');
  });
});

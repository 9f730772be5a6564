/** Figures that stand for a trade or a mood, with the reason one would give. Each can be drawn. */
export interface Symbols {
  readonly calls: RegExp;
  /** What one shows of the trade itself. */
  readonly things: readonly string[];
  /** What stands for what it does. */
  readonly meant: readonly (readonly [string, string])[];
}

const symbols = (calls: string, things: string, meant: Readonly<Record<string, string>>): Symbols => ({
  calls: new RegExp(`\\b(?:${calls})`, 'i'),
  things: things.split(', '),
  meant: Object.entries(meant),
});

export const TRADE_SYMBOLS: readonly Symbols[] = [
  symbols('bak|bread|patisser|pastr|cake', 'loaf of bread, wheat, croissant, pretzel', { rooster: 'up before everybody else', sun: 'the first light of a working day', heart: 'made by hand for somebody' }),
  symbols('coffee|caf[eé]|roast|espresso', 'coffee cup, coffee bean, kettle', { owl: 'awake while others sleep', sun: 'how a morning begins', fox: 'quick, and warm in colour' }),
  symbols('tea\\b|teahouse', 'teapot, teacup, leaf', { swan: 'calm and a curved neck like a spout', mountain: 'where the leaf grows' }),
  symbols('brew(?:ery|ing)|beer|ale\\b|cider|pub\\b|tavern', 'beer mug, barrel, wheat', { bear: 'large, at ease and good company', anchor: 'a place to stay' }),
  symbols('wine|vine|distill|gin\\b|whisk', 'grapes, bottle, wine glass', { fox: 'the one who watches the grapes', deer: 'the hill it comes from' }),
  symbols('farm|agricult|dairy|cheese|orchard|harvest', 'wheat, tractor, barn, apple', { rooster: 'the farm waking up', cow: 'what is looked after', sun: 'what everything grows by' }),
  symbols('restaurant|kitchen|cook|chef|cater|deli|food|grocer|bistro', 'fork, spoon, pan, chef hat', { pear: 'fresh, in season', fish: 'straight from the water', rooster: 'a table in the country' }),
  symbols('garden|plant|flor|nurser|landscap|seed', 'seedling, flower, leaf, watering can', { hedgehog: 'the one who looks after a garden', bee: 'what makes it grow', bird: 'who carries seeds from place to place' }),
  symbols('wood|carpent|joiner|furnitur|craft|maker|workshop', 'saw, hammer, tree, chair', { beaver: 'builds with wood and teeth', bird: 'at home in every tree', owl: 'lives in the wood, knows it' }),
  symbols('build|construct|architect|roof|brick|mason|renovat', 'house, bridge, brick, castle', { beaver: 'builds, and it holds', tortoise: 'carries its house and hurries nothing', bee: 'the exactest builder' }),
  symbols('book|publish|librar|print|magazin|writ|editor|poet', 'open book, quill, feather', { owl: 'reads at night', fox: 'clever, out of every story', lighthouse: 'light to read by' }),
  symbols('school|teach|educat|learn|tutor|academ|kindergarten', 'pencil, book, globe, bell', { owl: 'knows, and says it kindly', kite: 'rises by being held', tree: 'grows slowly and high' }),
  symbols('music|sound|audio|instrument|record|concert|choir|radio', 'guitar, violin, drum, bell', { bird: 'sings by nature', shell: 'one holds it to the ear', wave: 'what sound is' }),
  symbols('train|rail|travel|tour|journey|sleeper|transport', 'train, suitcase, compass, ticket', { bat: 'travels at night and always finds its way', swallow: 'far away and back again', moon: 'what one sees from the berth' }),
  symbols('boat|sail|ship|sea\\b|marin|harbou?r|fish|surf|coast|ferry', 'anchor, sailboat, fish, lighthouse', { dove: 'always where the boats are', whale: 'at home in the open sea', wave: 'what carries it' }),
  symbols('bicycl|cycl|bike', 'bicycle, wheel, bell', { hare: 'quick on two good legs', fox: 'quick, and through every gap', swallow: 'turns without slowing' }),
  symbols('outdoor|hik|climb|mountain|camp|trail|ski|adventure', 'mountain, tent, compass, pine tree', { goat: 'goes up where nobody else does', fox: 'knows every path', eagle: 'sees it from above' }),
  symbols('vet\\b|veterin|animal|pet\\b|pets|dog|cat\\b|stable', 'paw, dog, cat', { heart: 'care', rabbit: 'small, and in good hands', bird: 'well again and off' }),
  symbols('health|clinic|doctor|therap|pharm|medic|care\\b|hospital|nurs', 'hand, heart, leaf, stethoscope', { swan: 'calm above, at work below', seedling: 'getting well is growing', sun: 'a good day again' }),
  symbols('dent|tooth', 'tooth, toothbrush', { beaver: 'the best teeth there are', crocodile: 'so many teeth, all well', star: 'what gleams' }),
  symbols('spa\\b|yoga|wellness|massage|beauty|skin|cosmet|soap|salon', 'lotus, leaf, drop, towel', { swan: 'quiet and upright', moon: 'rest', shell: 'smooth by water' }),
  symbols('cloth|fashion|tailor|textile|shoe|knit|wool|jewel|leather|weav', 'thread, scissors, dress', { sheep: 'where the wool comes from', spider: 'the finest thread', peacock: 'dressed, and knows it' }),
  symbols('home|house|interior|estate|propert|letting|hotel|hostel|inn\\b|lodg', 'house, key, door, lamp', { snail: 'at home wherever it is', bird: 'builds the first house', moon: 'a good night' }),
  symbols('bank|financ|account|insur|invest|tax|money', 'coin, key, umbrella, shield', { squirrel: 'puts by for the winter', tortoise: 'steady, under its own roof', tree: 'grows a ring each year' }),
  symbols('law|legal|notar|justice|solicitor', 'scales, quill, castle', { owl: 'sees both sides in the dark', lion: 'stands for somebody', tree: 'was there before' }),
  symbols('software|app\\b|apps|tech|data|digital|cloud|code|web|internet|platform|startup', 'gear, cloud, rocket, key', { octopus: 'eight things at once', bee: 'many small works make one', bridge: 'from one side to the other' }),
  symbols('energ|solar|wind|electric|power|climate|heat', 'sun, lightning, windmill, light bulb', { leaf: 'makes what it needs out of light', wave: 'never stands still', candle: 'light of its own' }),
  symbols('toy|game|play|child|kid|baby', 'kite, balloon, teddy bear, rocket', { elephant: 'large and gentle', whale: 'every child knows it', star: 'what one wishes on' }),
  symbols('art\\b|arts|design|studio|gallery|photo|film|paint|cinema|theatre|museum', 'brush, camera, pencil, artist palette', { peacock: 'colour as a trade', fox: 'looks twice', bird: 'sees from above' }),
  symbols('sport|gym|fitness|swim|run|football|rowing|athlet|dance', 'trophy, whistle, basketball', { hare: 'off before one looks', horse: 'strength that moves', swan: 'strength that looks easy' }),
  symbols('charit|communit|council|volunteer|support|associat|town|neighbour', 'hand, house, tree, bridge', { hedgehog: 'lives next door to everybody', bee: 'no one alone', lantern: 'held up for others' }),
  symbols('clean|laundr|wash', 'bucket, broom, drop, soap', { otter: 'never out of the water', star: 'what gleams', swan: 'white, and stays so' }),
]; // prettier-ignore

/** What goes with anybody. */
export const ANY_SYMBOLS: Symbols = symbols('.', 'star, leaf, key', { fox: 'quick and easily known again', bird: 'light, and goes far', tree: 'grows slowly and stays', lighthouse: 'seen from afar' }); // prettier-ignore

/** How a mood is drawn: a finish or a manner, and what it does to the reason. */
export const MOOD_HANDS: readonly (readonly [RegExp, string, string])[] = [
  [/\b(?:quiet|calm|still|peace|gentle|soft|serene|slow)/i, 'rounded shapes, few details', 'few rounded forms are quiet'],
  [/\b(?:warm|friend|welcom|cosy|cozy|kind|patient)/i, 'flat, rounded corners', 'round corners are friendly'],
  [/\b(?:playful|fun|jolly|cheer|lively|witty|happy|quirky)/i, 'cut paper', 'cut paper looks made for fun'],
  [/\b(?:strong|bold|solid|brave|tough|robust)/i, 'silhouette', 'one dark form is strong'],
  [/\b(?:refin|elegan|luxur|premium|noble|fine|classic|sophist)/i, 'one line weight', 'an even fine line is refined'],
  [/\b(?:earthy|natur|organic|rustic|wild|green|honest)/i, 'lino print', 'a cut block looks made by hand'],
  [/\b(?:bright|fresh|clear|clean|crisp|modern|optimist|minimal)/i, 'flat, few details', 'little, and clear'],
  [/\b(?:magic|dream|myst|night|wonder|fairy|enchant)/i, 'cut paper, dark', 'layers in the dark look deep'],
  [/\b(?:quick|fast|swift|agile|dynamic|speed)/i, 'angular', 'straight edges look quick'],
  [/\b(?:old|tradition|vintage|heritage|historic|timeless)/i, 'woodcut', 'a woodcut looks as if it had always been'],
  [/\b(?:trust|reliab|secur|safe|serious|steady|professional)/i, 'geometric construction', 'what is built on circles looks sure of itself'],
]; // prettier-ignore

/** Things of fields that have nothing to do with one another, to start from when there is nothing. Each can be drawn. */
export const UNLIKE: readonly (readonly string[])[] = [
  'owl, hedgehog, whale, heron, fox, snail, badger, otter, moth, crane, tortoise, hare'.split(', '),
  'lantern, anvil, compass, needle, chisel, bellows, spirit level, funnel, sieve, hammer, kettle'.split(', '),
  'moon, comet, cloud, rainbow, aurora, star, lightning, planet, sun'.split(', '),
  'teapot, whisk, pretzel, pear, mushroom, loaf, ladle, egg, lemon, jug'.split(', '),
  'lighthouse, windmill, bridge, keyhole, chimney, castle, igloo, barn, tower, tent'.split(', '),
  'fern, acorn, poppy, cactus, ivy, seedling, pinecone, tulip, thistle, dandelion'.split(', '),
  'envelope, map, book, ticket, notebook, kite, bookmark'.split(', '),
  'anchor, shell, wave, octopus, sail, starfish, dolphin, crab'.split(', '),
  'cello, clarinet, bell, accordion, metronome, drum, guitar, whistle, trumpet'.split(', '),
  'bicycle, carriage, skate, tram, cogwheel, airship, scooter, sled, canoe'.split(', '),
]; // prettier-ignore

/** Things that stand for what one does with an app. */
export const ACTS: Readonly<Record<string, string>> = Object.fromEntries(
  'track:compass plan:calendar schedule:calendar remind:bell pay:coin save:acorn spend:coin invest:seedling chat:speech bubble message:envelope send:paper plane share:paper plane listen:headphones hear:headphones learn:book study:book read:book teach:owl write:pencil note:pencil draw:brush paint:brush sketch:pencil search:magnifying glass find:magnifying glass discover:compass explore:compass travel:compass navigate:compass sleep:moon rest:moon meditate:lotus breathe:leaf relax:lotus run:shoe walk:shoe hike:mountain climb:mountain cycle:bicycle ride:bicycle train:dumbbell exercise:dumbbell cook:pot bake:whisk eat:fork grow:seedling water:watering can garden:seedling photograph:camera film:camera record:microphone sing:microphone play:dice shop:basket buy:basket order:basket deliver:box ship:box heal:heart care:heart date:heart protect:shield secure:shield guard:shield lock:lock build:hammer repair:wrench fix:wrench measure:ruler count:abacus light:light bulb think:light bulb wake:sun'
    .split(/ (?=[a-z]+:)/)
    .map((pair) => pair.split(':') as [string, string]),
);

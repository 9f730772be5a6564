/** Word fields: what belongs to a trade, a mood and a kind of place; and roots that names are borrowed from. */

/** A field: words that call it up in a brief, and short words that belong to it, things first. */
export interface Field {
  readonly calls: RegExp;
  readonly words: readonly string[];
}

const field = (calls: string, words: string): Field => ({
  calls: new RegExp(`\\b(?:${calls})`, 'i'),
  words: words.split(' '),
});

/** What belongs to a trade. */
export const TRADES: readonly Field[] = [
  field('bak|bread|patisser|pastr|cake|confection', 'crumb crust flour oven grain loaf hearth batch knead rise sift wheat butter ember rye tin'),
  field('coffee|caf[eé]|roast|espresso|tea\\b|teahouse', 'bean roast brew cup steam kettle grind pour ember leaf saucer bloom copper crema'),
  field('brew(?:ery|ing)|beer|ale\\b|cider|pub\\b|tavern', 'hop malt barrel cask tap cellar foam keg still barley orchard copper'),
  field('wine|vine|distill|gin\\b|whisk|spirit|bar\\b', 'vine cask cork cellar slope still botanic juniper decant harvest glass terrace'),
  field('food|restaurant|kitchen|cook|chef|cater|deli|grocer|bistro|pizz|noodle', 'spoon larder salt pepper table pantry platter ladle basil olive skillet supper'),
  field('farm|agricult|dairy|livestock|cheese|orchard|harvest', 'field furrow clover pasture barn acre meadow harrow seed orchard hedge gate'),
  field('garden|plant|flor|nurser|landscap|seed', 'fern seed bloom trellis root sprig bud hedge clover spade moss stem petal'),
  field('wood|carpent|joiner|furnitur|craft|maker|workshop|pottery|ceramic', 'grain oak plane chisel dowel bench lathe timber joint clay kiln glaze'),
  field('build|construct|architect|roof|brick|mason|engineer|renovat', 'beam arch stone lintel plumb gable brick span truss keystone scaffold level'),
  field('book|publish|librar|print|magazin|editor|writ|stationer|poet', 'page quill ink folio spine margin verse chapter vellum press nib leaf'),
  field('school|teach|educat|learn|tutor|academ|kindergarten|course', 'chalk slate spark ladder primer compass desk bell kite lantern acorn'),
  field('music|sound|audio|instrument|record|concert|choir|radio', 'chord reed drum bell echo tune string pitch treble cadence bow hum'),
  field('train|rail|travel|tour|journey|sleeper|transport|bus\\b|coach', 'berth track signal lamp platform carriage whistle sleeper ticket compass mile halt'),
  field('boat|sail|ship|sea\\b|marin|harbour|harbor|fish|surf|coast|ferry', 'keel harbour tide anchor buoy sail rudder cove gull mast reef tiller'),
  field('bicycl|cycl|bike', 'spoke wheel chain saddle pedal gear bell frame lane freewheel tandem'),
  field('outdoor|hik|climb|mountain|camp|trail|ski|adventure', 'ridge trail cairn tent summit pine ember rope lantern scree compass peak'),
  field('vet\\b|veterin|animal|pet\\b|pets|dog|cat\\b|horse|stable', 'paw whisker tail hoof bark mane burrow nest fetch collar muzzle'),
  field('health|clinic|doctor|dent|therap|pharm|medic|care\\b|hospital|nurs', 'pulse balm vital sage mend breath remedy willow hand well thrive'),
  field('spa\\b|yoga|wellness|massage|beauty|skin|cosmet|soap|barber|hair|salon', 'balm lotus stone linen moss dew petal comb razor steam silk lather'),
  field('cloth|fashion|tailor|textile|shoe|knit|wool|jewel|leather|weav', 'thread weave hem bobbin button loom stitch thimble linen clasp cobble'),
  field('home|house|interior|estate|propert|letting|hotel|hostel|inn\\b|lodg', 'hearth key door lantern gable porch latch threshold window nest roof linen'),
  field('bank|financ|account|insur|invest|tax|pay|loan|money', 'ledger coin keel mint anchor tally vault balance acorn harvest scale'),
  field('law|legal|notar|justice|solicitor', 'scale seal oak pillar quill bench keystone ledger candour plumb'),
  field('software|app\\b|apps|tech|data|digital|cloud|code|web|internet|platform|startup', 'node pixel loop stack beacon relay signal lattice switch cursor kernel prism'),
  field('energ|solar|wind|electric|power|climate|heat', 'volt spark ember current turbine beam flare grid sun gust dynamo'),
  field('clean|laundr|wash', 'suds linen broom brook lather bucket steam gleam line soap'),
  field('toy|game|play|child|kid|baby', 'kite marble spinner button puddle whistle hoop rocket acorn balloon top'),
  field('art\\b|arts|design|studio|gallery|photo|film|paint|cinema|theatre|theater|museum', 'frame lens easel prism palette canvas iris stencil reel brush shutter'),
  field('sport|gym|fitness|swim|run|football|rowing|athlet|dance', 'stride sprint lane whistle oar relay hurdle rally pace vault'),
  field('charit|communit|council|volunteer|support|associat|town|neighbour|library shelf|lend', 'lantern bridge table shelf commons hand bench bell hearth orchard'),
]; // prettier-ignore

/** What a mood sounds like. */
export const MOODS: readonly Field[] = [
  field('quiet|calm|still|peace|gentle|soft|sooth|serene|slow', 'hush still lull moss willow slow calm murmur drift feather'),
  field('warm|friend|welcom|cosy|cozy|home|kind|heart', 'ember hearth amber glow wool honey open kind copper'),
  field('play|fun|jolly|cheer|young|lively|witty|happy|quirky', 'hop skip jig bubble merry kite pip tumble wink zest'),
  field('strong|bold|solid|brave|tough|robust|power', 'oak iron bold stone anvil bull granite bolt ram'),
  field('refin|elegan|luxur|premium|noble|fine|classic|sophist', 'silk ivory fine gilt velvet swan pearl laurel crest'),
  field('earth|natur|organic|rustic|wild|green|patient|honest', 'loam fern root bramble thistle clay field briar oak'),
  field('bright|fresh|clear|light|clean|crisp|modern|optimist', 'lark dawn clear spark zest brisk gleam clean ray'),
  field('magic|dream|myst|night|wonder|fairy|enchant', 'moon lantern owl spell star rune dusk moth glimmer'),
  field('quick|fast|swift|agile|dynamic|prompt|speed', 'swift dart dash flit bolt hare brisk arrow'),
  field('trust|reliab|secur|safe|serious|steady|depend|professional', 'anchor oak keel pillar true steady harbour keystone'),
  field('old|tradition|vintage|heritage|historic|timeless', 'elder amber folio brass hallow yew lantern crest'),
]; // prettier-ignore

/** What a place is called after; a name of its own is used as it is. */
export const PLACES: readonly Field[] = [
  field('river|lake|sea\\b|coast|harbour|harbor|port|bay|canal|island|beach|pond|brook', 'brook mere quay ford weir tide cove strand wharf sound'),
  field('hill|mountain|valley|alp|highland|dale|moor|cliff', 'fell dale ridge tor glen combe crag heath brow'),
  field('wood|forest|park|grove|orchard', 'grove copse glade holt thicket birch hazel spinney'),
  field('town|city|street|square|market|row\\b|lane|urban|quarter|station', 'lane row yard gate corner mill court arcade mews square'),
  field('country|village|field|farm|meadow|rural', 'croft lea green stile hedge barrow acre common'),
  field('north|nordic|scandinav|arctic|winter|snow', 'north frost fjord birch lumen tarn skerry'),
  field('south|mediterran|italian|spanish|greek|sun|desert', 'olive terra sol citrus mesa palma'),
]; // prettier-ignore

/** Latin and Greek roots with their meanings, and words of a brief that call for them. */
export const ROOTS: readonly { readonly root: string; readonly means: string; readonly calls: RegExp }[] = (
  [
    ['lum', 'light', 'light|lamp|bright|sun|energ'], ['noct', 'night', 'night|sleep|dark|moon|bar'], ['via', 'road', 'train|rail|travel|road|tour|transport'],
    ['pan', 'bread', 'bak|bread|food'], ['aqu', 'water', 'water|river|sea|swim|clean|wash|spa'], ['terr', 'earth', 'earth|farm|garden|ground|pottery|ceramic'],
    ['silv', 'wood', 'wood|forest|carpent|furnitur|outdoor'], ['av', 'bird', 'bird|flight|travel|nature'], ['fol', 'leaf', 'leaf|plant|garden|book|paper|tea'],
    ['mar', 'sea', 'sea|coast|fish|boat|harbour|marin'], ['vent', 'wind', 'wind|sail|energ|air'], ['ign', 'fire', 'fire|roast|forge|kitchen|bak'],
    ['mell', 'honey', 'honey|sweet|cake|bee|food'], ['hort', 'garden', 'garden|flor|plant|nurser'], ['lud', 'play', 'play|game|toy|child|sport'],
    ['libr', 'book', 'book|librar|publish|learn'], ['man', 'hand', 'hand|craft|maker|care|massage'], ['sol', 'sun', 'sun|solar|bright|south|warm'],
    ['stell', 'star', 'star|night|hotel|dream|magic'], ['dom', 'home', 'home|house|interior|estate|hotel'], ['vit', 'life', 'health|life|care|wellness|food'],
    ['son', 'sound', 'sound|music|audio|radio'], ['scrib', 'writing', 'writ|editor|book|stationer|notar'], ['fid', 'trust', 'trust|bank|law|financ|insur|secur'],
    ['cal', 'warmth', 'warm|heat|coffee|care'], ['nav', 'ship', 'boat|ship|sail|travel|transport'], ['rot', 'wheel', 'bicycl|cycl|wheel|pottery|train'],
    ['flor', 'flower', 'flor|flower|garden|beauty|skin'], ['quiet', 'rest', 'quiet|calm|sleep|spa|yoga'], ['vell', 'wool', 'wool|knit|cloth|textile|sheep'],
    ['ped', 'foot', 'shoe|walk|hik|run'], ['dent', 'tooth', 'dent'], ['equ', 'horse', 'horse|stable|ride'], ['vin', 'wine', 'wine|vine|bar'], ['ald', 'old', 'old|tradition|heritage|vintage'],
    ['alt', 'high', 'mountain|climb|high|roof|ski'], ['clar', 'clear', 'clear|law|glass|clean|advice|software'], ['nex', 'tie', 'data|software|network|communit|bank'], ['pict', 'picture', 'photo|art|paint|film|design'], ['curs', 'run', 'run|sport|courier|fast'],
  ] as const
).map(([root, means, calls]) => ({ root, means, calls: new RegExp(`\\b(?:${calls})`, 'i') })); // prettier-ignore

/** The fields that a text calls up. */
export function fieldsFor(text: string, fields: readonly Field[]): readonly Field[] {
  return fields.filter((f) => f.calls.test(text));
}

"""The bundled words: fit for young children, chosen for this program, in no order that matters.

How a word is noted says how its letters fall into sounds, where the rules of `sounds.py` would
see it otherwise: `.` parts two sounds (hot.house), brackets hold one together (w(eigh)). A star
marks a word to know by heart: one that is needed early and is not written as it sounds.
"""

WORDS = """
a* I* the* to* no* go* so* he* she* me* we* be* was* my* by* you* they* all* are* her* his* is*
as* has* of* do* said* some* come* were* there* one* two* when what* who* your* our* th(eir)* oh*
any* many* put* push* pull* full* want* water* once* where* could* should* would* p(eo)ple* asked*
called* looked* little* old* because* friend* here* lo.ve* li.ve* gi.ve* ha.ve* done* gone* like

at an in it if on up us am and can cat dad dog did den dig dip dot fan fin fit fig fog fun fox gas
gap get got gum had ham hat hen hem hid him hip hit hop hot hug hum hut jam jar jet job jog jug
kid kit lab lad lap led leg let lid lip lit log lot mad man map mat men met mix mob mop mud mug
mum nap net nod not nut pad pan pat peg pen pet pig pin pip pit pod pop pot pup rag ram ran rap
rat red rib rid rim rip rob rod rot rub rug run sad sat set sip sit six sob sun tag tan tap ten
tin tip top tub tug van vat vet vest wag web wet wig win wit yak yam yap yes yet yum zap zip
zigzag bad bag bat bed beg bet bib big bin bit bob box bud bug bun bus but cab cap cob cod cog cot
cub cup cut dam dim din dub dug elf elk end fed fib fix gig jot lop mid nip pug sag sum tot wax ox
add odd egg ebb inn off ill ant ask ink

back bell bill block boss brick buzz call cell chick click clock cliff cross deck dell dock doll
dress drill duck dull dust fall fell fill fizz fluff fluffy fuss glass grass hall hill hiss huff
jazz kick kiss lick lock loss luck mess miss moss muffin neck pack pass peck pick pill pluck press
puff puddle quack quick rock roll sack sell shell sick silly skill skull smell snack sniff sock
spell spill still stick stiff stuck stuff suck tall tell thick tick till toss track trick truck
tuck wall well will yell moth cloth froth broth

shed shelf ship shop shut shrug shock shack sharp shark sheep sheet shin dish fish wish wash* rush
brush crash crush flash fresh flush hush mash splash squash smash trash bush* cash dash rash
finish polish radish selfish eggshell

chap chat chest chill chin chip chimp chop chug chum much rich such lunch bench bunch branch
crunch hunch inch munch pinch punch champ check chess church catch ditch fetch hatch hutch itch
latch match patch pitch sketch snatch stitch stretch switch witch kitchen hopscotch

that them then this thin thing think thank thud thump thumb thrill thrush bath both math path
tenth with width month* fifth sixth north south teeth tooth thorn thirst thirty third birth than
those these three throat throw thread father mother* brother* other* another* weather feather
leather together gather

bang bring cling clang fang fling gang gong hang king long lung ping pong prong ring rung sang
sing sling song spring sprung sting string strong strung stung sung swing swung throng tongs wing
wrong young* along among* belong finger hungry jungle single tingle angle morning eve.ning jumping
singing running ringing

bank blank blink bunk chunk clank clink drank drink dunk honk junk kink link mink pink plank plonk
prank rink sank shrank shrink sink sunk tank trunk twinkle wink yank blanket trinket

band belt bend bent best blast bland blend blot brag brand bump camp cast clam clamp clap clip
club cost crab cramp crib crisp crop crust damp dent desk drag dragon drift drip drop drum dusk
east fact fast felt fist flag flap flat flint flip flop frog front* from* frost gift glad gland
glint glum golf grab gran grand grin grip grit grub gulp gust hand held help hint hump hunt jump
just kept lamp land last left lend lent lift limp list loft lost lump mask mast melt mend milk
mint mist must nest next pant past pest plan plant plop plot plug plum plump plus pond pram print
prod prop pulp pump quest raft ramp rest rent risk romp rust sand scab scan scarf scrap script
scrub self send sent sift silk skid skin skip slam slant sled slept slid slim slip slot slug snap
snip snow snug soft spin spend spent split spot sprint squid stamp stand stem step stilt stop
strap strip stump swam swift swim tent test tilt tram trap trim trip trot trust tusk twig twin
twist went west wind wept wisp crept cuff draft film gasp husk rasp grasp clasp

cake bake make take lake wake rake snake shake flake brake stake came game name same tame fame
flame frame gate date late mate plate skate state cave gave save wave brave shave pave cape tape
grape shape scrape made fade wade shade blade spade trade grade lane mane cane crane plane page
cage rage stage age face lace place race space grace trace ace pace case base chase vase daze gaze
maze amaze blaze haze gale male pale sale scale tale whale stale safe bike hike spike strike dive
drive five hive alive bite kite quite white write invite time lime crime slime chime mine fine
line nine pine shine spine vine side hide ride slide tide wide bride pride inside outside beside
life wife knife ripe pipe wipe stripe swipe mice rice nice dice ice slice price spice twice smile
mile file pile tile while rise wise prize size bone cone phone stone alone throne home dome globe
robe nose rose hose close chose hope rope slope note vote rode code joke poke smoke spoke broke
woke hole mole pole stole whole* sole stove drove woven froze doze cube tube huge rule mule tune
dune flute cute use fuse rude prune plume costume eve complete athlete concrete

rain train brain chain drain grain main pain plain stain aim claim fail hail jail mail nail pail
rail sail snail tail trail wait paid maid laid braid paint faint saint raisin aid day may say way
pay play stay tray pray clay gray lay ray hay bay today a.way crayon display holiday birthday
Sunday playing railway subway bee see tree free knee feed need seed weed speed deep keep sleep
sweep creep peep steep jeep feet meet sweet street green queen seen teen screen been* week seek
cheek creek peel feel heel wheel steel beef reef seem cheese sneeze breeze freeze agree coffee
bleed greed greedy sea tea pea flea each beach peach reach teach bead read lead leaf beak leak
weak peak speak sneak squeak meal deal heal real* seal steal team beam cream dream steam scream
stream bean clean mean leap heap cheap eat beat heat meat neat seat treat wheat beast feast least
easy please tease leave weave season reason eagle beaver peanut seaside teacup bread head dead
instead breakfast* breath health heavy ready steady meadow treasure* measure* boat coat goat float
oat oats road toad load loaf soak cloak croak goal coal foal coast toast roast boast foam coach
soap oak raincoat grow show slow low row bow mow blow flow glow know crow own bowl grown shown
owner yellow pillow window follow hollow elbow shadow rainbow arrow narrow sparrow marrow barrow
burrow cow how now wow owl town down gown brown clown crown frown drown crowd growl howl prowl
towel vowel flower power shower tower powder out shout about scout spout snout trout sprout loud
cloud proud aloud round ground found sound pound hound mound bound wound around house mouse blouse
count fountain* mountain* mouth couch pouch crouch ouch flour hour* sour moon soon spoon noon
balloon cartoon food mood roof proof hoof hoop loop stoop troop snoop scoop cool pool tool stool
school* room broom bloom gloom mushroom boot root hoot scoot moose goose loose zoo too boo moo
igloo kan.ga.roo bamboo book cook hook look took brook shook crook good wood hood stood foot wool
football note.book goodness coin join oil boil soil foil coil spoil point joint noise voice choice
avoid toilet boy toy joy enjoy annoy royal oyster destroy loyal night light right fight might
sight tight bright flight fright knight high sigh thigh lightning tonight midnight sunlight
delight car far star scar tar bar arm farm harm charm alarm art part cart start smart chart dart
park bark dark mark lark spark card hard yard garden farmer market carpet party march arch harp
barn yarn large charge target artist barber harvest garlic for or fork cork stork horn corn born
torn worn popcorn unicorn short sort sport fort port storm form forty forget forest story horse
torch porch order corner acorn more store score shore snore sore tore core wore before explore*
door floor poor fern herb herd term verb kerb perch nerve serve germ jerk after better letter
butter batter matter bitter litter kitten mitten ladder dinner supper summer winter sister under
number* never ever river silver liver cover* over tiger paper spider clever gin.ger hammer hunter
jumper lobster monster pepper planter rubber runner rocket slipper spanner swimmer temper thunder
whisper camper sing.er teacher painter baker dancer printer helper bird girl sir stir fir shirt
skirt dirt first circle circus whirl twirl firm squirt chirp thirteen squirrel fur burn turn hurt
surf curl nurse purse purple turtle burst surprise turnip burger hurl churn Thursday Saturday
curtain* return saw paw jaw draw claw straw raw law thaw yawn lawn dawn prawn crawl shawl hawk
awful strawberry author launch pause sauce autumn* astronaut laundry saucer daughter* caught*
taught* naughty* new few dew chew grew drew flew threw blew stew screw news crew jewel newt blue
glue true clue due rescue argue Tuesday statue value q(ueue)* air hair fair pair chair stair fairy
dairy repair bear* pear* wear* tear* care dare hare share scare square rare stare spare bare
be.ware ear hear near dear year fear clear beard appear disappear deer cheer steer peer career
pioneer fire wire hire t(ire)d admire vampire tyre sure* cure pure picture adventure creature
nature future mere sphere* adhere

fly sky cry dry fry try why shy spy sly sty pry reply supply butterfly baby lady pony tidy tiny
lazy crazy ivy navy gravy shiny bunny funny sunny runny puppy happy jelly belly smelly penny hobby
teddy muddy daddy mummy granny nanny jolly dolly poppy floppy chilly hilly frilly berry cherry
merry ferry hurry curry sorry carry marry c.o.py ci.ty v.e.r.y body study* happily family every*
lucky rocky sticky tricky windy sandy handy candy dusty rusty misty frosty empty twenty plenty
jumpy lumpy bumpy grumpy angry* fifty sixty key monkey* donkey turkey valley chimney honey* money*
jersey trolley kidney hockey journey* abbey pie tie lie field thief chief brief shield shriek
cookie genie movie toe hoe foe goes tiptoe oboe potatoes

apple ankle bubble bottle battle beetle bundle buckle cattle candle castle* couple* cuddle crackle
dazzle double* fable fiddle freckle gentle giggle gobble handle huddle humble jiggle juggle jumble
kettle middle muddle muffle nibble noodle needle nettle paddle pebble pickle poodle puzzle rattle
riddle ripple rumble saddle sample scribble settle simple sparkle speckle sprinkle stable struggle
table tackle tickle topple treacle trouble* tumble twiddle uncle wiggle wobble wriggle able cable
cradle ladle maple marble noble title bugle

kneel knew knit knock knot knuckle wrap wreck wren wrist wrote gnat gnome gnaw si(gn)* lamb* limb*
climb* comb* crumb* photo dolphin elephant alphabet graph orphan trophy nephew whisk whisker
whistle* which whiff quilt quit quiz qui.et* quill squeeze liquid equal

hedge edge ledge wedge bridge fridge badge badger dodge judge fudge lodge budge nudge sludge gem
giant gi.ra(ffe) magic dan.ger orange* change* strange* sponge* cabba.ge cotta.ge gara.ge*
villa.ge ima.ge messa.ge* mana.ge* cent cinema dance fence prince peace mince since chance glance
pencil princess centre pala.ce fancy icy lacy spicy grocer decide bicycle* cycle* accent

abo.ve* across afraid again* against* ahead album almost also* always* animal answer* apart apron
arrive asleep attic aunt* a.wake a.ward behind believe below between beyond biscuit blossom
bonfire borrow bottom bought* brought* bucket build* built* busy* button buy* cabin cactus camel
camera canal canoe* captain ca.ra.van carrot ceiling* chalk* chicken children chocolate choir*
chorus clothes* cloudy cobweb colour* comet comic contest cotton cousin* cowboy cricket crocodile
custard daisy dama.ge decorate delicious* dentist desert dinosaur* different doctor dozen drawer
early* earth* eight* either eleven enough* enter e.rupt escape* even excite exit* (eye)* factory
fellow festival fever fiction fifteen final flavour* forward* fossil fourteen* fruit* gallop
ghost* glimmer glitter glo.ve* goblin gravel great* (gu)ard* (gu)ess* (gu)itar* gymnast* hamster
handbag heart* heaven he.ron hexagon hippo history hospital hotel hundred husband imagine insect
interest invent island* itself jacket jigsaw juice* kennel kilt kind ladybird lan.gua.ge* laugh*
lemon lemonade lesson lettu.ce* lion* lizard locket lollipop lonely lunchbox machine* magnet
magpie mango mammal mammoth melon menu metal minibeast minute* mirror model modern moment motor
music mustard myth* napkin neighbour* nobody nothing* object ocean* octopus often* oli.ve onion*
only* open orchard otter oven* packet palm* panda panic panther pa.rent parrot parsnip pasta
pattern peacock peanuts pelican pencils pen.guin* perfect perhaps person petal piano* picnic
piece* pigeon* pilot pirate planet plastic plaster pocket poem* poet* polar police* ponytail
possible* potato present pretty* problem pudding pumpkin pupil puppet rabbit radio* raven
rectangle remember reptile ribbon robin robot rotten route* sailor salad salt* salmon* sandal
sandwich* sandpit satin saturn sausa.ge* scarlet sci.ence* scissors* scooter second secret seven
several shampoo shoe* shoulder* signal silent sixteen skeleton sofa space.ship spaghetti* spinach*
splendid squirm stomach* stran.ger student sudden sugar* suit* sunset sunshine* supermarket
suppose swallow* syrup* talk* walk* tadpole talent teapot telescope television* tennis themselves
thr(ough).out* ticket timid tomato tomorrow tortoise* to.wards* tractor traffic transport triangle
tulip tunnel twelve umbrella uncover unhappy uniform until upon upset usual* vac(uu)m vanish velvet
violet violin visit visitor volcano voya.ge* wagon warm* wasp* watch* weekend welcome* wizard
wolf* woman* women* wonder* wooden word* work* world* worm* worth* yesterday yogurt* zebra z.e.ro

acid banana bandit bathtub bathroom bedroom bedtime buffet bobsled bulldog catnip cannot catfish
caterpillar chipmunk cosmic cupcake daylight disco dishcloth duckling dustbin eggcup expect
express fabric farmyard fantastic fishing flapjack fox.glo.ve* frogspawn giftbox goldfish grandad
grandma grasshopper greenhouse gumdrop handstand headband helmet himself hiccup hilltop hotpot
inkpot invest instruct jackpot kingfisher kneecap ladybug lamplight laptop limit lipstick
locksmith mudbank moonlight nutmeg nutshell oatcake padlock pancake pine.cone piglet postbox
quicksand quicksilver rainfall redwing rooftop sandbank sandcastle scare.crow seashell seaweed
shamrock shellfish ship.wreck si(gn).post* silkworm* snowball snowdrop snowflake snowman starlight
subtract sundial sunhat tablet tinsel toadstool toe.nail topmost trumpet tugboat upstairs undo
windmill wetland woodland workshop*

ago gogg(le)s sage saga cocoa decade dose ease o.asis added geese aged soda dodo

hedge.hog wa.ter.fall star.fish drag.on.fly gate.way ice.berg my.self king.dom eggs dogs deed
decode seeds Monday Wednesday* Friday January February* March April May June July August September
October November December be.gin sweater field.mouse deeds gases cages aces seas codes adds happen
hedges cease coo cascade
"""

SELDOM = """
dead jail bet boss wife vote career deal fight
oboe eve ahead adhere saga sage dodo coo cease oasis decode deed deeds dose soda cascade lop jot sag
cog ebb vat hoe foe sly shin fib dub dam lark dell dune jersey fable ox aid lacy vane lain reap
"""
"""Words that are there for chains, and that a lesson offers only where no others can be written."""

<?php

declare(strict_types=1);

namespace MintDoor\Core\Accounts;

/**
 * The 10,000 passwords people choose most, the commonest first. From the list of @zxcvbn-ts/language-common (MIT),
 * which the pages weigh passwords with, too.
 */
final class CommonPasswords
{
    private const LIST = <<<'LIST'
    123456 password 12345678 qwerty 123456789 12345 1234 111111 1234567 dragon 123123 baseball abc123 football monkey
    letmein shadow master 696969 michael mustang 666666 qwertyuiop 123321 1234567890 pussy superman 1qaz2wsx 7777777
    fuckyou jordan qazwsx jennifer 123qwe 000000 killer trustno1 hunter harley zxcvbnm asdfgh buster andrew batman
    soccer tigger charlie robert sunshine thomas iloveyou fuckme ranger daniel hockey george computer michelle jessica
    starwars asshole pepper klaster 112233 zxcvbn freedom princess joshua maggie pass ginger 11111111 131313 fuck amanda
    ashley love cheese 159753 nicole summer matthew chelsea dallas biteme matrix william yankees 6969 taylor corvette
    austin access martin heather thunder merlin secret diamond hello anthony hammer fucker 1234qwer silver gfhjkm justin
    patrick richard bailey internet samantha golfer scooter test orange cookie q1w2e3r4t5 maverick jackson sparky mickey
    phoenix bigdog snoopy guitar whatever chicken morgan andrea camaro mercedes peanut ferrari cowboy falcon welcome
    samsung sexy steelers joseph smokey dakota melissa arsenal boomer eagles tigers marina nascar booboo gateway porsche
    yellow monster spider diablo hannah bulldog junior london purple compaq lakers iceman qwer1234 hardcore cowboys
    money banana ncc1701 boston brandon tennis johnny miller q1w2e3r4 coffee scooby 123654 edward nikita mother yamaha
    brandy barney chester fuckoff oliver charles player knight forever steven rangers midnight chicago bigdaddy redsox
    victoria badboy angel please fender chris jasper james slayer rabbit natasha rachel bigdick marine wizard marlboro
    raiders prince casper fishing flower crystal jasmine panties iwantu adidas winner winter gandalf password1 enter
    ghbdtn 1q2w3e4r angela mike golden lauren cocacola jordan23 winston madison angels blowme panther sexsex bigtits
    spanky bitch shannon sophie johnson asdfasdf david horny thx1138 toyota tiger murphy dick canada danielle 12344321
    blowjob 8675309 jonathan liverpoo muffin cooper apples jackie dennis black qwerty123 passw0rd john abcd1234 sandra
    pokemon 123abc slipknot carlos qazxsw 123456a scorpion qwaszx nathan butter startrek rainbow asdfghjkl razz redskins
    newyork gemini cameron qazwsxedc florida liverpool turtle nicholas viking booger wilson sierra butthead doctor
    rocket 159357 victor dolphins captain bandit jaguar packers pookie peaches 789456 asdf blue dolphin helpme tucker
    theman tiffany maxwell jeremy qwertyui shithead debbie albert maddog lovers monica alex united giants nirvana
    metallic hotdog rosebud mountain benjamin warrior stupid elephant suckit success bond007 jackass bonnie alexis porn
    lucky jason scorpio samson q1w2e3 rush2112 azerty freddy driver willie calvin 1q2w3e4r5t sydney gators dexter red123
    12345a 123456q bubba creative golf voodoo happy arthur trouble america nissan gunner rebecca stella garfield gordon
    jessie bullshit parker asdfghjk 5150 fucking apollo jack 1qazxsw2 2112 eminem december legend airborne beavis august
    bear apple brooklyn godzilla skippy buddy 4815162342 qwert kitten magic shelby beaver phantom fred nothing asdasd
    williams xavier braves darkness blink182 travis copper tomcat platinum qweqwe girls 01012011 bigboy green power
    102030 animal police 11223344 online voyager lifehack 12qwaszx fish sniper 315475 trinity walter blazer heaven lover
    snowball playboy bubbles loveme hooters cricket marvin willow donkey topgun nintendo saturn family november gabriel
    destiny pakistan pumpkin digital sergey chance explorer redwings private therock runner tits 789456123 lasvegas
    guinness beatles fire cassie christin qwerty1 asdf1234 celtic broncos andrey 007007 babygirl nelson donald scott
    eclipse cartman fluffy louise michigan testing carolina little samuel alexande birdie steve cherry pantera sharon
    gibson vampire mexico dickhead peter buffalo montana genius beer flyers maximus school minecraft lovely stalker
    metallica doggie carter kristina kimberly spencer speedy barbara snickers sabrina carmen marcus bronco yankee
    friends paradise lol123 dreams magnum horses cool caroline 147258369 lacrosse ou812 goober member qwertyu enigma
    scotty pimpin bollocks brian cock surfer sammy genesis poohbear dave star asd123 qweasdzxc baby racing friend hello1
    hawaii eagle1 billy viper october vanessa poopoo einstein boobies stanley 12345q walker bitches paul drowssap
    stephen courtney simple alaska badger action jake bill denise jester 111222 spitfire drummer forest patricia
    maryjane champion diesel svetlana rock friday kevin mark gregory pamela frank hotrod 147258 chevy anderson lucky1
    douglas westside security google badass shorty tester thumper hitman mozart general reddog boobs zaq12wsx music
    010203 lizard alexander melanie a123456 ruslan 123456789a vincent eagle 1232323q sweet teresa scarface 147852
    qwerty12 a12345 marshall olivia veronica porno buddha spirit frankie money1 stargate antonio liberty natalie mercury
    naruto qwe123 12345qwert suzuki semperfi king popcorn spooky marley system brittany claudia kelly scotland free
    kitty cherokee vikings simpsons death leslie rascal qweasd jimmy loveyou hummer michael1 allison rocky patches
    russia adrian jupiter penguin cumshot howard passion honda vfhbyf andre vladimir franklin sandman 123789 infinity
    homer bastard raider passport assman sucker fantasy bulldogs 1234554321 horney domino budlight ironman disney norman
    usuckballz1 softball bishop francis brutus ford redrum brooke bigred jeffrey jesus fktrcfylh karina marines kawasaki
    digger ireland oksana fireman cougar college shit alicia russell houston monday bradley cunt sarah nigger justice
    super wildcats tinker duncan dancer logitech avalon swordfis everton reggie motorola alexandr molly timothy hentai
    pussy1 claire patriots madonna colorado eugene ducati kermit juventus indian connor galore freeuser smooth house
    titanic boogie simpson warcraft wolverin elizabet arizona saints valentin georgia asdfg test123 accord matt baxter
    denver mitchell christ password123 yfnfif slut smith stinky zachary roland naughty ncc1701d spiderma chopper brenda
    hello123 extreme virginia water skyline poop zombie pearljam froggy pirate fylhtq vision 123qweasd awesome alyssa
    dreamer predator bullet empire wolf charlie1 kirill 123123a people penis elvis panthers skipper nemesis peekaboo
    rasdzv3 simon alison rolltide american cardinal arnold chevelle daddy psycho happy1 danger mookie wanker manutd
    9379992 tommy hobbes vegeta goblue 852456 burton fyfcnfcbz picard 159951 bobby windows loverboy lovelove vfrcbv
    victory 123654789 bambam turkey serega tweety hiphop galina changeme rooster polina berlin suckme taurus electric
    ronald avatar 134679 mine raptor alpha1 maksim spring brazil eric bigcock newport hard kenneth hendrix madmax
    england a1b2c3 alpha sublime britney france darkside bigman hercules lawrence wolfpack classic letmein1 lincoln
    ronaldo 741852963 spiderman 1q2w3e blizzard cheyenne 123456789q wombat bubba1 tiger1 cjkysirj raymond brother
    kristen pandora devils zxc123 simone holiday wildcat horse kramer 12312 147852369 buddy1 sterling caesar alabama
    carrie bondage basketball sports pussycat pickle catch22 leather shaggy a1b2c3d4 chronic flowers qaz123 qqq111
    robbie admin gracie amber freepass airplane perfect kodiak billybob katana sunset crazy good stingray maria anna
    snowman phpbb angel1 chocolat zeppelin garcia detroit wolves pontiac candy firebird vagina gundam panzer outlaw time
    pretty fisher connie honey business trevor redhead hardon greenday tarheels 01011980 nastya hellfire cobra engineer
    dragon1 savage service serenity sasha michele dude lickme fireball 1029384756 white remember darkstar miranda flash
    mustang1 01011 124578 harvey oscar strike freddie pavilion beauty bobafett 01012000 adam dbrnjhbz jeff bigmac chris1
    duke clinton bowling jenny natali future harrison jones wallace welcome1 swimming apache rulez pyramid dodgers girl
    whynot fuckit defender teens morris trooper 135790 cancer precious packard lucifer popeye weasel 142536 raven
    icecream stewart tanner swordfish blonde sandy presario rockstar viktor manager cheryl norton james1 control wutang
    airforce julian atlanta pimp spike thailand looking casino 741852 21122112 paris mouse lennon 456123 bluebird theone
    hawkeye hacker lisa dustin elaine nfnmzyf sailor catfish goldfish maxima tattoo barbie light design pervert machine
    herman wrangler rocks trucks nipples roscoe tornado jerry lights bubble cadillac 666999 madman orlando pegasus
    target longhorn laura philip browns eatme stefan cannon dilbert baller microsoft winnie christia katie qazwsx123
    shooter xfiles qazqaz lesbian street seattle corona amateur cthutq prelude 246810 beach malibu freaky assassin
    integra atlantis 123qweasdzxc pussies dragons iloveu monkey1 unicorn lonewolf regina 753951 stealth kristin tony
    peewee openup bobcat stacey software newton leonardo student srinivas angelina young enjoy valentina trigger zaqwsx
    lolita athena shotgun coyote bruins veronika dollar country rocky1 joker babydoll lestat wordpass hottie smiley
    potter random sweety butterfly woody chipper snake samurai video gizmo maddie devildog valerie mistress flipper
    freedom1 express powers soso123aljg cessna teacher goldie moose polaris piglet cookies elena montreal hjvfirf ladies
    wolfgang fatboy scully father single wicked daisy fetish foobar castle tickle bunny pepsi balls transam dfvgbh
    31415926 oicu812 impala sunday booty hotstuff ronnie jasmin ryan gambit toshiba basketba lancer birthday texas
    stephani jessica1 hooker knicks 314159 roberto stinger testtest fuckyou2 kathleen savannah shamrock benson squirt
    deftones trucker nick redneck goldberg alfred blaster siemens shelly renegade manson subaru ibanez blondie hamilton
    casey swinger reaper cristina minnie mylove harry galaxy lindsay dudley farmer gloria special blahblah enterpri
    1234abcd travel babylon5 bigone sweetpea sugar smoke skeeter fucked indiana great ficken trfnthbyf master1 freeman
    curtis smitty marino joanne bigfoot escort babes check larisa trumpet tristan spartan babylon asdfghj sister valera
    stormy paladin andreas cavalier marathon hamlet aardvark butterfl bigboobs mister manchester yankees1 rusty napoleon
    seven indigo hornet skater jerome pierre wonder toronto rose indians karate buckeyes 01011990 julie hesoyam fredfred
    charger highland sweetie holland 1qaz2wsx3edc chiefs diamonds buckeye aurora hotsex campbell griffin brandi redman
    passwor chandler drpepper monika maiden elizabeth leonard bernie brown pornstar garden storm autumn 12345678910
    linda thuglife millie jungle pencil tomtom insane pizza timber jesus1 sherlock mariah audrey david1 1a2b3c hamster
    aragorn pioneer techno catdog lollol triumph sidney 141627 321654 fktrctq none sophia morpheus island wetpussy
    hobbit blabla erotic shadow1 aaron pascal sampson consumer justme marion stones chrissy tyler nadine marie goforit
    burger pitbull kelsey adgjmptw spartak german karen kissme hunting kaiser martha colors artist harold bass italia
    sammie barcelona mario nicolas virgin pebbles sundance isabella overlord emerald callie doggy irina racecar isabelle
    germany 1478963 goddess change wesley nipple basket joejoe holly poison zipper alpine shirley element huskers marcel
    eddie danny christy pussys sakura chichi inside ultimate dirty nicola ncc1701e blackie q12345 omega watson rommel
    matthew1 geronimo nikki caserta trojan 123qwe123 philips sergio nugget sammy1 tarzan bassman warren trixie chicks
    aleksandr cream webster help sherry manuel portugal dodger anakin bobbob bomber michel madness superfly q1w2e3r4t5y6
    loser 123asd florence yvonne fatcat global ybrbnf energy desire wrinkle1 soldier bianca sexual warlock martina babe
    951753 11235813 51505150 andrei larry seminole peace alejandr westham concrete access14 harris margaret hector
    christop naked ladybug letmein2 network bernard weed tintin qazxswedc trombone chuck pleasure rhbcnbyf home history
    bluesky sherman logan january onelove cotton christian cdtnkfyf sunny archie holden whore brianna vfvjxrf titans
    stallion lindsey singer truck smile party missy hansolo angelo joanna natalia beagle phillip panama smiles blue22
    juice qawsed inferno moon mongoose connect kingkong snatch flatron sex4me bluemoon turbo rocker personal emily
    blessed snakes dominic joey forget finger beetle jamaica alberto a1234567 mulder fuckyou1 jamie susan immortal head
    passat plastic 123454321 dietcoke spunky suck long anthony1 whiskey monitor giovanni cactus ripper spyder markus
    planet magic1 teen patton exigen sticky waters sluts nolimit daniela hollywoo abigail apple1 morrison katrina trunks
    1234321 andy assass always diana deedee 14789632 clifford april speed japan mission pickles million sailing freak
    holmes bonehead fernando ghbdtnbr 112358 911911 charlott delta yomama darren rubber newman molly1 1123581321 faster
    cumming bertha memphis sylvia open ilovesex maurice william1 hongkong olga jumper unreal geheim rodney nylons
    sebastia pentium legion shalom kennedy 555666 brooks movie dodge dream graham sprite curious pacific loulou funtime
    philly ferret niners orion werewolf milton cantona kingdom stars africa office boeing gilbert abgrtyu pirates
    super123 sheila french sweets cooldude palmer eternity lollipop tottenha green1 stocking monique anything foster
    irish jackoff 7895123 biscuit drizzt camera columbia fossil moomoo makaveli tracey colt45 robinson isabel martini
    salmon shasta jersey verbatim maniac snapper satan666 nasty solomon patriot jacob standard shaved blackcat asdzxc
    punkrock raistlin infantry qwerty12345 4128 dillon gerald twister ricardo waterloo cjkywt clayton crimson serena
    01012010 oxford maxmax denis flight condor seinfeld silvia biggie maxine musicman ravens teddy colleen bruce wolfman
    sharks megadeth cosmos velvet butt keeper foxtrot garrett black1 damien anton sesame skywalke gn56gn56 banshee cats
    squirrel wolverine dogs sunrise rick ghost western grendel sucks roxanne privet legolas frog felix marlin stone
    herbert lvbnhbq qazwsxed carrot blades frosty stardust 121314 helena brownie groovy penny butler coolio twilight
    daytona licker peanuts intrepid pikachu trains mollie vanhalen jericho hershey strider lobster punisher grace bird
    zaq123 bottom ninja 1234567a murray kansas shogun goblin search neptune ball showtime darwin amadeus suzanne
    fuckfuck seven7 jason1 111222333 oldman bruno showme henry getsome muscle obiwan support rfrfirf skittles ekaterina
    gold whitney shark maestro anal danni tanker english tarheel fighter thanks blue123 hannibal capital newlife anubis
    gothic chaos blues cindy sabine thunder1 roman preston princes brendan slick 123456z evelyn python test1 richie
    tequila boss cody devil chelsea1 clover delete mirage blood surfing 1q2w3e4r5t6y bentley portland potato baggins
    review porter chubby panasonic sandiego sooners buffy buck tina derrick penelope blackdog harmony fusion dima mature
    malcolm allen mary buttons 1a2b3c4d californ safety playtime dagger moscow swallow warriors byteme stimpy gangster
    lucas christine turner iverson lester chargers liquid asdf123 mushroom cracker dingdong lucky7 misty nymets 456852
    robin bigguy mobile tazman greg nimrod newpass miami crusader bugger stranger dkflbvbh anastasia marco volume
    masters monroe miguel doodle collins powder archer gotcha battle dublin slapshot guardian 147896325 janice charly
    septembe photos knights woody1 short angelica nookie milano pepsi1 scarlett stuart damian grizzly 123098 123321123
    camille scruffy brasil latino kittycat poopie munchkin lorenzo rammstein 1701 1passwor bananas barcelon santiago
    thegame robert1 hell world gerard picasso viper1 walnut kolobok blackman wisdom trance starcraft parrot quality
    blade pink auburn goodluck eatshit dorothy dusty engine coltrane gorilla wheels katerina tamara postal fuck_inside
    luther ranger1 pass123 carlo cassidy discover oakland andrew1 spanking osiris dumbass shaney14 192837465 lonestar
    ping bridge bingo bender annie stonecol dookie meridian sally megaman heather1 25802580 racerx rjntyjr sirius
    firefly richard1 julia alexandra madrid terry griffey women phoebe zaq1xsw2 weezer beautiful violet ledzep lowrider
    randy gangsta ghjcnj paradox tacobell 123698745 loving catalina vertigo halflife carson sergei shiloh johnjohn
    sobaka buffett aliens sadie chucky bonjour kangaroo jazz josh thompson sinner socrates soccer1 keyboard 0.0.000
    stevie 0007 jeep trebor finish dark luke sprint shazam lady national celica sarah1 scarlet formula1 hoover sommer
    frances hotboy cynthia qwerasdf 12369874 penguins bond formula rebels fuckface elwood melvin honda1 vacation kiss
    ragnarok bollox lexmark asshole1 mailcreated5240 lorraine 258456 claude rockon duck dodgeram tacoma romeo wookie
    prodigy tempest vfhecz flames sebastian colombia bang kitkat oblivion mystery sithlord server molson mustangs
    incubus smoker 123qaz window scoobydo 1122 rescue bigballs zxcv1234 carpet titleist richmond director lawyer megan
    juan magnolia celeste melinda lucy wright jimbob golfing kenny roger bobbie xanadu tardis blueeyes hearts dixie
    pussy69 pooper shaman mersedes 102938 12312312 springer imagine janine patrick1 kenwood 123zxc dogg garbage martinez
    topper cowboys1 roberts lizzie ashton elliott oracle sheena chloe nuttertools mallard 123987 1122334455 analsex
    shemale gateway1 mikey asterix faith monkeys imperial jimbo cooler grateful gillian peterpan kingston yourmom sleepy
    gremlin printer hudson pa55word stud freckles birdman frank1 aussie esther defiant margarita 445566 deadhead polo
    anime tatyana jackal frogger bridget wayne research tobias mariners rootbeer blondes donnie katrin weather aspirine
    frederic parola photo children account israel stephanie shaolin noodles celine willy willis forgot scooter1 hallo
    mandy thomas1 11112222 rogers palace santos ohyeah magnus laurie creampie amazon kisses queen ludwig fatass plymouth
    justdoit assfuck nellie 1234567q 12121 987456 6751520 putter broken nopass letsgo bryan bones harley1 tatiana camel
    champs lightnin massive camelot bosco deanna gizmodo spidey caliente aezakmi 456654 goodtime mypass roller catherin
    active pooh payton lonely redalert brucelee smokin porkchop astros aquarius raiders1 thankyou kevin1 atomic fletcher
    shopping a1s2d3f4 mason rusty1 marian vanilla hunter1 unknown sapphire temple qwert123 marvel beckham qazwsxedcrfv
    kaktus 753159 myself sooner blacky elvis1 hastings buster1 power1 blackjac aggies scream picture 123321q abc12
    judith iforgot kasper cxfcnmt bangkok 01012001 shitty spectrum eduard vader jammer painter primus veritas ernest
    kristi chevrole amber1 amsterdam slappy valley 1221 horny1 pete hitler clancy spankme granny avenger satan sasha1
    usa123 diamond1 rosemary husker candyman beatrice scrappy john316 simba falcons dylan front242 harder atlantic
    labrador 123456qwerty smudge syracuse southern melody timmy elijah center darling throat stuff fatman krishna
    sanchez pancho gator pacman commando delta1 vulcan bush clitoris lemons alice 8j4ye3uz boner keith odessa barkley
    monopoly method kelley sara punkin pineappl celtics lesbians 223344 space gangbang bennett area51 lick flyboy
    hamburg aaa111 asian carol spartans tricky romashka 123456aa snuggles phoenix1 boat infiniti anders billie life
    homer1 drago blake hermes jesse goose jeremiah vivian annette homerun dead forrest carolyn 1234567890q topcat hayden
    cosworth vectra grover goodbye charlotte cuddles bossman horndog doberman gary telefon dawg qawsedrf ivanov durango
    peugeot killer1 franco kyle plumber bell rbhbkk pauline exigent brandon1 laguna emmanuel webmaster bowler leopard
    strong theking redbull alan pics beast viktoria porsche9 breeze topdog starbuck omega1 dance dalton fuckers oscar1
    hungry beefcake reality gjkbyf speaker shelley godsmack clarence writer loveit kingpin nokia valhalla night starfish
    anarchy herbie blacks content 906090 sailboat desert fitness brando bohica achilles tractor jordan1 ncc1701a drake
    bull hidden kicker arsenal1 labtec napass bart pa55w0rd amelia tuesday frontier swingers jimmy1 caitlin muppet
    terror legacy farside terminator bella matilda kentucky jackson1 doughboy ramona butthole phillies jrcfyf 789654
    camels dannyboy oakley daniel1 nebraska latin double qwertyuio sabbath chang pinkfloy homers striker looker fallen
    maryland luckydog azamat september iguana oklahoma moloko qwerty123456 agent007 vfrcbvrf javier vette daniil command
    rhonda studio pistol miles skiing franky stoner conrad select tanya houses boris puppy elliot charmed vladik
    nathalie whocares 666777 maynard vkontakte ihateyou puppies zidane eileen dilligaf crash mandingo moneys tyrone
    funny nevada kotenok mystic california 123457 budman church carlton rafael technics bone stick golfball rookie panda
    laptop today 01011991 jennie triton river trojans bunghole zvezda 132435 15426378 hurrican central stripper dale
    filter jethro snow gustav ivan escape gizmo1 hawk igor aberdeen shane lespaul rfnthbyf enterprise butch dthjybrf
    963852 1366613 cutter splash handsome oilers randall cash nofear cupcake excalibu batman1 momoney gbpltw bigger
    belinda svetik possum metal moocow brothers bethany keystone babyboy flamingo super1 firefox bogdan ccbill passwort
    soleil lancelot melissa1 vipers marilyn tdutybq juliet leader madden russian australia sabina chase coolman babies
    skinny zaphod raven1 kamikaze verona bacon noodle rebel doobie designer deadman attack vortex killme dogman pokemon1
    gopher somethin danila 12332 reagan apollo13 chevy1 cancel torres 000007 freaks azsxdc sassy donna dracula play
    poncho bearbear boots engage steve1 deskjet bradford bitch1 hammers deeznuts warhammer rangers1 tight justine ralph
    fabian lewis casey1 summer1 blueblue marissa oregon bubbas sinatra hilton meatball mailman dawson columbus manchest
    cthulhu macdaddy mighty michaela grandma ready sterlin cartoon summit 123456789z sentinel tolkien bicycle peter1
    blow beverly breast lickit kathy crazy1 meghan universe capone jenna julius wendy bryant truelove helen 123456k
    nancy eatpussy hailey kitty1 daisy1 chair 362436 bowser kathryn sexygirl fernand eleven rockets billyboy military
    demon davis jamesbon iloveyo texas1 traffic saint daddy1 redhot microsof sonic miracle microlab gofish pantyhos
    pilot lifetime rugby mayday aikido nina star69 01011985 conner cutlass tree thekid gordon24 theodore titties sweden
    function polska danie gang 73501505 market scotch lansing elvira bloody sexx hustler anfield coke smut catman rush
    bonita tracy sony fast 1234qwe 1225 passwor1 irish1 cheers tinman airbus peters china azsxdcfv santana hayley
    station gabrie scottie orioles jenny1 01011970 charlton saun fortuna dfkthbz rustam warlord retard fatima ultima
    kong bigmoney 4runner rotten betty grumpy oranges kelly1 superstar fordf150 asdfjkl boxing xtreme denali selena
    zxcasd huskies 128500 terminal wilbur kristy wildfire vladislav bikini thor hollywood mayhem sultan gretchen figaro
    sixers sparta saratoga 321654987 running 01011981 cloud9 music1 models mojo greenbay cancun marlene trinidad tammy
    chewie hope number1 billy1 feet crunch bigbird mellon chicken1 bigtime fashion piccolo fabie 789123 rjirfrgbde
    rovers meatloaf hyperion sandro rightnow jarhead armani treasure miriam hansen natural 01011986 lisalisa sport
    bizkit chester1 jasmine1 maradona 1066 sayang charli rfhbyf utopia anaconda japanese camilla coconut govols emerson
    memory catherine jedi cosmo cruise giant ricky dragoon woofwoof giorgi packer pass1234 poontang emily1 illini
    christopher davids zaqxsw sandy1 pedro sticks revenge exodus reebok chanel albatros cabbage goku wally beaner quincy
    greens tomato toby chief richards turkey50 adriana kenworth happy123 deborah down cooter dinosaur holyshit eeyore
    movies dana lionking creamy adult poodle tsunami happyday 321123 knopka tommy1 bogart corrado volley tyler1 chickens
    orgasm whisper flying first chocolate walleye hopper katie1 sean twisted chaser pepper1 memorex ericsson 1001 100000
    jensen positive crazybab science frisco dong jose zorro romance sherwood shania rereirf sausage milana tasha vfvekz
    profit zenith fugazi junebug clemson polniypizdec0211 tootsie fktrcfylhf comics zxcasdqwe vfczyz 150781 werner
    aspire hardrock condom cocks rachael gringo anhyeuem madeline rich becky canon february alien abc12345 harper
    justin1 stocks marcos samsung1 clapton roberta coleman applepie skywalker fubar theresa koshka tundra vitalik arjay
    gmoney bigsexy ingrid pillow gandalf1 lucky13 fingers samiam dean davidson skorpion candle nobody hellyeah better
    australi drew rockhard boob easy bears sparkle johanna everest rfrnec hedgehog 13243546 wolfie surf bobby1 fart
    yosemite marisa voyeur baddog brad jazzman dicks tool temp cheetah 1qa2ws3ed slacker steele mikemike wood pooppoop
    america1 barsik valeria deniska br0d3r fright karolina kirsten vfksirf kume kenshin bootie cyclone starship monty
    balloon maxell dildo rupert 0.0.0.000 milena bonsai lion salvador greatone vernon 50cent slider lillian admiral
    cecilia stolen albion boys midget fuckin freeporn nikola amanda1 hithere football1 222333 78945612 damnit dinamo
    francois cheng calico duchess scratch powell packers1 stefano fortune nyjets artemis robotech roadkill backdoor
    rastaman fiesta felicia alliance fletch jerkoff killbill goliath cinnamon rambler malaka tekken sojdlg123aljg 321456
    18436572 963852741 carrera bangbang jeanette marc fritz ramses operator shado duster spank wibble alibaba mechanic
    keywest sword amsterda hal9000 bristol pingpong rasputin marianne hooter tara rctybz sanders faggot krista presto
    majestic 332211 nguyen fowler passwords buttman snake1 spurs carl pompey trident viagra qwert1 brian1 kipper
    kingfish zxcvbnm1 gotohell angie guest garage heidi mattie slutty isaiah steeler wrestlin pooter divine emma route66
    clipper charley macross railroad lineage2 oleg 420247 seamus swimmer ne1469 jokers thursday chico a123456789 solnce
    erik kimber guiness pussie mathew nature matador sparks typhoon hank secret1 retired subway slave ivanova ghetto
    florian love69 vermont tang ktyjxrf lolipop moose1 spears yzerman peterson magick phillips cinder nwo4life flash1
    shearer pupsik charles1 dfkthf allsop 162534 456321 000001 city qwer123 grapes 123123q pippen belle chad venus
    kcj9wx5n sex123 dammit barry caveman critter underdog r2d2c3po skydive renault onlyme george1 murder snoopdog
    jayhawk hotshot caramel broadway kinky theboss fuckher train trout ding umbrella feather credit splinter depeche
    seeker fuckthis respect crysis direct animals chemical cyclops 1000 122333 135246 789987 123789456 chivas jamesbond
    blackhaw passpass sinclair team megapass beanie translator helloo magicman cunts phil fishes supersta giuseppe
    caligula kill shannon1 juggalo frozen quattro usmc meredith java wassup rosie bullseye saturday pornos cohiba
    ashley1 floppy alucard deacon heart tabitha kristine nicole1 tunafish great1 gfhjkm123 dallas1 xbox360 dkflbckfd
    kickass p0015123 10203 200000 7753191 12131415 vietnam kendall pearl safari gonzo crawford bob123 klingon jacob1
    rain looser goalie damage maureen west dawn tazmania cigars facial cobra1 deepthroat malina silence samara dfktynbyf
    fang cruiser vector tommyboy jean banker horizon chainsaw button bigbear forfun abraham 123456r astrid carole andres
    sharky enter1 vh5150 royals christina small misfit work yousuck louis fallout marino13 scania maxx nudist getmoney
    budweise qazwsx12 song believe brighton absolut kungfu kostya monaco death1 gunners vfhufhbnf mamapapa 1230 minime
    blueboy penthous chrisbln steph whitey europa jade bertie daphne groucho champ benny grant mirror village trader
    stroke walrus susanne number sabres nipper woman floyd snowboar undertaker flounder moneyman patty bottle love123
    kahuna canadian wolf359 viewsonic coolguy rules downtown wagner strange fabric trisha italian ybrjkfq cypress
    01011989 qwerty1234 eastside sneakers passme topher taylor1 golfgolf barber sinbad frodo panasoni craig alfa mybaby
    skidoo chicago1 massimo back jillian cat123 q123456 sparrow senior dalejr thecat fucku2 snapple mondeo leanne emmitt
    thanatos z1x2c3 ghjcnjnfr maximum smegma thesims whitesox chong 778899 2128506 bonkers poseidon musica doug johannes
    gargoyle 0420 olivier hambone bluedog intruder sunnyday cyber compute kids smelly spawn wapbbs answer studly poppy
    paper ferrari1 simona solution madison1 newcastl adonis goodman sexxxx europe goldstar again quantum buckshot static
    turbo1 dollars 01011988 titanium holly1 erica danzig sadie1 jabroni library journey beastie chrono dang 1024 555777
    edwards jane test1234 gunnar federico korn custom lance 1qwerty assholes daewoo jess briana watcher superman1 albina
    sunflowe dorian babyblue premier staples nike stereo westwood apple123 mouse1 usnavy boomboom fresh florida1 sasuke
    dharma pisces motherlode multiplelo hang bike sapper scanner marius zeus racer callaway user bayern rover lamont
    rivers snoop over walmart micheal starfire theend steel tigger1 erotica aaliyah doogie renee paintbal winston1
    sexy69 paint 123qwerty tyson joshua1 newbie knickers lokomotiv 112211 192837 hotred ufkbyf panther1 dodge1 laurel
    shawn 12345z wasser scott1 jessic thirteen rjycnfynby avalanch outkast truman magpie scout philippe poetry martin1
    havefun michell cubbies losers hotpussy deejay fghtkm droopy blossom 333666 777888 allmine 01011984 zerocool janet
    tomorrow godfather abby greece second reading greene sascha busted ming bimmer original cbr600 ocean anne builder
    demons nitram pudding bounce donuts 01011987 fucku newyork1 jeanne idontknow audia4 aleksey vfvfgfgf leonid smokes
    mylife beerbeer sims redfish harry1 working rodman beaches 1x2zkg8w hairy contact start luis bogey prissy 123456s
    gegcbr tights insert carla dante beretta francesc jewels searay padres celeron mittens quartz ziggy diehard micron
    syncmaster cornell christie stunner hockey1 simon1 rtyuehe hoosier zxasqw12 peyton cheese1 orange1 paintball bing
    4121 monalisa queens terrapin a1s2d3 spongebob buzz attitude backup whisky clevelan ling cedric marin barefoot artur
    chuckles barrett meathead bigass ou8122 titty spike1 gretzky 02071986 kosmos cfitymrf biggles cambiami sexy1
    12345678q 03082006 thongs blessing what aleksandra ginger1 twinkle gladiator gollum southpark rabota mazafaka 336699
    goodboy carbon scuba tango stoney brent weaver will volvo footbal pianoman gaston casanova traveler clark stumpy
    hawkeyes clarinet looney mommy maggot felipe bucket sex eduardo freeze sound sexyman johnboy dian snapon deeznutz
    warthog vegas rooney honey1 futbol filthy steam carina 1012 90210 10203040 123aaa mustard boricua meowmeow maste
    mellow love1 abc1234 sunshin bengals combat goofy whatsup sauron krystal alina lover1 monster1 prophet joker1 loco
    lovesex twins triangle booker reefer nickel venice xander strip valencia 01011910 lord rhiannon crystal1 smeghead
    valeri andromeda 12qwas 12345679 diver cerberus james007 sputnik groove lambert usarmy more tiberius zigzag sting
    abcd123 bean welder radio petra focus gabriell candice salamander eternal silver1 bunny1 motley resident hayabusa
    marcia rambo together rainman poochie purdue redwood ripple buzzard wang redwing boobie juliette monke hokies phish
    1q2w3e4r5 crjhgbjy jagger nokia6300 rockford shou tuan goldwing 1007 10101 brewster bermuda zero thegreat proxy
    confused badgirl lola bacardi sweet1 derek whiskers spaceman starman rebecca1 trial karma claudio 12qw34er allstar
    carolin gesperrt lynn swords rasta wildman nikolay kang slinky wrestling jamie1 mohammed pinhead hacked logan1
    sersolution penny1 overkill rhfcjnrf mishka montgom240 123451 banane bulldog1 person public fester something
    12345qwe lions helmet buffy1 ripken frisky changed games higgins trapper piper windsor supreme ib6ub9 kaylee athens
    norway runescape oasis jill hurley lightning dbrnjh shun chun 11223 235689 784512 14725836 19411945 edward1 darius
    chip hill midway kool hoosiers vinnie recovery cicero napster lionel amazing tracker laser 01011992 adrienne
    roadking menace secure stoned br549 thedog sacred squash nice smoking pony feng illusion 01091989 woohoo rachel1
    medicine antoine leavemealone bagira megatron 787898 5551212 orchid reader comet clown zippy company doghouse stacy
    wild army maxim 12345678a paula bravo buddah jaybird chuckie look maria1 morning dino peach todd hanna chuang
    mortgage idiot heineken saleen rulezzz fishing1 massage sonics moonlight butts motherfucker 02071982 pobeda benfica
    poker kashmir realmadrid balloons optimus chunky gsxr750 tinkerbell chou shai 135792468 common starter brewer
    babyface pants gregor dogfood hardcock deluxe bigmike 01011975 blackbir bookworm hampton jeffery salomon godfathe
    meister angus intel seahawks eagles1 talisman blackjack eraser collin pissing hawaiian zhong mian 1005 7779311
    michae berger alphabet tricia beautifu misha maryann 123456654321 adams jenn riley xxx123 really sally1 mortimer
    tongue gator1 century sancho remote darkman buddie roadrunn pizzas lexus password2 medusa health stalin toledo
    cubswin dutch lilly beowulf charlene willia christmas pool handyman f**k pacers unique eleanor digital1 missy1
    clouds tiffany1 cgfhnfr breasts chinook just4me nuts 01011993 wedding calgary dutchess gfhjkm1 heckfy max123 ludmila
    gong 12301230 nova shell lori site because cheater famous delphi cathy wareagle martine gromit sponge ashlee
    valkyrie yoda glory teddy1 passwd idontkno smiths mohamed teddybea killers boxster five dragonball beast1 babybaby
    mermaid qazwsx1 satana dolphin1 bhbirf foryou misty1 nasty1 qazzaq hong puddin chao shang zhei quan inuyasha 1213
    stanford peacock assword misery desiree barnes sullivan beamer diggler medical 1pussy wishbone circle property
    ripley thedude cloud fisting austin1 alexia beemer jayden gameover sparky1 redline venera linda1 salsero fuckoff1
    adam12 lust fytxrf sergi kittykat spanish sinister india vedder gonavy manowar 02021987 novell lang colonel rancid
    diao 147369 dragon12 chrome friendly aa123456 destroy titten electra polly geoffrey newpass6 bella1 eureka onetime
    phone katherine otto lakota claymore hotbox asia banner madina 02011985 manuela bitchass ruby sporting bartman
    matthews checkers playing 01011977 02041986 carmel gabriela dfcbkbq nimbus wrestle bulls 02081988 jktymrf alexalex
    preacher gamecube 02051986 mustafa svoboda 123321a circus armagedon alenka playstation z1x2c3v4 leng qing cong zheng
    02091987 1369 12011987 magical park claudi marine1 rhtdtlrj pablo thumbs camper doitnow goaway subzero charity
    hootie face pissoff jammin beth blackout crow darrell cocaine bcfields skylar rolling loaded milkman lotus davide
    bigbutt electron johann devil666 12345t cheeks skate silverad lighter 02021988 hassan 02031986 pothead oliver1
    gobucks 123456qw squall thunderb 02101985 courage pippin ghostrider antoni kaitlyn neng peng miao teng xuan xiao
    1017 1020 1492 654123 794613 reynolds cannabis xerxes ipswich ninjas mango farley lucille pinky jimmie nude dieter
    annika mitch southpar marika jackson5 dickie jetski finance tdutybz dianne forward jenkins bright absolute morgan1
    bilbo musashi ferris iamgod lipstick 1234567890a laurence 02061985 02011987 mandarin baseball1 quest tottenham
    adults yfnfkmz kleopatra tulips nong piao ruan zhuang chai dirtbike 111333 369963 1236987 1357924680 sheba pickup
    dwayne othello mari katherin forum sonny 12qw12 rider a11111 warner northern cinema cameltoe petrov bluefish fuzzy
    pheonix iscool secrets 02021986 elite toon modena bert marsha slippery kissing caravan divorce tank beatle jump
    akira sanfran 01011983 1qaz2ws cheech 000111 badman 02091986 samtron paloma yang dolores sveta qweasd123 shadows
    mollydog annabell starcraf ghblehjr vasilisa jameson chuai deng qiao zhou zhun jiang luan sang ying scorpio1 beans
    slim illinois warning ebony meat jockey deadpool hillary bearcat caprice farscape evan bigtit lassie zappa sander
    nicol sunflower hopeless sheriff carpedie bank love12 asdfzxcv sherri march bingo1 slave1 barton shepherd 02021984
    gatorade keegan high cameron1 guitar1 toolman barker spectre pussey nuggets borussia mantis 01011982 banzai ariana
    flexible chloe1 mullet graphics fyutkbyf 123qq123 mancity templar stories yfcntymrf 02081984 02081987 fergie records
    thedoors 7ugd5hip2j gawker pussyman skyler elizaveta colton huai seng xiang zhuai guai 02061986 solo moritz monte
    lemon strength talon rhino cowboy1 susana sonoma three mack spinner allan keller webmaste aaron1 grease augustus
    raquel alejandro chimera rufus stretch ticket bacchus kendra twenty corsair kinder argentina corleone zhai spice
    mickey1 vampires domain iomega heater 02031984 02021985 hover alex123 ltybcrf artemka xxxpass qiong ting hippie jing
    reng tian tong 2580 123455 21031988 987456321 poland deutsch babylove becker speedo brett oceans slapper letter
    harvard bonjovi mazda virtual cosmic leon snuffy blaze sergeant maggie1 dragonba spurs1 stonecold hellos jacques
    register buttercu 01020304 huang 01011999 millions millwall patience chrysler merlot bullfrog latinas a12345678
    02011986 xyz123 istanbul phoeni ashleigh 02081989 kotaku universal noelle binladen artem shanghai porsche1 castro
    gabriel1 ceng chuo jiong xiong shei meng hans wraith pierce jayhawks kilroy amateurs dotcom cattle daemon ntktajy
    barbados renata thoma balance mikey1 chan nomore pdtplf canyon kayla jackpot mets orion1 pulsar baron marker chippy
    nightmare monarch hamish aubrey reds knockers dipshit alexey malone athlon hubert chevrolet eddie1 vadim everett
    napoli myname belly cobalt counter dialog house1 augusta smokie cristian coolness cougars screen 02041984 criminal
    hardware ramones bobdylan ning capslock 02061989 rong zaraza ciccio teddybear alisha gfhjkmgfhjkm chui liang pian
    niao 1123 120676 147963 gadget shiner laurent fulham missouri carlitos dwight helene halifax dogshit entropy
    coldbeer silent lost silly netscape boom edgar dog123 golfer1 county deep freeway syzygy andromed game media wings
    brigitte danny1 yeahbaby diego yolanda eldorado hollow crack eastwood monkey12 gunther paranoid anita sexyboy
    rainbow6 soulmate gooner drunk persik lesley geneva 9293709b13 microphone kakashka 02021983 50spanks 111111a
    fgtkmcby mclaren spread geng shuo zhui duan nuan qiang weng shuang 159632 9562876 1234567891 bamboo brittney
    fastball creature cards just4fun matteo fuckyo hack smashing foot washington arlene baggio carlito jones1 hopeful
    astro hondas snooker sophi redbird bigblue annie1 dynasty mephisto temp123 trainer rebel1 iceberg shitface fountain
    specialk estrella some 02031987 generic buddyboy stevens 02041983 arcadia 02051983 manning nikitos piramida 02021989
    violetta bailey1 piano spencer1 salasana q2w3e4r5 maxxxx zang shutup thing suan heritage liao 1022 1223 15975
    11221122 browning homerj tiburon obelix kris chopin 02041982 insomnia hooper promise cygnus theater romero jelly
    plasma kissmyass here ninja1 submit spider1 budapest jayson sexysexy jorda citizen sahara pinkfloyd card stroker
    pavlov playboy1 pasword amigo heynow arturo fight ventura sandwich fraser yummy homeboy royal testpass gamecock milo
    maxwell1 magician female wildcard sassy1 magazine telephon bigfish tripod kuai lazarus cleo licking dundee 1234asdf
    02081986 1a2s3d4f brodie misfits slavik rochelle sleeper seeking pringles butcher patric iverson3 nanook 02041987
    02041988 vsjasnel12 darklord loveless bruno1 radiohea 02011988 cang shao sheng guang shuai xing 1011 2469 12365
    karin hughes giorgio maxime sphinx reckless triple baldwin taxman orient desmond married zhjckfd mordor hunt romano
    jiggaman ramsey officer lovebug sam123 tiger123 classics hooligan pluto georg bolton scrabble jezebel major 010180
    jellybea mason1 shock drakon seadoo mexican hawaii50 pharmacy door lena abnormal patrice concorde alfredo 01011979
    02081985 cdtnbr qazwsxedc123 puffy islander 02101984 chantal jakejake 02011980 yjdsqgfhjkm bunnies bushido kazantip
    strawberry verizon maksimka dupont crusher jiao zong zhang pang 1211 1224 123465 655321 ghost1 premium wg8e3wjf
    corey 426hemi goat diane channel project hole cthtuf arrow meagan tootie bounty blue12 02021982 porno1 kfhbcf kirsty
    howdy ramrod sweetnes master12 bird33 bummer corolla andersen blond race darryl senator ferguson donovan 123456qwe
    thelma dynamite gertrude doomsday rhjrjlbk hjccbz players mariposa killer12 ozzy mazda626 excalibur marcello
    buttfuck moore samsun masamune zhao niang zhuo 02071984 998877 12365478 darlene bessie brains north attila clowns
    chestnut woofer model 1qa2ws moses someone lindros tiny dottie civic july a1a2a3 merlin1 anthrax lilian imation
    beacon tripper snoopy1 vsegda tiger2 ursula fullmoon spiker sporty force pornporn citadel jacobs michael2 volcom
    dynamo amerika 02031985 bombers hannah1 burrito andrea1 inspiron forsaken spock mallory lantern nextel goirish
    snowboard haggis callum violin lollypop insanity placebo creation glacier 02061988 stepan zander dabears water1
    katarina iloveme sexxxy moonbeam webber gonzalez henry1 tiao tigger2 4417 7007 69696 147741 258852 dogger pecker
    stiffy senators create june wingman pumpkins felix1 windsurf ernie mick watch green123 jarvis zephyr fishman dell
    reddevil wanted sheridan larry1 nichole bronze concord rjhjktdf kellie baker zalupa killkill avenue asddsa bunker
    wrench paddle schalke cobain shanna poopy broker mouth woodland yvette suicide vanguard aviation exotic heat
    stanislav 02081982 superb q1q2q3 fergus mihail vfibyf 02051982 yankees2 mobydick icu812 sausages tuning francesco
    ganesh anastasiya nevermind presiden faithful kerstin vfitymrf varvara happiness 1z2x3c robotics zuan nang shui
    225588 369258 normal deer bigcat store 02011984 karen1 tech temppass laura1 onetwo postman weird uranus highheel
    aloha cigar puss stylus gobears duckie stratus thong tigers1 jimbo1 mandy1 pippo conover soprano jingle firewall
    polopolo dolly pepito piazza radical alone mail boxer 02031982 reload evolution julie1 grande drummer1 tipper
    fuckme1 02061980 battery dogcat bubba69 drive kirby candace digimon bombay mariana sowhat pussy123 pumpkin1 lips
    download fandango kamila popper dusty1 gore beng rang bian cuan smokey1 1112 369852 1000000 1234560 lenny qwerty11
    mypassword louie earnhard dancing simmons airport snappy angelika fishin boxers icehouse qqqqq1 cramps basset dogboy
    hall abstr softail titan santa killjoy fischer electro mygirl delilah misfit99 nutmeg 111qqq christma kittens krusty
    script zaqxswcde bigboss falcon1 flores guyver coach fender1 praise prowler harvest latina asdf12 clit moreno erin
    02061987 02091983 01081989 spikes zxcvbnm123 jubilee shan choice yugioh toaster pineapple harrypotter gorgeous
    namaste carnage yong zeng redsox1 biao heng keng kuang 1013 1023 12051988 alissa nigga dayton chriss niceguy magelan
    qwert12345 almond club bumper partner vikings1 123qw marty spongebo erika judy ghosts broncos1 hookup bigben hammer1
    wifey cindy1 carmex2 enrico starstar gilles chillin superma radiohead havana lumber pistons viktoriya gameboy robot
    santafe holidays jennife mckenzie reddwarf dodgers1 cascade kidrock pinball isaac banger 05051987 02071987 02101989
    02041985 arrows cookie1 london1 platypus password12 foxy 02071980 1z2x3c4v abrakadabra doofus passes shanti barron
    marianna longbow services 02101987 heroes living mankind stasik jets beardog longjohn 123000 134679852 glenn
    01011900 nikki1 alessandro garion live juanita honolulu nygiants slick1 busty install niceass string boozer mars
    astra junior1 abbott puffin dogbert queenie mother1 miller1 muscles highway visa 02091984 cottage compton steffi
    romans beerman megan1 windmill guitars earth freebird slamdunk snowflak tasty delight nights biology joseph1 emilia
    bronson frost irishman badgers state 02091981 bergkamp pixies training warrior1 playstat milk oatmeal mudvayne
    airwolf season lottie dudedude jackjack johndeer zildjian magnet vjcrdf 02061983 02041981 hammond ramirez 02091980
    mang aptiva anai qwer12 gidget 1121 78945 153624 333777 22041987 stop kjkszpj manolo jerry1 bruiser chilly medion
    josephin giraffe jared paulina fishbone edison caught gasman genesis1 pocket moondog charter camila impact tbone
    bigblock rudy towers krypton hallie jefferso pelican altima clippers getout compass kimmie chambers winners paulie
    spoon sucking albany toffee theatre never pavel 111111q climber marlon micro thisisit armand ultra aladin monkeybo
    comfort 123456l epsilon idunno death666 stress hounddog pallmall 02051988 angel123 02041979 kate webhompas monsters
    picturs 02051987 sairam 02081977 05051985 02071988 easter cobras ballin comanche landon severin 15051981 26061987
    whiteout roadster basebal stone55 drifter easton werder norwich stubby stefanie clay gene mike123 ellie versace food
    visual heinrich record white1 bowwow ellen undertak demo hookem anastasi fiction medic colnago storm1 booster
    festival zzzxxx coolcool qwe123qwe sinned foreve squeeze 02031981 mazdarx7 anthon diving shocker hewlett cross
    sutton choochoo 08031986 02051989 milan defense 123456789s iloveyou2 fidelio welcom 123456m word lithium 02051984
    02061984 kisskiss cbr900rr british franc kings mama123 lovelife hellboy chipmunk good123654 saiyan chase1 bluebell
    federal trust format kjrjvjnbd ctrhtn 1234qw hollie celeb fuckinside 1215 111000 987123 10011986 11051987 13041988
    21031987 kirk washingt tkbpfdtnf sensei smirnoff mydick spam macbeth cabron guess pipeline mike1 clyde dalshe
    james123 zebra mortal fishhead gustavo vintage 06061986 pigeon carver winner1 gypsy konstantin beta freefree sheba1
    summer99 newcastle krasotka 01031988 komodo 02091985 juicy punk starligh flyfish wireless carman 81fukkc manila
    nathan1 olesya salome lowell torpedo switch motion sharp toejam julien puppet buceta scoobydoo 02021979 super12
    koroleva lineage michaels redrose close yogibear redbaron codered testing1 frogman 02021981 tatarin azazel moskva
    kitchen freesex nascar24 president 7894561230 news mykids bitter highbury zachary1 tranny redfox 02061982 1002
    135791 username achtung johnny1 spotty survivor program prayer transit sanity seagull flanker cocker qwerty7
    wanderer soccer12 fuckhead zodiac isabell costello virgil nutter rockies irinka washburn catwoman upyours kelvin
    lemonade chilli bearcats chef itsme gravity chevys solitude sunny1 cocksuck minerva boomer1 deeper 01011978 02011989
    ohshit vera cricket1 sugar1 rober slowhand tommie ross jsbach lorena dinara paradigm smoke1 lilith nostromo borabora
    arkansas chiara savanna presley bologna terminat habibi contest sushi markiz sigma rainbow1 bdsm blam fantasia
    stephen1 mildred 02041989 grandpa underground johnson1 peaches1 cnfybckfd ghbywtccf 02101986 bigbob 11081989
    12021988 13041987 14061991 20061988 21011989 22021989 24061986 30051985 74108520 joel slater comedy marti grand
    georgie wildbill smart kent larissa gilligan blast hornets brain berkeley pool6123 birgit maggi armstron 3000gt
    01061990 corndog hilary troy 123qwer lane piggy destin tropical sundevil shinobi horace gagging hurricane volkswag
    wasabi 01011960 nurses bmw325 02021976 zanzibar reilly mustang6 trouble1 angelus chinese sissy sunfire tonight sonia
    sneaky report 02071981 coventry jeremy1 gtnhjdbx 03041991 sekret 45m2do5bs undead qazws madcat hotone eastern 123ewq
    daniele nirvana1 lasvega amorcit wasted sidekick pizza1 02031979 yfnfkb revolver jackass1 cleopatr nfytxrf jermaine
    gbhfvblf kalina 02081983 marines1 1031 1102 1125 1235 172839 420000 635241 18011987 23041987 cisco everlast hopkins
    nitro vader1 south nation tinkerbe lamer boating glass bluesman weston leroy customer physics 12qw12qw paolo dakota1
    quentin messiah hitachi marjorie krissy shawna conan woodie troll groups penguin1 spikey fatty villa denmark stephan
    birddog cyborg keenan tokiohotel straight nautilus kieran slayer1 rubble highlander redeye justus firefire from
    02071983 schmidt longdong boiler margie heidi1 suckers waffle khan sonata lopez there skyhawk joebob armada simba1
    blues1 07071987 reflex threesom asdqwe123 02021973 01121986 americ goten loud ghjcnjgfhjkm 02011981 01071986
    02091989 02071989 nokia6233 ghbdtn123 asdfgh01 sisters valentine yuan monty1 cole 1812 10031988 10071987 12121990
    13031987 14111986 19061987 19101987 24011985 25081988 28041987 123456123 bighead matthias changes descent mazda6
    fenway taco eggman aaaaa1 jonny buddy123 private1 dogface bowman irishka shibby antonia astral nudes teenage enterme
    thecrow andyod22 score complete rivera belmont tigge junkie fredrick daniels vickie candy1 bennie skinner razor
    umpire blanco fearless citroen rollins sluggo torino antelope marseille aramis emilie compaq1 gryphon malachi
    pantera1 viewsoni ethan yeah marble 02081980 reptile 02021990 chandra kille dindom 01091987 evangelion handball
    nancy1 barselona draven zxcasdqwe123 sandrine fuck1 sprinter fyfnjkbq 01041985 02101988 stinker palmtree
    sonyericsson hotties rampage seabee chick 1776 987321 10011990 10051987 10101986 11061985 12121985 13061986 14021985
    17051988 20111986 22011988 25800852 28021992 gordo bigpimp question soccer10 boytoy quasar carpente spartan1 amand
    luca pasadena biatch benoit glock coldplay expert audi mario1 castor deadly fairlane joe123 elcamino callisto
    glamour datsun studman hanson mentor tomahawk shamus gladiato diaper keisha stupid1 styles squeak cayman runaway
    dentist navy skip fantomas thewho zippo castillo luck arianna honeybee papito yamahar1 holycow 02031989 ukraine
    doors wildwood yellow1 skibum gambler helper 09051945 best brown1 malice david123 karachi jewel excite toilet
    corinne morton johngalt sweetness options loretta mcdonald sf49ers palermo buffalo1 playa lambda 02031980 01121988
    gideon matthe 02101981 medved cheshire superior 08121986 ministry trinitro pebble casper1 bismillah roses elefant
    player1 capricorn harlem 04041991 nikolai vendetta bobdole 03041986 wizard1 02101983 manfred pinky1 biker margarit
    bigpoppa success1 ijrjkfl voyager1 asimov bruce1 winter1 iloveyou1 01011995 dominik 1210 24680 100500 196969 415263
    11051990 16051987 16051989 17061988 20031987 20091991 21031990 22021986 25031987 25121987 27061988 28011987 28021990
    29011985 29051989 29071983 30041986 paris1 limited vitamin calibra zarina perry iforget 04041988 glasgow shrimp
    antares hola antonina jamess hetfield warez bigones cutiepie chapman bolitas dimas nonenone bestbuy papillon
    baritone knock eight stream sleep stephane freefall vjqgfhjkm show 0000007 priest jules mischief rogue hate foxylady
    flip ernesto dominion vienna macman enforcer devo 3x7pxr parol tophat megane dungeon leedsutd f00tball mingus
    skillet robins twiggy bitchy giggles remingto alberta ducks rfvfcenhf book 02011983 otis derparol 02051980 quebec
    emperor buste 05051989 synergy 08051990 02041980 shakira older asdqwe 01041988 01061986 mamamia cleopatra rosario
    finland modern carnival 01011994 dmitriy coolcat purple1 ghjuhfvvf knuckles mahler kayleigh klaste 1003 1025 1204
    4200 224466 1234123 11121986 12031985 12031987 13121985 15011987 15051990 15101986 18061990 18091985 20051988
    20091988 21051991 21101986 22071986 30031988 31011987 notused bigdawg grinch chips letmei slugger 02071978 mental
    harddick brand bozo paco kojak tabasco chelse spud rico keepout kokomo firefigh addison barney1 blowfish 1dragon
    hugo samira sexylady sevens 08031985 stacie rusty2 dimples post tuna alexandre whiteboy roger1 films cromwell
    magneto kernel carroll minemine dontknow 02011982 acmilan wp2003wp sanford referee lakeside polish 123456ru
    noname123 screamer calimero portal kfgjxrf conway rockie 02101979 02051985 dfktynby francisc swinging 02041974
    cygnusx1 trucking 08081988 obsidian sales auditt money123 02031988 oxygen roswell tower 01031989 01011974 papers
    popova 03031986 giovanna sasha_007 thecure 02051978 bigbang lfybbk pizdec 12345qw 02071979 zoloto marijuana 02031977
    02051976 kimball jaguars kordell1 kerouac 142857 258369 999666 10101990 13021990 14021986 15021985 16121987 17011987
    21051988 22031984 22041988 23021986 24111989 25041988 25091987 26031988 27081990 30041987 07091990 stryker ksusha
    entry roma maple choke cassandr moonligh fenris 12345s duffman fuck123 john123 dirty1 blueball bigbooty cars
    wrestler salope sexxy dinner building mopar cecile fishfish paramedi capricor robocop rimmer hardone w_pass 4ever
    evil alice1 nomad nuclear asgard series advent 01031985 universa jorge kestrel spanner guido cheddar carlos1
    lalakers acura cherries eclipse1 anchor cold yoyoma darkangel aspen bahamut little1 whistler 57chevy smackdow galant
    bukkake leopold option strawber facebook susanna bookie crusty qwedsa nine extra matrix1 02051981 01021990 transfer
    breanna mothers clarissa peachy prozac p@ssw0rd loki scuba1 bootys argentin flame bricks slimshady dkflbr nokian73
    chris123 11111q krolik joshu korova johncena magpies pictures cevthrb suckmydick spanker dogpound 02051973 impreza
    02041975 132456 145236 357159 741963 10041986 10071988 11021985 13071984 14081985 15071987 17111985 18091986
    19011989 19031985 19283746 21011988 21011991 22061988 23031990 24111987 25011990 25091990 31031988 notebook brandy1
    prospect bettina gymnast jktxrf seneca zxcv123 ksenia rudolf marquis huge daylight golden1 q11111 tribal zack blue32
    johndoe hejsan biteme1 jeannie lemmein salem petrova clutch django sexgod sexxx capetown tupac cartman1 ratman
    09021988 vlad fortress canucks 01091985 virus chocha serpent wallet inter telephone eggplant april1 camero roofer
    nazgul fussball cardiff perfect1 wendy1 hallo123 fktyrf pufunga7782 amore 02041978 factory doggy1 budweiser alanis
    loser1 marseill janelle wealth addict goodgirl timeout wolfpac 02051972 camden liverpool1 tenchi 05061990 godlike
    university turnip beaker vincent1 k.lvbkf 010191 01031984 02031983 repair nbvjatq vehpbr southpaw sylveste redhat
    forever1 wingnut patrol magellan vampir captain1 assasin aikman trailer mariya taekwondo 258963 7896321 10081989
    11031988 11071988 12041986 12041988 12061988 13011987 13011988 13051987 14011986 14021990 15011985 15041988 16051988
    22021988 22071987 22091988 22121987 23021989 23041986 23051985 25101988 30081984 sonyfuck style llamas clifton irene
    sabrina1 02031978 punch noname goldfing marie1 1234zxcv jumbo helmut maveric ricard antony happy2 marcius2 susan1
    ballet pentagon sawyer faith1 gina pearson hotgirls flasher tracer boater shoes peppe joyce cornwall goodie devon
    benito butters angus1 sixpack mandrake bubbles1 earthlink lookout slammer venture gagged onion 01071987 truth aries
    12345m lakewood loveya dogwood money12 moonshin ring wyoming suburban challeng olympus volkov opendoor 01011976
    04041983 commande stanley1 hoops jonathon diablo2 08081986 seymour beach1 ashle oreo murzik bubba123 02051977
    navigator right gratis myrtle native trip lakers1 twelve 02081976 hellokitty arctic fkbyjxrf rasmus wormix randy1
    02091988 07071977 03021986 millenium radar 07071990 gerrard 05071984 01041987 goth asians gateway2 camaross bluejays
    gaell 333444 10031987 10101985 10121987 11061991 11121985 12071989 12081985 13061987 14101987 15071986 15071988
    16021990 17061989 17101986 18021984 18041986 18051988 18101987 19051987 19061990 19121989 20041986 20081991 20091986
    20121989 21061986 22011986 23051990 24031988 26031990 27041990 27061985 27071987 29061990 29071985 30041985
    135798642 lekker qazxcv borders davies midnite lloyd beater 05071988 whatwhat optimist damon 02071985 gotmilk blue99
    clock decker larkin road loren redskin hung bremen enternow knight1 prince1 page 01051989 03081989 bimbo peace1
    destiny1 beavis1 hattrick aaasss 1a2s3d dejavu markie ou8123 1master start1 test12 beatles1 screw 2fast4u daddyo
    natasha1 bordeaux stone1 12345qwer blaine vanessa1 rough alchemy 09041987 qwert40 hott therock1 real ilovegod
    solaris proton links cardinals marriage disco peggy spence fanny coming swedish espresso auggie 02071975 vbkfirf
    dougie p4ssw0rd richar noway nightwish saigon holes jocelyn gsxr1000 23skidoo platon ghhh47hj7649 shadow12 speedway
    01041992 01041990 devin leeds 09031988 timosha roadrunner ironmaiden mackie supernov delfin toriamos 06041988 ceasar
    trans patches1 oberon vjkjrj capecod glow nevets 1008 123567 147896 875421 10061986 11051984 11051986 11091989
    12041990 12051986 12051990 12121988 14041988 15021990 15051985 15111988 16051985 17041991 20021988 20041988 21061985
    22061989 22081986 25071990 25111987 26061985 30011985 mamacita mad derf sandie jaime longer cowgirl stigmata munch
    gonzales alena 01121987 pass1 data shag nineinch a1234 waterboy klondike ilove finally bomb spiral boulder odyssey
    amigos somerset 01031986 pain burns mulligan krokodil explore lawson charon peeper redcar fellow ambers sloppy
    savior schatz moron q2w3e4 hardball azertyui republic patch reggae canuck romantic vauxhall boston1 angelic emilio
    doggies tennis1 advance 02061977 around 159357a 06021987 spoons rfntymrf almighty deputy 06081987 tosser stratfor
    mississippi suckdick houston1 eating intercourse power123 closer 01021989 lenochka marijuan 02031975 globus sterva
    domingo limewire terefon coors 04041990 suslik steaua blue1234 bledsoe 12345qwerty greedy 01061988 iriska
    htubcnhfwbz zasada sandr awesome1 beezer champ1 funstuff evgeniy bball patrici cuervo printing 111777 357951
    10011983 11011990 14011989 14031988 15021986 16051990 17031987 17071989 18021988 18111987 19061985 20031991 21041992
    24031990 24091986 25011986 25061985 27081986 28051987 29051985 29061989 pastor funky theforce chiquita strap yessir
    daman 05081988 beech streets chaos1 wxcvbn admin1 holein1 maserati berry qqqwww geezer coral cabernet joecool nastia
    egghead doris sheepdog terrell jomama kane armando hairball christa aileen clarke insight afrika vancouve tender
    munich 02071976 123456789m grandam brady luciano alcohol sheep default idefix cyprus trees scheisse montana1 mooney
    ambrose hoffman pimpdadd baltimor jennaj m123456 norbert call jaeger mash4077 watford davinci mizzou steven1 gocubs
    square pigpen 123456t houdini jewish tomas kirkland ophelia riccardo 07051990 another rodeo luna bonanza lhfrjy
    02061976 sigmachi revolution dragon69 firenze 03041980 selina absolutely lback ghbrjk rfhnjirf 05091988 sammy123
    sophie1 cvthnm colonial toolbox 04061986 hunte ringo bongo 02101976 azert junk banan howell magic32 liliana q1234567
    medina riders elway7 ilikepie 09021989 toonarmy laddie 01031983 footjob 06051986 kronos eskimo wolfen natalie1
    barley pancake bigdicks dabomb cashmone 02081981 junio 02041977 dylan1 01021988 monic 1004 3006 123459 223322 556677
    996633 1235789 5201314 11011991 11071985 11081987 12071987 12081984 12101988 13031986 14021987 14071987 15051987
    15081991 16011989 16061986 16111990 17071985 18051990 18061985 19071986 19071988 19101990 20031988 21021985 22021985
    22041986 22061941 22061987 22071989 22081983 22121983 22121986 23011985 23021985 24061987 24061988 25011985 25041985
    25061986 25101989 26021987 27031989 28021985 28051986 lolol myxworld audio kristian samoht dominiqu joemama gabber
    toocool ariel twinkie zxasqw marcelo darkange persona scrapper delaware tyson1 progress cafc91 kurt shuttle link
    gabriele smoothie slimshad 08071987 q123456789 youtube franks norris yasmin outside sandra1 hottest cumslut tripleh
    mann starr morales vqsablpzla pathfind trace elisabet doit evolutio fishon books 02021980 flicks peanut1 velocity
    ranch annmarie barry1 gthcbr biggun dolemite vagabond outback sexo woodstoc 02081979 macleod plastics javelin bootsy
    02021991 08061987 aolsucks c2h5oh 02031973 sofia redbone klizma rachelle petunia pumper all4one mohawk lobo billabon
    rockin ncc74656 austin31 baylor 04061991 koolaid granada allegro 02021971 alinka nevermore mikael p0o9i8u7 forgetit
    smith1 montag poker1 frodo1 beloved breaker tasha1 honeys password9 reginald sheeba killer123 02091976 wives
    dukeduke archange fuck69 metroid minimoni wizards hellsing rocknrol 02041976 fabio 03071987 zaqwsxcde max333 wanking
    awful morrowind friendster irving goodday modelsne bumble kenny1 nataly juliana cirrus samm 03111987 nittany dogbone
    storage 05061986 04041985 punker 02011975 purpl futurama skateboard 6996 132465 10031991 10111986 11081990 11111987
    11121987 12011989 12061986 12121982 12121987 13111990 14021983 14051990 14071988 14101988 15011986 15071985 15081988
    15091987 16031990 16101987 17041987 17061986 19011987 19051986 19071990 20021986 21041985 21081987 21111985 22021990
    22031991 22041985 22061990 23061990 24051990 26031984 26031987 27031987 27091985 29051990 29081985 29081990 29111989
    29121987 30121987 31121990 esquire homemade kiteboy herewego bedford dirk lonesome boxcar panda1 pornking blackbird
    dickens nokia1 four climax gotribe bleach cheeky cucumber vipergts scooby1 awnyce 123qwert muhammad summer69
    jeepster alex12 hello12 harbor acidburn harald calling dingo fireblad christi pinnacle shodan 11111a fallon 03061987
    02101977 deniro 08041986 dudeman harrier jellybean buffet mariner foolish wildone peterbil allgood fields dilbert1
    salami bugs estelle lighting mega butkus elvisp homework russel donner doktor tycoon cement romeo1 04051988 ottawa
    bigguns lillie fellatio weed420 emmett kiwi barfly 03031988 baracuda newyear flipflop raleigh singapor sperma
    04081987 maxdog sasha123 opennow thedon sedona sixty terra blunts linkin lander alisa 02091977 12345abc 05051990
    crackers doubled warhamme proview masterbate starwars1 02091975 status 01011971 females flamengo behappy lfitymrf
    qwe321 starwar snowbird 123456789d corwin bradley1 fucker1 azzer 02101980 lagnaf daughter cubs navyseal 01081990
    carebear protect kamasutra bastards delmar musical deaths metall steffen 01061987 02051975 wiseguy pimping robin1
    515000 1598753 10041983 10061987 10081985 10293847 11011987 11071986 12051985 12101985 13111984 14071986 14881488
    15051986 16061985 17011990 17021985 17091987 17101987 18011986 18021986 18041990 19091988 19111987 20011989 20051985
    20071986 21071989 21111990 21121986 23011990 23021988 23051986 24011990 24021991 24061992 24121986 25011993 26041986
    26041991 26051988 27011988 27051987 28021986 28071986 29011987 31011990 gators1 02071971 whiplash lara fuckme2
    adriano boyz hatred reserve draco rainyday mercede grin smart1 stafford mone motor ontario stang gardner weekend
    jakarta shonuf clovis drum gotham jughead golfgti dooley sand nightmar wetter johnny5 tanya1 03051987 01051988
    comein meadow 69camaro chessie marshal phyllis mutant dingle chelle nautica haley camber dragonfl senna bigjohn
    heels stickman sambo 03071986 hiziad sexybitch puppydog 5wr2i7h8 deville pacino paragon pointer s123456 tarpon
    melanie1 sprout durham apollo11 bigdog1 wheeler spliff sick gonzo1 rockwell vfntvfnbrf meliss narnia eleonora lefty
    chewy payday atlas alleycat ambrosia drums linden trustme austria phialpha exchange rage lokiloki tarakan cartoons
    02091973 01051986 bungle contract 03011987 kolokol daisydog penetration 06041987 laetitia gohome 03031990 02101978
    pushkin leigh mustang2 gianni wordup orchard freddy1 adrenalin goldeney luckyone 06031983 tuscl kathy1 escalade
    0192837465 gerbil blanca widget samuel1 fyutkjxtr 01011973 02071977 02081974 touching trinity1 04091986 sites pookey
    1q2q3q charisma 07081986 inlove rainbows grass kolbasa 07091982 newark 12345qaz bootsie interne raphael rated
    cleveland 02061979 henrik roll bandit1 08051987 jenifer cocksucker 03031993 222777 777999 1234566 10011988 10031989
    10041990 10061984 10071985 11071989 11091984 11111986 12011985 12021985 12031988 12051989 12091988 12111990 12121989
    12348765 14011987 14011988 14021989 14081988 14121989 15021983 15031988 15061988 15091988 15111984 16011987 16111982
    18021987 18031991 19021990 19101986 19111986 20011988 20021985 20031986 20061986 20081986 21051986 21071987 21101989
    22051986 22071983 23031987 23051987 23051991 24011987 24071987 24101986 24111990 25021988 26031986 26091986 26101986
    26111985 27021991 27111985 28031982 28041992 28061986 28121984 29041985 30011986 30061987 31121987 31121988
    369258147 point hello2 05021988 dragster bismarck cambridg cliff 1michael honor buzzer supra treefrog kerry reason
    frogs blake1 treetop catcher dicky xantia daisey siobhan lister dome strelok auto gamma jello hawkins 123456789qwe
    prosper pitch stan workout walton catnip dima123 06071983 trauma sebring michal nounours kittie burning driller
    angela1 thierry lumina speakers brennan rabbits colin buttercup neon atticus puzzle sixty9 mallorca delaney burn
    checker jabber alexander1 melrose zyjxrf normandy ariane dbnfkbr bambi lucia blue42 wilder thumper1 killa masterp
    02051979 playball scamper 7777777a lauren1 wonderful signal base benessere freee 01021985 getting smackdown melons
    02051990 trumpet1 cooper1 pandas chains asdffdsa 03041987 favorite6 melina sexybabe cannibal fosters beethove
    skipper1 02091971 01051990 burner nthvbyfnjh meow malaysia rugby1 azertyuiop 02091982 rocknroll bynthytn grace1
    aprilia 02011990 venom italy meier shen pavement 03051986 stockton 06061987 peppers tantra guillaum 32167 777333
    888999 10041991 10101989 10121985 10121986 11011989 11041991 11061989 11081988 11101986 12021991 12051987 13021987
    13081985 14031989 14041987 14041992 14081990 14091990 15041987 15071983 15081990 15091989 16021987 17021987 17061991
    18011988 18041991 18051987 18061991 18081988 18121984 19031987 19091990 20041990 20051989 20061984 21021987 21071992
    21081985 22061985 22071990 22081991 22091986 22111985 23061992 23071985 23091987 23121986 24021988 24031987 24041988
    24081988 25051985 25121985 26051986 26061986 26071987 27041985 28051985 28051990 28071987 30041991 30051989 30061983
    30071986 30111987 789654123 007bond redd manny giulia caster jupiter1 readers mooses worthy royalty jonas rita
    segblue2 trustno dixie1 hansol gumby phish1 enrique body 123456w abcdefg1 paulpaul gannibal earl compact frosch
    skylark hallowee kenobi kittys andrews young1 terrier dirt farm marbles ticklish 07071985 frenchy offshore jazzy
    sexyone algebra allison1 lucas1 special1 hyundai hotass sexman sex69 olive leinad farmboy 02041973 middle clement
    amethyst letsdoit gofast thrasher plato soul ride notredam murphy1 candyass travis1 hannes spooge systems gatsby
    junkmail ladder uptown shower chill flower2 karine 09051986 matty airman 06011988 wayne1 volleyba stayout liberty1
    abacab blanche buckley bouncer vodka bettyboo shauna 02061981 manga 02011979 02101973 muslim 08011986 cutie ilikeit
    06061985 01051985 constant longhair their kaboom elmira amatory 09081988 q1w2e3r navajo alcatraz olenka 01021987
    09091986 05021987 mynameis 08071988 larson sunshine1 04051985 powerful 04061984 sephiroth panter password01 casio
    summers 02061972 computer1 1qazxsw23edc jesus123 nikolas rugger 05031991 sparkles bosco1 skinhead sonysony snicker
    pancakes charlie2 pilgrim ananas contra sheldon generals grisha montecar briggs 02061974 010390 ploppy 7894 115599
    321678 951357 1234561 1234568 10011992 10061989 10071990 10081983 10081990 11041990 12071988 12071990 12081983
    12081988 12091991 12101984 12101990 12121986 12121991 12211221 13071990 13101987 13121983 14041986 15031990 16031988
    16071987 16071991 16091987 16121986 18111986 18121983 18121987 19061992 19091983 20051987 20061990 20101988 20121986
    20121988 21031985 21121985 22011985 22051991 22071991 22121989 23031986 23051983 23091986 23111987 24071991 24101989
    25081986 26071986 26071989 26101987 27021990 27031986 27061983 28061988 29031988 29061985 29061988 30011987 30031986
    30031992 30091989 30121986 31031987 31051985 31101987 1234567899 renate radeon sergbest 08111984 talbot pathetic
    errors springs needles restart stock hiking auckland jimmys pearls allen1 01041980 billbill hazard calvin1 capitals
    02031990 pizzaman fitter biit tazz ulysses jehovah stitch itisme delpiero wind neville nico 09111987 1234rewq
    virginie alive grunt emil octopus 04111988 tampabay puppy1 ratboy 1qazzaq1 playboy2 gabby 1million vampire1 playmate
    zorro1 08101986 dfcbkbcf carrots istheman jarrett yamato rumble ilovepussy wonderboy montrose dunlop werdna
    cassandra clemente tralala collie swoosh 06031992 dreamcas track sliver londo cocoa rfgecnf 05051991 rollin painting
    makaka 04041987 thebear 01071984 zxcvb123 05011987 04061987 lockdown blacklab riffraff legs kahlua fidelity 05111986
    08121987 frankie1 alexi winger 07071988 07051987 edmonton 07071982 pressure streaming amstel supernova 02081973
    fujitsu 05031990 fluff tango1 samanth panic napalm 08051989 justice1 09081985 07071984 camil blubber 02031991
    01021992 tujhrf gatit titts camping cable babycake budgie dani vfndtq fuckme69 hewitt spot frederik motocros
    01101987 rustydog pinetree 07101987 120689 1357911 10031990 10031993 10041987 10051990 10061985 10071986 10091984
    11031983 11051988 11071987 12071991 12081987 12081990 12111985 12111991 12131213 13021985 13061985 13071987 14101986
    15011983 15061985 15081986 15091985 15111989 15121987 16061987 16061988 16081986 16091988 17021989 17051987 17051989
    17051990 18011985 18021992 18031988 18051989 18101985 19021991 19061991 20041985 20061983 20071988 21031984 21061988
    22011992 22031986 22051987 22051989 22061984 22071984 22071985 22091991 23061989 23091985 23091989 23111989 24091991
    24121987 25031983 25031991 25041991 25051987 25061987 25081985 26081986 27021992 27031992 27111989 28011988 28081986
    28081990 28101986 29011982 29061986 29091987 30011990 30051987 31051993 31071990 44332211 66613666 1234509876 keith1
    duffer ollie benton tetsuo glasses nestor feelgood cola cleaner rocco benny1 smirnov roxy dummy loose maximo iceland
    tigercat citation blitz icecube burnout puck twist asses noel panhead adelina hanuman sunlight 02061971 cupoi
    bigtruck phat rolex 06061981 exeter r2d2 kingking lilbit canada1 rhubarb morten trooper1 custer buford papamama
    mouser bowtie perkins toast shark1 husband betsy jefferson serious elements zapper 02031974 harriet cummins 02051970
    semper herring 123456as sonic1 accept video1 bucky 07071989 lemans winona finder treble password99 popcorn1 stellar
    04041986 saskia doreen chavez blue11 furball 08021990 asd222 02021978 corner 05121990 03091983 06021986 titfuck
    02011977 salman bagpuss 01081985 04071986 01091992 blue23 09051987 07041987 darina francine 05031987 redstar
    revoluti mommy1 sniffing chouchou giants1 quick gareth usmarine 03051988 01121990 dresden julio doom 09091988
    01081992 02041972 07101984 07021991 03041983 123456qqq malish planes videos enters 08081990 nympho 123456d pajero
    03031992 left4dead england1 booyah conquest delldell brest eunice momdad slonik nursing bismark lol12345 01011972
    met2002 123456n garnet 02061978 rambo1 bonner 07081987 gogators please1 cashmoney 09041986 blobby 04071988 02011976
    dimitri 3ip76k2 07091988 fabienn iklo 123450 10021986 10021987 10051988 10081987 10091986 10101980 10101988 11081986
    11091985 11091986 12021984 12031990 12061987 12071984 12101989 13031989 13051990 13061991 13071985 13071989 13091984
    13101982 13101988 13101992 14051983 14061988 14091987 15011988 15061984 15101991 15121983 16011986 16021988 16031986
    16041985 16101986 16121991 17041985 17041986 17061987 17071986 17071987 17111987 17121985 18091987 18121812 18121985
    18121990 19041985 19051983 19081987 19111985 20011983 20031985 20031990 20051983 20071984 20101987 21021989 21051990
    21091989 21101987 21101988 21111986 22051988 22091984 22091990 22111988 23021983 23021992 23041988 23061987 23091991
    24071992 24101984 24101990 24121988 24121989 25021986 25031984 25111991 26031991 26121989 27091991 29041988 30101988
    30121985 30121988 31051987 31051991 31121985 31121986 cyrano crappy volcano eatmenow 02111987 renato goodyear budd
    08031987 spoiled kamilla hogtied omar lunchbox mantle piercing makayla cyrus asdfgh1 mufasa beau boobear town
    rudeboy riversid hemlock john1 onions 01091988 03031984 holger scissors hound crescent erection libero hair entrance
    fduecn weare138 italiano rufus1 matchbox ramjet acapulco mohammad trek weiner lebowski 03031987 ridge surprise
    shampoo loverman monk 12345r abracadabra 03061985 diver1 duane dnsadm fisherman toomuch athome 01061983 whatthe
    08041985 someday dan123 celebrity madagaskar marcin valery maison forlife mindy azrael alain dreaming hardy mercury1
    hfytnrb 01051980 01071990 macintos tennesse hardwood sweetheart pride invest 03071985 mariam rhfcfdbwf ronaldinho
    masterbating discus fabulous sextoy this instant duckman caracas begemot parlament migue alpha123 sylvie nadia
    04031991 vegitto 02011971 requiem misiek altoids naughty1 09031987 03061986 02061990 05051986 05061989 mazda3 rhinos
    paladin1 asdfg123 liliya 06011982 dragonballz retire these 07021980 hellas 07061988 rfhfvtkmrf capcom rjhjkm ass
    kicksass dental hores harman 07041989 sharpe 09041985 05061988 03101991 07031989 lookin poptart 02081970 jeter2
    pugsley gamble 08081989 hawks jordan2 gladys granite sqdwfe 5000 111555 123890 334455 777666 1231234 10011980
    10031980 10041984 10071989 11031986 11041985 11061984 11061986 11061987 11091990 11111991 12021990 12041991 12071992
    12081993 12091986 12111984 13041989 13051986 13071982 13081986 13091986 13091988 14031986 15011990 15031991 15051989
    15051992 15071990 15081989 16041988 16091990 17051983 17071990 17091985 18031986 18071986 18071989 18071990 18111983
    19041986 19071989 19081986 19121988 20031992 20061987 20061991 20081990 21021988 21021990 21031986 21041987 21041991
    21101983 21111983 21121989 22071988 22071992 23031983 23041991 23101987 23111986 24041984 24041985 24041986 24051989
    24061985 24071990 24101988 24101991 25021985 25041987 25051980 25051988 25071983 25071985 25071987 25091989 25091991
    26011986 26011990 26021992 26061989 26061991 26071984 27071988 27111990 28021983 28071985 28121989 29031990 29041989
    29051992 30051986 30051988 30061988 31051982 goldeneye interest harmon melani zach spleen alfonso jeeper 07081984
    natedogg 09051984 emanuel locks 1qazxsw tammy1 lizzy menthol pharao alterego donna1 fick bauhaus alexxx brook jerk
    cbr900 medic1 vaughn simple1 pong lake ibrahim huskers1 mogwai owen aol123 benjami nicky rabbit1 adelaide smurf
    skirt nineball shady mafia tiamat aircraft bama having dipset logger mamas gerry 04111991 trenton altair 01041993
    jingles mallrats backbone clever stanton dipper innocent unlock chen donjuan harle termite 05041985 49ers missie
    diamon encore forbes ziggy1 follow trash freestyle 03061988 zerozero shovel matisse anonymous laserjet leeann
    parkour waterman ballsack bluejay shakur welkom dangerous ghjcnbnenrf hacking 01031981 flyer information 03091988
    07041988 01061992 babybear highlife raduga favorite laser1 aisan probes sucked ljxtymrf 05071985 becca trinitron
    beat clips thumb desktop muffin1 things supersonic blueberr 123q123 satchmo 05081992 claudia1 demon666 natalya pooky
    victori legos 06061988 diana1 glover 03041984 boroda tamerlan 1qw23er4 chamber 03041989 qwerasdfzxcv mariel 06041984
    04071987 flyers88 nokia5800 stewart1 01071988 iceman1 01041983 bathing chess mangos rapper darkone pokemo 05081986
    douche redwine ismail 02091978 06101989 humphrey justi 03031991 maximka cashflow ireland1 implants juniper grayson
    08071985 cantona7 bobmarley shojou gramma princesa bendover 04021990 julia1 05121988 giggle cloudy 03011991 penis1
    gotenks sopranos 159263 250588 333555 456987 963258 1237895 10021983 10081991 10091985 10101991 11021990 11041986
    11041987 11061988 12041987 12081986 12091990 12101986 12121984 13021991 13031991 13061990 13071991 13081987 13091987
    14021991 14041991 14051987 14101983 14101991 15031987 15111986 15121985 16011985 16011991 16061990 16111989 17021986
    17031992 17111988 17121986 17121987 18011984 18061986 18061987 19011985 19021985 19071983 20011987 20051986 20061980
    20101986 21021986 21041990 21091990 21111989 21121988 22041991 22051990 22061991 22091985 22091987 22446688 23021991
    23051984 23061985 23071986 23091982 24041990 25051989 25081987 25081989 25091992 26041983 26041988 26051990 26111984
    26121987 27061990 27091983 27101987 27101989 28021989 28041988 28051988 28071984 29031982 29041987 29051987 29071986
    29081982 29081987 29111987 29111988 29121984 29121988 30061985 30061989 30071992 30101987 31011985 31051986 31081989
    31101991 larsen kappa worker mustang5 spark placid downer screwy amiga hillbill pearl1 klaus aaaa1111 simons mortis
    leland binder border chemist flower1 oral gone buster12 carlisle protocol dynamic ajax talks 05061983 tuxedo cook
    01051987 amature triplex dudes turbos jennifer1 edge ringer 03061984 joke grimace jarrod socce feathers nemrac58
    riddle xian wonderfu surgery qweasdzxc123 bourbon dickdick bite 06061990 08021989 annaanna pimpdaddy baura commander
    helsinki basil 8inches cyclones bong macaroni pollux funk motown fiddle thebeast marauder rodrigo oyster 09101985
    listen fruity 06021989 chachi hand gizzmo 01041989 blinky braves1 prime hancock espana lennox corinna frisbee lancia
    02031970 sapphic 09051990 06091989 02021977 123456g homepage spock1 dimadima womans 03101985 04051987 halloween
    pinkie metal1 07021987 cheerleaers shopper 05041986 soccer11 josiah redheads weller scouts photon metallica1 garlic
    03121986 greywolf estrell 06081986 diva ghjcnjq alvaro 06081988 egorka 06031986 rfhfylfi 08111983 01031980 08061986
    06051987 06071984 reeves picks 123456789r reloaded holla mierda 04061990 04021985 gigabyte flvbybcnhfnjh dortmund
    korean karaoke sashka godbless allday flipper1 pro100 jurassic experienced thebest 05101984 nimitz love1234 trigun
    coolhand banana1 kcchiefs 09011990 dicker baboon 05091987 08071986 barefeet 1111qqqq jesper belkin zoomzoom
    asdasd123 madcow 101091m greedisgood 198 5683 918273 7412369 10011989 10021988 10041989 10051986 10071983 10101987
    10111989 11021984 11021987 11021988 11051989 11121990 12031986 12061980 12071982 13021984 13121989 14031990 14051986
    14091988 14091989 14111987 14785236 15021991 15031986 15031989 15051991 15081980 16021989 16041986 16051986 17081990
    18091984 18101989 19011986 19091986 20021990 20021991 20051984 20111987 21011985 21011990 21041986 21061989 21071990
    21081990 21091987 21121987 22031987 22081987 23021984 23061988 24021985 24061984 24081990
    LIST;

    private function __construct() {}

    /** @param string $password in lower case */
    public static function has(string $password): bool
    {
        return !str_contains($password, ' ')
            && str_contains(' '.strtr(self::LIST, "\n", ' ').' ', ' '.$password.' ');
    }
}

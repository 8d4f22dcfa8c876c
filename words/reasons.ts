import { verdict } from './judgement';
import { systemReasons } from './systems';

/** Why: the sentence of every reason that a rule gives. */
export const reasons = {
  ...systemReasons,
  verdict,
  wait: {
    frost: '{{labels}}: water that freezes in it breaks more out this winter.',
    deicer: '{{labels}}: salt goes deeper each time it is spread.',
    wheels: '{{labels}}: wheels break its rims away.',
    water: '{{labels}}: water goes on behind the face.',
    trip: '{{labels}}: somebody may trip on it; fence it or fill it for the time being.',
    grows: '{{labels}}: measure again before it is priced, it will be larger.',
  },
  use: { other: 'Made for {{use}}', made: 'Made for {{use}}', also: 'Made for {{first}}, and for {{use}}' },
  substrate: { allowed: 'May lie on {{substrate}}', notAllowed: 'Its sheet does not allow {{substrate}} under it' },
  profile: { reached: 'Wants CSP {{asked}}, gets {{reached}}', short: 'Wants CSP {{asked}}; your preparation leaves {{reached}}' },
  surface: {
    powders: 'The surface powders under a nail: take it off to what is hard first',
    weak: 'The surface pulled off at {{pull_MPa}}; a bond needs {{least_MPa}}',
    sealed: 'A drop stood for {{drop_s}}: the surface is sealed. Grind it open',
    damp: 'Moisture {{moisture_share}}, over the {{most_share}} a resin stands',
  },
  head: { stands: 'Stands {{head_m}} of water', none: 'Its sheet names no head of water it stands' },
  thickness: {
    fits: 'Depth {{depth_m}}, sheet {{least_m}} to {{most_m}}',
    over: 'Depth {{depth_m}} is more than its {{most_m}}',
    under: 'Depth {{depth_m}} is less than its {{least_m}}',
    lifts: 'Depth {{depth_m}} takes {{lifts}} lifts of at most {{lift_m}}',
  },
  edge: {
    keyed: 'An irregular rim: key it, and keep it at least {{least_m}}',
    cut: 'Cut shoulder, no feather edge',
    feathers: 'May run out to nothing',
    noFeather: 'Must not feather: cut a shoulder of {{least_m}}',
  },
  grain: {
    rubIn: 'Too coarse to enter: rub its paste in',
    open: 'Too coarse to enter: open the crack to {{needs_m}}',
    fits: 'Grain {{grain_m}} enters',
    coarse: 'Three grains of {{grain_m}} need {{needs_m}}, there is {{depth_m}}',
  },
  orientation: { fits: 'Works {{orientation}}', wrong: 'Not made for work {{orientation}}' },
  moisture: {
    fits: 'Wants the base {{wants}}',
    mustBeDry: 'Needs a dry base, this is {{is}}',
    soak: 'Soak it first: wants the base {{wants}}',
    notSoaked: 'Lies on this base without soaking it',
    clear: 'Clear the free water: wants the base {{wants}}',
  },
  exposure: { allowed: 'Stands {{exposure}}', notAllowed: 'Its sheet does not allow {{exposure}}' },
  open: {
    inTime: 'Opens to {{to}} after {{opens_s}}, asked {{asked_s}}',
    close: 'Opens to {{to}} after {{opens_s}}, close to the {{asked_s}} asked',
    assumed: 'Opens to {{to}} after {{opens_s}} by its class’s strength alone, asked {{asked_s}}: test it before you let anybody on',
    late: 'Opens to {{to}} after {{opens_s}}, asked {{asked_s}}',
    unknown: 'Its sheet does not say when it opens to {{to}}',
  },
  temperature: {
    fits: 'Air {{air_C}} and slab {{slab_C}} are inside its limits',
    cold: 'Too cold: air {{air_C}}, slab {{slab_C}}, sheet from {{slabLeast_C}}',
    hot: 'Too hot: air {{air_C}}, slab {{slab_C}}, sheet to {{slabMost_C}}',
    close: 'Close to its limits: air {{air_C}}, slab {{slab_C}}',
  },
  dew: {
    clear: 'Slab {{slab_C}} is clear of the dew point, {{dew_C}}',
    agent: 'Slab {{slab_C}} is too near the dew point ({{dew_C}}): the agent does not bond to dew. Warm it or wait.',
    coat: 'Slab {{slab_C}} is near the dew point ({{dew_C}}): on the day it goes on, wait until the face is dry and {{margin_K}} over it.',
    close: 'Slab {{slab_C}} is too near the dew point ({{dew_C}}): resin does not bond to dew. Warm it or wait.',
  },
  task: { noHang: 'Its sheet names no water for a mix that hangs: ask before it goes on a face' },
  storage: {
    cold: 'Bags at {{powder_C}}: its sheet wants them from {{least_C}}. Bring them in overnight',
    hot: 'Bags at {{powder_C}}: its sheet wants them to {{most_C}}. Keep them in the shade',
  },
  stock: { here: '{{mass_kg}} of it lies at the yard', past: 'What lies at the yard was to be used by {{day}}: do not mix it' },
  strength: {
    enough: 'Reaches {{mature_MPa}} in a month; wheels want {{least_MPa}}',
    wheels: 'Reaches {{mature_MPa}} in a month; wheels want {{least_MPa}}, or what the designer says',
  },
  texture: { takes: 'Can be {{texture}}, as its surroundings are', cannot: 'Its sheet names no finish like this: {{texture}}. Try a sample first' },
  colour: {
    near: 'Dries {{dry}}, as its surroundings are',
    shows: 'Dries {{dry}} beside {{colour}}: it shows until it is overlaid, sealed or coated. Try a sample on a hidden spot',
  },
  lives: {
    fits: 'Your batch is placed and finished with {{spent_share}} of its life used: {{chance_share}} of them would be lost',
    retard: '{{chance_share}} of your batches would be lost, you accept {{accepted_share}}: it needs retarder',
    shade: '{{chance_share}} of your batches would be lost as it is, you accept {{accepted_share}}: work it in shade, at an early hour',
    close: '{{chance_share}} of your batches would be lost, you accept {{accepted_share}}: cool it, shade it or come earlier',
    short: 'It stiffens before your batch is done ({{needs_s}} needed): cool it, shade it or come earlier',
  },
  bond: {
    self: 'Bonds by itself',
    scrub: 'Scrub some of itself in first and cover it wet',
    slurry: 'Brush a slurry coat in first and cover it wet',
    agent: 'Wants a bonding agent under it',
  },
  movement: {
    rigid: 'It sets hard: nothing rigid may tie together what moves',
    narrow: 'The joint is {{width_m}} wide; for its movement this sealant needs {{needs_m}}',
    taken: 'Takes {{movement_share}} of the joint, which needs {{needs_m}}',
    cutJoint: 'A moving crack becomes a joint: cut it at least {{least_m}} wide, rod first',
    notNeeded: 'It stays soft: it carries no load across what does not move',
  },
  batch: {
    noneFits: 'No batch fits: {{limit}} ends it first. Day shows what would help.',
    overLimit: 'This share is more than fits: {{limit}} ends it first.',
    wetEdge: 'The next batch must touch this edge within {{by_s}} of water. End at a joint, a cut or a strip, or mix while others place.',
  },
  fill: {
    hot: 'A fill this thick warms itself to {{peak_C}}. Fill it in lifts, and keep it wet.',
    early: 'A fill this thick warms itself by {{rise_K}} and may be ready before the clock says so. Go by the hand test.',
  },
  opinion: { goesOn: '{{name}} goes on by a licensed opinion ({{on}}): {{said}}' },
  retarder: { overDose: '{{dose}} is more retarder than the sheet allows ({{doseMost}}): it may never set right. It is planned without any.' },
  stone: {
    notTaken: '{{name}} takes no stone. It is planned without any.',
    over: 'More stone than its sheet takes. It is planned without any.',
    shallow: 'Stone needs {{least_m}} of depth: three of its grains. Leave it out here.',
  },
  frost: {
    early: 'It goes under freezing after {{freezes_s}}, before it is strong enough ({{safe_s}}). Cover it warm, or wait for another day.',
    assumed:
      'It goes under freezing after {{freezes_s}}; its sheet names no strength, and its class’s stands frost after {{safe_s}}. Cover it warm, or wait for another day.',
  },
  rain: {
    fill: 'Rain in {{rain_s}}: it stands none for {{dry_s}} after water. Cover it, or wait until it has passed.',
    fillChance: 'Rain is likely ({{chance_share}}) within {{dry_s}} of water, which it does not stand. Bring what covers it.',
    coat: 'Rain in {{rain_s}} would fall on the coat before it is dry ({{dry_s}}).',
    coatChance: 'Rain is likely ({{chance_share}}) before the coat is dry ({{dry_s}}).',
  },
  parts: { differ: 'The sheet’s parts by weight and by volume differ by more than 5 %. Ask the maker which one counts.' },
  water: {
    cold: 'The water is {{water_C}}, colder than {{least_C}}: warm it, or weigh ice in',
    hot: 'The water is {{water_C}}, hotter than the {{most_C}} it takes: it would set in the pail. Cool it',
    outside: 'The water for this consistency is outside what its sheet allows: correct the sheet, or mix another consistency',
  },
  mix: { cold: 'The mix would be {{mix_C}}: under {{least_C}} it does not set. Less ice, warmer water or powder' },
  wedge: { thin: 'The toe is thinner than the sheet allows for {{run_m}}. Cut a shoulder there or take a material that feathers.' },
  drying: {
    caution: 'Drying fast ({{drying_kg_m2h}}): shade it, break the wind, damp the slab ahead.',
    act: 'Drying too fast ({{drying_kg_m2h}}): shade, wind break and cover before you start. Never spray an unset face.',
  },
  yield: { differs: 'The sheet states a yield more than 8 % off the sum of its parts.' },
  choice: { refused: '{{name}} is chosen against its sheet. Fix says why.' },
} as const;

/** What the walk comes to: verdicts, opinions, stops, plans gone stale. */
export const verdict = {
  repairable: 'Repairable.',
  borderline: 'Borderline.',
  stop: 'Stop.',
  clear: 'Nothing found that needs a licensed engineer.',
  depthThrough: '{{label}} is as deep as the slab is thick ({{deepest_m}} of {{thickness_m}}): replace it.',
  depthOfSuspended: '{{label}} is deeper than a third of a suspended member ({{deepest_m}} of {{thickness_m}}).',
  depthOpen: '{{label}} is deeper than a third of the thickness ({{deepest_m}} of {{thickness_m}}): if it is carried, that stops. Say what carries it.',
  depthHalf: '{{label}} goes past half the thickness ({{deepest_m}} of {{thickness_m}}): think of full-depth repair.',
  hollowMuch: '{{hollow_share}} of it rings hollow ({{low_share}} to {{high_share}}): find how far it goes before it is priced.',
  hollowMost: '{{hollow_share}} of it rings hollow ({{low_share}} to {{high_share}}): set replacing it beside repairing it.',
  rust: 'Rust at {{label}}: the steel inside is at work.',
  wet: 'Wet at {{label}}: find where the water comes from.',
  patchesFailed: 'Earlier repairs failed: take them out, and find why.',
  earlierUnknown: 'Nobody has said whether earlier repairs failed here: judged as if they had.',
  causeGoesOn: 'What broke it is still at work: a repair will break as it did.',
  causeUnknown: 'Nobody knows whether what broke it is still at work.',
  crackStep: '{{label}} has a step of {{lip_m}} across it.',
  crackMoves: '{{label}} opens and closes, and this is no slab on the ground.',
  crackMovesJoint: '{{label}} opens and closes: it gets a joint, nothing rigid.',
  crackMovesOpen: '{{label}} opens and closes: on the ground it gets a joint, anywhere else it stops. Say what carries this.',
  crackGrew: '{{label}} changed by {{change_m}} in {{apart_s}}: it grows, and that stops everywhere.',
  crackUnknown: 'Nobody knows whether {{label}} moves: read its widths now and in another season.',
  crackUnknownJoint: 'Nobody knows whether {{label}} moves: read its widths now and in another season; fill nothing rigid before that.',
  jointsWork: '{{label}} runs from edge to edge where a joint is missing: cut a joint there.',
  unanswered: 'Answer the five questions.',
  ask: 'Ask a licensed structural engineer before anything is mixed. Fix, Mix, Day and Pour show no figures until then.',
} as const;

/** A licensed opinion. */
export const opinion = {
  title: 'Licensed opinion',
  lead: 'Tufa stops here. Once a licensed person has looked and said how it may be repaired, record it, and the plan goes on, marked.',
  about: 'It answers these, and nothing found later:',
  record: 'Record an opinion',
  again: 'Record a new one',
  who: 'Who said it',
  roles: { engineer: 'Structural engineer', inspector: 'Building inspector', architect: 'Architect', other: 'Other licensed person' },
  when: 'When',
  said: 'What was said',
  saidRequired: 'Write what was said, in their words.',
  file: 'Add the letter',
  fileHelp: 'A PDF or a picture of it, so that it goes with the job.',
  fileKept: '{{name}} goes with it.',
  fileGone: 'It is not on this phone, and the firm cannot be reached. Try again with signal.',
  fileRefused: 'The firm refuses this letter: {{title}} It is kept on this phone alone.',
  open: 'Save {{name}}',
  keep: 'Keep it',
  by: '{{role}}, {{day}}',
  withdraw: 'Withdraw it',
  goesOnShort: 'It goes on by a licensed opinion.',
} as const;

/** The five questions. */
export const stop = {
  title: 'Five questions before anything else',
  rust: 'Rust stains or bare steel?',
  stepOrSettlement: 'A step across a crack, or settlement?',
  movement: 'Does it move or grow?',
  movementHelp: 'Seasonal movement of a slab on the ground is not a stop.',
  carriesBuilding: 'Does it carry a building?',
  carriesHelp: 'Or is it a guard rail, balcony or leaning retaining wall.',
  tooDeep: 'Deeper than a third of a suspended member?',
  no: 'No',
  yes: 'Yes',
  unknown: "Don't know",
  reason: '{{question}} {{answer}}.',
  open: 'Go back to Walk',
  hidden: 'No figures while a stop stands',
} as const;

/** A plan that the survey has left behind. */
export const stale = {
  title: 'The survey changed under the plan in use',
  unreadable: 'The plan in use cannot be read here',
  unreadableLead: 'Another release of Tufa made it. What is shown is worked out anew from the survey; use the new plan before the next batch.',
  bad: '{{before_m2}} → {{after_m2}}',
  packages_one: '{{before}} → {{after}} bag',
  packages_other: '{{before}} → {{after}} bags',
  batches_one: '{{before}} → {{after}} batch',
  batches_other: '{{before}} → {{after}} batches',
  later: '+{{by_s}}',
  sooner: '-{{by_s}}',
  same: 'Bags and batches stay as they are.',
  take: 'Use the new plan',
} as const;

/** What a refused system shows in place of what to buy and to mix. */
export const refused = {
  title: 'Refused: nothing is ordered',
  lead: '{{name}} is chosen, and this speaks against it. Choose another in Fix, or change what it says.',
  toFix: 'Choose in Fix',
} as const;

/** The firm, what is ready for no signal, the keys. */
export const firm = {
  title: 'Firm',
  who: 'Signed in as {{name}}',
  demo: 'This is a demonstration: people appear as roles only.',
  signOut: 'Change who',
  look: 'Light',
  light: 'Light',
  dark: 'Dark',
  sun: 'Sun',
  system: 'Units',
  us: 'feet, quarts, °F',
  metric: 'metres, litres, °C',
  hand: 'Thumb',
  right: 'Right',
  left: 'Left',
  unsent: 'Unsent',
  allSent: 'Everything is with the firm',
  pail: 'The pail holds',
  lift: 'Heaviest to lift',
  vessels: 'What you measure and mix in',
  vesselsOrdinary: 'Ordinary cups, jugs and small pails stand in until you write your own.',
  vesselsYours: 'Tickets use these and the pail: the smallest that a batch can be stirred in.',
  vesselName: 'Name of the vessel',
  vesselHolds: 'Holds, to the brim',
  vesselMark: 'From mark to mark',
  vesselMarkOver: 'Two marks lie further apart than it holds. Write one of the two anew.',
  vesselTwice: 'There is one of this name. Write another name.',
  vesselAdd: 'Add a vessel',
  vesselKeep: 'Keep this vessel',
  vesselRemove: 'Remove {{name}}',
  install: 'Install Tufa on this phone',
  help: 'On this phone: {{count}} unsent, oldest {{age}}',
} as const;

/** Ready for no signal. */
export const ready = {
  title: 'Without signal',
  yes: 'Ready for no signal',
  no: 'Not ready for no signal',
  application: 'Tufa itself',
  jobs: 'Jobs and shelf',
  outbox: 'What you do',
  room: 'Room',
  safe: 'Kept for good',
  good: 'on this phone',
  unsafe: 'the browser may clear it when room is short',
  count: '{{jobs}}, {{sheets}} sheets',
  mend: {
    application: 'open Tufa once more with signal',
    jobs: 'wait for signal and look again',
    outbox: 'this browser keeps nothing: leave private browsing',
    room: 'free at least 50 MB',
  },
} as const;

/** Keys of a wide screen. */
export const keys = { title: 'Keys', slider: 'Strata handle', arrows: 'arrows, Home, End', help: 'This sheet' } as const;

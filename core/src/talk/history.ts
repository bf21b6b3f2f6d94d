import { keysOf } from '../kernel/tables.ts'

/** Since when a complaint is there. */
export const sinceWords = {
  today: 'today',
  weeks: 'some weeks ago',
  months: 'some months ago',
  years: 'years ago',
  always: 'the first ride on this bike',
} as const
export type SinceKey = keyof typeof sinceWords
export const sinceKeys = keysOf(sinceWords)

/** What changed before a complaint began. */
export const changedWords = {
  nothing: 'Nothing',
  saddle: 'New saddle',
  position: 'Saddle or bar moved',
  'shoes-cleats': 'Shoes or cleats',
  pedals: 'Pedals',
  'bar-controls': 'Bar, levers or grips',
  bike: 'Another bike',
  training: 'More or harder riding',
  injury: 'Injury or illness',
} as const
export type ChangedKey = keyof typeof changedWords
export const changedKeys = keysOf(changedWords)

/** What riders commonly try by themselves before they come. */
export const triedWords = {
  'saddle-up': 'Saddle up',
  'saddle-down': 'Saddle down',
  'saddle-back': 'Saddle back',
  'saddle-forward': 'Saddle forward',
  'nose-up': 'Nose up',
  'nose-down': 'Nose down',
  'other-saddle': 'Another saddle',
  'cleats-back': 'Cleats back',
  'cleats-forward': 'Cleats forward',
  'cleats-turned': 'Cleats turned',
  'new-cleats': 'New cleats',
  'wider-shoes': 'Wider or other shoes',
  footbeds: 'Footbeds',
  'other-pedals': 'Other pedals',
  'bar-higher': 'Bar higher',
  'bar-lower': 'Bar lower',
  'bar-closer': 'Bar closer',
  'bar-further': 'Bar further away',
  'narrower-bar': 'Narrower bar',
  'wider-bar': 'Wider bar',
  'levers-moved': 'Levers moved',
  'other-grips': 'Other grips',
  'softer-tyres': 'Softer tyres',
  rest: 'Rest',
} as const
export type TriedKey = keyof typeof triedWords
export const triedKeys = keysOf(triedWords)

/** What came of it. */
export const helpedWords = { yes: 'helped', no: 'no change', worse: 'worse' } as const
export type HelpedKey = keyof typeof helpedWords
export const helpedKeys = keysOf(helpedWords)

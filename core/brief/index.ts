/** What a brief leads to: prompts in different directions, with reasons. */
export { lookOf, readApp, type AppLook, type AppRead, type Weighed } from './app';
export { promptsFor, type BriefSaid, type Direction } from './prompts';
export { TRADE_SYMBOLS } from './symbols';

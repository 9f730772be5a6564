/** What a brief leads to: prompts in different directions, with reasons. */
export { promptsFor, type BriefSaid, type Direction } from './prompts';
export { TRADE_SYMBOLS } from './symbols';

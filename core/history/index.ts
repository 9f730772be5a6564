/** What a step of a work changed: deltas between states, and when a whole state is kept as well. */
export * from './delta';
export * from './whole';

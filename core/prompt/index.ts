/** Reading prompts, and comparing them. */
export * from './read';
export * from './diff';

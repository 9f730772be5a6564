/** One flat list of shapes out of any work, and pictures of it. */
export * from './scene';
export * from './draw';

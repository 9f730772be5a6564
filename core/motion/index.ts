/** Movement: kinds, and what they make of a scene; as SVG, as JSON of the open animation format, and at any moment. */
export * from './motion';
export * from './sample';
export * from './svg';
export * from './lottie';

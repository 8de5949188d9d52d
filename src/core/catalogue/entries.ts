export * from './cable';
export * from './connector';
export * from './port';

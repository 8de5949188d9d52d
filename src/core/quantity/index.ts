export * from './problem';
export * from './length';
export * from './resistance';
export * from './conductor';
export * from './level';
export * from './temperature';
export { trimmed } from './number';

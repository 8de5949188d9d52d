export * from './problem';
export * from './length';
export * from './resistance';
export * from './conductor';
export * from './level';
export * from './temperature';
export { trimmed } from './number';
export { E24, nearestE24 } from './preferred';

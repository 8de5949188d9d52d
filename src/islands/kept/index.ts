export { draft, type Draft } from './drafts';
export { newId } from './id';
export type { Piece } from './database';
export { useAdopted } from './useAdopted';
export { useTyped } from './useTyped';
export { windowId } from './window';
export { dropPieces, keepPieces, markPieces, onPieces, piecesAbout } from './pieces';

import type { ReactNode } from 'react';
import { useTurns } from './turns';

/** A part of a page that is drawn in its turn: after what stands before it is on the screen. Nothing above it hangs on it. */
export const Turn = ({ children }: { readonly children: ReactNode }) => useTurns(1) > 0 && children;

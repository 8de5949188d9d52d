import { Later } from '../../ui';
import type { EndDrawingProps } from './EndDrawing';

const load = async () => (await import('./EndDrawing')).EndDrawing;
const onServer = import.meta.env.SSR ? await load() : undefined;

/** The end in the vice: there at once, and followed as soon as its script is. */
export const EndInVice = (props: EndDrawingProps) => (
  <Later name="vice" load={load} onServer={onServer} with={props} />
);

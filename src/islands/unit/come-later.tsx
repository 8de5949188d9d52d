import { Later, useLater } from '../../ui';
import type { EndDrawingProps } from './EndDrawing';
import type { FacesProps } from './Faces';
import type { GiveUpProps } from './GiveUp';
import type { HeatProps } from './HeatOfJoint';
import type { VerdictProps } from './VerdictWords';

const loadEnd = async () => (await import('./EndDrawing')).EndDrawing;
const loadFaces = async () => (await import('./Faces')).Faces;
const loadVerdict = async () => (await import('./VerdictWords')).VerdictWords;
const loadHeat = async () => (await import('./HeatOfJoint')).HeatOfJoint;
const loadGiveUp = async () => (await import('./GiveUp')).GiveUp;
const [end, faces, verdict, giveUp, heat] = import.meta.env.SSR
  ? await Promise.all([loadEnd(), loadFaces(), loadVerdict(), loadGiveUp(), loadHeat()])
  : [];

/** The end in the vice: there at once, and followed as soon as its script is. */
export const EndInVice = (props: EndDrawingProps) => (
  <Later name="vice" load={loadEnd} onServer={end} with={props} />
);

/** The connectors from the front with the meter’s leads on them. */
export const FacesAtMeter = (props: FacesProps) => (
  <Later name="faces" load={loadFaces} onServer={faces} with={props} />
);

/** What it took from the shelf, and giving it up. */
export const GiveUpLater = (props: GiveUpProps) => (
  <Later name="give-up" load={loadGiveUp} onServer={giveUp} with={props} />
);

/** How hot and how long a joint is soldered. */
export const HeatLater = (props: HeatProps) => (
  <Later name="heat" load={loadHeat} onServer={heat} with={props} />
);

/** The verdict in words. What says it is fetched with the page: it is there when the last reading is taken, the server away or not. */
export const Verdict = (props: VerdictProps) => (
  <Later name="verdict" load={loadVerdict} onServer={verdict} with={props} />
);
export const useVerdictLater = (): void => void useLater(loadVerdict);

import { Later, useLater } from '../../ui';
import type { FacesProps } from './Faces';
import type { ReadingsProps } from './Readings';
import type { VerdictProps } from './VerdictWords';

const loadFaces = async () => (await import('./Faces')).Faces;
const loadVerdict = async () => (await import('./VerdictWords')).VerdictWords;
const loadReadings = async () => (await import('./Readings')).Readings;
const [faces, verdict, readings] = import.meta.env.SSR
  ? await Promise.all([loadFaces(), loadVerdict(), loadReadings()])
  : [];

/** The connectors from the front with the meter’s leads on them. */
export const FacesAtMeter = (props: FacesProps) => (
  <Later name="faces" load={loadFaces} onServer={faces} with={props} />
);

/** The verdict in words. What says it is fetched with the page: it is there when the last reading is taken, the server away or not. */
export const Verdict = (props: VerdictProps) => (
  <Later name="verdict" load={loadVerdict} onServer={verdict} with={props} />
);
export const useVerdictLater = (): void => void useLater(loadVerdict);

/** What was answered so far. Its script is fetched with the page, as that of the verdict is. */
export const ReadingsLater = (props: ReadingsProps) => (
  <Later name="readings" load={loadReadings} onServer={readings} with={props} />
);

import { createElement } from 'react';
import { Later, useLater } from '../../ui';
import type { AtBenchProps } from './AtBench';
import type { BraidingProps } from './Braiding';
import type { EndDrawingProps } from './EndDrawing';
import type { FacesProps } from './Faces';
import type { GiveUpProps } from './GiveUp';
import type { HeatProps } from './HeatOfJoint';
import type { LabelProps } from './LabelOfUnit';
import type { ReadingsProps } from './Readings';
import type { WrongProps } from './SomethingWrong';
import type { VerdictProps } from './VerdictWords';

const loadEnd = async () => (await import('./EndDrawing')).EndDrawing;
const loadBraiding = async () => (await import('./Braiding')).Braiding;
const loadFaces = async () => (await import('./Faces')).Faces;
const loadVerdict = async () => (await import('./VerdictWords')).VerdictWords;
const loadHeat = async () => (await import('./HeatOfJoint')).HeatOfJoint;
const loadGiveUp = async () => (await import('./GiveUp')).GiveUp;
const loadAtBench = async () => (await import('./AtBench')).AtBench;
const loadLabel = async () => (await import('./LabelOfUnit')).LabelOfUnit;
const loadReadings = async () => (await import('./Readings')).Readings;
const loadWrong = async () => (await import('./SomethingWrong')).SomethingWrong;
const [end, braiding, faces, verdict, giveUp, heat, atBench, label, readings] = import.meta.env.SSR
  ? await Promise.all([
      loadEnd(),
      loadBraiding(),
      loadFaces(),
      loadVerdict(),
      loadGiveUp(),
      loadHeat(),
      loadAtBench(),
      loadLabel(),
      loadReadings(),
    ])
  : [];

/** The end in the vice: there at once, and followed as soon as its script is. */
export const EndInVice = (props: EndDrawingProps) => (
  <Later name="vice" load={loadEnd} onServer={end} with={props} />
);

/** Wires that are braided, likewise. */
export const BraidingInHand = (props: BraidingProps) => (
  <Later name="braiding" load={loadBraiding} onServer={braiding} with={props} />
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

/** What was answered so far. Its script is fetched with the page, as that of the verdict is. */
export const ReadingsLater = (props: ReadingsProps) => (
  <Later name="readings" load={loadReadings} onServer={readings} with={props} />
);

/** How long is left, and what lies on the bench beside it. */
export const AtBenchLater = (props: AtBenchProps) => (
  <Later name="at-bench" load={loadAtBench} onServer={atBench} with={props} />
);

/** Saying what is wrong. Its script is fetched with the page: it is there when it is wanted, the server away or not. */
export function WrongLater(props: WrongProps) {
  const Wrong = useLater(loadWrong, true, 0);
  return Wrong ? createElement(Wrong, props) : null;
}

/** What stands on the label. */
export const LabelLater = (props: LabelProps) => (
  <Later name="label" load={loadLabel} onServer={label} with={props} />
);
/** What is wanted at the bench later on, the server away or not, is fetched with the page. */
export function useBenchLater(): void {
  useLater(loadWrong);
  useLater(loadLabel);
}

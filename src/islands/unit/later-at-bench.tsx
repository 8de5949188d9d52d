import { createElement } from 'react';
import { Later, useLater } from '../../ui';
import type { AtBenchProps } from './AtBench';
import type { BraidingProps } from './Braiding';
import type { GiveUpProps } from './GiveUp';
import type { HeatProps } from './HeatOfJoint';
import type { LabelProps } from './LabelOfUnit';
import type { WrongProps } from './SomethingWrong';

const loadBraiding = async () => (await import('./Braiding')).Braiding;
const loadHeat = async () => (await import('./HeatOfJoint')).HeatOfJoint;
const loadGiveUp = async () => (await import('./GiveUp')).GiveUp;
const loadAtBench = async () => (await import('./AtBench')).AtBench;
const loadLabel = async () => (await import('./LabelOfUnit')).LabelOfUnit;
const loadWrong = async () => (await import('./SomethingWrong')).SomethingWrong;
const [braiding, giveUp, heat, atBench, label] = import.meta.env.SSR
  ? await Promise.all([loadBraiding(), loadGiveUp(), loadHeat(), loadAtBench(), loadLabel()])
  : [];

/** Wires that are braided, likewise. */
export const BraidingInHand = (props: BraidingProps) => (
  <Later name="braiding" load={loadBraiding} onServer={braiding} with={props} />
);

/** What it took from the shelf, and giving it up. */
export const GiveUpLater = (props: GiveUpProps) => (
  <Later name="give-up" load={loadGiveUp} onServer={giveUp} with={props} />
);

/** How hot and how long a joint is soldered. */
export const HeatLater = (props: HeatProps) => (
  <Later name="heat" load={loadHeat} onServer={heat} with={props} />
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

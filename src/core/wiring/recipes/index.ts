import { balancedStraight } from './balanced-straight';
import { balancedSum } from './balanced-sum';
import { balancedToUnbalanced } from './balanced-to-unbalanced';
import { continuityLamp } from './continuity-lamp';
import { polarityReverse, screenLift, turnaround } from './exceptions';
import { fanOut } from './fan-out';
import { headphoneCord, headphoneLead } from './headphone-lead';
import { insert } from './insert';
import { loudspeaker, loudspeakerBridge } from './loudspeaker';
import { monoToBoth } from './mono-to-both';
import { pad } from './pad';
import { quasiBalanced } from './quasi-balanced';
import { recordPlayer } from './record-player';
import { shortingPlug } from './shorting-plug';
import { chainSplit, split } from './split';
import { stereoIntoBalanced } from './stereo-into-balanced';
import { bareY, sum } from './sum';
import { tellTale } from './tell-tale';
import { transformer } from './transformer';
import type { Recipe } from './types';
import { stereoToBalancedPair, unbalancedToBalanced } from './unbalanced-to-balanced';
import { headsetSplit, stereoStraight, talkbackStraight, unbalancedStraight } from './unbalanced-straight';
import { testTail, threeStrand, twistedPair } from './unscreened';
import { volumeBox } from './volume-box';

export { kindOf, wrongAnyway } from './shape';
export { answer, type Choice, type Recipe, type Refusal, type Suits } from './types';

/** In the order they are offered where several suit as well. */
export const RECIPES: readonly Recipe[] = [
  balancedStraight,
  fanOut,
  balancedToUnbalanced,
  unbalancedToBalanced,
  stereoToBalancedPair,
  unbalancedStraight,
  stereoStraight,
  talkbackStraight,
  headsetSplit,
  monoToBoth,
  sum,
  balancedSum,
  split,
  chainSplit,
  insert,
  turnaround,
  loudspeaker,
  loudspeakerBridge,
  twistedPair,
  threeStrand,
  testTail,
  recordPlayer,
  headphoneLead,
  headphoneCord,
  continuityLamp,
  volumeBox,
  tellTale,
  shortingPlug,
  pad,
  quasiBalanced,
  transformer,
  polarityReverse,
  screenLift,
  stereoIntoBalanced,
  bareY,
];

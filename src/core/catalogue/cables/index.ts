import type { CableEntry } from '../entries';
import { instrumentCoax, videoCoax } from './coax';
import { loudspeakerCables } from './loudspeaker';
import { multipairs } from './multipair';
import { pairBraid, pairFoil, pairInWall, pairMini, pairSpiral, twistedPair } from './pair';
import { miniQuad, starQuad } from './quad';
import { braid3, earthWire, fourCore, hookUp, litz, probeWire } from './strands';
import { twinMini } from './twin';

export const CABLES: readonly CableEntry[] = [
  pairBraid,
  pairSpiral,
  pairFoil,
  pairInWall,
  pairMini,
  starQuad,
  miniQuad,
  instrumentCoax,
  twinMini,
  ...multipairs,
  ...loudspeakerCables,
  twistedPair,
  braid3,
  hookUp(3),
  hookUp(5),
  probeWire,
  fourCore,
  earthWire,
  litz,
  videoCoax,
];

import type { ReactNode } from 'react';
import { BenchStage, LogStage, ProveStage } from './BuildStages';
import { IntentStage } from './IntentStage';
import { KitStage } from './KitStage';
import { SignalStage } from './SignalStage';
import type { StageProps } from './stage-props';
import { WiringStage } from './WiringStage';

/** A stage along the lead. Adding one is an entry here. */
export interface StageDef {
  /** Its word on the cable and in the address. */
  readonly name: string;
  /** What is behind it. */
  readonly door: (props: StageProps) => ReactNode;
  /** Whether it is behind us; one that cannot be told is never filled. */
  readonly done?: (props: Omit<StageProps, 'onChange'>) => boolean;
}

const stopless = ({ read, found }: Omit<StageProps, 'onChange'>): boolean =>
  read.lead !== undefined && found.every((finding) => finding.severity !== 'stop');

export const STAGES: readonly StageDef[] = [
  { name: 'intent', door: IntentStage, done: stopless },
  { name: 'wiring', door: WiringStage, done: stopless },
  { name: 'signal', door: SignalStage, done: stopless },
  { name: 'kit', door: KitStage, done: ({ sheet }) => sheet.units.length > 0 },
  {
    name: 'bench',
    door: BenchStage,
    done: ({ sheet }) => sheet.units.some((unit) => unit.stage !== 'bench'),
  },
  {
    name: 'prove',
    door: ProveStage,
    done: ({ sheet }) => sheet.units.some((unit) => unit.stage === 'label' || unit.stage === 'logged'),
  },
  { name: 'log', door: LogStage, done: ({ sheet }) => sheet.units.some((unit) => unit.stage === 'logged') },
];

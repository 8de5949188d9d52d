import { shelf } from '../app/shelf';
import type { StageFacts, StageProps } from './stage-props';

/** A stage along the lead. Adding one is an entry here, and one among the doors. */
export interface StageDef {
  /** Its word on the cable and in the address. */
  readonly name: string;
  /** Whether it is behind us; one that cannot be told is never filled. */
  readonly done?: (props: StageFacts) => boolean;
}

const stopless = ({ read, found }: StageFacts): boolean =>
  read.lead !== undefined && found.every((finding) => finding.severity !== 'stop');

const ALONG: readonly StageDef[] = [
  { name: 'intent', done: stopless },
  { name: 'wiring', done: stopless },
  { name: 'signal', done: stopless },
  { name: 'kit', done: ({ sheet }) => sheet.units.length > 0 || sheet.laidOut },
  { name: 'bench', done: ({ sheet }) => sheet.units.some((unit) => unit.stage !== 'bench') },
  {
    name: 'prove',
    done: ({ sheet }) => sheet.units.some((unit) => unit.stage === 'label' || unit.stage === 'logged'),
  },
  { name: 'log', done: ({ sheet }) => sheet.units.some((unit) => unit.stage === 'logged') },
];

/** What is behind each stage: fetched when it is first opened. */
const doors = shelf<StageProps>(
  import.meta.env.SSR
    ? {}
    : {
        intent: async () => (await import('./IntentStage')).IntentStage,
        wiring: async () => (await import('./WiringStage')).WiringStage,
        signal: async () => (await import('./SignalStage')).SignalStage,
        kit: async () => (await import('./KitStage')).KitStage,
        bench: async () => (await import('./BenchStage')).BenchStage,
        prove: async () => (await import('./ProveStage')).ProveStage,
        log: async () => (await import('./LogStage')).LogStage,
      },
);

/** The stages in their order along the lead. */
export const STAGES = {
  along: ALONG,
  isOne: (name: string): boolean => ALONG.some((each) => each.name === name),
  /** The one so many further along; nothing beyond the ends. */
  from: (name: string, by: number): string | undefined =>
    ALONG[ALONG.findIndex((each) => each.name === name) + by]?.name,
  doors,
} as const;

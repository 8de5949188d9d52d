import { useEffect, useRef, useState } from 'react';
import {
  CUT_VERSION,
  stockOf,
  type CutPiece,
  type CutPlan,
  type CutProblem,
  type ShelfPiece,
} from '../../core/stock';
import type { JobCut } from '../../server/shelf/job-cuts';
import { Button, Mark } from '../../ui';
import { planCuts, type Planning } from '../../workers/cuts';
import type { Kept } from './kept';
import styles from './Shelf.module.css';
import { Tapes } from './Tapes';
import type { Happened } from './useShelf';

/** A plan is bettered so long, s. */
const SECONDS = 10;

interface Props {
  readonly item: string;
  readonly cable: string;
  readonly cuts: readonly JobCut[];
  readonly pieces: readonly ShelfPiece[];
  readonly kept: Kept;
  readonly onKeep: (change: (now: Kept) => Kept) => void;
  readonly onHappened: (events: readonly Happened[]) => Promise<string | undefined>;
}

/** A cut by its name on the tape: its lead, and which of its cables where it has several. */
const nameOf = (cut: JobCut, cuts: readonly JobCut[]): string =>
  cuts.filter(({ lead }) => lead === cut.lead).length > 1 ? `${cut.name}, ${cut.span}` : cut.name;
const idOf = ({ lead, span }: JobCut): string => `${lead} ${span}`;

/** What is still to be cut of one cable, and from what. */
function problemOf({ item, cuts, pieces, kept }: Props): CutProblem | undefined {
  const open = cuts.flatMap((cut) => {
    const count = (kept.counts[cut.lead] ?? 1) - (kept.done[idOf(cut)] ?? 0);
    return count > 0 ? [{ id: idOf(cut), mm: cut.mm, count }] : [];
  });
  return open.length === 0
    ? undefined
    : {
        version: CUT_VERSION,
        kerfMm: kept.kerfMm,
        leastOffcutMm: kept.leastMm,
        stock: [...stockOf(pieces, item)],
        cuts: open,
      };
}

/** Planning in a worker, each better plan as it is found; what went wrong, and stopping with the best so far. */
function usePlanning(
  asked: CutProblem | undefined,
  onPlan: (plan: CutPlan) => void,
): {
  readonly running: boolean;
  readonly problem: string | undefined;
  readonly setProblem: (problem: string | undefined) => void;
  readonly plan: () => Promise<void>;
  readonly stop: () => void;
} {
  const [running, setRunning] = useState(false);
  const [problem, setProblem] = useState<string>();
  const planning = useRef<Planning>(undefined);
  useEffect(() => () => planning.current?.stop(), []);
  return {
    running,
    problem,
    setProblem,
    async plan() {
      if (!asked) return;
      setRunning(true);
      setProblem(undefined);
      planning.current = planCuts(asked, SECONDS, onPlan);
      try {
        onPlan(await planning.current.done);
      } catch (error) {
        setProblem(error instanceof Error ? error.message : 'That could not be planned.');
      }
      setRunning(false);
    },
    stop() {
      planning.current?.stop();
      setRunning(false);
    },
  };
}

/** One cable of a job: its plan, made, stopped, drawn as tapes and ticked off. */
export function CutCable(props: Props) {
  const { item, cable, cuts, pieces, kept, onKeep, onHappened } = props;
  const own = kept.plans[item];
  const asked = problemOf(props);
  const { running, problem, setProblem, plan, stop } = usePlanning(asked, (next) =>
    onKeep((now) => ({ ...now, plans: { ...now.plans, [item]: { plan: next, cut: [] } } })),
  );
  const tick = async (piece: CutPiece): Promise<void> => {
    const lengths = piece.cuts.flatMap((id) => cuts.find((cut) => idOf(cut) === id) ?? []);
    const isTooShort = piece.restMm > 0 && piece.restMm < kept.leastMm;
    const said = await onHappened([
      ...lengths.map((cut): Happened => ({
        piece: piece.stock,
        kind: 'cut',
        amount: cut.mm,
        what: nameOf(cut, cuts),
      })),
      ...(isTooShort
        ? [{ piece: piece.stock, kind: 'scrapped' as const, amount: piece.restMm, what: 'too short to keep' }]
        : []),
    ]);
    setProblem(said === undefined ? undefined : `${said} Plan anew.`);
    if (said !== undefined) return;
    onKeep((now) => {
      const before = now.plans[item];
      const done = { ...now.done };
      for (const id of piece.cuts) done[id] = (done[id] ?? 0) + 1;
      return {
        ...now,
        done,
        plans: before
          ? { ...now.plans, [item]: { ...before, cut: [...before.cut, piece.stock] } }
          : now.plans,
      };
    });
  };
  const open = asked?.cuts.reduce((sum, { count }) => sum + count, 0) ?? 0;
  return (
    <section aria-label={cable} className={styles['cable']}>
      <h3>{cable}</h3>
      <p className={styles['row']}>
        {open === 0 ? 'All of it is cut.' : `${open} to cut, ${metres(asked?.cuts ?? [])} in all.`}{' '}
        {open > 0 &&
          (running ? (
            <Button onClick={stop}>Stop: take the best so far</Button>
          ) : (
            <Button onClick={() => void plan()}>{own ? 'Plan anew' : 'Plan the cuts'}</Button>
          ))}
      </p>
      {problem !== undefined && <p role="alert">{problem}</p>}
      {own && (
        <>
          <p role="status">{running ? 'Looking for better…' : sayPlan(own.plan, cuts)}</p>
          <Tapes
            plan={own.plan}
            cut={own.cut}
            pieces={pieces}
            nameOf={(id) => {
              const found = cuts.find((each) => idOf(each) === id);
              return found ? { name: nameOf(found, cuts), mm: found.mm } : { name: id, mm: 0 };
            }}
            onTick={running ? undefined : (piece) => void tick(piece)}
          />
          {own.plan.short && <Short short={own.plan.short} cuts={cuts} />}
        </>
      )}
    </section>
  );
}

const metres = (cuts: readonly { readonly mm: number; readonly count: number }[]): string =>
  `${(cuts.reduce((sum, { mm, count }) => sum + mm * count, 0) / 1000).toFixed(1)} m`;

/** What a plan comes to, and how sure it is. */
function sayPlan(
  { reelsOpened, wasteMm, longestRestMm, optimal, bound }: CutPlan,
  cuts: readonly JobCut[],
): string {
  if (cuts.length === 0) return '';
  const reels =
    reelsOpened === 0
      ? 'No whole reel is opened'
      : `${reelsOpened === 1 ? 'One reel is' : `${reelsOpened} reels are`} opened`;
  const waste = wasteMm === 0 ? 'nothing is wasted' : `${(wasteMm / 1000).toFixed(2)} m is too short to keep`;
  const rest = `the longest rest is ${(longestRestMm / 1000).toFixed(2)} m`;
  const sure = optimal
    ? 'Proven: no plan is better.'
    : `Not proven: none opens fewer than ${bound.reelsOpened}, or wastes less than ${(bound.wasteMm / 1000).toFixed(2)} m.`;
  return `${reels}, ${waste}, ${rest}. ${sure}`;
}

function Short({
  short,
  cuts,
}: {
  readonly short: NonNullable<CutPlan['short']>;
  readonly cuts: readonly JobCut[];
}) {
  const metresShort = short.reduce((sum, { missingMm }) => sum + missingMm, 0) / 1000;
  return (
    <div role="alert" className={styles['short']}>
      <Mark kind="stop" word="Short" /> {metresShort.toFixed(1)} m are missing:{' '}
      {short
        .map(({ id, count }) => {
          const cut = cuts.find((each) => idOf(each) === id);
          return `${count} × ${cut ? nameOf(cut, cuts) : id}`;
        })
        .join(', ')}
      . Take more in, or make fewer.
    </div>
  );
}

import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import {
  CUT_VERSION,
  stockOf,
  type CutPiece,
  type CutPlan,
  type CutProblem,
  type ShelfPiece,
} from '../../core/stock';
import type { JobCut } from '../../server/making/cuts';
import { Button, Mark } from '../../ui';
import { planCuts, type Planning } from '../../workers/cuts';
import { newId } from '../kept';
import type { Kept, KeptPlan } from './kept';
import styles from './Shelf.module.css';
import { Tapes } from './Tapes';
import type { Happened } from './useShelf';

/** A plan is bettered so long, s. */
const SECONDS = 10;

interface Props {
  readonly job: string;
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
/** Another length is another cut. */
const idOf = ({ lead, span, mm }: JobCut): string => `${lead} ${span} ${mm}`;

/** What is still to be cut of one cable, and from what. */
function problemOf({ item, cuts, pieces, kept }: Props): CutProblem | undefined {
  const open = cuts.flatMap((cut) =>
    cut.toCut > 0 ? [{ id: idOf(cut), mm: cut.mm, count: cut.toCut }] : [],
  );
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

/** Whether a plan is of what is to be cut now: the same cuts, those that it has cut already among them. */
function isOfNow({ plan, cut }: KeptPlan, asked: CutProblem | undefined): boolean {
  const left = new Map<string, number>();
  const add = (id: string, count: number): void => void left.set(id, (left.get(id) ?? 0) + count);
  for (const piece of plan.pieces) if (!cut.includes(piece.stock)) for (const id of piece.cuts) add(id, 1);
  for (const { id, count } of plan.short ?? []) add(id, count);
  const open = asked?.cuts ?? [];
  return open.length === left.size && open.every(({ id, count }) => left.get(id) === count);
}

/** A plan with an id for everything that will be recorded of it. */
const keptPlan = (plan: CutPlan): KeptPlan => ({
  plan,
  cut: [],
  ids: Object.fromEntries(
    plan.pieces.map(({ stock, cuts }) => [stock, [...cuts, 'rest'].map(() => newId())]),
  ),
});

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

/** Ticking off what is cut: written down on the shelf, then done here. */
function useTicking(
  { job, item, cuts, kept, onKeep, onHappened }: Props,
  setProblem: (problem: string | undefined) => void,
): { readonly ticking: boolean; readonly tick: (piece: CutPiece) => Promise<void> } {
  const own = kept.plans[item];
  const client = useQueryClient();
  const [ticking, setTicking] = useState(false);
  const tick = async (piece: CutPiece): Promise<void> => {
    if (ticking) return;
    setTicking(true);
    const ids = own?.ids[piece.stock] ?? [];
    const lengths = piece.cuts.flatMap((id) => cuts.find((cut) => idOf(cut) === id) ?? []);
    const isTooShort = piece.restMm > 0 && piece.restMm < kept.leastMm;
    const said = await onHappened([
      ...lengths.map((cut, n): Happened => ({
        id: ids[n] ?? newId(),
        piece: piece.stock,
        kind: 'cut',
        amount: cut.mm,
        what: nameOf(cut, cuts),
        lead: cut.lead,
        span: cut.span,
      })),
      ...(isTooShort
        ? [
            {
              id: ids.at(-1) ?? newId(),
              piece: piece.stock,
              kind: 'scrapped' as const,
              amount: piece.restMm,
              what: 'too short to keep',
            },
          ]
        : []),
    ]);
    // The plan is of what is still to be cut: what that is now is known before it is ticked off.
    await client.invalidateQueries({ queryKey: [`/api/jobs/${job}/cuts`] });
    setTicking(false);
    setProblem(said === undefined ? undefined : `${said} Plan anew.`);
    if (said !== undefined) return;
    onKeep((now) => {
      const before = now.plans[item];
      return before
        ? { ...now, plans: { ...now.plans, [item]: { ...before, cut: [...before.cut, piece.stock] } } }
        : now;
    });
  };
  return { ticking, tick };
}

/** One cable of a job: its plan, made, stopped, drawn as tapes and ticked off. */
export function CutCable(props: Props) {
  const { item, cable, cuts, pieces, kept, onKeep } = props;
  const own = kept.plans[item];
  const asked = problemOf(props);
  const { running, problem, setProblem, plan, stop } = usePlanning(asked, (next) =>
    onKeep((now) => ({ ...now, plans: { ...now.plans, [item]: keptPlan(next) } })),
  );
  const { ticking, tick } = useTicking(props, setProblem);
  const isOf = own !== undefined && (running || ticking || isOfNow(own, asked));
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
      {own && !isOf && open > 0 && (
        <p role="status">What is to be cut is not what was planned any more: plan anew.</p>
      )}
      {isOf && (
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
            onTick={running || ticking ? undefined : (piece) => void tick(piece)}
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

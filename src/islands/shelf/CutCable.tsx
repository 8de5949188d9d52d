import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import {
  CUT_VERSION,
  pieceOfStock,
  stockOf,
  type CutPiece,
  type CutPlan,
  type CutProblem,
  type CutRules,
  type ShelfPiece,
} from '../../core/stock';
import type { JobCut, JobCuts } from '../../server/making/cuts';
import type { PlanOfCable } from '../../server/making/plans';
import { Button, Mark } from '../../ui';
import { nameOf } from './cut-names';
import { Otherwise } from './Otherwise';
import styles from './Shelf.module.css';
import { Tapes } from './Tapes';
import { usePlanning, useTicking } from './useCuts';
import type { Happened } from './useShelf';

interface Props {
  readonly job: string;
  readonly item: string;
  readonly cable: string;
  readonly cuts: readonly JobCut[];
  /** What this job may cut from: without what is held for others. */
  readonly free: readonly ShelfPiece[];
  readonly pieces: readonly ShelfPiece[];
  readonly rules: CutRules;
  readonly kept: PlanOfCable | undefined;
  readonly onHappened: (events: readonly Happened[]) => Promise<string | undefined>;
}

/** What is still to be cut of one cable, and from what. */
function problemOf({
  item,
  cuts,
  free,
  rules,
}: Pick<Props, 'item' | 'cuts' | 'free' | 'rules'>): CutProblem | undefined {
  const open = cuts.flatMap((cut) => (cut.toCut > 0 ? [{ id: cut.id, mm: cut.mm, count: cut.toCut }] : []));
  return open.length === 0
    ? undefined
    : { version: CUT_VERSION, ...rules, stock: [...stockOf(free, item)], cuts: open };
}

/** Whether a plan is of what is to be cut now: the same cuts, those that it has cut already among them. */
function isOfNow({ plan, cut }: PlanOfCable, asked: CutProblem | undefined): boolean {
  const left = new Map<string, number>();
  const add = (id: string, count: number): void => void left.set(id, (left.get(id) ?? 0) + count);
  for (const piece of plan.pieces) if (!cut.includes(piece.stock)) for (const id of piece.cuts) add(id, 1);
  for (const { id, count } of plan.short ?? []) add(id, count);
  const open = asked?.cuts ?? [];
  return open.length === left.size && open.every(({ id, count }) => left.get(id) === count);
}

/** Whether every piece that a plan still cuts from is as long as it takes it to be. */
const isOfShelf = (
  { plan, cut }: PlanOfCable,
  asked: CutProblem | undefined,
  mmOf: (id: string) => number,
): boolean =>
  plan.pieces.every(
    ({ stock, cuts }) =>
      cut.includes(stock) ||
      (asked?.stock.find(({ id }) => id === stock)?.mm ?? 0) >= cuts.reduce((sum, id) => sum + mmOf(id), 0),
  );

/** One cable of a job: its plan, made, stopped, drawn as tapes and ticked off. */
export function CutCable(props: Props) {
  const { job, item, cable, cuts, pieces, rules, kept } = props;
  const asked = problemOf(props);
  const { running, best, problem, setProblem, plan, stop } = usePlanning(job, item);
  const own = best ?? kept;
  const { ticking, tick, eventsOf } = useTicking({ ...props, own: kept });
  const [otherwise, setOtherwise] = useState<CutPiece>();
  const named = (id: string): { readonly name: string; readonly mm: number } => {
    const found = cuts.find((each) => each.id === id);
    return found ? { name: nameOf(found, cuts), mm: found.mm } : { name: id, mm: 0 };
  };
  const isOf =
    own !== undefined &&
    (running || ticking || (isOfNow(own, asked) && isOfShelf(own, asked, (id) => named(id).mm)));
  const client = useQueryClient();
  const [isAsking, setAsking] = useState(false);
  // Planned is from what lies on the shelf now: a reel that was taken in a moment ago, what was done otherwise. Where the server is
  // away it is planned from what is known here.
  const planNow = async (): Promise<void> => {
    const at = [`/api/jobs/${job}/cuts`];
    setAsking(true);
    await client.invalidateQueries({ queryKey: at });
    setAsking(false);
    const now = client.getQueryData<JobCuts>(at);
    if (!now) return;
    await plan(problemOf({ ...props, cuts: now.cuts.filter((cut) => cut.item === item), free: now.pieces }));
  };
  const open = asked?.cuts.reduce((sum, { count }) => sum + count, 0) ?? 0;
  return (
    <section aria-label={cable} className={styles['cable']}>
      <h3>{cable}</h3>
      <p className={styles['row']}>
        {open === 0 ? 'Nothing is left to cut.' : `${open} to cut, ${metres(asked?.cuts ?? [])} in all.`}{' '}
        {open > 0 &&
          (running ? (
            <Button onClick={stop}>Stop: take the best so far</Button>
          ) : (
            <Button disabled={isAsking} onClick={() => void planNow()}>
              {own ? 'Plan anew' : 'Plan the cuts'}
            </Button>
          ))}
      </p>
      {problem !== undefined && <p role="alert">{problem}</p>}
      {own && !isOf && open > 0 && (
        <p role="status">What is to be cut, or what there is, is not what was planned any more: plan anew.</p>
      )}
      {isOf && (
        <>
          <p role="status">{running ? 'Looking for better…' : sayPlan(own.plan, cuts)}</p>
          <Tapes
            plan={own.plan}
            cut={own.cut}
            pieces={pieces}
            rules={rules}
            nameOf={named}
            onTick={
              running || ticking ? undefined : (piece) => void tick(piece).then((said) => setProblem(said))
            }
            onOtherwise={running || ticking ? undefined : setOtherwise}
          />
          {own.plan.short && <Short short={own.plan.short} cuts={cuts} />}
        </>
      )}
      {otherwise && (
        <Otherwise
          key={otherwise.stock}
          piece={pieces.find(({ id }) => id === pieceOfStock(otherwise.stock))}
          name={`Piece ${(own?.plan.pieces.findIndex(({ stock }) => stock === otherwise.stock) ?? 0) + 1} of the plan`}
          asPlanned={eventsOf(otherwise)}
          onHappened={props.onHappened}
          onDone={(happened) => {
            setOtherwise(undefined);
            if (happened) void planNow();
          }}
        />
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
    : reelsOpened === bound.reelsOpened && wasteMm <= bound.wasteMm
      ? 'Proven but for the longest rest: there may be a plan that leaves more in one piece.'
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
          const cut = cuts.find((each) => each.id === id);
          return `${count} × ${cut ? nameOf(cut, cuts) : id}`;
        })
        .join(', ')}
      . Take more in, or make fewer.
    </div>
  );
}

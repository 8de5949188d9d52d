import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import {
  cutFrom,
  cutId,
  pieceOfStock,
  type CutPiece,
  type CutPlan,
  type CutProblem,
  type CutRules,
  type ShelfPiece,
} from '../../core/stock';
import type { JobCut, JobCuts } from '../../server/making/cuts';
import type { PlanOfCable } from '../../server/making/plans';
import { planCuts, type Planning } from '../../workers/cuts';
import { ApiProblem, put } from '../app';
import { newId } from '../kept';
import { nameOf } from './cut-names';
import type { Happened } from './useShelf';

/** A plan is bettered so long, s. */
const SECONDS = 10;

/**
 * The plan of one cable of a job, kept on the server: planning in a worker, each better plan as it is found; stopping with the
 * best so far; what went wrong.
 */
export function usePlanning(
  job: string,
  item: string,
): {
  readonly running: boolean;
  /** The best so far, while more is looked for and until it is kept. */
  readonly best: PlanOfCable | undefined;
  readonly problem: string | undefined;
  readonly setProblem: (problem: string | undefined) => void;
  readonly plan: (asked: CutProblem | undefined) => Promise<void>;
  readonly stop: () => void;
} {
  const client = useQueryClient();
  const [running, setRunning] = useState(false);
  const [problem, setProblem] = useState<string>();
  const [best, setBest] = useState<PlanOfCable>();
  const planning = useRef<Planning>(undefined);
  const isHere = useRef(true);
  useEffect(() => {
    isHere.current = true;
    return () => {
      isHere.current = false;
      planning.current?.stop();
    };
  }, []);
  const keep = async (plan: CutPlan): Promise<void> => {
    const at = `/api/jobs/${job}/cuts`;
    const planned = { seed: newId(), plan };
    try {
      await put(`/api/jobs/${job}/plans`, { item, planned });
      client.setQueryData<JobCuts>(
        [at],
        (now) =>
          now && {
            ...now,
            plans: [...now.plans.filter((each) => each.item !== item), { ...planned, item, cut: [] }],
          },
      );
    } catch (error) {
      if (isHere.current)
        setProblem(
          `The plan was not kept: ${error instanceof ApiProblem ? error.message : 'the server did not answer.'} Plan again.`,
        );
    }
    await client.invalidateQueries({ queryKey: [at] });
    if (!isHere.current) return;
    setBest(undefined);
    setRunning(false);
  };
  return {
    running,
    best,
    problem,
    setProblem,
    async plan(asked) {
      if (!asked) return;
      setRunning(true);
      setProblem(undefined);
      const show = (plan: CutPlan): void => setBest({ item, seed: '', plan, cut: [] });
      planning.current = planCuts(asked, SECONDS, show);
      try {
        await keep(await planning.current.done);
      } catch (error) {
        setProblem(error instanceof Error ? error.message : 'That could not be planned.');
        setRunning(false);
      }
    },
    stop() {
      planning.current?.stop();
      if (best) void keep(best.plan);
      else setRunning(false);
    },
  };
}

/** Ticking off what is cut: written down on the shelf, and by that done for everybody. */
export function useTicking({
  job,
  own,
  cuts,
  pieces,
  rules,
  onHappened,
}: {
  readonly job: string;
  readonly own: PlanOfCable | undefined;
  readonly cuts: readonly JobCut[];
  /** Of the whole shelf, with what is held for others. */
  readonly pieces: readonly ShelfPiece[];
  readonly rules: CutRules;
  readonly onHappened: (events: readonly Happened[]) => Promise<string | undefined>;
}): {
  readonly ticking: boolean;
  readonly tick: (piece: CutPiece) => Promise<string | undefined>;
  /** What happens to the shelf when it is cut as planned; nothing where that piece is gone. */
  readonly eventsOf: (piece: CutPiece) => readonly Happened[];
} {
  const client = useQueryClient();
  const [ticking, setTicking] = useState(false);
  const eventsOf = (piece: CutPiece): readonly Happened[] => {
    const from = pieces.find(({ id }) => id === pieceOfStock(piece.stock));
    const at = own?.plan.pieces.findIndex(({ stock }) => stock === piece.stock) ?? -1;
    if (!from || !own || at < 0) return [];
    const lengths = piece.cuts.flatMap((id) => {
      const cut = cuts.find((each) => each.id === id);
      return cut ? [{ mm: cut.mm, what: nameOf(cut, cuts), lead: cut.lead, span: cut.span }] : [];
    });
    return cutFrom(from, piece.stock, lengths, rules, (n) => cutId(own.seed, at, n));
  };
  const tick = async (piece: CutPiece): Promise<string | undefined> => {
    if (ticking || !own) return undefined;
    const events = eventsOf(piece);
    if (events.length === 0) return 'That piece is not on the shelf any more. Plan anew.';
    setTicking(true);
    const said = await onHappened(events);
    // The plan is of what is still to be cut: what that is now is known before it is ticked off.
    await client.invalidateQueries({ queryKey: [`/api/jobs/${job}/cuts`] });
    setTicking(false);
    return said === undefined ? undefined : `${said} Plan anew.`;
  };
  return { ticking, tick, eventsOf };
}

import { useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import type { Picks, PickState } from '../../../server/leads/picked';
import type { LeadSheet } from '../../../server/leads/service';
import { ApiProblem, put, putIn, useKnown } from '../../app';

type Kept = Pick<LeadSheet, 'picks' | 'laidOut'>;

interface Ticked {
  readonly line: string;
  readonly is: PickState | 'open';
}

const withPick = (picks: Picks, { line, is }: Ticked): Picks => {
  const { [line]: _, ...rest } = picks;
  return is === 'open' ? rest : { ...rest, [line]: is };
};

/**
 * What was picked of a kit, and picking: it is seen at once, and taken back with a word where the server did not take it.
 * `problem`: what was not kept, and why.
 */
export function usePicks(sheet: LeadSheet): {
  readonly picks: Picks;
  readonly pick: (line: string, is: Ticked['is']) => void;
  readonly problem: string | undefined;
} {
  const client = useQueryClient();
  const [problem, setProblem] = useState<string>();
  const [ahead, setAhead] = useState<readonly Ticked[]>([]);
  // One after the other, so that what was pressed last is what stands.
  const line = useRef(Promise.resolve());
  const address = `/api/leads/${sheet.id}`;
  // As it is known in this picture: what is not ahead any more is in it.
  const known = useKnown<LeadSheet>(address)?.picks ?? sheet.picks;
  const send = async (wanted: Ticked): Promise<void> => {
    try {
      const kept = await put<Kept>(`${address}/picks`, wanted);
      setProblem(undefined);
      putIn<LeadSheet>(client, address, (now) => now && { ...now, ...kept });
    } catch (error) {
      setProblem(
        `“${wanted.line}” was not kept: ${error instanceof ApiProblem ? error.message : 'the server did not answer.'} Press it again.`,
      );
    }
    setAhead((before) => before.filter((each) => each !== wanted));
  };
  return {
    picks: ahead.reduce(withPick, known),
    pick(of, is) {
      const wanted = { line: of, is };
      setAhead((before) => [...before, wanted]);
      line.current = line.current.then(() => send(wanted));
    },
    problem,
  };
}

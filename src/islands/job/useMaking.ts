import { useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import type { Making } from '../../server/making/asked';
import { ApiProblem, put, useGot } from '../app';

/** How many of one lead a job asks for. */
export interface Asked {
  readonly lead: string;
  readonly count: number;
  readonly pairs: boolean;
}

/**
 * What one address says of what a job asks for, and settling how many of a lead; `problem`: what was not kept, and why. While
 * more is being settled what was typed is shown, and what comes of it once the last is kept.
 */
export function useMaking<T extends { readonly leads: readonly Making[] }>(
  job: string,
  at: string,
): {
  readonly data: T | undefined;
  readonly settle: (asked: Asked) => void;
  readonly problem: string | undefined;
} {
  const client = useQueryClient();
  const { data } = useGot<T>(at);
  const [problem, setProblem] = useState<string>();
  const line = useRef(Promise.resolve());
  const waiting = useRef(0);
  const send = async (asked: Asked): Promise<void> => {
    try {
      await put(`/api/jobs/${job}/making`, asked);
      setProblem(undefined);
    } catch (error) {
      setProblem(
        `How many was not kept: ${error instanceof ApiProblem ? error.message : 'the server did not answer.'} Type it again.`,
      );
    }
    if (--waiting.current === 0) await client.invalidateQueries({ queryKey: [at] });
  };
  return {
    data,
    problem,
    settle(asked) {
      waiting.current++;
      // What is on its way was asked before this.
      void client.cancelQueries({ queryKey: [at] });
      client.setQueryData<T>(
        [at],
        (now) =>
          now && {
            ...now,
            leads: now.leads.map((each) => (each.lead === asked.lead ? { ...each, ...asked } : each)),
          },
      );
      line.current = line.current.then(() => send(asked));
    },
  };
}

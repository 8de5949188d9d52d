import { useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import type { JobKit } from '../../server/making/service';
import { ApiProblem, put, useGot } from '../app';

/** How many of one lead a job asks for. */
export interface Asked {
  readonly lead: string;
  readonly count: number;
  readonly pairs: boolean;
}

/** What a job asks for and takes, and settling how many of a lead; `problem`: what was not kept, and why. */
export function useJobKit(job: string): {
  readonly kit: JobKit | undefined;
  readonly settle: (asked: Asked) => void;
  readonly problem: string | undefined;
} {
  const client = useQueryClient();
  const at = `/api/jobs/${job}/kit`;
  const { data: kit } = useGot<JobKit>(at);
  const [problem, setProblem] = useState<string>();
  const line = useRef(Promise.resolve());
  const waiting = useRef(0);
  const send = async (asked: Asked): Promise<void> => {
    try {
      const now = await put<JobKit>(`/api/jobs/${job}/making`, asked);
      setProblem(undefined);
      // Where more was settled meanwhile, what comes of that is shown, and not this in between.
      if (--waiting.current === 0) client.setQueryData([at], now);
    } catch (error) {
      waiting.current--;
      setProblem(
        `How many was not kept: ${error instanceof ApiProblem ? error.message : 'the server did not answer.'} Type it again.`,
      );
      await client.invalidateQueries({ queryKey: [at] });
    }
  };
  return {
    kit,
    problem,
    settle(asked) {
      waiting.current++;
      client.setQueryData<JobKit>(
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

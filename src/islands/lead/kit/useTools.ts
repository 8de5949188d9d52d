import { useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import type { Workshop } from '../../../server/workshop/service';
import { ApiProblem, put, putIn, useWorkshop, WORKSHOP } from '../../app';

/** What the house has for the tools that kits ask for, and settling one; `problem`: what was not kept, and why. */
export function useTools(): {
  readonly own: NonNullable<Workshop['tools']>;
  readonly settle: (id: string, ours: string) => void;
  readonly problem: string | undefined;
} {
  const client = useQueryClient();
  const { tools = [] } = useWorkshop();
  const [problem, setProblem] = useState<string>();
  // One after the other, so that what was typed last is what stands.
  const line = useRef(Promise.resolve());
  const send = async (id: string, ours: string): Promise<void> => {
    try {
      const now = await put<Workshop>('/api/workshop/tools', { id, ours: ours === '' ? null : ours });
      putIn(client, WORKSHOP, now);
      setProblem(undefined);
    } catch (error) {
      setProblem(
        `“${ours}” was not kept: ${error instanceof ApiProblem ? error.message : 'the server did not answer.'} Type it again.`,
      );
      await client.invalidateQueries({ queryKey: [WORKSHOP] });
    }
  };
  return {
    own: tools,
    settle: (id, ours) => {
      line.current = line.current.then(() => send(id, ours));
    },
    problem,
  };
}

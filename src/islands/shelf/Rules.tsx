import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import type { CutRules } from '../../core/stock';
import type { Workshop } from '../../server/workshop/service';
import { SettledField } from '../../ui';
import { ApiProblem, put, putIn, WORKSHOP } from '../app';
import { mmOf } from './Otherwise';
import styles from './Shelf.module.css';

/** A blade takes nothing; a shorter rest than this makes no lead (common practice). */
const USUAL: CutRules = { kerfMm: 0, leastOffcutMm: 600 };

/** How the house cuts. */
export const rulesOf = ({ cutting }: Pick<Workshop, 'cutting'>): CutRules => cutting ?? USUAL;

const read = (text: string): number | undefined => {
  const mm = mmOf(text);
  return typeof mm === 'number' ? mm : undefined;
};
const write = (mm: number): string => (mm >= 1000 ? `${mm / 1000} m` : `${mm} mm`);

/** Settles one thing for the house, at its address; what went wrong in words. */
export function useHouse(): {
  readonly settle: (what: 'cutting' | 'levels', body: unknown) => Promise<void>;
  readonly problem: string | undefined;
} {
  const client = useQueryClient();
  const [problem, setProblem] = useState<string>();
  return {
    problem,
    async settle(what, body) {
      try {
        putIn(client, WORKSHOP, await put<Workshop>(`/api/workshop/${what}`, body));
        setProblem(undefined);
      } catch (error) {
        setProblem(
          `It was not kept: ${error instanceof ApiProblem ? error.message : 'the server did not answer.'}`,
        );
      }
    },
  };
}

/** The house’s rules of cutting, settled where they are used. */
export function Rules({ rules }: { readonly rules: CutRules }) {
  const { settle, problem } = useHouse();
  const field = (label: string, name: keyof CutRules) => (
    <SettledField
      text={write(rules[name])}
      read={read}
      write={write}
      otherwise="Give a length, as 3 mm or 0.6 m."
      onSettle={(mm) => void settle('cutting', { cutting: { ...rules, [name]: mm } })}
      label={label}
      input={{ maxLength: 20 }}
    />
  );
  return (
    <div className={styles['rules']} role="group" aria-label="How the house cuts">
      {field('Each cut costs', 'kerfMm')}
      {field('A rest is kept from', 'leastOffcutMm')}
      {problem !== undefined && <p role="alert">{problem}</p>}
    </div>
  );
}

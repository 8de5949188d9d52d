import { createElement, useEffect, type ReactNode } from 'react';
import { useLater } from '../../ui';
import { ApiProblem, Frame, usePlace, type KeyHelp } from '../app';
import styles from './Unit.module.css';
import { useUnit, type UnitOnPage } from './useUnit';

const loadKept = async () => (await import('./KeptInWords')).KeptOfNone;

/** The full screen that one unit is built or proven on: its frame and its data; what is on it comes as children. */
export function UnitPage({
  id,
  keys,
  children,
}: {
  id: string;
  keys: KeyHelp;
  children: (page: UnitOnPage) => ReactNode;
}) {
  return (
    <Frame keys={keys} bare>
      <Fetched id={id}>{children}</Fetched>
    </Frame>
  );
}

function Fetched({ id, children }: { id: string; children: (page: UnitOnPage) => ReactNode }) {
  const page = useUnit(id);
  const { prepare } = usePlace();
  // Between the bench and the meter one goes also while the server is away.
  useEffect(() => {
    const timer = setTimeout(
      () => ['bench', 'prove'].forEach((stage) => prepare(`/unit/${id}/${stage}`)),
      300,
    );
    return () => clearTimeout(timer);
    // eslint-disable-next-line react-hooks/exhaustive-deps -- how it is prepared never changes
  }, [id]);
  const lost = page.error instanceof ApiProblem && !page.error.passing;
  const Kept = useLater(loadKept, lost, 0);
  // Nothing is recorded before it is known what was left here.
  if (page.ready)
    return (
      <fieldset
        className={styles['unready']}
        disabled={!page.waiting.loaded}
        data-page=""
        role="presentation"
      >
        {children(page)}
      </fieldset>
    );
  return (
    <main id="main" tabIndex={-1}>
      <p>{lost ? page.error.message : 'Fetching the lead…'}</p>
      {lost && Kept && createElement(Kept, page)}
    </main>
  );
}

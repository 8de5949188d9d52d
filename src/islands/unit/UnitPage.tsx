import type { ReactNode } from 'react';
import { ApiProblem, Frame, type KeyHelp } from '../app';
import { KeptOfNone } from './KeptHere';
import { useUnit, type UnitOnPage } from './useUnit';

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
  if (page.ready) return children(page);
  const lost = page.error instanceof ApiProblem && !page.error.passing;
  return (
    <main>
      <p>{lost ? page.error.message : 'Fetching the lead…'}</p>
      {lost && <KeptOfNone waiting={page.waiting} />}
    </main>
  );
}

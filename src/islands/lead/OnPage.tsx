import type { ReactNode } from 'react';
import { unitNumber } from '../../core/kit';
import type { LeadSheet } from '../../server/leads/service';
import { Mark } from '../../ui';
import { useUnit, type UnitOnPage } from '../unit/useUnit';

const VERDICT_MARK = {
  good: ['good', 'Good'],
  fault: ['stop', 'Fault'],
  unclear: ['stop', 'Not good'],
  unfinished: ['note', 'Not finished'],
} as const;

/** The meter's verdict of a unit, in a word. */
export function VerdictMark({ page }: { page: UnitOnPage }) {
  const [kind, word] = VERDICT_MARK[page.verdict.is];
  return <Mark kind={kind} word={word} />;
}

/** A unit on a page of its lead, once it is known. */
export function OnPage({
  unit,
  children,
}: {
  unit: LeadSheet['units'][number];
  children: (page: UnitOnPage) => ReactNode;
}) {
  const page = useUnit(unit.id);
  return page.ready ? children(page) : <p>Fetching No. {unitNumber(unit.number)}…</p>;
}

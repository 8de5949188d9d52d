import type { Result } from '../../core/quantity';
import { figuresOfKind, type LeadSignal } from '../../core/signal';
import { Rows } from '../../ui';
import type { HeardLead } from '../../workers';

/** Kinds of figure that are worth a column when leads stand side by side. */
const COLUMNS = [
  ['gain', 'arrives'],
  ['minus3', '−3 dB'],
  ['hum', 'hum under it'],
  ['separation', 'separation'],
  ['dc', 'supply'],
] as const;

/** The figures that there are, a row for each lead. */
export function SideBySide({
  results,
  subjects,
}: {
  readonly results: readonly Result<LeadSignal>[];
  readonly subjects: readonly HeardLead[];
}) {
  const cell = (result: Result<LeadSignal>, kind: string): string =>
    result.ok ? (figuresOfKind(result.value.figures, kind)[0]?.says ?? '') : '';
  const columns = COLUMNS.filter(([kind]) => results.some((result) => cell(result, kind) !== ''));
  return (
    <Rows
      table={{
        name: 'Side by side',
        head: ['wiring', ...columns.map(([, name]) => name)],
        rows: results.map((result, n) => [
          subjects[n]?.name ?? '',
          ...columns.map(([kind]) => cell(result, kind)),
        ]),
      }}
    />
  );
}

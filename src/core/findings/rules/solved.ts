import type { Figure } from '../../signal';
import type { Channel } from '../../wiring';
import type { Subject } from '../types';

/** A figure of one link, with the channels that it is between. */
export interface SolvedFigure {
  readonly figure: Figure;
  /** Which link, as the figure’s id has it. */
  readonly name: string;
  readonly out: Channel | undefined;
  readonly into: Channel | undefined;
}

/** All figures of one kind that the circuit gives: one a link. */
export const figuresOf = (subject: Subject, kind: string): readonly SolvedFigure[] =>
  (subject.signal()?.figures ?? []).flatMap((figure) => {
    const match = new RegExp(`^${kind} (\\d+)-(\\d+)$`).exec(figure.id);
    return match
      ? [
          {
            figure,
            name: `${match[1]}-${match[2]}`,
            out: subject.situation.channels[Number(match[1])],
            into: subject.situation.channels[Number(match[2])],
          },
        ]
      : [];
  });

/** What the circuit says of a channel, as a sentence to put after the reason: nothing where it has no such figure. */
export function solvedOf(
  subject: Subject,
  out: Channel,
  clauses: Readonly<Record<string, (says: string) => string>>,
): string {
  const said = Object.entries(clauses).flatMap(([kind, words]) => {
    const found = figuresOf(subject, kind).find((each) => each.out === out);
    return found ? [words(found.figure.says)] : [];
  });
  return said.length === 0 ? '' : ` By the circuit ${said.join(', and ')}.`;
}

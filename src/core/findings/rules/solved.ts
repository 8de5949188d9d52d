import { figuresOfKind, type Figure } from '../../signal';
import { channelNamed, type Channel, type ChannelPair } from '../../situation';
import type { LeadInUse } from '../types';

/** A figure of one link, with the channels that it is between. */
export interface SolvedFigure {
  readonly figure: Figure;
  readonly out: Channel | undefined;
  readonly into: Channel | undefined;
}

/** All figures of one kind that the circuit gives: one a link. */
export const figuresOf = (used: LeadInUse, kind: string): readonly SolvedFigure[] =>
  figuresOfKind(used.signal()?.figures ?? [], kind).flatMap((figure) =>
    figure.link
      ? [
          {
            figure,
            out: channelNamed(used.situation, figure.link.out),
            into: channelNamed(used.situation, figure.link.in),
          },
        ]
      : [],
  );

/** The figure of another kind that is of the same link. */
export const besideOf = (used: LeadInUse, { out, into }: SolvedFigure, kind: string): Figure | undefined =>
  figuresOf(used, kind).find((each) => each.out === out && each.into === into)?.figure;

/** Whether something is wired otherwise than it is meant: what the circuit makes of it is said by that, and not by levels. */
export const isMiswired = ({ miswired }: LeadInUse): boolean =>
  miswired.some(({ is }) => is !== 'closed' && is !== 'stray');

/** What the circuit says of a channel, as a sentence to put after the reason: nothing where it has no such figure. */
export function solvedOf(
  used: LeadInUse,
  out: Channel,
  clauses: Readonly<Record<string, (says: string, value: number) => string>>,
): string {
  const said = Object.entries(clauses).flatMap(([kind, words]) => {
    const found = figuresOf(used, kind).find((each) => each.out === out);
    return found ? [words(found.figure.says, found.figure.value)] : [];
  });
  return said.length === 0 ? '' : ` By the circuit ${said.join(', and ')}.`;
}

/** What arrives of each link, by the circuit; nothing of one that was not solved. */
export function gainsOf(used: LeadInUse): (pair: ChannelPair) => Figure | undefined {
  const gains = new Map(
    figuresOf(used, 'gain').map(({ figure, out, into }) => [
      `${out?.name ?? ''}>${into?.name ?? ''}`,
      figure,
    ]),
  );
  return ({ out, in: into }) => gains.get(`${out.name}>${into.name}`);
}

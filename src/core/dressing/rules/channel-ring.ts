import {
  bodyOfEnd,
  dress,
  endsOf,
  spansAt,
  type Assembly,
  type Body,
  type End,
  type Span,
} from '../../assembly';
import { COLOURS, RESISTOR_CODE, type ColourCode } from '../../catalogue';
import type { Situation } from '../../situation';
import type { DressingRule } from '../types';

/** Left is white and right is red (CTA-863, from memory); a number has its last digit’s colour (IEC 60062). */
export function channelColour(label: string): ColourCode | undefined {
  if (label === 'left') return 'WH';
  if (label === 'right') return 'RD';
  return /^\d+$/.test(label) ? RESISTOR_CODE[Number(label) % 10] : undefined;
}

/** An end by itself on a leg of its own, with the channel that it carries and that channel’s colour. */
interface MarkedEnd {
  readonly end: End;
  readonly label: string;
  readonly colour: ColourCode;
  readonly body: Body;
  readonly span: Span;
}

/** The ends that are told apart by colour; none where one goes to several of one channel, or there is but one: nothing has to be told apart. */
export function markedEnds(assembly: Assembly, use: Situation | undefined): readonly MarkedEnd[] {
  const marked = endsOf(assembly).flatMap((end): MarkedEnd[] => {
    const labels = [
      ...new Set((use?.channels ?? []).filter((each) => each.end === end.id).map(({ label }) => label)),
    ];
    const [label = ''] = labels;
    const body = bodyOfEnd(assembly, end.id);
    const [span, ...others] = body ? spansAt(assembly, body.id) : [];
    const colour = labels.length === 1 ? channelColour(label) : undefined;
    return colour && body && span && others.length === 0 && body.kind === 'shell'
      ? [{ end, label, colour, body, span }]
      : [];
  });
  return new Set(marked.map(({ label }) => label)).size < 2 ? [] : marked;
}

/** A ring in its channel’s colour at both ends of a leg: at the connector, and where the cable is parted. */
export const channelRing: DressingRule = {
  id: 'channel-ring',
  source: 'common practice: channel colours at both ends of a leg',
  dress: ({ assembly, use }) =>
    markedEnds(assembly, use).flatMap(({ end, label, colour, body, span }) => {
      const split = assembly.bodies.find(
        ({ id, kind }) => kind === 'breakout' && (span.from === id || span.to === id),
      );
      const ring = (at: string, where: string) =>
        dress({
          id: `ring-${end.id}-${at}`,
          what: 'ring',
          over: span.id,
          at,
          colour,
          says: `${COLOURS[colour]} ring for ${/^\d/.test(label) ? `channel ${label}` : label} ${where}`,
        });
      return [
        ring(body.id, `at end ${end.id}`),
        ...(split && span.carries ? [ring(split.id, `of end ${end.id}, at the split`)] : []),
      ];
    }),
};

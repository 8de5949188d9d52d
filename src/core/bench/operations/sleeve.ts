import { conductorTerminal } from '../../assembly';
import type { Operation, Workplace } from '../types';

export const sleeve = ({ assembly, body, end, strips, schools }: Workplace): readonly Operation[] =>
  schools['screen-wire'] !== 'sleeved'
    ? []
    : strips.flatMap((each): Operation[] => {
        const cable = assembly.uses.cables.find(
          (entry) => entry.id === assembly.spans.find((span) => span.id === each.span)?.cable,
        );
        const screen = cable?.conductors.find((conductor) => conductor.is !== 'core');
        if (
          !screen ||
          assembly.unjoined.some((u) => u.at === conductorTerminal(each.span, screen.id, body.id))
        )
          return [];
        return [
          {
            id: `sleeve-${end.id}-${each.span}`,
            kind: 'sleeve',
            end: end.id,
            title: `Sleeve the screen wire at end ${end.id}`,
            detail: ['Over its whole bare length, leaving only what goes into the contact.'],
          },
        ];
      });

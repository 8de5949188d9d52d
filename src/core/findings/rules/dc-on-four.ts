import { connectorOf, endsOf } from '../../assembly';
import type { Rule } from '../types';

export const dcOnFour: Rule = {
  id: 'dc-on-four',
  what: 'A connector that is used for direct current as well.',
  source: 'common practice',
  find: ({ assembly, situation }) => {
    const ends = endsOf(assembly)
      .filter(
        (end) =>
          connectorOf(assembly, end)?.family === 'xlr4' &&
          situation.channels.some((each) => each.end === end.id),
      )
      .map(({ id }) => id);
    const [first] = ends;
    return first === undefined
      ? []
      : [
          {
            severity: 'note',
            says: `${ends.length > 1 ? 'Ends' : 'End'} ${new Intl.ListFormat('en').format(ends)} ${ends.length > 1 ? 'are' : 'is'} 4-contact XLR, which also carries supplies of 12 V and more: mark what it is for.`,
            because: 'Camera and lamp supplies use the same shell.',
            hear: 'Nothing ever again from a headset that met one.',
            about: first,
            remedies: [],
          },
        ];
  },
};

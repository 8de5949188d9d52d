import { school } from './types';

export const closing = school({
  id: 'closing',
  question: 'Is a plug glued shut, or kept so that it can be opened?',
  choices: [
    {
      id: 'serviceable',
      name: 'kept serviceable',
      gains: 'A joint can be looked at and mended years later.',
      costs: 'A shell may shake loose on the road.',
    },
    {
      id: 'glued',
      name: 'glued shut',
      gains: 'Nothing shakes loose, and nobody opens it.',
      costs: 'A repair cuts the plug off: it needs a new one.',
    },
  ],
  default: 'serviceable',
  because: 'Leads break at the plug, and most are mended there.',
  decides: 'bench',
  source: 'common practice',
});

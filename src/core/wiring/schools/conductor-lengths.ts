import { school } from './types';

export const conductorLengths = school({
  id: 'conductor-lengths',
  question: 'How long is the screen against the cores?',
  choices: [
    {
      id: 'equal',
      name: 'all equal',
      gains: 'A yank is shared by all.',
      costs: 'The signal may break before the screen does.',
    },
    {
      id: 'screen-longer',
      name: 'screen a little longer',
      gains: 'The signal breaks last but one: the screen still guards it.',
      costs: 'A loop of screen to tuck in.',
    },
  ],
  default: 'equal',
  because: 'The clamp takes the pull; equal conductors are the quickest to cut.',
  decides: 'lengths',
  source: 'common practice',
});

import { school } from './types';

export const screenWire = school({
  id: 'screen-wire',
  question: 'Is the bare screen sleeved?',
  choices: [
    {
      id: 'sleeved',
      name: 'sleeved over its whole bare length',
      gains: 'It cannot touch a contact or the shell.',
      costs: 'A piece of sleeve and half a minute an end.',
    },
    {
      id: 'bare',
      name: 'left bare and short',
      gains: 'Quicker, and easier to inspect.',
      costs: 'A stray strand can reach the next contact.',
    },
  ],
  default: 'sleeved',
  because: 'A strand bridge is the fault that shows up on stage and not on the bench.',
  decides: 'bench',
  source: 'common practice',
});

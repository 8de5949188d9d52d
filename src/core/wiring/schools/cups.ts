import { school } from './types';

export const cups = school({
  id: 'cups',
  question: 'How full is a cup before the wire comes?',
  choices: [
    {
      id: 'under',
      name: 'slightly under full',
      gains: 'The wire goes in and nothing runs over.',
      costs: 'Now and then a touch more is wanted at the joint.',
    },
    {
      id: 'brim',
      name: 'to the brim',
      gains: 'One heating makes the whole joint.',
      costs: 'What the wire displaces runs down outside, toward the next cup.',
    },
    {
      id: 'on-wire',
      name: 'as much as is on the wire',
      gains: 'No cup is heated twice, and none is overfilled.',
      costs: 'Wants a well tinned wire: a starved joint can look like a good one.',
    },
    {
      id: 'plugs-only',
      name: 'plugs slightly under full, sockets left untinned',
      gains: 'Nothing creeps up into the spring of a socket.',
      costs: 'In a socket the wire is held for longer.',
    },
  ],
  default: 'under',
  because: 'Too little is seen and mended; what has run over is found as a short.',
  decides: 'bench',
  source: 'common practice',
});
